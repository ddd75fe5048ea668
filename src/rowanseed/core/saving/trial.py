"""When the cloth is short: which tactics to try, what came of each, and which to take first."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.yardage import is_enough, straightening
from rowanseed.core.lay.choice import Answers, plans_of, refusal, shortest
from rowanseed.core.lay.problem import Plan, Problem
from rowanseed.core.lay.transfer import carried
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project
from rowanseed.core.saving.apply import offered
from rowanseed.core.saving.combine import WORTH_IT, points, worth_combining
from rowanseed.core.saving.tactic import Cost, TacticId
from rowanseed.core.saving.tactics import FOLDS, LOOSENS, TACTICS

SHORTER = 0.5
"""A plan taken over has to be this much shorter, in mm."""


@dataclass(frozen=True)
class Attempt:
    """A tactic or some together: what has to be laid, and what came of it (mm, ready to cut)."""

    tactics: tuple[TacticId, ...]
    name: str
    problem: Problem
    answered: bool
    plans: tuple[Plan, ...]
    refusal: str
    ready: float | None
    fits: bool
    saves: float | None = None
    steps: tuple[str, ...] = ()
    """The steps it adds to the making order, by title."""

    @property
    def points(self) -> int:
        return points(self.tactics)

    @property
    def costs(self) -> tuple[Cost, ...]:
        return tuple(TACTICS[tactic].cost for tactic in self.tactics)

    @property
    def is_useful(self) -> bool:
        return self.ready is not None and (self.saves is None or self.saves > WORTH_IT)


@dataclass(frozen=True)
class Tried:
    """The cloth as it is, every tactic by itself, and those together that are worth it."""

    plain: Attempt
    single: tuple[Attempt, ...]
    together: tuple[Attempt, ...]

    @property
    def every(self) -> tuple[Attempt, ...]:
        return (self.plain, *self.single, *self.together)

    @property
    def waiting(self) -> list[Attempt]:
        return [attempt for attempt in self.every if not attempt.answered]

    def ranked(self) -> list[Attempt]:
        """What is of use: what fits first, the cheapest before the others, then what saves most.

        Tactics together that save no more than one of them by itself are left out.
        """
        alone = {attempt.tactics[0]: attempt.saves or 0.0 for attempt in self.single}

        def beats_each_alone(attempt: Attempt) -> bool:
            most = max(alone[tactic] for tactic in attempt.tactics)
            return attempt.saves is None or attempt.saves > most + WORTH_IT

        found = [attempt for attempt in self.single if attempt.is_useful]
        found += [attempt for attempt in self.together if attempt.is_useful and beats_each_alone(attempt)]
        short = not self.plain.fits

        def rank(attempt: Attempt) -> tuple[bool, int, float, int]:
            cheap_first = attempt.points if attempt.fits and short else 0
            return (not attempt.fits, cheap_first, -(attempt.saves or 0), attempt.points)

        return sorted(found, key=rank)


def attempt(
    project: Project, role: Role, cloth: Cloth, tactics: tuple[TacticId, ...], problem: Problem, answers: Answers
) -> Attempt:
    """What came of tactics so far."""
    best, units = shortest(answers), project.habits.units
    return Attempt(
        tactics=tactics,
        name=", and ".join(TACTICS[tactic].say(units) for tactic in tactics),
        problem=problem,
        answered=bool(answers),
        plans=tuple(plans_of(answers).values()),
        refusal=refusal(answers, project.cut_with(role, tactics), units),
        ready=best.length + straightening(cloth) if best else None,
        fits=best is not None and is_enough(best.length, cloth) is True,
    )


def holds_for(stricter: tuple[TacticId, ...], tactics: tuple[TacticId, ...]) -> bool:
    """Whether what was laid with `stricter` tactics can be laid with these: they only add what loosens or folds."""
    added = set(tactics) - set(stricter)
    return set(stricter) < set(tactics) and added <= LOOSENS | FOLDS


def taken_over(
    problem: Problem, tactics: tuple[TacticId, ...], best: Plan | None, before: Sequence[Attempt]
) -> Plan | None:
    """The shortest plan of stricter attempts that is shorter than `best` and holds for this problem."""
    so_far = best.length if best else float("inf")
    found = None
    for plan in (plan for other in before if holds_for(other.tactics, tactics) for plan in other.plans):
        is_allowed = {stretch.lay for stretch in plan.stretches} <= set(problem.lays)
        here = carried(plan, problem) if is_allowed and plan.length < so_far - SHORTER else None
        if here is not None and here.length < so_far - SHORTER:
            found, so_far = here, here.length
    return found


def to_try(project: Project, role: Role, *, one_way: bool) -> tuple[TacticId, ...]:
    """The tactics worth trying by themselves on this cloth."""
    pattern, batch = project.altered.pattern, bool(project.cloth_choices.batch)
    return offered(pattern, project.view, role, one_way=one_way, batch=batch)


def to_combine(plain: Attempt, single: Sequence[Attempt], cloth: Cloth) -> tuple[tuple[TacticId, ...], ...]:
    """The combinations worth trying once every tactic has been tried by itself."""
    if not plain.answered or any(not attempt.answered for attempt in single):
        return ()
    hand, saved = cloth.ready_length, {attempt.tactics[0]: attempt.saves or 0.0 for attempt in single}
    short_by = 0.0 if hand is None or plain.ready is None else plain.ready - hand
    dearest = min((attempt.points for attempt in single if attempt.fits), default=None)
    return worth_combining(saved, short_by, dearest)


def steps_added(project: Project, role: Role, tactics: tuple[TacticId, ...]) -> tuple[str, ...]:
    """Titles of the steps that tactics add to the making order, in making order."""
    if project.choices is None:
        return ()
    before = {step.id for step in project.compiled_with(role, ())}
    return tuple(step.title for step in project.compiled_with(role, tactics) if step.id not in before)
