"""The cutting table: the lay changed with the hands, each change told with what it costs."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from fastapi import APIRouter, Response
from pydantic import BaseModel, ConfigDict, Field

from rowanseed.app.lay_table import LayTable
from rowanseed.app.open_project import load
from rowanseed.core.base.errors import NotThere
from rowanseed.core.base.units import format_cloth
from rowanseed.drawings.lay_table import draw_table
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.once import Once
from rowanseed.web.pages.lay import role_of
from rowanseed.web.views.lay_table import FaultLine, LayTableView, difference_words, work_words

router = APIRouter(route_class=Once)
FAR = 100_000.0


class Asked(BaseModel):
    """One change: what, of which piece, and where to (mm, in the frame of its stretch)."""

    model_config = ConfigDict(extra="forbid")

    role: str
    do: Literal["move", "nudge", "turn", "mirror", "pin", "push", "rest", "undo", "redo", "mend"]
    id: Annotated[str, Field(max_length=20)] = ""
    at: tuple[Annotated[float, Field(ge=-FAR, le=FAR)], Annotated[float, Field(ge=-FAR, le=FAR)]] | None = None
    fault: int = 0


def _table(home: House, id: int, role: str | None) -> LayTable:
    project = load(home, id)
    wanted = role_of(project, role)
    if wanted is None:
        raise NotThere("lay")
    return LayTable(project, project.cloth_plans[wanted])


@router.get("/projects/{id}/lay/table")
def show_table(home: Home, id: Id, role: str | None = None) -> Response:
    project = load(home, id)
    wanted = role_of(project, role)
    if wanted is None or project.cloth_plans[wanted].plan is None:
        return go(f"/projects/{id}/lay" + (f"?role={role}" if role else ""))
    table = LayTable(project, project.cloth_plans[wanted])
    carried = table.was_for_other_pieces
    return home.show(table_view(home, table, carried=carried))


def table_view(home: House, table: LayTable, *, carried: bool = False, said: str = "") -> LayTableView:
    lay, found = table.lay, table.found
    at_fault = {id for fault in table.faults for id in fault.ids}
    placements = [p for stretch in lay.plan.stretches for p in stretch.placements]
    used = {placement.piece for placement in placements}
    return LayTableView(
        project=table.project,
        role=found.role,
        lay=lay,
        picture=draw_table(
            lay.plan,
            found.problem,
            found.entry.cloth,
            home.units,
            names=table.names,
            numbers=table.numbers,
            pinned=lay.pinned,
            at_fault=at_fault,
        ),
        faults=tuple(FaultLine(table.said(fault), fault.can_be_mended) for fault in table.faults),
        key=tuple((number, table.names[piece]) for piece, number in table.numbers.items() if piece in used),
        difference=difference_words(lay.plan.length - lay.began_with, home.units),
        work=work_words(len(placements), len(lay.plan.stretches) - 1),
        rivals=tuple((name, plan.length) for name, plan in found.plans.items()),
        in_hand=found.problem.cloth.length,
        carried=carried,
        told=said,
        is_kept=found.kept is not None and found.kept.plan == lay.plan,
    )


@router.post("/projects/{id}/lay/table/change")
def change(home: Home, id: Id, asked: Asked) -> dict[str, Any]:
    """One change; the table as it is then: its drawing, what is wrong, what it costs."""
    table = _table(home, id, asked.role)
    said = ""
    match asked.do:
        case "undo" | "redo":
            table.step(-1 if asked.do == "undo" else 1)
        case "mend":
            table.mend(asked.fault)
        case _:
            said = table.change(asked.do, asked.id, asked.at)
    after = table_view(home, _table(home, id, asked.role), said=said)
    return {
        "picture": after.picture,
        "faults": [[fault.said, fault.can_be_mended] for fault in after.faults],
        "length": format_cloth(after.lay.plan.length, home.units),
        "difference": after.difference,
        "work": after.work,
        "step": after.lay.words,
        "undo": after.lay.undo,
        "redo": after.lay.redo,
        "said": said,
    }


@router.post("/projects/{id}/lay/table")
def keep(home: Home, id: Id, typed: Typing) -> Response:
    """Keep the lay on the table, or begin anew with one that was found."""
    table = _table(home, id, typed.get("role"))
    here = f"/projects/{id}/lay/table?role={table.found.role.value}"
    if typed.get("begin"):
        table.put_on(typed["begin"] if typed["begin"] in table.found.plans else None)
        return go(here)
    if not table.keep():
        return home.show(table_view(home, table, said="It is not right yet: see what is left to mend."), 422)
    return go(f"/projects/{id}/lay?role={table.found.role.value}")
