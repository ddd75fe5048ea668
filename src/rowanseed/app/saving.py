"""When the cloth is short: every tactic with what came of it so far."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from rowanseed.app.open_project import OpenProject
from rowanseed.app.searching import Asked, asked
from rowanseed.core.lay.choice import shortest
from rowanseed.core.lay.problem import laid
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.saving.trial import Attempt, Tried, attempt, steps_added, taken_over, to_combine, to_try
from rowanseed.settings import settings
from rowanseed.store import lays


def tried(project: OpenProject, role: Role, *, keep: bool = False) -> Tried:
    """What came of every tactic so far. With `keep`, lays that are taken over from stricter attempts are kept."""
    cloth = project.cloth_plans[role].entry.cloth
    plain = _attempt(project, role, (), (), keep=keep)
    single = tuple(
        _priced(project, role, plain, _attempt(project, role, (tactic,), (plain,), keep=keep))
        for tactic in to_try(project.core, role, one_way=plain.problem.cloth.one_way)
    )
    together = tuple(
        _priced(project, role, plain, _attempt(project, role, chosen, (plain, *single), keep=keep))
        for chosen in to_combine(plain, single, cloth)
    )
    return Tried(plain=plain, single=single, together=together)


def _attempt(
    project: OpenProject, role: Role, tactics: tuple[TacticId, ...], before: Sequence[Attempt], *, keep: bool
) -> Attempt:
    """What came of tactics; a shorter lay that one of `before` found and that holds here too is taken over."""
    db, cloth = project.desk.db, project.cloth_plans[role].entry.cloth
    problem = project.problem(role, cloth, tactics)
    question = lays.question_of(problem)
    answers = dict(lays.answers(db, question))
    better = taken_over(problem, tactics, shortest(answers), before) if answers else None
    if better is not None:
        answers[laid(better)] = better
        if keep:
            lays.keep_answers(db, question, {laid(better): better})
    return attempt(project.core, role, cloth, tactics, problem, answers)


def _priced(project: OpenProject, role: Role, plain: Attempt, found: Attempt) -> Attempt:
    """An attempt with what it saves beside the cloth as it is, and what it adds to the work."""
    saves = None if plain.ready is None or found.ready is None else plain.ready - found.ready
    return replace(found, saves=saves, steps=steps_added(project.core, role, found.tactics))


def searches(found: Tried) -> list[Asked]:
    """The searches that are still wanted."""
    seconds = settings().seconds_for_a_tactic
    return [asked(one.name.capitalize() or "As it is", one.problem, seconds, patient=True) for one in found.waiting]
