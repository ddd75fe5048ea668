"""The line on a piece that has to lie along the cloth: its grainline, or of a piece on the bias one at 45° to that."""

from __future__ import annotations

import math
from collections.abc import Sequence

from shapely.geometry import LineString, Polygon

from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.pieces import Cut, Grain

FAR = 5000.0
"""Longer than any piece, in mm."""
CLEAR = 0.1
"""An arrow keeps clear of both edges by this share of the piece there."""
BIAS = 45.0
"""How far a piece on the bias is turned on the cloth, in degrees."""


def grain_arrow(grainline: tuple[Point, Point], outline: Sequence[Point], cuts: Sequence[Cut]) -> tuple[Point, Point]:
    """Where the arrow of the lengthwise grain is drawn on a piece, in its own frame: on the bias it slants."""
    if not cuts or any(cut.grain is not Grain.BIAS for cut in cuts):
        return grainline
    return turned_within(grainline, outline, -BIAS)


def turned_within(line: tuple[Point, Point], outline: Sequence[Point], degrees: float) -> tuple[Point, Point]:
    """A line turned about its middle, no longer than before, and inside an outline; itself where it crosses none."""
    (x0, y0), (x1, y1) = line
    middle = ((x0 + x1) / 2, (y0 + y1) / 2)
    way = math.atan2(y1 - y0, x1 - x0) + math.radians(degrees)
    ux, uy = math.cos(way), math.sin(way)
    through = LineString([(middle[0] + k * FAR * ux, middle[1] + k * FAR * uy) for k in (-1, 1)])
    inside = Polygon(outline).buffer(0).intersection(through)
    runs = [one for one in getattr(inside, "geoms", [inside]) if isinstance(one, LineString) and one.length > 1.0]
    if not runs:
        return line
    longest = max(runs, key=lambda run: run.length)
    half = min(math.dist(*line), longest.length * (1 - 2 * CLEAR)) / 2
    at = longest.interpolate(0.5, normalized=True)
    return (at.x - half * ux, at.y - half * uy), (at.x + half * ux, at.y + half * uy)
