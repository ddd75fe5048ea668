"""Patterns that draw the cutting line, redrawn on the stitching line, so that every later change keeps the garment.

What is sewn is what a change speaks of: a seam added, a hem narrowed, a facing, a side let out. Each works on the
stitching line and the allowances; the cutting line follows from the two.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import replace
from itertools import pairwise

from rowanseed.core.geometry.outline import Chain, Point, Segment, lerp
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Drawn, Piece, Shape
from rowanseed.core.pattern.seamline import lines

Run = list[Point]


def on_stitching_line(pattern: Pattern) -> Pattern:
    """The same garment with every piece drawn on its stitching line; the pattern itself if they all are.

    A piece that says no allowances keeps its outline: nobody knows where its stitching line runs.
    """
    if all(piece.drawn is Drawn.SEAM for piece in pattern.pieces):
        return pattern
    return replace(pattern, pieces=tuple(_redrawn(piece) for piece in pattern.pieces))


def _redrawn(piece: Piece) -> Piece:
    if piece.drawn is Drawn.SEAM:
        return piece
    if not any(edge.allowance for edge in piece.edges):
        return replace(piece, drawn=Drawn.SEAM)
    runs = {size: _runs(lines(piece, size).seam) for size in piece.shapes}
    most = {edge.name: max(len(found[edge.name]) for found in runs.values()) for edge in piece.edges}
    shapes = {
        size: Shape({name: _chain(run, most[name]) for name, run in found.items()}, piece.shapes[size].grainline)
        for size, found in runs.items()
    }
    return replace(piece, drawn=Drawn.SEAM, shapes=shapes)


SPLINTER = 0.3
"""No part of a stitching line is shorter than this, in mm: the direction of a splinter means nothing."""


def _runs(edges: Mapping[str, Run]) -> dict[str, Run]:
    """Runs without splinters; both ends are kept."""
    out = {}
    for name, run in edges.items():
        kept = [run[0]]
        for point in run[1:-1]:
            if math.dist(point, kept[-1]) > SPLINTER and math.dist(point, run[-1]) > SPLINTER:
                kept.append(point)
        out[name] = [*kept, run[-1]]
    return out


def _chain(run: Run, points: int) -> Chain:
    """A run as straight segments, the longest halved until there are as many as in every other size."""
    run = list(run)
    while len(run) < points:
        k = max(range(len(run) - 1), key=lambda i: math.dist(run[i], run[i + 1]))
        run.insert(k + 1, lerp(run[k], run[k + 1], 0.5))
    return tuple(Segment(a, b) for a, b in pairwise(run))
