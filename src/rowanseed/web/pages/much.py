"""The Cloth station's further questions: how much at any width, and what to do when the cloth is short."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from fastapi import APIRouter, Response

from rowanseed.core.conversion import convert
from rowanseed.core.errors import LayError
from rowanseed.core.lay.problem import Plan, Problem, laid
from rowanseed.core.make.compiler import Household, compile_steps
from rowanseed.core.pattern import PrintedYardage, Role
from rowanseed.core.tactics import LOOSENS, PRICES, Price, Tactic, combined, offered
from rowanseed.core.units import format_cloth
from rowanseed.core.widths import Cell, best_plans, cells, nearest_printed
from rowanseed.core.working import Working
from rowanseed.core.yardage import Need, need
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.widths import Bar, draw_widths
from rowanseed.jobs import lays as jobs
from rowanseed.store import lays, projects
from rowanseed.web.deps import Home, House, NotFound, Typing, go
from rowanseed.web.pages.jobs import Asked, follow
from rowanseed.web.project import ProjectView, load

router = APIRouter()

SECONDS_FOR_A_CELL = 3.5
MOST_TOGETHER = 3


# ---------------------------------------------------------------- every width


@dataclass(frozen=True)
class CellRow:
    """One case of the table with what came of it, and the envelope's figure for this case or one converted to it."""

    cell: Cell
    question: str
    need: Need | None
    way: str
    refusal: str
    printed: PrintedYardage | None
    converted: Working | None

    @property
    def words(self) -> str:
        return f"{self.cell.role.value.capitalize()}, {self.cell.cloth.name}, {'with nap' if self.cell.one_way else 'two-way'}"


def _shortest(answers: Mapping[str, Plan | LayError]) -> Plan | None:
    return min((a for a in answers.values() if isinstance(a, Plan)), key=lambda plan: plan.length, default=None)


def _rows(home: House, project: ProjectView) -> list[CellRow]:
    if project.choices is None:
        return []
    every: list[Cell] = []
    for role in project.roles:
        entry = project.cloth_entries.get(role)
        cloth, how = entry.cloth if entry else None, project.reckoning.matched(role)
        every += cells(project.cut_pattern, project.choices, role, cloth, how)
    questions = [lays.question_of(cell.problem) for cell in every]
    answers = [lays.answers(home.db, question) for question in questions]
    best = best_plans({k: _shortest(found) for k, found in enumerate(answers)}, tuple(every))
    return [_row(home, project, cell, questions[k], answers[k], best[k]) for k, cell in enumerate(every)]


def _row(
    home: House,
    project: ProjectView,
    cell: Cell,
    question: str,
    answers: Mapping[str, Plan | LayError],
    plan: Plan | None,
) -> CellRow:
    refused = next((str(a) for a in answers.values() if isinstance(a, LayError)), "") if plan is None else ""
    near = nearest_printed(project.pattern.envelope.yardage, project.record.view, project.size or "", cell.role, cell)
    is_same = near is not None and abs(near.width - cell.width) < 30 and near.one_way == cell.one_way
    # Only what has been searched counts as known, even where another case's lay would serve.
    shown = plan if answers else None
    return CellRow(
        cell, question, need(shown.length, cell.cloth, cell.problem.gap, home.units) if shown else None,
        laid(shown) if shown else "", refused if answers else "", near if is_same else None,
        convert(near.length, near.width, cell.width, add_nap=cell.one_way and not near.one_way) if near and not is_same else None,
    )  # fmt: skip


@router.get("/projects/{id}/cloth/widths")
def widths(home: Home, id: int) -> Response:
    project = load(home, id)
    rows = _rows(home, project)
    colour = f"#{project.colour}"
    pictures = {}
    for role in project.roles:
        bars = [Bar(r.cell.cloth.name, r.cell.one_way, r.need.to_buy.value, r.printed.length if r.printed else None)
                for r in rows if r.cell.role is role and r.need is not None]  # fmt: skip
        if len(bars) > 1:
            pictures[role] = draw_widths(bars, home.units, thread(colour), pale(colour, 0.6), role.value)
    left = [row for row in rows if row.need is None and not row.refusal]
    return home.page("cloth_widths.html", project=project, station="cloth", part="widths", rows=rows, pictures=pictures, left=left,
                     explained={row.words: " ".join(filter(None, (_explained(row, home), _nap(row, rows, home)))) for row in rows})  # fmt: skip


