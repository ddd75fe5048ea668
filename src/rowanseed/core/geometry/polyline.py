"""Geometry on runs of points: areas, bounds, offsets without loops, mirrors at a fold."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise

from rowanseed.core.geometry.outline import Point, lerp, unit

SHARPEST = 0.1
"""A corner is mitred as if one and the cosine of its turn came to so much at least: sharper ones are blunted."""
LOOP = 40
"""A loop that an inward corner makes in a moved polyline has at most so many stretches."""


def signed_area(ring: Sequence[Point]) -> float:
    """Shoelace area of a ring without repeated last point; positive counter-clockwise."""
    return sum(a[0] * b[1] - b[0] * a[1] for a, b in pairwise([*ring, ring[0]])) / 2


def bounds(points: Sequence[Point]) -> tuple[float, float, float, float]:
    """(least x, least y, greatest x, greatest y)."""
    xs, ys = [p[0] for p in points], [p[1] for p in points]
    return min(xs), min(ys), max(xs), max(ys)


def intersect_lines(p: Point, v: Point, q: Point, w: Point) -> Point | None:
    """Where the line through p along v meets the line through q along w; None when nearly parallel."""
    cross = v[0] * w[1] - v[1] * w[0]
    if abs(cross) < 1e-9 * math.hypot(*v) * math.hypot(*w):
        return None
    t = ((q[0] - p[0]) * w[1] - (q[1] - p[1]) * w[0]) / cross
    return (p[0] + t * v[0], p[1] + t * v[1])


def offset_polyline(points: Sequence[Point], distance: float) -> list[Point]:
    """A polyline moved to its right by `distance` mm (outwards, on a counter-clockwise ring).

    Inner vertices are mitred; the two ends are moved square to their own segments. A stretch that is shorter than its
    inward corner takes away runs backwards once moved: the loop that it makes is cut off.
    """
    if distance == 0:
        return list(points)
    # Written as one plain loop: every cutting line of every size is drawn by it.
    normals = _normals(points)
    (x, y), (nx, ny) = points[0], normals[0]
    px, py = x + nx * distance, y + ny * distance
    out, runs_back = [(px, py)], False
    for (x, y), (mx, my) in zip(points[1:], [*normals[1:], normals[-1]], strict=True):
        turn = 1 + nx * mx + ny * my
        mitre = distance / (turn if turn > SHARPEST else SHARPEST)
        qx, qy = x + mitre * (nx + mx), y + mitre * (ny + my)
        runs_back = runs_back or (qy - py) * nx - (qx - px) * ny < -1e-9
        out.append((qx, qy))
        px, py, nx, ny = qx, qy, mx, my
    if not runs_back:
        return out
    return _onwards_from_its_ends(_without_loops(_without_ways_back(out)), _along(normals[0]), _along(normals[-1]))


def _normals(points: Sequence[Point]) -> list[Point]:
    """The unit normals of the stretches of a polyline, to their right; of one without length that of the x axis."""
    out = []
    for (ax, ay), (bx, by) in pairwise(points):
        dx, dy = bx - ax, by - ay
        long = math.hypot(dx, dy)
        out.append((dy / long, -dx / long) if long else (0.0, -1.0))
    return out


def _along(normal: Point) -> Point:
    return (-normal[1], normal[0])


def _onwards_from_its_ends(points: list[Point], first: Point, last: Point) -> list[Point]:
    """A polyline without what lies behind its ends, seen along the ways it begins and ends: no loop closes there."""

    def behind(a: Point, b: Point, way: Point) -> bool:
        return (b[0] - a[0]) * way[0] + (b[1] - a[1]) * way[1] <= 0

    kept = list(points)
    while len(kept) > 2 and behind(kept[0], kept[1], first):
        del kept[1]
    while len(kept) > 2 and behind(kept[-2], kept[-1], last):
        del kept[-2]
    return kept


def _without_ways_back(points: list[Point]) -> list[Point]:
    """A polyline without the stretches that run back over the one before or after them, within rounding."""
    kept: list[Point] = []
    for point in points:
        while len(kept) > 1 and _turns_back(kept[-2], kept[-1], point):
            kept.pop()
        kept.append(point)
    return kept


def _turns_back(a: Point, b: Point, c: Point) -> bool:
    v, w = unit((b[0] - a[0], b[1] - a[1])), unit((c[0] - b[0], c[1] - b[1]))
    return v[0] * w[0] + v[1] * w[1] < 0 and abs(v[0] * w[1] - v[1] * w[0]) < 1e-6


def _without_loops(points: list[Point]) -> list[Point]:
    """A polyline with small loops cut off where it crosses itself."""
    k = 0
    while k < len(points) - 3:
        for last in range(min(len(points) - 2, k + LOOP), k + 1, -1):
            at = _crossing(points[k], points[k + 1], points[last], points[last + 1])
            if at is not None:
                points = [*points[: k + 1], at, *points[last + 1 :]]
                break
        k += 1
    return points


def _crossing(a: Point, b: Point, c: Point, d: Point) -> Point | None:
    """Where two straight stretches cross."""
    r, s = (b[0] - a[0], b[1] - a[1]), (d[0] - c[0], d[1] - c[1])
    across = r[0] * s[1] - r[1] * s[0]
    if abs(across) < 1e-12:
        return None
    t = ((c[0] - a[0]) * s[1] - (c[1] - a[1]) * s[0]) / across
    u = ((c[0] - a[0]) * r[1] - (c[1] - a[1]) * r[0]) / across
    return lerp(a, b, t) if 0 <= t <= 1 and 0 <= u <= 1 else None


def without_repeats(ring: Sequence[Point], least: float = 1e-6) -> list[Point]:
    """A ring with neighbouring points that coincide (last and first too) taken once."""
    kept: list[Point] = []
    for point in ring:
        if not kept or math.dist(point, kept[-1]) > least:
            kept.append(point)
    while len(kept) > 1 and math.dist(kept[0], kept[-1]) <= least:
        kept.pop()
    return kept


def unfold(ring: Sequence[Point], fold: tuple[Point, Point]) -> list[Point]:
    """A half outline joined to its mirror image at its fold edge (two neighbouring corners of the ring).

    Raises ValueError if the fold is not an edge of the ring.
    """
    count = len(ring)
    at = next((k for k in range(count) if {ring[k - 1], ring[k]} == set(fold)), None)
    if at is None:
        raise ValueError("the fold is not an edge of the outline")
    half = [*ring[at:], *ring[:at]]
    (x0, y0), (x1, y1) = fold
    ax, ay = unit((x1 - x0, y1 - y0))

    def mirrored(p: Point) -> Point:
        along = (p[0] - x0) * ax + (p[1] - y0) * ay
        return (2 * (x0 + along * ax) - p[0], 2 * (y0 + along * ay) - p[1])

    return [*half, *(mirrored(p) for p in reversed(half[1:-1]))]
