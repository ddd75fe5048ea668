"""Straight pieces made wider or narrower: what a garment built of rectangles is fitted by."""

from __future__ import annotations

from rowanseed.core.alter.deform import deform, stretch
from rowanseed.core.alter.frame import with_pieces
from rowanseed.core.base.craft_refusals import NoPlaceFor, TooNarrow
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.straight import girth, girth_direction, straight_pieces

LEAST = 20.0


def change_girth(pattern: Pattern, size: str, at: str, by: float) -> Pattern:
    """Make one straight piece go `by` mm further round (less if negative). Raises AlterationError."""
    piece = next((p for p in straight_pieces(pattern, size) if p.id == at), None)
    if piece is None:
        raise NoPlaceFor("That is no straight piece of this pattern.", field="at")
    wide = girth(pattern, piece, size)
    if wide + by < LEAST:
        raise TooNarrow("The piece is", wide, "Narrow it by less.")
    points = [s.start for chain in piece.shapes[size].edges.values() for s in chain]
    middle = tuple((max(p[k] for p in points) + min(p[k] for p in points)) / 2 for k in (0, 1))
    reach = max(1.0, wide / 2 - max(0.0, -by) / 2)
    field, cuts = stretch((middle[0], middle[1]), girth_direction(pattern, piece, size), by, half=reach)
    return with_pieces(pattern, [deform(piece, size, field, cuts)])