def _nap(row: CellRow, rows: list[CellRow], home: House) -> str:
    """What it costs that all pieces point one way: beside the same width without nap."""
    if not row.cell.one_way or row.need is None:
        return ""
    same = (r for r in rows if r.cell.role is row.cell.role and r.cell.width == row.cell.width and not r.cell.one_way)
    other = next(same, None)
    if other is None or other.need is None:
        return ""
    more = row.need.to_buy.value - other.need.to_buy.value
    return f"Nap costs {format_cloth(more, home.units)}." if more > 1 else "Nap costs nothing here."


def _explained(row: CellRow, home: House) -> str:
    """Why the lay and the envelope differ."""
    if row.need is None or row.printed is None:
        return ""
    less = row.printed.length - row.need.to_buy.value
    if abs(less) < 1:
        return "As the envelope says."
    way = "less" if less > 0 else "more"
    why = "the envelope is generous" if less > 0 else "your length, shrinkage and alterations are in it"
    return f"{format_cloth(abs(less), home.units)} {way} than the envelope: {why}."


@router.get("/projects/{id}/widths/events")
def widths_events(home: Home, id: int) -> Response:
    rows = [row for row in _rows(home, load(home, id)) if row.need is None and not row.refusal]
    return follow(home, [Asked(r.words, r.cell.problem, r.question, False, True) for r in rows], SECONDS_FOR_A_CELL)


@router.post("/projects/{id}/widths/stop")
def widths_stop(home: Home, id: int) -> Response:
    for row in _rows(home, load(home, id)):
        jobs.cancel(row.question)
    return go(f"/projects/{id}/cloth")


# ---------------------------------------------------------------- short of cloth


@dataclass(frozen=True)
class Attempt:
    """A tactic or some together: what has to be laid, and what came of it."""

    tactics: tuple[Tactic, ...]
    problem: Problem
    question: str
    answered: bool
    plan: Plan | None
    refusal: str
    ready: float | None
    saves: float | None
    fits: bool
    steps: tuple[str, ...] = ()
    """The steps it adds to the making order, by title."""

    @property
    def points(self) -> int:
        return sum(PRICES[t].points for t in self.tactics)

    @property
    def prices(self) -> tuple[Price, ...]:
        return tuple(PRICES[t] for t in self.tactics)

    @property
    def name(self) -> str:
        return ", and ".join(t.value for t in self.tactics)


def _role(project: ProjectView, wanted: str | None) -> Role:
    roles = list(project.cloth_plans)
    found = next((r for r in roles if r.value == wanted), roles[0] if roles else None)
    if found is None:
        raise NotFound("cloth")
    return found


def _attempt(home: House, project: ProjectView, role: Role, tactics: tuple[Tactic, ...], base: float | None) -> Attempt:
    plan = project.cloth_plans[role]
    problem = project.problem(role, plan.entry.cloth, tactics)
    question = lays.question_of(problem)
    answers = lays.answers(home.db, question)
    best = _shortest(answers)
    refusal = next((str(a) for a in answers.values() if isinstance(a, LayError)), "") if best is None else ""
    ready = need(best.length, plan.entry.cloth, problem.gap, home.units).ready.value if best else None
    if ready is not None and base is not None and set(tactics) <= LOOSENS:
        ready = min(ready, base)
    hand = plan.entry.cloth.ready_length
    return Attempt(
        tactics, problem, question, bool(answers), best, refusal, ready, base - ready if base is not None and ready is not None else None,
        hand is not None and ready is not None and ready <= hand + 1, _steps_added(project, role, tactics),
    )  # fmt: skip


