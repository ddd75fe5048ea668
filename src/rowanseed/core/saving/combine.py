"""Which tactics go together, and which combinations are worth laying."""

from __future__ import annotations

from collections.abc import Mapping
from itertools import combinations

from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.saving.tactics import TACTICS


def points(tactics: tuple[TacticId, ...]) -> int:
    """What tactics cost together."""
    return sum(TACTICS[tactic].cost.points for tactic in tactics)


def clash(one: TacticId, other: TacticId) -> bool:
    """Whether two tactics are two answers to the same question."""
    question = TACTICS[one].answers
    return one == other or bool(question and question == TACTICS[other].answers)


def combined(tactics: tuple[TacticId, ...]) -> tuple[TacticId, ...]:
    """Tactics that go together, the cheaper kept where two clash."""
    kept: list[TacticId] = []
    for tactic in sorted(tactics, key=lambda t: (TACTICS[t].cost.points, t)):
        if not any(clash(tactic, other) for other in kept):
            kept.append(tactic)
    return tuple(kept)


MOST_TOGETHER = 3
TRIED_TOGETHER = 5
WORTH_IT = 5.0
"""A tactic that saves less than this, in mm, is no use to any other."""
HOPE = 0.75
"""Savings rarely add up in full nor get in each other's way by more: who promises less of what is short is not
tried."""


def worth_combining(
    saved: Mapping[TacticId, float], short_by: float, dearest: int | None = None
) -> tuple[tuple[TacticId, ...], ...]:
    """The combinations that are worth laying, at most `TRIED_TOGETHER`, from what each tactic saved by itself (mm).

    Where the cloth is `short_by` so much: the cheapest whose savings add up to about that, and the one that promises
    most, so that “it will not do” is said of that too. `dearest`: a single tactic will do for so many points, and
    only cheaper ones are asked for. Where nothing is short, those that save most for their price.
    """
    useful = [tactic for tactic, mm in saved.items() if mm > WORTH_IT]
    every = [
        combined(chosen)
        for number in range(2, MOST_TOGETHER + 1)
        for chosen in combinations(useful, number)
        if not any(clash(a, b) for a, b in combinations(chosen, 2))
    ]

    def promised(chosen: tuple[TacticId, ...]) -> float:
        return sum(saved[tactic] for tactic in chosen)

    if short_by <= 0:
        return tuple(sorted(every, key=lambda c: (-promised(c) / points(c), points(c)))[:2])
    hopeful = [c for c in every if promised(c) >= short_by * HOPE and (dearest is None or points(c) < dearest)]
    cheapest = sorted(hopeful, key=lambda c: (points(c), -promised(c)))[: TRIED_TOGETHER - 1]
    most = max(every, key=promised, default=None)
    if dearest is None and most is not None and most not in cheapest:
        cheapest.append(most)
    return tuple(cheapest)
