"""Put steps into an order: every need before what needs it, with few trips between the benches.

A beam search over orders: at each place the most promising part-orders are continued with every step
whose needs are met. Walking to another bench costs a trip; changing the kind of work a little, so that
like is done with like.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from rowanseed.core.base.errors import PatternError
from rowanseed.core.make.steps import MakingStep

BEAM = 120
OTHER_TASK = 0.2
"""What changing the kind of work costs, as a share of a trip to another bench."""


@dataclass(frozen=True)
class _Part:
    cost: float
    lateness: int
    order: tuple[int, ...]
    done: frozenset[int]


def sequence(steps: Sequence[MakingStep]) -> tuple[MakingStep, ...]:
    """Order steps. Raises PatternError if some need each other, which no order can satisfy."""
    index = {step.id: k for k, step in enumerate(steps)}
    needs = [frozenset(index[need.step] for need in step.needs) for step in steps]
    beam = [_Part(cost=0.0, lateness=0, order=(), done=frozenset())]
    for _ in steps:
        grown: dict[tuple[frozenset[int], int], _Part] = {}
        for part in beam:
            for k in range(len(steps)):
                if k in part.done or not needs[k] <= part.done:
                    continue
                following = _follow(part, k, steps)
                key = (following.done, k)
                if key not in grown or _rank(following) < _rank(grown[key]):
                    grown[key] = following
        if not grown:
            stuck = [steps[k].title for k in range(len(steps)) if k not in beam[0].done]
            raise PatternError(
                f"These steps wait for each other: {'; '.join(stuck[:4])}.",
                "The pattern's joins go round in a circle.",
                "making",
            )
        beam = sorted(grown.values(), key=_rank)[:BEAM]
    return tuple(steps[k] for k in beam[0].order)


def _follow(part: _Part, k: int, steps: Sequence[MakingStep]) -> _Part:
    cost = part.cost
    if part.order:
        last, step = steps[part.order[-1]], steps[k]
        cost += (last.bench is not step.bench) + OTHER_TASK * (last.task is not step.task)
    # Of equal orders the one nearest to the order in which the graph was written is taken.
    lateness = part.lateness + abs(k - len(part.order))
    return _Part(cost=round(cost, 6), lateness=lateness, order=(*part.order, k), done=part.done | {k})


def _rank(part: _Part) -> tuple[float, int, tuple[int, ...]]:
    return part.cost, part.lateness, part.order


def trips(steps: Sequence[MakingStep]) -> int:
    """How often one walks from one bench to another."""
    return sum(a.bench is not b.bench for a, b in pairwise(steps))