def _steps_added(project: ProjectView, role: Role, tactics: tuple[Tactic, ...]) -> tuple[str, ...]:
    """What a tactic adds to the making order of the garment as the pattern has it."""
    if not tactics or project.size is None:
        return ()
    before, after = (
        compile_steps(
            project.garment_with(role, taken), project.record.view, project.size, Household(units=project.home.units)
        )
        for taken in ((), tactics)
    )
    known = {step.id for step in before}
    return tuple(step.title for step in after if step.id not in known)


def _attempts(home: House, project: ProjectView, role: Role) -> tuple[Attempt, list[Attempt], list[Attempt]]:
    """The cloth as it is, every tactic by itself, and the best ones together."""
    plan = project.cloth_plans[role]
    plain = _attempt(home, project, role, (), None)
    every = offered(
        project.altered.pattern,
        project.record.view,
        role,
        one_way=plan.problem.cloth.one_way or _was_one_way(project, role),
        batch=bool(project.reckoning.batch),
    )
    single = [_attempt(home, project, role, (t,), plain.ready) for t in every]
    if any(not a.answered for a in single):
        return plain, single, []
    useful = sorted(
        (a for a in single if a.saves is not None and a.saves > 5), key=lambda a: -(a.saves or 0) / a.points
    )
    together: dict[tuple[Tactic, ...], Attempt] = {}
    for first in range(min(2, len(useful))):
        chosen: tuple[Tactic, ...] = ()
        for attempt in useful[first:]:
            chosen = combined((*chosen, *attempt.tactics))
            if 1 < len(chosen) <= MOST_TOGETHER and chosen not in together:
                together[chosen] = _attempt(home, project, role, chosen, plain.ready)
    return plain, single, list(together.values())


def _was_one_way(project: ProjectView, role: Role) -> bool:
    return Tactic.TURN_PIECES in project.tactics(role)


@router.get("/projects/{id}/cloth/short")
def short(home: Home, id: int, role: str | None = None) -> Response:
    project = load(home, id)
    if not project.cloth_plans:
        return go(f"/projects/{id}/cloth")
    chosen = _role(project, role)
    plain, single, together = _attempts(home, project, chosen)
    everything = [*single, *together]
    waiting = [a for a in (plain, *everything) if not a.answered]
    ranked = sorted(
        (a for a in everything if a.plan is not None),
        key=lambda a: (not a.fits, a.points if a.fits and not plain.fits else 0, -(a.saves or 0)),
    )
    best = next((a for a in ranked if a.fits), None)
    hand = project.cloth_plans[chosen].entry.cloth.ready_length
    return home.page(
        "cloth_short.html", project=project, station="cloth", part="short", role=chosen, plain=plain, ranked=ranked, best=best,
        left=waiting, hand=hand, refused=[a for a in everything if a.answered and a.plan is None], taken=project.tactics(chosen),
        entry=project.cloth_plans[chosen].entry,
    )  # fmt: skip


@router.get("/projects/{id}/short/{role}/events")
def short_events(home: Home, id: int, role: str) -> Response:
    project = load(home, id)
    plain, single, together = _attempts(home, project, _role(project, role))
    waiting = [a for a in (plain, *single, *together) if not a.answered]
    asked = [Asked(a.name.capitalize() or "As it is", a.problem, a.question, False, True) for a in waiting]
    return follow(home, asked, SECONDS_FOR_A_CELL)


@router.post("/projects/{id}/short/{role}/stop")
def short_stop(home: Home, id: int, role: str) -> Response:
    project = load(home, id)
    plain, single, together = _attempts(home, project, _role(project, role))
    for attempt in (plain, *single, *together):
        jobs.cancel(attempt.question)
    return go(f"/projects/{id}/cloth")


@router.post("/projects/{id}/cloth/short/{role}")
def take(home: Home, id: int, role: str, typed: Typing) -> Response:
    """Take tactics for a cloth: pieces, lay and making order change with them. None: as the pattern has it."""
    project = load(home, id)
    chosen = _role(project, role)
    names = [name for name in typed.get("tactics", "").split("|") if name]
    known = {t.value: t for t in Tactic}
    if any(name not in known for name in names):
        raise NotFound("tactic")
    projects.choose_tactics(home.db, id, chosen, combined(tuple(known[name] for name in names)))
    return go(f"/projects/{id}/cloth/short?role={chosen.value}")
