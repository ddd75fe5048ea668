"""Sums of convex polygons, compiled: their edges merged by direction, as both rings turn once round.

The Minkowski sum of two convex polygons with n and m corners has at most n + m: the edges of both in the order of
their directions, begun at the sum of their lowest corners (de Berg et al., Computational Geometry, 13.3; from memory).
"""

from __future__ import annotations

from typing import Any

import numpy as np
from numba import njit

Array = np.ndarray[Any, Any]


@njit(cache=True, nogil=True, inline="always")
def _lowest(ring, first, last):
    at = first
    for k in range(first + 1, last):
        if ring[k, 1] < ring[at, 1] or (ring[k, 1] == ring[at, 1] and ring[k, 0] < ring[at, 0]):
            at = k
    return at


@njit(cache=True, nogil=True)
def sums(a, a_at, b, b_at, out, out_at):
    """The sum of every ring of `a` with every ring of `b`, all counter-clockwise; how many corners there are.

    Ring k of `a` is `a[a_at[k]:a_at[k + 1]]`. `out` has room for every corner; `out_at` tells where each sum begins.
    """
    used, number = 0, 0
    for i in range(a_at.shape[0] - 1):
        a0, a1 = a_at[i], a_at[i + 1]
        n, a_low = a1 - a0, _lowest(a, a0, a1) - a0
        for j in range(b_at.shape[0] - 1):
            b0, b1 = b_at[j], b_at[j + 1]
            m, b_low = b1 - b0, _lowest(b, b0, b1) - b0
            out_at[number] = used
            number += 1
            p, q = 0, 0
            while p < n or q < m:
                u, v = a0 + (a_low + p) % n, b0 + (b_low + q) % m
                out[used, 0], out[used, 1] = a[u, 0] + b[v, 0], a[u, 1] + b[v, 1]
                used += 1
                if p == n:
                    q += 1
                elif q == m:
                    p += 1
                else:
                    u_next, v_next = a0 + (a_low + p + 1) % n, b0 + (b_low + q + 1) % m
                    turn = (a[u_next, 0] - a[u, 0]) * (b[v_next, 1] - b[v, 1]) - (a[u_next, 1] - a[u, 1]) * (
                        b[v_next, 0] - b[v, 0]
                    )
                    if turn >= 0.0:
                        p += 1
                    if turn <= 0.0:
                        q += 1
    out_at[number] = used
    return used


def convex_sums(a: tuple[Array, ...], b: tuple[Array, ...]) -> tuple[Array, Array]:
    """The sums of convex polygons, each an (n, 2) array counter-clockwise: corners, and the sum each belongs to."""
    one, one_at = _joined(a)
    other, other_at = _joined(b)
    room = np.empty((len(one) * len(b) + len(other) * len(a), 2))
    starts = np.empty(len(a) * len(b) + 1, np.int64)
    used = sums(one, one_at, other, other_at, room, starts)
    return room[:used], np.repeat(np.arange(len(starts) - 1), np.diff(starts))


def _joined(rings: tuple[Array, ...]) -> tuple[Array, Array]:
    return np.concatenate(rings), np.concatenate([[0], np.cumsum([len(ring) for ring in rings])]).astype(np.int64)
