"""The Cloth station's table: how much at any usual width and in either direction."""

from __future__ import annotations

from dataclasses import dataclass

from fastapi import APIRouter, Response

from rowanseed.app.lay_outcome import Answers, refusal, shortest
from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.base.units import format_cloth, format_length
from rowanseed.core.base.working import Working
from rowanseed.core.cloth.conversion import convert
from rowanseed.core.cloth.widths import Cell, best_plans, cells, nearest_printed
from rowanseed.core.cloth.yardage import ClothNeed, need
from rowanseed.core.lay.problem import Plan, laid
from rowanseed.core.pattern.envelope import PrintedYardage
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.widths import Bar, draw_widths
from rowanseed.jobs import lays as jobs
from rowanseed.store import lays
from rowanseed.web.deps import Home, House, go
from rowanseed.web.pages.jobs import Asked, follow

router = APIRouter()

SECONDS_FOR_A_CELL = 3.5


@dataclass(frozen=True)
class CellRow:
    """One case of the table with what came of it, and the envelope's figure for this case or one converted to it."""

    cell: Cell
    question: str
    need: ClothNeed | None
    way: str
    refusal: str
    printed: PrintedYardage | None
    converted: Working | None
    width: str = ""
    is_comparing: bool = False
    """Whether the lay with nothing matched is still to be searched, beside which matching has its cost."""

    @property
    def is_known(self) -> bool:
        return bool(self.refusal) or (self.need is not None and not self.is_comparing)

    @property
    def words(self) -> str:
        return f"{self.cell.role.words.capitalize()}, {self.width}, {'with nap' if self.cell.one_way else 'two-way'}"

    @property
    def asked(self) -> list[Asked]:
        """What is still to be searched for this case."""
        if self.refusal:
            return []
        found = (
            []
            if self.need
            else [
                Asked(label=self.words, problem=self.cell.problem, question=self.question, answered=False, patient=True)
            ]
        )
        if self.is_comparing and self.cell.unmatched is not None:
            unmatched = self.cell.unmatched
            found.append(
                Asked(
                    label=f"{self.words}, not matched",
                    problem=unmatched,
                    question=lays.question_of(unmatched),
                    answered=False,
                    patient=True,
                )
            )
        return found


def _rows(home: House, project: OpenProject) -> list[CellRow]:
    if project.core.choices is None:
        return []
    every: list[Cell] = []
    for role in project.core.roles:
        entry = project.cloth_entries.get(role)
        cloth, how = entry.cloth if entry else None, project.core.cloth_choices.matched(role)
        every += cells(project.core.cut_pattern, project.core.choices, role, cloth, how)
    questions = [lays.question_of(cell.problem) for cell in every]
    answers = [lays.answers(home.db, question) for question in questions]
    best = best_plans({k: shortest(found) for k, found in enumerate(answers)}, tuple(every))
    return [
        _row(home=home, project=project, cell=cell, question=questions[k], answers=answers[k], plan=best[k])
        for k, cell in enumerate(every)
    ]


def _row(home: House, project: OpenProject, cell: Cell, question: str, answers: Answers, plan: Plan | None) -> CellRow:
    near = nearest_printed(project.pattern.envelope.yardage, project.record.view, project.core.size or "", cell.role, cell)
    is_same = near is not None and abs(near.width - cell.width) < 30 and near.one_way == cell.one_way
    # Only what has been searched counts as known, even where another case's lay would serve.
    shown = plan if answers else None
    unmatched = None if cell.unmatched is None else shortest(lays.answers(home.db, lays.question_of(cell.unmatched)))
    needed = (
        None
        if shown is None
        else need(shown.length, cell.cloth, cell.problem.gap, home.units, unmatched.length if unmatched else None)
    )
    return CellRow(
        cell=cell,
        question=question,
        need=needed,
        way=laid(shown) if shown else "",
        refusal=refusal(answers, project.core.cut_pattern, home.units) if plan is None else "",
        printed=near if is_same else None,
        converted=convert(near.length, near.width, cell.width, add_nap=cell.one_way and not near.one_way)
        if near and not is_same
        else None,
        width=format_length(cell.width, home.units),
        is_comparing=cell.unmatched is not None and unmatched is None,
    )


@router.get("/projects/{id}/cloth/widths")
def widths(home: Home, id: int) -> Response:
    project = load(home, id)
    rows = _rows(home, project)
    colour = f"#{project.colour}"
    pictures = {}
    for role in project.core.roles:
        bars = [
            Bar(
                name=r.width,
                one_way=r.cell.one_way,
                length=r.need.to_buy.value,
                printed=r.printed.length if r.printed else None,
            )
            for r in rows
            if r.cell.role is role and r.need is not None
        ]
        if len(bars) > 1:
            pictures[role] = draw_widths(bars, home.units, thread(colour), pale(colour, 0.6), role.value)
    left = [row for row in rows if not row.is_known]
    return home.page(
        "cloth_widths.html",
        project=project,
        station="cloth",
        part="widths",
        rows=rows,
        pictures=pictures,
        left=left,
        explained={row.words: " ".join(filter(None, (_explained(row, home), _nap(row, rows, home)))) for row in rows},
    )


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
    asked = [a for row in _rows(home, load(home, id)) for a in row.asked]
    return follow(home, asked, SECONDS_FOR_A_CELL)


@router.post("/projects/{id}/widths/stop")
def widths_stop(home: Home, id: int) -> Response:
    for row in _rows(home, load(home, id)):
        for asked in row.asked:
            jobs.cancel(asked.question)
    return go(f"/projects/{id}/cloth")
