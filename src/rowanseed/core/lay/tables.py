"""Penetration depths of every two shapes, tabulated: one look-up says how far two pieces overlap.

For two shapes the no-fit polygon holds the shifts at which they overlap; how deep a shift lies inside it
is how far they have to be moved apart. The depth is stored on a grid; in cells at the polygon's boundary
the edges that can be nearest are listed, so that depth there is exact.
"""

from __future__ import annotations

import math
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass
from typing import Any

import numpy as np
import shapely
from numba import njit
from shapely.geometry import MultiPolygon, Polygon

from rowanseed.core.lay.nofit import no_fit
from rowanseed.core.outline import Point

CELL = 16.0
"""Width of a grid cell in mm."""

Array = np.ndarray[Any, Any]


@dataclass(frozen=True)
class Tables:
    """All tables, joined into flat arrays for the compiled search.

    `index[a, b, f]` is the table of base `b` moving about base `a`, with relative flips `f` (1: flipped
    along x, 2: along y), or -1. A table `k` has `cols[k]` x `rows[k]` cells from the corner (`x0`, `y0`);
    its node depths begin at `nodes_at[k]`, its cells at `cells_at[k]`. `cell_edges[c]..cell_edges[c+1]`
    are the edges listed for a cell: (x1, y1, x2, y2, start is convex, end is convex).
    """

    index: Array
    cols: Array
    rows: Array
    x0: Array
    y0: Array
    nodes_at: Array
    nodes: Array
    cells_at: Array
    cell_edges: Array
    listed: Array
    edges: Array


def build(bases: list[tuple[Point, ...]], gap: float, flips: set[tuple[int, int]], pairs: set[tuple[int, int]]) -> Tables:
    """Tables for the pairs of bases that can meet, for the relative flips that occur.

    `flips` are products of two lying pieces' flips; a pair and its reverse share their polygon.
    """
    wanted = [(a, b, f) for a, b in sorted(pairs) if a <= b for f in sorted({_flip_index(sx, sy) for sx, sy in flips})]
    with ThreadPoolExecutor(2) as pool:
        made = list(pool.map(lambda key: _one(bases[key[0]], bases[key[1]], key[2], gap), wanted))
    index = np.full((len(bases), len(bases), 4), -1, np.int32)
    for k, (a, b, f) in enumerate(wanted):
        index[a, b, f] = k
    return Tables(
        index=index,
        cols=np.array([m[0].shape[1] - 1 for m in made], np.int32),
        rows=np.array([m[0].shape[0] - 1 for m in made], np.int32),
        x0=np.array([m[1] for m in made]),
        y0=np.array([m[2] for m in made]),
        nodes_at=_starts([m[0].size for m in made]),
        nodes=np.concatenate([m[0].ravel() for m in made]).astype(np.float32),
        cells_at=_starts([(m[0].shape[0] - 1) * (m[0].shape[1] - 1) for m in made]),
        cell_edges=_joined_counts([m[3] for m in made]),
        listed=np.concatenate([m[4] + start for m, start in zip(made, _starts([len(m[5]) for m in made]), strict=True)]),
        edges=np.concatenate([m[5] for m in made]),
    )


def _flip_index(sx: int, sy: int) -> int:
    return (1 if sx < 0 else 0) + (2 if sy < 0 else 0)


def _starts(sizes: list[int]) -> Array:
    return np.concatenate([[0], np.cumsum(sizes)[:-1]]).astype(np.int64) if sizes else np.zeros(0, np.int64)


def _joined_counts(counts: list[Array]) -> Array:
    """Numbers of listed edges a cell, as one running index over all tables."""
    every = np.concatenate(counts) if counts else np.zeros(0, np.int64)
    return np.concatenate([[0], np.cumsum(every)]).astype(np.int64)


def _one(a: tuple[Point, ...], b: tuple[Point, ...], flip: int, gap: float) -> tuple[Array, float, float, Array, Array, Array]:
    sx, sy = (-1 if flip & 1 else 1), (-1 if flip & 2 else 1)
    moving = tuple((sx * x, sy * y) for x, y in b)
    polygon = no_fit(a, moving, gap)
    edges = _edges(polygon)
    left, low, right, high = polygon.bounds
    cols, rows = math.ceil((right - left) / CELL) + 1, math.ceil((high - low) / CELL) + 1
    x0, y0 = (left + right - cols * CELL) / 2, (low + high - rows * CELL) / 2
    nodes = np.empty((rows + 1, cols + 1))
    _fill_nodes(nodes, x0, y0, edges)
    counts = np.zeros(rows * cols, np.int64)
    room = np.empty(rows * cols * 24, np.int64)
    used = _list_edges(nodes, x0, y0, edges, counts, room)
    while used < 0:
        room = np.empty(len(room) * 2, np.int64)
        counts[:] = 0
        used = _list_edges(nodes, x0, y0, edges, counts, room)
    return nodes, x0, y0, counts, room[:used].copy(), edges


