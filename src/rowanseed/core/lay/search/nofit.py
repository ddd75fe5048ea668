"""No-fit polygons: where a piece may not be put because of one that lies already.

The no-fit polygon of a fixed piece A and a moving piece B is the set of shifts of B at which the two
overlap: A widened by the mirror image of B through its origin (their Minkowski difference). The one that
has fewer is cut into convex parts; the other swept by each of these, and what that covers put together.
"""

from __future__ import annotations

from functools import lru_cache

import numpy as np
import shapely
from shapely.affinity import scale
from shapely.geometry import Polygon
from shapely.geometry.polygon import orient

from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.search.sums import swept

SIMPLIFIED = 0.03
"""Outlines are searched simplified to this, in mm; a clearance makes up for it."""
ROUND_SEGMENTS = 6
"""Chords a quarter turn where the gap goes round a corner; at a gap of 3 mm they cut off 0.026 mm."""
CLEARANCE = 0.05
TRUE = 0.005
"""What an outline that is taken as it is drawn may stray, in mm."""
COARSER = (0.06, 0.12, 0.25, 0.4)
"""A finely drawn outline is simplified further, step by step, until it has no more than `ENOUGH` corners: what a
pair of shapes costs grows with the product of their corners, and shears follow no finer line. Each outline keeps
clear of others by its own step."""
ENOUGH = 30

PLACES = 4
"""Decimals of a millimetre that swept curves keep. Where edges lie along each other but for rounding, as those of a
piece beside its own like do, a union of polygons loses a part now and then."""

ALIKE = 0.01
"""A shape that differs no more than this from its mirror image, in mm, is one; the clearance is greater."""

Outline = tuple[Point, ...]
Flip = tuple[int, int]
AS_DRAWN: Flip = (1, 1)
FLIPS: tuple[Flip, ...] = (AS_DRAWN, (-1, 1), (1, -1), (-1, -1))


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
    """Convex polygons that together are the outline, each an (n, 2) array counter-clockwise: triangles, merged."""
    polygon, _ = simplified(outline)
    return _rings(polygon)


@lru_cache(maxsize=1024)
def convex_rings(outline: Outline) -> tuple[np.ndarray, ...]:
    """The same of the outline as it is drawn."""
    return _rings(shapely.simplify(Polygon(outline), TRUE, preserve_topology=True))


def _rings(polygon: Polygon) -> tuple[np.ndarray, ...]:
    hull = polygon.convex_hull
    if hull.area - polygon.area < 1e-6 * hull.area:
        return (_ring(hull),)
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


@lru_cache(maxsize=1024)
def symmetries(outline: Outline) -> tuple[Flip, ...]:
    """The flips about its origin that an outline does not change by."""
    corners = np.asarray(outline)
    return tuple(flip for flip in FLIPS if flip == AS_DRAWN or _is_alike(corners, corners * flip))


def _is_alike(corners: np.ndarray, flipped: np.ndarray) -> bool:
    apart = np.abs(corners[:, None, :] - flipped[None, :, :]).max(2)
    return bool(apart.min(1).max() <= ALIKE)


def least_flip(moving: Outline, flip: Flip) -> Flip:
    """The first of the flips that come to the same for a moving shape, since it is its own mirror image."""
    return max((flip[0] * own[0], flip[1] * own[1]) for own in symmetries(moving))


def no_fit(fixed: Outline, moving: Outline, gap: float, flip: Flip = AS_DRAWN) -> Polygon:
    """Shifts of `moving` (flipped along x, y) at which it comes nearer than `gap` mm to `fixed`.

    Both are about their own origins. Shapes that are their own mirror image have fewer polygons than flips: each is
    worked out once, and turned over where it is the fixed shape that makes it so.
    """
    ways = [((flip[0] * a[0] * b[0], flip[1] * a[1] * b[1]), a) for a in symmetries(fixed) for b in symmetries(moving)]
    least, over = max(ways)
    polygon = _no_fit(fixed, moving, gap, least)
    return polygon if over == AS_DRAWN else scale(polygon, over[0], over[1], origin=(0.0, 0.0))


@lru_cache(maxsize=16384)
def _no_fit(fixed: Outline, moving: Outline, gap: float, flip: Flip) -> Polygon:
    clearance = simplified(fixed)[1] + simplified(moving)[1] + CLEARANCE
    parts, ring = convex_parts(fixed), _turned(_ring(simplified(moving)[0]), flip)
    if len(convex_parts(moving)) < len(parts):
        parts = tuple(_turned(part, flip) for part in convex_parts(moving))
        ring = _ring(simplified(fixed)[0])
    corners, which = swept(parts, ring)
    # A buffer of nought keeps what a curve winds round, and drops the loops that it makes the other way round.
    curves = shapely.polygons(shapely.linearrings(corners.round(PLACES), indices=which))
    grown = shapely.union_all(shapely.buffer(curves, 0.0)).buffer(gap + clearance, quad_segs=ROUND_SEGMENTS)
    grown = shapely.simplify(grown, 0.02)
    return Polygon(grown.exterior) if grown.geom_type == "Polygon" and not grown.interiors else grown


def _ring(polygon: Polygon) -> np.ndarray:
    return np.asarray(orient(polygon).exterior.coords)[:-1]


def _turned(ring: np.ndarray, flip: Flip) -> np.ndarray:
    """A ring mirrored through its origin and flipped, still counter-clockwise."""
    turned: np.ndarray = -ring * flip
    return turned if flip[0] == flip[1] else turned[::-1]
