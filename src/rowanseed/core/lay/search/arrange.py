"""How the cloth may be laid as a whole: one stretch of a kind, or a doubled stretch and then an open one."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from rowanseed.core.lay.problem import LayKind, LayPiece, Placement, Plan, Problem, Stretch, bounds_width
from rowanseed.core.lay.search.kernel import Tables
from rowanseed.core.lay.search.packing import Packing, Search, State
from rowanseed.core.lay.search.places import (
    Count,
    StretchSetup,
    ToPlace,
    doubled_without_spare,
    fold_depth,
    items_of,
    most_doubled,
    patches,
    placement,
    split,
)
from rowanseed.core.lay.search.shapes import ShapeSet
from rowanseed.core.lay.search.squeeze import Squeeze
from rowanseed.core.lay.search.tuning import TUNING, Tuning

DOUBLED = (LayKind.FOLDED, LayKind.TWO_FOLDS)


@dataclass(frozen=True)
class StretchPlan:
    """A stretch to be searched: its kind, the depth of its fold, what is laid in it."""

    lay: LayKind
    depth: float | None
    demands: tuple[tuple[str, Count], ...]
    phases: tuple[float, ...] = ()

    @property
    def is_empty(self) -> bool:
        return all(demand == Count() for _, demand in self.demands)


@dataclass(frozen=True)
class Arrangement:
    """How the whole cloth is laid: stretches in order. A single stretch is a simple arrangement."""

    stretches: tuple[StretchPlan, ...]


def simple(problem: Problem, lay: LayKind, phases: tuple[float, ...] = ()) -> Arrangement:
    """Everything in one stretch of a kind."""
    depth = fold_depth(problem) if lay is LayKind.PART_FOLDED else None
    demands = []
    for piece in problem.pieces:
        if lay is LayKind.OPEN or (
            lay is LayKind.PART_FOLDED
            and piece.fold is None
            and _fits_single(problem, depth or 0.0, bounds_width(piece))
        ):
            doubled = 0
        else:
            doubled = most_doubled(piece)
        demands.append((piece.id, split(piece, doubled)))
    return Arrangement((StretchPlan(lay=lay, depth=depth, demands=tuple(demands), phases=phases),))


def _fits_single(problem: Problem, depth: float, width: float) -> bool:
    return width <= problem.cloth.width - 2 * depth - problem.cloth.selvedge


def mixed(problem: Problem, doubled_lay: LayKind, doubled: Sequence[int]) -> Arrangement:
    """A doubled stretch with `doubled[k]` placements of piece k, then an open one with the rest.

    Wherever only one of the two is needed the other is left out.
    """
    first, rest = [], []
    for piece, number in zip(problem.pieces, doubled, strict=True):
        demand = split(piece, number)
        first.append((piece.id, Count(doubled=demand.doubled)))
        rest.append((piece.id, Count(0, demand.as_drawn, demand.mirrored)))
    both = (StretchPlan(doubled_lay, None, tuple(first)), StretchPlan(LayKind.OPEN, None, tuple(rest)))
    return Arrangement(tuple(s for s in both if not s.is_empty))


def _most_beside_pins(problem: Problem, piece: LayPiece) -> int:
    """How many of a piece may be laid doubled so that what is pinned singly is still wanted singly."""
    pins = [pin for pin in problem.pins if pin.piece == piece.id and pin.lay is LayKind.OPEN]
    mirrored = sum(pin.mirrored for pin in pins)
    for doubled in range(doubled_without_spare(piece), 0, -1):
        left = split(piece, doubled)
        over = max(0, mirrored - left.mirrored)
        if left.as_drawn >= len(pins) - mirrored + over:
            return doubled
    return 0


def natural_mix(problem: Problem) -> list[int]:
    """Doubled whatever comes in twos and whatever lies on a fold; single what would be cut in vain or is pinned so."""
    return [_most_beside_pins(problem, piece) for piece in problem.pieces]


def neighbour(problem: Problem, doubled: Sequence[int], rng: np.random.Generator) -> list[int]:
    """Another mix: one piece, or two, laid doubled once more or once less often."""
    out = list(doubled)
    for _ in range(int(rng.integers(1, 3))):
        k = int(rng.integers(len(out)))
        piece = problem.pieces[k]
        least = sum(pin.piece == piece.id and pin.lay in DOUBLED for pin in problem.pins)
        most = max(least, _most_beside_pins(problem, piece))
        out[k] = int(np.clip(out[k] + rng.choice((-1, 1)), least, most))
    return out


class StretchSearch:
    """The search of one stretch; equal stretches of different arrangements share it."""

    def __init__(
        self,
        plan: StretchPlan,
        items: list[ToPlace],
        laying: StretchSetup,
        tables: Tables,
        seed: np.random.SeedSequence,
        threads: int,
        tuning: Tuning = TUNING,
    ) -> None:
        self.plan, self.items = plan, items
        packing = Packing(
            [[way.option for way in item.ways] for item in items],
            [item.piece.area for item in items],
            tables,
            laying.problem.gap,
            patches(laying),
            tuning,
        )
        self.searches = [Search(packing, own) for own in seed.spawn(threads)]
        self.squeeze = Squeeze(packing, laying.shapes.bases)
        for search in self.searches:
            search.push = Squeeze(packing, laying.shapes.bases, as_searched=True)
        self.best: State | None = None
        self.pushed: State | None = None
        """The shortest state that is pushed together."""

    @property
    def length(self) -> float:
        """Of the shortest state, pushed together or not."""
        return min((state.length for state in (self.best, self.pushed) if state is not None), default=float("inf"))

    @property
    def shortest(self) -> State | None:
        """What is shown and kept; the search goes on from `best`."""
        return self.pushed if self.pushed is not None and self.pushed.length <= self.length else self.best

    def take_pushed(self, state: State) -> bool:
        """Keep a state that was pushed together, where it is the shortest of all; whether it is."""
        if state.length >= self.length - 1e-6:
            return False
        self.pushed = state
        return True

    @property
    def is_done(self) -> bool:
        return self.best is not None and self.best.length <= self.searches[0].packing.least + 0.05

    def placements(self, state: State) -> tuple[Placement, ...]:
        first = self.searches[0].packing.first
        return tuple(
            placement(item, item.ways[int(state.options[k]) - int(first[k])], float(state.x[k]), float(state.y[k]))
            for k, item in enumerate(self.items)
        )


def plan_of(arrangement: Arrangement, searches: Sequence[StretchSearch]) -> Plan:
    """The plan an arrangement has come to; every one of its stretches has a state."""
    at, stretches = 0.0, []
    for part, search in zip(arrangement.stretches, searches, strict=True):
        state = search.shortest
        if state is None:
            raise RuntimeError("a stretch has not been filled")
        stretches.append(
            Stretch(
                lay=part.lay,
                depth=part.depth,
                start=at,
                end=at + state.length,
                placements=search.placements(state),
            )
        )
        at += state.length
    return Plan(at, tuple(stretches))


def laying_of(problem: Problem, plan: StretchPlan, shapes: ShapeSet) -> StretchSetup:
    phases = plan.phases or tuple(0.0 for _ in problem.matches)
    return StretchSetup(problem=problem, lay=plan.lay, depth=plan.depth, phases=phases, shapes=shapes)


def stretch_items(problem: Problem, plan: StretchPlan, shapes: ShapeSet) -> list[ToPlace]:
    return items_of(laying_of(problem, plan, shapes), dict(plan.demands))
