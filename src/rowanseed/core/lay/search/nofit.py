"""No-fit polygons: where a piece may not be put because of one that lies already.

The no-fit polygon of a fixed piece A and a moving piece B is the set of shifts of B at which the two
overlap: A widened by the mirror image of B through its origin (their Minkowski difference). Both are
cut into convex parts; the sum of two convex parts is the hull of their vertex sums.
"""

from __future__ import annotations

from functools import lru_cache

import numpy as np
import shapely
from shapely.geometry import Polygon
from shapely.geometry.polygon import orient

from rowanseed.core.geometry.outline import Point

SIMPLIFIED = 0.03
"""Outlines are searched simplified to this, in mm; a clearance makes up for it."""
ROUND_SEGMENTS = 6
"""Chords a quarter turn where the gap goes round a corner; at a gap of 3 mm they cut off 0.026 mm."""
CLEARANCE = 0.05
COARSER = (0.06, 0.12, 0.25, 0.4)
"""A finely drawn outline is simplified further, step by step, until it has no more than `ENOUGH` corners: what a
pair of shapes costs grows with the product of their corners, and shears follow no finer line. Each outline keeps
clear of others by its own step."""
ENOUGH = 30

Outline = tuple[Point, ...]


@lru_cache(maxsize=2048)
def simplified(outline: Outline) -> tuple[Polygon, float]:
    """The outline as it is searched, and how far it may stray from the true one, in mm."""
    whole = Polygon(outline)
    polygon, strayed = shapely.simplify(whole, SIMPLIFIED, preserve_topology=True), SIMPLIFIED
    for step in COARSER:
        if len(polygon.exterior.coords) - 1 <= ENOUGH:
            break
        polygon, strayed = shapely.simplify(whole, step, preserve_topology=True), step
    return polygon, strayed


@lru_cache(maxsize=1024)
def convex_parts(outline: Outline) -> tuple[np.ndarray, ...]:
    """Convex polygons that together are the outline, each an (n, 2) array: triangles, merged while convex."""
    polygon, _ = simplified(outline)
    hull = polygon.convex_hull
    if hull.area - polygon.area < 1e-6 * hull.area:
        return (np.asarray(hull.exterior.coords)[:-1],)
    triangles = shapely.constrained_delaunay_triangles(polygon).geoms
    rings = [list(orient(t).exterior.coords)[:-1] for t in triangles if t.area > 1e-9]
    return tuple(np.asarray(ring) for ring in _merged(rings))


def _merged(rings: list[list[Point]]) -> list[list[Point]]:
    """Join neighbouring convex rings across shared edges while the result stays convex (Hertel and Mehlhorn)."""
    merged = True
    while merged:
        merged = False
        side_of = {(ring[k - 1], ring[k]): n for n, ring in enumerate(rings) for k in range(len(ring))}
        for (a, b), first in side_of.items():
            second = side_of.get((b, a))
            if second is None or second == first:
                continue
            joined = _joined(rings[first], rings[second], a, b)
            if joined is not None:
                rings = [ring for n, ring in enumerate(rings) if n not in (first, second)] + [joined]
                merged = True
                break
    return rings


def _joined(one: list[Point], other: list[Point], a: Point, b: Point) -> list[Point] | None:
    """Two rings joined at the edge a-b of the first (b-a of the other), or None if that is not convex."""
    k, m = one.index(b), other.index(a)
    ring = [*one[k:], *one[:k]][:-1] + [*other[m:], *other[:m]][:-1]
    for p, q, r in zip(ring, ring[1:] + ring[:1], ring[2:] + ring[:2], strict=True):
        if (q[0] - p[0]) * (r[1] - q[1]) - (q[1] - p[1]) * (r[0] - q[0]) < -1e-9:
            return None
    return ring


@lru_cache(maxsize=16384)
def no_fit(fixed: Outline, moving: Outline, gap: float, flip: tuple[int, int] = (1, 1)) -> Polygon:
    """Shifts of `moving` (flipped along x, y) at which it comes nearer than `gap` mm to `fixed`.

    Both are about their own origins.
    """
    clearance = simplified(fixed)[1] + simplified(moving)[1] + CLEARANCE
    sums = [
        (a[:, None, :] - (b * flip)[None, :, :]).reshape(-1, 2)
        for a in convex_parts(fixed)
        for b in convex_parts(moving)
    ]
    points = shapely.points(np.concatenate(sums))
    which = np.repeat(np.arange(len(sums)), [len(part) for part in sums])
    hulls = shapely.convex_hull(shapely.multipoints(points, indices=which))
    grown = shapely.union_all(hulls).buffer(gap + clearance, quad_segs=ROUND_SEGMENTS)
    grown = shapely.simplify(grown, 0.02)
    return Polygon(grown.exterior) if grown.geom_type == "Polygon" and not grown.interiors else grown
