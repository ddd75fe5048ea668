"""The table of widths: how much at any usual width and in either direction, as far as it has been searched."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.app.open_project import OpenProject
from rowanseed.app.searching import Asked, asked
from rowanseed.core.base.units import Units, format_cloth, format_length
from rowanseed.core.base.working import Working
from rowanseed.core.cloth.conversion import convert
from rowanseed.core.cloth.widths import Cell, best_plans, cells, nearest_printed
from rowanseed.core.cloth.yardage import ClothNeed, need
from rowanseed.core.lay.choice import Answers, refusal, shortest
from rowanseed.core.lay.problem import Plan, laid
from rowanseed.core.pattern.envelope import PrintedYardage
from rowanseed.settings import settings
from rowanseed.store import lays


@dataclass(frozen=True)
class CellRow:
    """One case of the table with what came of it, and the envelope's figure for this case or one converted to it."""

    cell: Cell
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
        seconds = settings().seconds_for_a_width
        if self.refusal:
            return []
        found = [] if self.need else [asked(self.words, self.cell.problem, seconds, patient=True)]
        if self.is_comparing and self.cell.unmatched is not None:
            found.append(asked(f"{self.words}, not matched", self.cell.unmatched, seconds, patient=True))
        return found


def table(project: OpenProject) -> list[CellRow]:
    """Every cloth of the project at every usual width."""
    core, db = project.core, project.desk.db
    if core.choices is None:
        return []
    every: list[Cell] = []
    for role in core.roles:
        every += cells(
            pattern=core.cut_pattern,
            choices=core.choices,
            role=role,
            like=core.cloths.get(role),
            units=project.desk.units,
            matching=core.cloth_choices.matched(role),
        )
    answers = [lays.answers(db, lays.question_of(cell.problem)) for cell in every]
    best = best_plans({k: shortest(found) for k, found in enumerate(answers)}, tuple(every))
    return [_row(project, cell, answers[k], best[k]) for k, cell in enumerate(every)]


def _row(project: OpenProject, cell: Cell, answers: Answers, plan: Plan | None) -> CellRow:
    core, units, db = project.core, project.desk.units, project.desk.db
    near = nearest_printed(project.pattern.envelope.yardage, core.view, core.size or "", cell.role, cell)
    is_same = near is not None and abs(near.width - cell.width) < 30 and near.one_way == cell.one_way
    # Only what has been searched counts as known, even where another case's lay would serve.
    shown = plan if answers else None
    unmatched = None if cell.unmatched is None else shortest(lays.answers(db, lays.question_of(cell.unmatched)))
    plain = unmatched.length if unmatched else None
    return CellRow(
        cell=cell,
        need=need(shown.length, cell.cloth, cell.problem.gap, units, plain) if shown is not None else None,
        way=laid(shown) if shown else "",
        refusal=refusal(answers, core.cut_pattern, units) if plan is None else "",
        printed=near if is_same else None,
        converted=convert(near.length, near.width, cell.width, add_nap=cell.one_way and not near.one_way)
        if near and not is_same
        else None,
        width=format_length(cell.width, units),
        is_comparing=cell.unmatched is not None and unmatched is None,
    )


def explained(row: CellRow, rows: list[CellRow], units: Units) -> str:
    """In words, why the lay and the envelope differ, and what nap costs."""
    return " ".join(filter(None, (_beside_envelope(row, units), _nap(row, rows, units))))


def _beside_envelope(row: CellRow, units: Units) -> str:
    if row.need is None or row.printed is None:
        return ""
    less = row.printed.length - row.need.to_buy.value
    if abs(less) < 1:
        return "As the envelope says."
    way = "less" if less > 0 else "more"
    why = "the envelope is generous" if less > 0 else "your length, shrinkage and alterations are in it"
    return f"{format_cloth(abs(less), units)} {way} than the envelope: {why}."


def _nap(row: CellRow, rows: list[CellRow], units: Units) -> str:
    """What it costs that all pieces point one way: beside the same width without nap."""
    if not row.cell.one_way or row.need is None:
        return ""
    same = (r for r in rows if r.cell.role is row.cell.role and r.cell.width == row.cell.width and not r.cell.one_way)
    other = next(same, None)
    if other is None or other.need is None:
        return ""
    more = row.need.to_buy.value - other.need.to_buy.value
    return f"Nap costs {format_cloth(more, units)}." if more > 1 else "Nap costs nothing here."
