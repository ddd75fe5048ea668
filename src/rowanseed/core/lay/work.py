"""What cutting a lay asks for, and which of several lays are not beaten in both cloth and work."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from rowanseed.core.lay.problem import LayKind, Plan

A_REFOLD = 3
"""Laying the cloth anew is as much work as cutting round so many pieces (common practice, no source)."""


@dataclass(frozen=True)
class Work:
    """Pieces cut round, how many of them through two layers, how often the cloth is laid anew."""

    rounds: int
    doubled: int
    refolds: int

    @property
    def effort(self) -> int:
        """All of it, counted in pieces cut round."""
        return self.rounds + A_REFOLD * self.refolds


def work_of(plan: Plan) -> Work:
    laid = [stretch for stretch in plan.stretches if stretch.placements]
    rounds = sum(len(stretch.placements) for stretch in laid)
    doubled = sum(len(stretch.placements) for stretch in laid if stretch.lay in (LayKind.FOLDED, LayKind.TWO_FOLDS))
    return Work(rounds, doubled, max(0, len(laid) - 1))


@dataclass(frozen=True)
class Compared:
    """A lay by its letter: its length in mm, the effort of cutting it, whether it is the one in use."""

    letter: str
    length: float
    effort: int
    in_use: bool

    @property
    def both(self) -> tuple[float, int]:
        return (round(self.length, 1), self.effort)


def front(lays: Sequence[Compared]) -> tuple[Compared, ...]:
    """The lays that none beats in one without losing in the other, the shortest first; one of those that are alike."""
    best: dict[tuple[float, int], Compared] = {}
    for one in lays:
        others = (other.both for other in lays if other.both != one.both)
        if not any(length <= one.both[0] and effort <= one.both[1] for length, effort in others):
            best.setdefault(one.both, one)
    return tuple(sorted(best.values(), key=lambda one: one.length))
