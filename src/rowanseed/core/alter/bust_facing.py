"""What faces the armhole of a front that is adjusted for the bust."""

from __future__ import annotations

import math
from dataclasses import replace

from rowanseed.core.alter.bust_parts import Swing
from rowanseed.core.alter.deform import deform, smooth
from rowanseed.core.geometry.outline import Point, chain_length, rotation
from rowanseed.core.pattern.pieces import Piece

FAN = 0.6
"""A facing is opened like a fan at the hinge, so far to either side of the slash, in radians."""


def fanned(piece: Piece, size: str, swing: Swing, before: Piece, after: Piece) -> Piece:
    """What faces the armhole, opened like a fan at the hinge, so that its outer edge runs as the front's does."""
    hx, hy = swing.hinge
    towards = math.atan2(swing.bust[1] - hy, swing.bust[0] - hx)
    turn = math.atan2(swing.upper.c, swing.upper.a)

    def field(p: Point) -> Point:
        # Beyond the slash is the underarm's side, which is swung.
        beyond = math.remainder(math.atan2(p[1] - hy, p[0] - hx) - towards, math.tau)
        return rotation(swing.hinge, turn * smooth((beyond + FAN) / (2 * FAN)))(p)

    out = deform(piece, size, field, parts=8)
    old, was = piece.shapes[size].edges["armhole"], before.shapes[size].edges["armhole"]
    if abs(chain_length(old) - chain_length(was)) > 0.05 or math.dist(old[0].start, was[0].start) > 0.05:
        return out
    edges = {**out.shapes[size].edges, "armhole": after.shapes[size].edges["armhole"]}
    return replace(out, shapes={**out.shapes, size: replace(out.shapes[size], edges=edges)})