def _edges(polygon: Polygon | MultiPolygon) -> Array:
    """The boundary as rows (x1, y1, x2, y2, convex at start, convex at end), the inside on the left."""
    out = []
    for part in getattr(polygon, "geoms", [polygon]):
        oriented = shapely.geometry.polygon.orient(part)
        for ring in (oriented.exterior, *oriented.interiors):
            points = np.asarray(ring.coords)[:-1]
            following, before = np.roll(points, -1, 0), np.roll(points, 1, 0)
            cross = (points[:, 0] - before[:, 0]) * (following[:, 1] - points[:, 1]) - (
                points[:, 1] - before[:, 1]
            ) * (following[:, 0] - points[:, 0])
            convex = (cross >= 0).astype(float)
            out.append(np.column_stack([points, following, convex, np.roll(convex, -1)]))
    return np.ascontiguousarray(np.concatenate(out))


@njit(cache=True, nogil=True, inline="always")
def _nearest(px, py, edges, k, best):  # type: ignore[no-untyped-def]
    """(squared distance, signed) of a point to edge k, where nearer than `best`; else (best, 0)."""
    x1, y1 = edges[k, 0], edges[k, 1]
    dx, dy = edges[k, 2] - x1, edges[k, 3] - y1
    length = dx * dx + dy * dy
    t = ((px - x1) * dx + (py - y1) * dy) / length if length > 0 else 0.0
    if t <= 0:
        qx, qy = px - x1, py - y1
        inside = -1.0 if edges[k, 4] > 0.5 else 1.0
    elif t >= 1:
        qx, qy = px - edges[k, 2], py - edges[k, 3]
        inside = -1.0 if edges[k, 5] > 0.5 else 1.0
    else:
        qx, qy = px - x1 - t * dx, py - y1 - t * dy
        inside = 1.0 if dx * (py - y1) - dy * (px - x1) > 0 else -1.0
    d = qx * qx + qy * qy
    if d < best:
        return d, inside
    return best, 0.0


@njit(cache=True, nogil=True)
def _fill_nodes(nodes, x0, y0, edges):  # type: ignore[no-untyped-def]
    """Signed depth at every node: positive inside the polygon."""
    for r in range(nodes.shape[0]):
        for c in range(nodes.shape[1]):
            px, py = x0 + c * CELL, y0 + r * CELL
            best, sign = 1e30, -1.0
            for k in range(edges.shape[0]):
                d, s = _nearest(px, py, edges, k, best)
                if s != 0.0:
                    best, sign = d, s
            nodes[r, c] = sign * math.sqrt(best)


@njit(cache=True, nogil=True)
def _list_edges(nodes, x0, y0, edges, counts, room):  # type: ignore[no-untyped-def]
    """List for every boundary cell the edges that can be nearest in it; -1 if there is too little room."""
    rows, cols = nodes.shape[0] - 1, nodes.shape[1] - 1
    half = CELL * math.sqrt(0.5)
    used = 0
    for r in range(rows):
        for c in range(cols):
            least = min(abs(nodes[r, c]), abs(nodes[r + 1, c]), abs(nodes[r, c + 1]), abs(nodes[r + 1, c + 1]))
            if least > 2 * half:
                continue
            px, py = x0 + (c + 0.5) * CELL, y0 + (r + 0.5) * CELL
            nearest = 1e30
            for k in range(edges.shape[0]):
                nearest = min(nearest, _nearest(px, py, edges, k, nearest)[0])
            reach = (math.sqrt(nearest) + 2 * half) ** 2
            for k in range(edges.shape[0]):
                if _nearest(px, py, edges, k, 1e30)[0] <= reach:
                    if used >= room.shape[0]:
                        return -1
                    room[used] = k
                    used += 1
                    counts[r * cols + c] += 1
    return used


@njit(cache=True, nogil=True)
def depth(index, cols, rows, x0, y0, nodes_at, nodes, cells_at, cell_edges, listed, edges, a, asx, asy, b, bsx, bsy, dx, dy):  # type: ignore[no-untyped-def]
    """How deep base `b` (flipped by `bsx`, `bsy`) at shift (dx, dy) overlaps base `a`; negative: apart.

    The shift runs from centre to centre. Beyond the table the two are far apart.
    """
    flip = (1 if asx * bsx < 0 else 0) + (2 if asy * bsy < 0 else 0)
    if a <= b:
        k, x, y = index[a, b, flip], asx * dx, asy * dy
    else:
        k, x, y = index[b, a, flip], -bsx * dx, -bsy * dy
    if k < 0:
        return -CELL
    fx, fy = (x - x0[k]) / CELL, (y - y0[k]) / CELL
    c, r = int(math.floor(fx)), int(math.floor(fy))
    if c < 0 or r < 0 or c >= cols[k] or r >= rows[k]:
        # Not nearer than the table's edge: the distance to it is a lower bound.
        ox = max(0.0, -fx, fx - cols[k])
        oy = max(0.0, -fy, fy - rows[k])
        return -(1e-3 + CELL * math.sqrt(ox * ox + oy * oy))
    cell = cells_at[k] + r * cols[k] + c
    first, last = cell_edges[cell], cell_edges[cell + 1]
    if last > first:
        best, sign = 1e30, -1.0
        for e in range(first, last):
            d, s = _nearest(x, y, edges, listed[e], best)
            if s != 0.0:
                best, sign = d, s
        return sign * math.sqrt(best)
    u, v = fx - c, fy - r
    at = nodes_at[k] + r * (cols[k] + 1) + c
    low = nodes[at] * (1 - u) + nodes[at + 1] * u
    high = nodes[at + cols[k] + 1] * (1 - u) + nodes[at + cols[k] + 2] * u
    return low * (1 - v) + high * v
