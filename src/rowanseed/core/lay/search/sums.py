"""A polygon swept by convex ones, compiled: the closed curve round which their Minkowski sum lies.

Going round the polygon, the convex one is carried along at the corner of it that lies furthest out. Where the way
turns left its edges are passed forwards up to the new direction, where it turns right backwards. The curve crosses
itself near corners that turn in; the sum is what it winds round (Guibas, Ramshaw, Stolfi: A Kinetic Framework for
Computational Geometry, 1983; from memory).
"""

from __future__ import annotations

from typing import Any

import numpy as np
from numba import njit

Array = np.ndarray[Any, Any]


@njit(cache=True, nogil=True, inline="always")
def _cross(ax, ay, bx, by):
    return ax * by - ay * bx


@njit(cache=True, nogil=True)
def sweep(parts, parts_at, ring, out, out_at):
    """The curve of every part along the ring, all counter-clockwise; how many corners there are.

    Part k is `parts[parts_at[k]:parts_at[k + 1]]`, convex. `out` has room for every corner; `out_at` tells where each
    curve begins.
    """
    used, m = 0, ring.shape[0]
    for k in range(parts_at.shape[0] - 1):
        first = parts_at[k]
        n = parts_at[k + 1] - first
        out_at[k] = used
        # The corner that lies furthest to the right of the ring's last edge.
        dx, dy = ring[0, 0] - ring[m - 1, 0], ring[0, 1] - ring[m - 1, 1]
        at = 0
        for i in range(1, n):
            if (
                _cross(parts[first + i, 0] - parts[first + at, 0], parts[first + i, 1] - parts[first + at, 1], dx, dy)
                > 0
            ):
                at = i
        for j in range(m):
            x, y, after = ring[j, 0], ring[j, 1], (j + 1) % m
            ex, ey = ring[after, 0] - x, ring[after, 1] - y
            step = 1 if _cross(dx, dy, ex, ey) >= 0.0 else -1
            out[used, 0], out[used, 1] = x + parts[first + at, 0], y + parts[first + at, 1]
            used += 1
            while True:
                to = (at + step) % n
                fx, fy = parts[first + to, 0] - parts[first + at, 0], parts[first + to, 1] - parts[first + at, 1]
                if _cross(fx, fy, ex, ey) <= 0.0:
                    break
                at = to
                out[used, 0], out[used, 1] = x + parts[first + at, 0], y + parts[first + at, 1]
                used += 1
            dx, dy = ex, ey
    out_at[parts_at.shape[0] - 1] = used
    return used


def swept(parts: tuple[Array, ...], ring: Array) -> tuple[Array, Array]:
    """A simple polygon swept by each of several convex ones, each an (n, 2) array counter-clockwise: the corners of
    the curves, and the part each belongs to."""
    joined = np.concatenate(parts)
    starts = np.concatenate([[0], np.cumsum([len(part) for part in parts])]).astype(np.int64)
    room = np.empty((len(ring) * (len(joined) + len(parts)), 2))
    curves = np.empty(len(parts) + 1, np.int64)
    used = sweep(joined, starts, np.ascontiguousarray(ring), room, curves)
    return room[:used], np.repeat(np.arange(len(parts)), np.diff(curves))
