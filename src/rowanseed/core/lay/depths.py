"""Compiled look-ups of how deep two shapes overlap.

The functions here are compiled by Numba: they take arrays and named tuples of arrays, and no types are
written since the compiler infers them from the arguments.
"""

from __future__ import annotations

import math
from typing import Any, NamedTuple

import numpy as np
from numba import njit

CELL = 16.0
"""Width of a grid cell in mm."""

Array = np.ndarray[Any, Any]


class Tables(NamedTuple):
    """All tables, joined into flat arrays for the compiled search.

    `table[a, b, f]` is the table of base `b` moving about base `a`, with relative flips `f` (1: flipped
    along x, 2: along y), or -1. A table `k` has `cols[k]` x `rows[k]` cells from the corner (`x0`, `y0`);
    its node depths begin at `nodes_at[k]`, its cells at `cells_at[k]`. `cell_edges[c]..cell_edges[c+1]`
    are the edges listed for a cell: (x1, y1, x2, y2, start is convex, end is convex).
    """

    table: Array
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


@njit(cache=True, nogil=True, inline="always")
def _nearest(px, py, edges, k, best):
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
def fill_nodes(nodes, x0, y0, edges):
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
def list_edges(nodes, x0, y0, edges, counts, room):
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
def depth(tables, a, asx, asy, b, bsx, bsy, dx, dy):
    """How deep base `b` (flipped by `bsx`, `bsy`) at shift (dx, dy) overlaps base `a`; negative: apart.

    The shift runs from centre to centre. Beyond the table the two are far apart.
    """
    flip = (1 if asx * bsx < 0 else 0) + (2 if asy * bsy < 0 else 0)
    if a <= b:
        k, x, y = tables.table[a, b, flip], asx * dx, asy * dy
    else:
        k, x, y = tables.table[b, a, flip], -bsx * dx, -bsy * dy
    if k < 0:
        return -CELL
    fx, fy = (x - tables.x0[k]) / CELL, (y - tables.y0[k]) / CELL
    c, r = math.floor(fx), math.floor(fy)
    if c < 0 or r < 0 or c >= tables.cols[k] or r >= tables.rows[k]:
        # Not nearer than the table's edge: the distance to it is a lower bound.
        ox = max(0.0, -fx, fx - tables.cols[k])
        oy = max(0.0, -fy, fy - tables.rows[k])
        return -(1e-3 + CELL * math.sqrt(ox * ox + oy * oy))
    cell = tables.cells_at[k] + r * tables.cols[k] + c
    first, last = tables.cell_edges[cell], tables.cell_edges[cell + 1]
    if last > first:
        best, sign = 1e30, -1.0
        for e in range(first, last):
            d, s = _nearest(x, y, tables.edges, tables.listed[e], best)
            if s != 0.0:
                best, sign = d, s
        return sign * math.sqrt(best)
    u, v = fx - c, fy - r
    at = tables.nodes_at[k] + r * (tables.cols[k] + 1) + c
    low = tables.nodes[at] * (1 - u) + tables.nodes[at + 1] * u
    high = tables.nodes[at + tables.cols[k] + 1] * (1 - u) + tables.nodes[at + tables.cols[k] + 2] * u
    return low * (1 - v) + high * v
