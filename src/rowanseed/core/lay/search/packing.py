"""One stretch of cloth as the search sees it: items, the options in which each may lie, and a state.

The search knows admissible places only: a strip of cloth, an interval or a line of heights, a lattice.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from rowanseed.core.lay.search import kernel
from rowanseed.core.lay.search.kernel import Tables
from rowanseed.core.lay.search.shapes import Pose
from rowanseed.core.lay.search.tuning import TUNING, Tuning

Array = np.ndarray[Any, Any]


FAR = 1e7
"""Millimetres; a lattice this wide has one point in reach."""


@dataclass(frozen=True)
class Slot:
    """A way an item may lie: its shape, the strip it lies in, the heights and the lattice of its centre."""

    lying: Pose
    region: int
    low: float
    high: float
    lattice: tuple[float, float, float, float] = (0.0, 0.0, 0.0, 0.0)
    fixed_x: float | None = None
    """Where the centre has to stand along the cloth, for a pin or a motif."""

    def lattice_row(self) -> tuple[float, float, float, float]:
        """The lattice as the kernel takes it; a fixed place is a lattice with one point in reach."""
        if self.fixed_x is None:
            return self.lattice
        return (self.fixed_x, FAR, self.lattice[2], self.lattice[3])


@dataclass(frozen=True)
class State:
    """Where every item lies: the index of its option, and its centre. `length` is how far they reach."""

    options: Array
    x: Array
    y: Array
    length: float


class Packing:
    """Items with their options, ready for the compiled search; holds no state of its own but weights."""

    def __init__(
        self,
        items: Sequence[Sequence[Slot]],
        areas: Sequence[float],
        tables: Tables,
        gap: float,
        patches: Sequence[tuple[Pose, int, float, float]] = (),
        tuning: Tuning = TUNING,
    ) -> None:
        """`patches` are shapes that lie in a strip at a place and stay: (shape, strip, x, y)."""
        patched = [[Slot(lying=lying, region=strip, low=y, high=y, fixed_x=x)] for lying, strip, x, y in patches]
        items = [*items, *patched]
        areas = [*areas, *(1.0 for _ in patched)]
        options = [option for item in items for option in item]
        self.first = np.concatenate([[0], np.cumsum([len(item) for item in items])]).astype(np.int64)
        self.fixed = np.array([len(item) == 1 and item[0].fixed_x is not None for item in items], np.bool_)
        self.is_patch = np.arange(len(items)) >= len(items) - len(patched)
        self.options = kernel.Options(
            base=np.array([o.lying.base for o in options], np.int64),
            flips=np.array([(o.lying.sx, o.lying.sy) for o in options], np.float64),
            half=np.array([o.lying.half for o in options]),
            region=np.array([o.region for o in options], np.int64),
            heights=np.array([(o.low, o.high) for o in options]),
            lattice=np.array([o.lattice_row() for o in options]),
        )
        self.tables, self.tuning = tables, tuning
        self.asked = gap
        self.gap = gap + 1.0
        self.areas = np.array(areas)
        root = np.sqrt(np.sqrt(self.areas))
        self.size = np.outer(root, root) / max(1e-9, float(np.mean(root)) ** 2)
        movable = [(a, b) for a, b, patch in zip(self.first, self.first[1:], self.is_patch, strict=False) if not patch]
        self.least = max(float(min(2 * self.options.half[k, 0] for k in range(a, b))) for a, b in movable)
        """No lay is shorter than its longest item."""
        self.scene = kernel.Scene(
            first=self.first,
            fixed=self.fixed,
            size=self.size,
            options=self.options,
            tables=tables,
            gap=self.gap,
            moves=tuning.moves,
        )

    def __len__(self) -> int:
        return len(self.fixed)

    def filled(self, order: Sequence[int], heights: int, limit: float) -> State | None:
        """A bottom-left fill in this order, or None if it would reach beyond `limit`."""
        lying = kernel.Poses(self.first[:-1].copy(), np.zeros(len(self)), np.zeros(len(self)))
        for i in np.flatnonzero(self.fixed):
            lying.x[i], lying.y[i] = self.options.lattice[self.first[i], 0], self.options.heights[self.first[i], 0]
        reached = kernel.fill(np.array(order, np.int64), heights, limit, lying, self.scene)
        return State(*lying, self.extent(lying.option, lying.x)) if reached < 1e29 else None

    def rows(self) -> State | None:
        """The items' boxes in rows across the cloth, the longest first: what anyone could lay, and a first bound says.

        None where more decides than the width: several strips, a fold, a lattice, places that are fixed.
        """
        o, n = self.options, len(self)
        if (
            np.any(self.fixed)
            or np.any(self.is_patch)
            or np.any(o.region != o.region[0])
            or np.any(o.lattice[:, (1, 3)])
        ):
            return None
        low = o.heights[:, 0] - o.half[:, 1]
        usable = o.heights[:, 1] + o.half[:, 1] - low
        if np.ptp(low) > 1e-6 or np.ptp(usable) > 1e-6:
            return None
        option = np.array([min(range(self.first[i], self.first[i + 1]), key=lambda k: o.half[k, 0]) for i in range(n)])
        x, y = np.zeros(n), np.zeros(n)
        rows: list[tuple[float, float]] = []
        start = 0.0
        for i in sorted(range(n), key=lambda i: (-o.half[option[i], 0], -o.half[option[i], 1])):
            along, across = 2 * o.half[option[i]]
            at = next((k for k, (_, used) in enumerate(rows) if used + self.asked + across <= usable[0] + 1e-9), None)
            if at is None:
                rows.append((start, across))
                start += along + self.asked
                x[i], y[i] = rows[-1][0] + along / 2, low[0] + across / 2
            else:
                x[i], y[i] = rows[at][0] + along / 2, low[0] + rows[at][1] + self.asked + across / 2
                rows[at] = (rows[at][0], rows[at][1] + self.asked + across)
        return State(options=option, x=x, y=y, length=self.extent(option, x))

    def extent(self, opt: Array, x: Array) -> float:
        """How far the pieces reach along the cloth; patches do not count."""
        return float(np.max((x + self.options.half[opt, 0])[~self.is_patch]))

    def first_orders(self) -> list[list[int]]:
        """Big pieces first: by area, by length, by width, and by those that lie on a fold."""
        half = self.options.half[self.first[:-1]]
        pinned = (self.options.heights[self.first[:-1], 1] - self.options.heights[self.first[:-1], 0] < 1e-6).astype(
            float
        )
        keys = (-self.areas, -half[:, 0] * 1e3 - half[:, 1], -half[:, 1] * 1e3 - half[:, 0], -pinned * 1e9 - half[:, 0])
        return [list(np.argsort(key, kind="stable")) for key in keys]


def place_of(packing: Packing, i: int) -> tuple[float, float]:
    """Where a fixed item stands."""
    o = packing.first[i]
    return float(packing.options.lattice[o, 0]), float(packing.options.heights[o, 0])


class Trial:
    """One attempt to lay a packing in a given length, run in slices so that it can be stopped."""

    def __init__(self, packing: Packing, start: State, length: float, rng: np.random.Generator) -> None:
        self.packing, self.length, self.rng = packing, length, rng
        self.poses = kernel.Poses(start.options.copy(), start.x.copy(), start.y.copy())
        half = packing.options.half
        for i in range(len(packing)):
            o = self.poses.option[i]
            if 2 * half[o, 0] > length:
                fitting = [k for k in range(packing.first[i], packing.first[i + 1]) if 2 * half[k, 0] <= length]
                o = self.poses.option[i] = fitting[0] if fitting else o
            if packing.fixed[i]:
                # Cutting the lay shorter and swapping move everything; pins and patches stay.
                self.poses.x[i], self.poses.y[i] = place_of(packing, i)
            else:
                self.poses.x[i], self.poses.y[i] = kernel.clamp(
                    o, self.poses.x[i], self.poses.y[i], length, packing.options
                )
        self.weights = packing.size.copy()
        self.strikes = kernel.Strikes(1e30, 0, 0)
        self.kept = kernel.Poses(*(part.copy() for part in self.poses))
        self.total = math.inf

    @property
    def failed(self) -> bool:
        return self.strikes.strikes >= self.packing.tuning.moves.strikes and self.total > 0

    def run(self, sweeps: int) -> bool:
        """Sweep; whether nothing overlaps any more."""
        p = self.packing
        seed = int(self.rng.integers(2**31))
        self.total, self.strikes = kernel.separate(
            seed, sweeps, self.length, self.strikes, p.scene, self.poses, self.weights, self.kept
        )
        return self.total <= 0

    def state(self) -> State:
        return self._state(self.poses)

    def best_state(self) -> State:
        """The state with the least overlap so far."""
        return self._state(self.kept)

    def _state(self, poses: kernel.Poses) -> State:
        option, x, y = (part.copy() for part in poses)
        return State(options=option, x=x, y=y, length=self.packing.extent(option, x))


class Search:
    """The search for a short lay of one packing: anytime, resumable, reproducible by sweeps.

    Explore: shrink by up to 3 %, separate; on failure start again from a pool of near misses with some
    pieces swapped. Compress: shrink by less and less.
    """

    def __init__(self, packing: Packing, seed: np.random.SeedSequence) -> None:
        self.packing, self.tuning = packing, packing.tuning
        self.rng = np.random.default_rng(seed)
        self.best: State | None = None
        self.trial: Trial | None = None
        self.pool: list[tuple[float, State]] = []
        self.sweeps = 0
        self.failures = 0
        self.alone = False
        """Whether it has begun afresh, and does not look at what others find."""
        self.push: Callable[[State], State] = lambda state: state
        """What pushes a lay together that was found."""

    def start(self) -> State | None:
        """The first fill; the best of a few orders. Of very many items, one order and fewer heights: a fill's time
        grows with the square of their number."""
        crowd, orders = self.tuning.crowd, list(self.packing.first_orders())
        heights = self.tuning.first_heights
        if len(self.packing) > crowd:
            orders, heights = orders[:1], max(3, heights * crowd // len(self.packing))
        for order in orders:
            found = self.packing.filled(order, heights, self.best.length if self.best else 1e9)
            if found is not None and (self.best is None or found.length < self.best.length - 1e-6):
                self.best = found
        found = self.packing.rows()
        if found is not None and (self.best is None or found.length < self.best.length - 1e-6):
            self.best = found
        return self.best

    def adopt(self, state: State, *, late: bool) -> None:
        """Take over a shorter lay found elsewhere; a search that has begun afresh does so only late."""
        if self.alone and not late:
            return
        if self.best is None or state.length < self.best.length - 1e-6:
            self.best = state
            self.trial = None
            self.pool.clear()

    @property
    def is_done(self) -> bool:
        """Nothing can be gained: the lay is as short as its longest piece."""
        return self.best is not None and self.best.length <= self.packing.least + 0.05

    @property
    def is_stuck(self) -> bool:
        """So many trials have failed that another place to search from promises more."""
        return self.trial is None and self.failures >= self.tuning.shrinking.afresh

    def begin_afresh(self) -> None:
        """Begin again from another fill, and go on without looking at what others find."""
        self.failures = 0
        order = np.argsort(
            -self.packing.areas * np.exp(self.rng.normal(0.0, self.tuning.shrinking.astray, len(self.packing)))
        )
        found = self.packing.filled([int(k) for k in order], self.tuning.first_heights // 2, 1e9)
        if found is not None:
            self.best, self.alone = found, True
            self.pool.clear()

    def step(self, compress: float) -> bool:
        """One slice of work; whether a shorter lay was found.

        `compress` is 0 while exploring and rises to 1 towards the end of the time for compressing.
        """
        if self.best is None:
            return self.start() is not None
        if self.trial is None:
            self.trial = self._next_trial(compress)
        separated = self.trial.run(self.tuning.slice)
        self.sweeps += self.tuning.slice
        if separated:
            found = self.push(self.trial.state())
            self.trial = None
            if found.length < self.best.length - 1e-6:
                self.best = found
                self.failures = 0
                self.pool.clear()
                return True
            self.failures += 1
            return False
        if self.trial.failed:
            self.pool.append((float(self.trial.strikes.least), self.trial.best_state()))
            self.pool = sorted(self.pool, key=lambda entry: entry[0])[: self.tuning.shrinking.pool]
            self.trial = None
            self.failures += 1
        return False

    def _next_trial(self, compress: float) -> Trial:
        best = self.best
        if best is None:
            raise RuntimeError("a search begins with a fill")
        by = self.tuning.shrinking
        if compress > 0:
            # Down to 0.04 %, and at the very end to where nothing is left to gain.
            fall = compress + by.late_fall * max(0.0, compress - by.late) / (1 - by.late)
            share = by.compress * by.fall**fall * float(self.rng.uniform(by.compress_low, by.compress_high))
            target = max(self.packing.least, best.length * (1 - share))
            return Trial(self.packing, self._cut_out(best, target), target, self.rng)
        # A small step may be barred by two pieces end to end where a large one, laid otherwise, is not.
        halvings = int(self.rng.integers(0, min(self.failures, by.most_halvings) + 1))
        share = by.explore * 0.5**halvings * float(self.rng.uniform(by.explore_low, 1.0))
        target = max(self.packing.least, best.length * (1 - max(share, by.least)))
        if self.pool and self.failures and self.rng.random() < by.from_pool:
            pick = min(int(abs(self.rng.normal()) * 2), len(self.pool) - 1)
            return Trial(self.packing, self._swapped(self.pool[pick][1]), target, self.rng)
        return Trial(self.packing, self._cut_out(best, target), target, self.rng)

    def _cut_out(self, state: State, target: float) -> State:
        """Shorten by moving what lies right of a random cut."""
        cut = self.rng.uniform(0, target)
        x = np.where(state.x > cut, state.x - (state.length - target), state.x)
        return State(options=state.options, x=x, y=state.y, length=target)

    def _swapped(self, state: State) -> State:
        """Exchange the places of a pair or two, the larger the likelier."""
        x, y = state.x.copy(), state.y.copy()
        n = len(self.packing)
        if n > 1:
            chance = self.packing.areas / self.packing.areas.sum()
            for _ in range(int(self.rng.integers(1, 3))):
                i, j = self.rng.choice(n, 2, replace=False, p=chance if np.count_nonzero(chance) > 1 else None)
                x[i], x[j], y[i], y[j] = x[j], x[i], y[j], y[i]
        return State(options=state.options, x=x, y=y, length=state.length)
