"""When the cloth is short: what can be done, each really laid, what it costs, and which to take."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from fastapi import APIRouter, Response

from rowanseed.app.lay_outcome import refusal, shortest
from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.cloth.yardage import need
from rowanseed.core.lay.problem import Plan, Problem, laid
from rowanseed.core.lay.transfer import carried
from rowanseed.core.make.compiler import MakingChoices, compile_steps
from rowanseed.core.make.steps import MakingStep
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.apply import offered
from rowanseed.core.saving.combine import WORTH_IT, combined, points, worth_combining
from rowanseed.core.saving.tactic import Cost, TacticId
from rowanseed.core.saving.tactics import FOLDS, LOOSENS, TACTICS
from rowanseed.jobs import lays as jobs
from rowanseed.store import lays, projects
from rowanseed.web.deps import Home, House, NotFound, Typing, go
from rowanseed.web.pages.jobs import Asked, follow

router = APIRouter()

SECONDS_FOR_A_TACTIC = 3.5


@dataclass(frozen=True)
class Attempt:
    """A tactic or some together: what has to be laid, and what came of it (mm, ready to cut)."""

    tactics: tuple[TacticId, ...]
    name: str
    problem: Problem
    question: str
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
    def prices(self) -> tuple[Cost, ...]:
        return tuple(TACTICS[t].cost for t in self.tactics)

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
        return [a for a in self.every if not a.answered]

    def ranked(self) -> list[Attempt]:
        """What is of use: what fits first, the cheapest before the others, then what saves most.

        Tactics together that save no more than one of them by itself are left out.
        """
        by_itself = {a.tactics[0]: a.saves or 0.0 for a in self.single}
        found = [a for a in self.single if a.is_useful] + [
            a
            for a in self.together
            if a.is_useful and (a.saves is None or a.saves > max(by_itself[t] for t in a.tactics) + WORTH_IT)
        ]
        short = not self.plain.fits
        return sorted(found, key=lambda a: (not a.fits, a.points if a.fits and short else 0, -(a.saves or 0), a.points))


def _role(project: OpenProject, wanted: str | None) -> Role:
    roles = list(project.cloth_plans)
    found = next((r for r in roles if r.value == wanted), roles[0] if roles else None)
    if found is None:
        raise NotFound("cloth")
    return found


def _attempt(
    home: House, project: OpenProject, role: Role, tactics: tuple[TacticId, ...], before: Sequence[Attempt] = ()
) -> Attempt:
    """What came of tactics so far; a shorter lay that one of `before` found and that holds here too is taken over."""
    entry = project.cloth_plans[role].entry
    problem = project.problem(role, entry.cloth, tactics)
    question = lays.question_of(problem)
    answers = lays.answers(home.db, question)
    if answers:
        better = _taken_over(problem, tactics, shortest(answers), before)
        if better is not None:
            lays.keep_answers(home.db, question, {laid(better): better})
            answers = lays.answers(home.db, question)
    best, hand = shortest(answers), entry.cloth.ready_length
    ready = need(best.length, entry.cloth, problem.gap, home.units).ready.value if best else None
    name = ", and ".join(TACTICS[t].say(home.units) for t in tactics)
    return Attempt(
        tactics=tactics,
        name=name,
        problem=problem,
        question=question,
        answered=bool(answers),
        plans=tuple(a for a in answers.values() if isinstance(a, Plan)),
        refusal=refusal(answers, project.core.cut_with(role, tactics), home.units),
        ready=ready,
        fits=hand is not None and ready is not None and ready <= hand + 1,
    )


def _taken_over(
    problem: Problem, tactics: tuple[TacticId, ...], best: Plan | None, before: Sequence[Attempt]
) -> Plan | None:
    """The shortest plan of stricter attempts that is shorter than `best` and holds for this problem."""
    so_far = best.length if best else float("inf")
    found = None
    for other in before:
        if not set(tactics) - set(other.tactics) <= LOOSENS | FOLDS or not set(other.tactics) < set(tactics):
            continue
        for plan in other.plans:
            if plan.length < so_far - 0.5 and {s.lay for s in plan.stretches} <= set(problem.lays):
                here = carried(plan, problem)
                if here is not None and here.length < so_far - 0.5:
                    found, so_far = here, here.length
    return found


def _tried(home: House, project: OpenProject, role: Role) -> Tried:
    plain = _attempt(home, project, role, ())
    every = offered(
        project.core.altered.pattern,
        project.record.view,
        role,
        one_way=plain.problem.cloth.one_way,
        batch=bool(project.core.cloth_choices.batch),
    )
    steps = frozenset(step.id for step in _steps(project, role, ()))
    single = tuple(
        _with_price(project, role, plain, _attempt(home, project, role, (t,), (plain,)), steps) for t in every
    )
    if not plain.answered or any(not a.answered for a in single):
        return Tried(plain, single, ())
    hand, saved = project.cloth_plans[role].entry.cloth.ready_length, {a.tactics[0]: a.saves or 0.0 for a in single}
    short_by = 0.0 if hand is None or plain.ready is None else plain.ready - hand
    dearest = min((a.points for a in single if a.fits), default=None)
    together = tuple(
        _with_price(project, role, plain, _attempt(home, project, role, chosen, (plain, *single)), steps)
        for chosen in worth_combining(saved, short_by, dearest)
    )
    return Tried(plain, single, together)


def _with_price(project: OpenProject, role: Role, plain: Attempt, attempt: Attempt, before: frozenset[str]) -> Attempt:
    """What it saves beside the cloth as it is, and what it adds to the work."""
    saves = None if plain.ready is None or attempt.ready is None else plain.ready - attempt.ready
    steps = _steps(project, role, attempt.tactics)
    added = tuple(step.title for step in steps if step.id not in before)
    return replace(attempt, saves=saves, steps=added)


def _steps(project: OpenProject, role: Role, tactics: tuple[TacticId, ...]) -> tuple[MakingStep, ...]:
    """The steps of the garment made with these tactics for this cloth."""
    if project.core.size is None:
        return ()
    garment = project.core.garment_with(role, tactics)
    return compile_steps(garment, project.record.view, project.core.size, MakingChoices(units=project.desk.units))


@router.get("/projects/{id}/cloth/short")
def short(home: Home, id: int, role: str | None = None) -> Response:
    project = load(home, id)
    if not project.cloth_plans:
        return go(f"/projects/{id}/cloth")
    chosen = _role(project, role)
    tried = _tried(home, project, chosen)
    ranked = tried.ranked()
    shown = {a.tactics for a in ranked}
    return home.page(
        "cloth_short.html",
        project=project,
        station="cloth",
        part="short",
        role=chosen,
        plain=tried.plain,
        ranked=ranked,
        best=next((a for a in ranked if a.fits), None),
        left=tried.waiting,
        hand=project.cloth_plans[chosen].entry.cloth.ready_length,
        idle=[a for a in tried.single if a.plans and a.tactics not in shown],
        refused=[a for a in tried.single if a.answered and not a.plans],
        taken=project.core.tactics(chosen),
        least=min((a.ready for a in tried.every if a.ready is not None), default=None),
        entry=project.cloth_plans[chosen].entry,
    )


@router.get("/projects/{id}/short/{role}/events")
def short_events(home: Home, id: int, role: str) -> Response:
    project = load(home, id)
    waiting = _tried(home, project, _role(project, role)).waiting
    asked = [
        Asked(
            label=a.name.capitalize() or "As it is",
            problem=a.problem,
            question=a.question,
            answered=False,
            patient=True,
        )
        for a in waiting
    ]
    return follow(home, asked, SECONDS_FOR_A_TACTIC)


@router.post("/projects/{id}/short/{role}/stop")
def short_stop(home: Home, id: int, role: str) -> Response:
    project = load(home, id)
    for attempt in _tried(home, project, _role(project, role)).waiting:
        jobs.cancel(attempt.question)
    return go(f"/projects/{id}/cloth")


@router.post("/projects/{id}/cloth/short/{role}")
def take(home: Home, id: int, role: str, typed: Typing) -> Response:
    """Take tactics for a cloth: pieces, lay and making order change with them. None: as the pattern has it."""
    project = load(home, id)
    chosen = _role(project, role)
    asked = tuple(name for name in typed.get("tactics", "").split() if name)
    if not set(asked) <= set(TACTICS):
        raise NotFound("tactic")
    projects.choose_tactics(home.db, id, chosen, combined(asked))
    return go(f"/projects/{id}/cloth/short?role={chosen.value}")
