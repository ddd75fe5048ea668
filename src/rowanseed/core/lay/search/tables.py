"""Penetration depths of every two shapes, tabulated: one look-up says how far two pieces overlap.

For two shapes the no-fit polygon holds the shifts at which they overlap; how deep a shift lies inside it
is how far they have to be moved apart. The depth is stored on a grid; in cells at the polygon's boundary
the edges that can be nearest are listed, so that depth there is exact.
"""

from __future__ import annotations

import math
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from functools import lru_cache

import numpy as np
import shapely
from shapely.geometry import MultiPolygon, Polygon

from rowanseed.core.base.lay_errors import StoppedTooSoon
from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.search.kernel import CELL, Array, Tables, fill_nodes, list_edges
from rowanseed.core.lay.search.nofit import least_flip, no_fit

STRAIGHT = 1e-6
"""The sine of a corner that is none."""


def build(
    bases: list[tuple[Point, ...]],
    gap: float,
    flips: set[tuple[int, int]],
    pairs: set[tuple[int, int]],
    should_stop: Callable[[], bool] = lambda: False,
) -> Tables:
    """Tables for the pairs of bases that can meet, for the relative flips that occur.

    `flips` are products of two lying pieces' flips; a pair and its reverse share their polygon.
    Raises StoppedTooSoon.
    """
    asked = {
        (a, b, f): (a, b, _flip_index(*least_flip(bases[b], (-1 if f & 1 else 1, -1 if f & 2 else 1))))
        for a, b in sorted(pairs)
        if a <= b
        for f in sorted({_flip_index(sx, sy) for sx, sy in flips})
    }
    wanted = sorted(set(asked.values()))

    def one(key: tuple[int, int, int]) -> tuple[Array, float, float, Array, Array, Array]:
        if should_stop():
            raise StoppedTooSoon()
        return _one(bases[key[0]], bases[key[1]], key[2], gap)

    with ThreadPoolExecutor(2) as pool:
        made = list(pool.map(one, wanted)) or [_one(bases[0], bases[0], 0, gap)]
    index = np.full((len(bases), len(bases), 4), -1, np.int32)
    number = {key: k for k, key in enumerate(wanted)}
    for (a, b, f), key in asked.items():
        index[a, b, f] = number[key]
    return Tables(
        table=index,
        cols=np.array([m[0].shape[1] - 1 for m in made], np.int32),
        rows=np.array([m[0].shape[0] - 1 for m in made], np.int32),
        x0=np.array([m[1] for m in made]),
        y0=np.array([m[2] for m in made]),
        nodes_at=_starts([m[0].size for m in made]),
        nodes=np.concatenate([m[0].ravel() for m in made]).astype(np.float32),
        cells_at=_starts([(m[0].shape[0] - 1) * (m[0].shape[1] - 1) for m in made]),
        cell_edges=_joined_counts([m[3] for m in made]),
        listed=np.concatenate(
            [m[4] + start for m, start in zip(made, _starts([len(m[5]) for m in made]), strict=True)]
        ),
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


@lru_cache(maxsize=2048)
def _one(
    a: tuple[Point, ...], b: tuple[Point, ...], flip: int, gap: float
) -> tuple[Array, float, float, Array, Array, Array]:
    polygon = no_fit(a, b, gap, (-1 if flip & 1 else 1, -1 if flip & 2 else 1))
    edges = _edges(polygon)
    left, low, right, high = polygon.bounds
    cols, rows = math.ceil((right - left) / CELL) + 1, math.ceil((high - low) / CELL) + 1
    x0, y0 = (left + right - cols * CELL) / 2, (low + high - rows * CELL) / 2
    nodes = np.empty((rows + 1, cols + 1))
    fill_nodes(nodes, x0, y0, edges)
    counts = np.zeros(rows * cols, np.int64)
    room = np.empty(rows * cols * 24, np.int64)
    used = list_edges(nodes, x0, y0, edges, counts, room)
    while used < 0:
        room = np.empty(len(room) * 2, np.int64)
        counts[:] = 0
        used = list_edges(nodes, x0, y0, edges, counts, room)
    return nodes, x0, y0, counts, room[:used].copy(), edges


def _corners(points: Array) -> Array:
    """A ring without vertices on a straight edge: of a place right opposite one the sign could not be told."""
    before, after = points - np.roll(points, 1, 0), np.roll(points, -1, 0) - points
    cross = before[:, 0] * after[:, 1] - before[:, 1] * after[:, 0]
    corners: Array = points[np.abs(cross) > STRAIGHT * np.hypot(*before.T) * np.hypot(*after.T)]
    return corners


def _edges(polygon: Polygon | MultiPolygon) -> Array:
    """The boundary as the rows `Tables.edges` holds, the inside on the left."""
    out = []
    for part in getattr(polygon, "geoms", [polygon]):
        oriented = shapely.geometry.polygon.orient(part)
        for ring in (oriented.exterior, *oriented.interiors):
            points = _corners(np.asarray(ring.coords)[:-1])
            following, before = np.roll(points, -1, 0), np.roll(points, 1, 0)
            cross = (points[:, 0] - before[:, 0]) * (following[:, 1] - points[:, 1]) - (points[:, 1] - before[:, 1]) * (
                following[:, 0] - points[:, 0]
            )
            # Nearest to a convex corner one is outside, nearest to a reflex one inside.
            sign = np.where(cross >= 0, -1.0, 1.0)
            along = following - points
            out.append(np.column_stack([points, along, 1 / (along**2).sum(1), sign, np.roll(sign, -1)]))
    return np.ascontiguousarray(np.concatenate(out))
