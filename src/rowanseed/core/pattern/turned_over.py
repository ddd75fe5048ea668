"""Whether a piece is the same when it is turned over: a strip, a belt, a plain pocket has no left and right."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np
import shapely

from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.seamline import lines, mark_point

ALIKE = 1.0
"""Outlines and marks this near to each other, in mm, are the same."""
ROUGH = 0.2


def is_alike_turned_over(piece: Piece, size: str) -> bool:
    """Whether a piece turned over, about its grain or across it, lies on itself with all its marks."""
    ring = lines(piece, size, ROUGH).cutting_ring()
    (x0, y0), (x1, y1) = np.min(ring, axis=0), np.max(ring, axis=0)
    flips: tuple[Callable[[Point], Point], ...] = (
        lambda p: (p[0], y0 + y1 - p[1]),
        lambda p: (x0 + x1 - p[0], p[1]),
    )
    return any(_lies_on_itself(piece, size, ring, flip) for flip in flips)


def _lies_on_itself(piece: Piece, size: str, ring: list[Point], flip: Callable[[Point], Point]) -> bool:
    outline, turned = (shapely.linearrings(np.asarray(one)) for one in (ring, [flip(p) for p in ring]))
    if shapely.hausdorff_distance(outline, turned) > ALIKE:
        return False
    marked = [mark_point(piece, size, mark) for mark in piece.marks]
    marked += [dart.point[size] for dart in piece.darts] + [point.at[size] for point in piece.points]
    return all(min(np.hypot(*np.subtract(flip(p), q)) for q in marked) <= ALIKE for p in marked)
