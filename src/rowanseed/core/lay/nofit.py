"""No-fit polygons: where a piece may not be put because of one that lies already.

The no-fit polygon of a fixed piece A and a moving piece B is the set of shifts of B at which the two
overlap: A widened by the mirror image of B through its origin (their Minkowski difference). Both are
cut into convex parts; the sum of two convex parts is the hull of their vertex sums.
"""

from __future__ import annotations

import math
from functools import lru_cache

import numpy as np
import shapely
from shapely.geometry import Polygon

from rowanseed.core.outline import Point

SIMPLIFIED = 0.1
"""Outlines are searched simplified to this, in mm; the clearance below makes up for it."""
CLEARANCE = 2 * SIMPLIFIED + 0.06
ROUND = math.cos(math.pi / 12)
"""Corners are rounded by three chords a quarter turn, drawn outside the true arc."""

Outline = tuple[Point, ...]


@lru_cache(maxsize=4096)
def convex_parts(outline: Outline) -> tuple[np.ndarray, ...]:
    """Convex polygons that together are the outline, each an (n, 2) array, by merged triangulation."""
    polygon = shapely.simplify(Polygon(outline), SIMPLIFIED, preserve_topology=True)
    hull = polygon.convex_hull
    if hull.area - polygon.area < 1e-6 * hull.area:
        return (_vertices(hull),)
    parts = [t for t in shapely.constrained_delaunay_triangles(polygon).geoms if t.area > 1e-9]
    merged = True
    while merged:
        merged = False
        for i in range(len(parts)):
            for j in range(i + 1, len(parts)):
                joined = parts[i].convex_hull.union(parts[j].convex_hull).convex_hull
                if joined.area - parts[i].area - parts[j].area < 1e-6 * joined.area:
                    parts[i] = joined
                    del parts[j]
                    merged = True
                    break
            if merged:
                break
    return tuple(_vertices(part) for part in parts)


def _vertices(polygon: Polygon) -> np.ndarray:
    return np.asarray(polygon.exterior.coords)[:-1]


@lru_cache(maxsize=16384)
def no_fit(fixed: Outline, moving: Outline, gap: float) -> Polygon:
    """Shifts of `moving` at which it comes nearer than `gap` mm to `fixed` (both about their origins)."""
    hulls = []
    for a in convex_parts(fixed):
        for b in convex_parts(moving):
            sums = (a[:, None, :] - b[None, :, :]).reshape(-1, 2)
            hulls.append(shapely.convex_hull(shapely.multipoints(sums)))
    grown = shapely.union_all(hulls).buffer((gap + CLEARANCE) / ROUND, quad_segs=3)
    grown = shapely.simplify(grown, 0.02)
    return Polygon(grown.exterior) if grown.geom_type == "Polygon" and not grown.interiors else grown
