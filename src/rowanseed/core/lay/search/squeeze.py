"""Pushing a lay together: every piece as far as its neighbours let it, all at once, as a linear programme.

Two convex outlines that lie apart stay so while their shifts keep the distance along the line between their nearest
points. With one such inequality for every two convex parts that are near, the shortest length is a linear programme;
solved again from where it ends, it comes to where nothing gives any more (compaction by linear programming: Li and
Milenkovic, European Journal of Operational Research 84, 1995; from memory).
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

import numpy as np
import shapely
from scipy.optimize import linprog
from scipy.sparse import csr_matrix

from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.search.nofit import CLEARANCE, convex_parts, convex_rings, simplified
from rowanseed.core.lay.search.packing import Packing, State

Array = np.ndarray[Any, Any]

STEP = 15.0
"""How far a piece moves at most along and across in one round, in mm."""
REACH = 3 * STEP
"""Parts further apart than this and the gap cannot meet in a round: two diagonal steps are shorter."""
ROUNDS = 6
GAIN = 0.02
"""A round that shortens the lay by less, in mm, is the last."""
KEPT = 0.01
"""Pieces keep so much more than the gap, in mm: for what rounding takes."""
TO_THE_LEFT = 1e-6
"""What a piece's own place along the cloth weighs beside the length of the lay: what may lie further left does."""


@dataclass(frozen=True)
class Parts:
    """The convex parts of the items as they lie about their own centres, and what each item keeps beside the gap."""

    corners: Array
    part: Array
    """The part of every corner."""
    item: Array
    """The item of every part."""
    kept: Array

    def at(self, x: Array, y: Array) -> Array:
        """The parts as polygons, with the items at these places."""
        where = np.column_stack([x, y])[self.item[self.part]]
        polygons: Array = shapely.polygons(shapely.linearrings(self.corners + where, indices=self.part))
        return polygons


@dataclass(frozen=True)
class Near:
    """Two parts of different items that could meet: the items, how far apart the parts are, and in which direction."""

    one: Array
    other: Array
    apart: Array
    towards: Array


class Squeeze:
    """Pushes states of one packing together: on the outlines as they are drawn, or as the search knows them."""

    def __init__(self, packing: Packing, bases: list[tuple[Point, ...]], *, as_searched: bool = False) -> None:
        self.packing, self.bases, self.as_searched = packing, bases, as_searched

    def __call__(self, state: State) -> State:
        """The same lay, as short as it can be pushed; itself where nothing gives."""
        parts, region = self._parts(state), self.packing.options.region[state.options]
        found = state
        for _ in range(ROUNDS):
            near = self._near(parts, region, found)
            if np.any(near.apart <= 0.0):
                # They overlap, which no push mends.
                return found
            shorter = self._round(found, near, parts.kept)
            if shorter is None or shorter.length > found.length - GAIN:
                break
            found = shorter
        return found

    def _parts(self, state: State) -> Parts:
        options, rings_of = self.packing.options, convex_parts if self.as_searched else convex_rings
        bases = [self.bases[options.base[o]] for o in state.options]
        rings = [[r * options.flips[o] for r in rings_of(base)] for o, base in zip(state.options, bases, strict=True)]
        kept = [simplified(base)[1] + CLEARANCE / 2 if self.as_searched else 0.0 for base in bases]
        every = [ring for own in rings for ring in own]
        return Parts(
            corners=np.concatenate(every),
            part=np.repeat(np.arange(len(every)), [len(ring) for ring in every]),
            item=np.repeat(np.arange(len(rings)), [len(own) for own in rings]),
            kept=np.array(kept),
        )

    def _near(self, parts: Parts, region: Array, state: State) -> Near:
        polygons, item = parts.at(state.x, state.y), parts.item
        a, b = shapely.STRtree(polygons).query(polygons, predicate="dwithin", distance=self.packing.asked + REACH)
        counts = (item[a] < item[b]) & (region[item[a]] == region[item[b]])
        a, b = a[counts], b[counts]
        ends = shapely.get_coordinates(shapely.shortest_line(polygons[a], polygons[b])).reshape(-1, 2, 2)
        shift = ends[:, 1] - ends[:, 0]
        apart = np.hypot(shift[:, 0], shift[:, 1])
        return Near(item[a], item[b], apart, shift / np.where(apart > 0.0, apart, 1.0)[:, None])

    def _round(self, state: State, near: Near, kept: Array) -> State | None:
        """One linear programme: the shifts of all items, x and y in turn, and the length at the end."""
        packing, n, m = self.packing, len(self.packing), len(near.one)
        reaching = np.flatnonzero(~packing.is_patch)
        # Neighbours stay apart: along their line the one may follow the other no further than there is room…
        rows = [np.repeat(np.arange(m), 4), m + np.repeat(np.arange(len(reaching)), 2)]
        columns = [
            np.column_stack([2 * near.one, 2 * near.one + 1, 2 * near.other, 2 * near.other + 1]),
            np.column_stack([2 * reaching, np.full(len(reaching), 2 * n)]),
        ]
        values = [np.column_stack([near.towards, -near.towards]), np.tile([1.0, -1.0], (len(reaching), 1))]
        room = near.apart - packing.asked - KEPT - kept[near.one] - kept[near.other]
        # …and no piece reaches beyond the length.
        right = state.x + packing.options.half[state.options, 0]
        solved = linprog(
            np.append(np.tile([TO_THE_LEFT, 0.0], n), 1.0),
            A_ub=csr_matrix(
                (
                    np.concatenate([v.ravel() for v in values]),
                    (np.concatenate(rows), np.concatenate([c.ravel() for c in columns])),
                ),
                shape=(m + len(reaching), 2 * n + 1),
            ),
            b_ub=np.concatenate([np.maximum(room, 0.0), -right[reaching]]),
            bounds=np.vstack([self._shifts(state), (0.0, np.inf)]),
            method="highs",
        )
        if solved.x is None:
            return None
        x, y = state.x + solved.x[0 : 2 * n : 2], state.y + solved.x[1 : 2 * n : 2]
        return State(options=state.options, x=x, y=y, length=packing.extent(state.options, x))

    def _shifts(self, state: State) -> Array:
        """The least and the greatest shift of every item, along and across: none for what is pinned or on a lattice."""
        packing, options = self.packing, self.packing.options
        half, heights, lattice = (rows[state.options] for rows in (options.half, options.heights, options.lattice))
        least = np.column_stack([half[:, 0] - state.x, heights[:, 0] - state.y])
        most = np.column_stack([np.full(len(packing), STEP), heights[:, 1] - state.y])
        stands = packing.fixed[:, None] | (lattice[:, (1, 3)] > 0.0)
        return np.column_stack(
            [
                np.where(stands, 0.0, np.clip(least, -STEP, 0.0)).ravel(),
                np.where(stands, 0.0, np.clip(most, 0.0, STEP)).ravel(),
            ]
        )
