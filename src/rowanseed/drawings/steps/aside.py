"""A line moved to one side of itself, in its own direction: a row beside a stitching line."""

from __future__ import annotations

import math
from collections.abc import Sequence

from shapely.geometry import LineString

from rowanseed.core.geometry.outline import Point


def aside(line: Sequence[Point], mm: float) -> list[Point]:
    """A line so far to the left of itself as it runs, or to its right where `mm` is negative.

    Where it bends so that the moved line falls into parts, its points are moved one by one.
    """
    if abs(mm) < 1e-9:
        return list(line)
    moved = LineString(line).offset_curve(mm)
    if not isinstance(moved, LineString) or moved.is_empty:
        return [_left_of(line, k, mm) for k in range(len(line))]
    found = [(x, y) for x, y in moved.coords]
    return found if math.dist(found[0], line[0]) <= math.dist(found[-1], line[0]) else found[::-1]


def _left_of(line: Sequence[Point], k: int, mm: float) -> Point:
    """One point of a line, moved square to the line there."""
    (x0, y0), (x1, y1) = line[max(0, k - 1)], line[min(len(line) - 1, k + 1)]
    gone = math.dist((x0, y0), (x1, y1)) or 1.0
    return (line[k][0] - (y1 - y0) / gone * mm, line[k][1] + (x1 - x0) / gone * mm)
