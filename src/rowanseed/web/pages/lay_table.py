"""The cutting table: the lay changed with the hands, each change told with what it costs."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace
from string import ascii_uppercase
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, ConfigDict, Field
from pydantic_core import to_json

from rowanseed.app.lay_table import LayTable
from rowanseed.app.on_motif import hold
from rowanseed.app.open_project import load
from rowanseed.app.shared_lay import SharedTable, laid_with, on_same_cloth, shared_table
from rowanseed.app.table_deeds import Asked
from rowanseed.core.base.errors import NotThere
from rowanseed.core.base.lay_errors import FlawInCut
from rowanseed.core.base.units import format_cloth
from rowanseed.core.cloth.matching import can_match
from rowanseed.core.cloth.yardage import need
from rowanseed.core.lay.problem import Plan
from rowanseed.core.lay.work import Compared, work_of
from rowanseed.drawings.lay import LAY_WORDS
from rowanseed.drawings.lay_compare import draw_compared
from rowanseed.drawings.lay_table import draw_table
from rowanseed.drawings.table_piece import Shown
from rowanseed.web.deps import Home, House, Id, Typing, go, number_of
from rowanseed.web.once import Once
from rowanseed.web.pages.lay import role_of
from rowanseed.web.views.lay_table import Beside, FaultLine, LayTableView, Rival, difference_words, work_words

router = APIRouter(route_class=Once)
FAR = 100_000.0
LONGEST_NAME = 60
Mm = Annotated[float, Field(ge=-FAR, le=FAR)]


class ChangeSent(BaseModel):
    """One change: what, of which piece, and where to (mm, in the frame of its stretch)."""

    model_config = ConfigDict(extra="forbid")

    role: str
    do: Literal[
        "move",
        "nudge",
        "turn",
        "mirror",
        "pin",
        "push",
        "rest",
        "part",
        "park",
        "unpark",
        "stretch",
        "exchange",
        "flaw",
        "hold",
        "undo",
        "redo",
        "mend",
    ]
    id: Annotated[str, Field(max_length=20)] = ""
    at: tuple[Mm, Mm] | None = None
    to: tuple[Mm, Mm] | None = None
    n: Annotated[int, Field(ge=0, le=10_000)] = 0
    differently: bool = False
    others: Annotated[str, Field(max_length=LONGEST_NAME)] = ""


def _table(home: House, id: int, role: str | None, others: str = "") -> LayTable:
    """The table of a cloth of a project; `others` are those laid with it, `5.main,7.lining`."""
    project = load(home, id)
    wanted = role_of(project, role)
    if wanted is None:
        raise NotThere("lay")
    found = project.cloth_plans[wanted]
    return shared_table(project, found, others.split(",")) if others else LayTable(project, found)


@router.get("/projects/{id}/lay/table")
def show_table(
    home: Home, id: Id, role: str | None = None, others: Annotated[str, Query(alias="with")] = ""
) -> Response:
    project = load(home, id)
    wanted = role_of(project, role)
    table = _table(home, id, role, others) if wanted is not None else None
    if table is None or (table.found.plan is None and not table.has_begun and not others):
        return go(f"/projects/{id}/lay" + (f"?role={role}" if role else ""))
    changed = table.what_changed() if table.was_for_other_pieces else ""
    return home.show(table_view(home, table, changed=changed))


def table_view(home: House, table: LayTable, *, changed: str = "", said: str = "", name_said: str = "") -> LayTableView:
    lay, found = table.lay, table.found
    used = {p.piece for stretch in lay.plan.stretches for p in stretch.placements}
    rivals = tuple(_rivals(table))
    return LayTableView(
        project=table.project,
        role=found.role,
        lay=lay,
        picture=_picture(home, table),
        faults=tuple(FaultLine(table.said(fault), fault.can_be_mended) for fault in table.faults),
        key=tuple((number, table.names[piece]) for piece, number in table.numbers.items() if piece in used),
        parked=_parked(table),
        difference=difference_words(lay.plan.length - lay.began_with, home.units),
        bought=_bought(home, table),
        work=work_words(work_of(lay.plan)),
        stretches=tuple(LAY_WORDS[stretch.lay] for stretch in lay.plan.stretches),
        rivals=rivals,
        compared=_compared(home, table, rivals),
        in_hand=found.problem.cloth.length,
        changed=changed,
        told=said or _overlooked(table),
        is_kept=found.kept is not None and found.kept.plan == lay.plan,
        has_cut=bool(table.cut),
        has_print=can_match(found.entry.cloth) and not _others(table),
        others=_others(table),
        on_table=table.company_names,
        beside=tuple(_beside(table)),
        name_said=name_said,
    )


def _picture(home: House, table: LayTable) -> str:
    shown = Shown(
        names=table.names,
        numbers=table.numbers,
        pieces=table.pieces,
        sizes=table.sizes,
        units=home.units,
        pinned=table.lay.pinned,
        at_fault={id for fault in table.faults for id in fault.ids},
        cut=table.cut,
        owners=table.owners,
        role=table.found.role.words,
    )
    return draw_table(table.lay.plan, table.found.problem, table.found.entry.cloth, shown, table.lay.began_with)


def _others(table: LayTable) -> str:
    return table.others if isinstance(table, SharedTable) else ""


def _beside(table: LayTable) -> Iterator[Beside]:
    """Who else is cut from this cloth, with the address of the table that has them too, or has them no longer."""
    here = _others(table).split(",") if _others(table) else []
    if table.found.entry.cut_by is not None:
        return
    for one in on_same_cloth(table.project, table.project.cloth_plans[table.found.role]):
        on = one.owner in here
        others = [other for other in here if other != one.owner] if on else [*here, one.owner]
        own = one.project.record.id == table.project.record.id
        name = f"the {one.found.role.words} of this one" if own else one.name
        yield Beside(name, ",".join(others), on)


def _overlooked(table: LayTable) -> str:
    """Who is laid together with this cloth and does not lie on this table: what is kept here would lie over them."""
    if isinstance(table, SharedTable):
        return ""
    names = ", ".join(one.name for one in laid_with(table.project, table.found))
    return (
        f"Kept together with {names}: lay it on this table too, or what you keep here may lie over it." if names else ""
    )


def _parked(table: LayTable) -> tuple[str, ...]:
    return tuple(f"{table.numbers[one.piece]} {table.names[one.piece]}" for one in table.lay.parked)


def _bought(home: House, table: LayTable) -> str:
    """What the shop rounds it to, where it has to be bought."""
    found = table.found
    if found.entry.cloth.length is not None:
        return ""
    gap = found.problem.gap
    needed = need(lay_length=table.lay.plan.length, cloth=found.entry.cloth, gap=gap, units=home.units)
    return f"buy {needed.to_buy.quantity.show(home.units)}"


def _rivals(table: LayTable) -> Iterator[Rival]:
    """The lays that were found, then those kept by a name, each with a letter."""
    lays: list[tuple[str, str, Plan, int, bool]] = [
        (name, name, plan, 0, True) for name, plan in table.found.plans.items()
    ]
    lays += [
        (f"named:{one.id}", one.name, one.plan, one.id, one.question == table.found.question) for one in table.named
    ]
    for k, (key, name, plan, named, holds) in enumerate(lays):
        letter = ascii_uppercase[k % 26]
        yield Rival(letter, key, name, plan.length, work_words(work_of(plan)), named, holds)


def _compared(home: House, table: LayTable, rivals: tuple[Rival, ...]) -> str:
    """The lays that hold beside each other, and the one on the table; empty where there is but one."""
    plans = {**table.found.plans, **{f"named:{one.id}": one.plan for one in table.named}}
    in_use = table.found.plan
    lays = [
        Compared(one.letter, one.length, work_of(plans[one.key]).effort, plans[one.key] == in_use)
        for one in rivals
        if one.holds
    ]
    mine = table.lay.plan
    if mine not in plans.values():
        lays.append(Compared("✎", mine.length, work_of(mine).effort, False))
    return draw_compared(lays, home.units) if len(lays) > 1 else ""


@router.post("/projects/{id}/lay/table/change")
def change(home: Home, id: Id, sent: ChangeSent) -> Response:
    """One change; the table as it is then: its drawing, what is wrong, what it costs."""
    table = _table(home, id, sent.role, sent.others)
    said = ""
    match sent.do:
        case "undo" | "redo":
            table.step(-1 if sent.do == "undo" else 1)
        case "mend":
            table.mend(sent.n)
        case "flaw":
            if sent.at is None:
                raise NotThere("place")
            try:
                cut = table.flaw(sent.n, sent.at, sent.to or sent.at)
            except FlawInCut as error:
                said = f"{error.problem} {error.remedy}"
            else:
                put_by = table.put_by()
                table = _table(home, id, sent.role, sent.others)
                table.pin_cut(cut)
                said = "The flaw is kept with the cloth, which is laid open from now on."
                said += f" What you had changed before it lies by, named “{put_by}”." if put_by else ""
        case "hold":
            said = hold(table.project, table.found, table.lay.plan, sent.id)
            table = _table(home, id, sent.role)
        case _:
            said = table.change(Asked(sent.do, sent.id, sent.at, sent.to, sent.n, sent.differently))
    after = replace(table)
    lay = after.lay
    told: dict[str, Any] = {
        "picture": _picture(home, after),
        "faults": [[after.said(fault), fault.can_be_mended] for fault in after.faults],
        "length": format_cloth(lay.plan.length, home.units),
        "difference": difference_words(lay.plan.length - lay.began_with, home.units),
        "bought": _bought(home, after),
        "work": work_words(work_of(lay.plan)),
        "stretches": [LAY_WORDS[stretch.lay] for stretch in lay.plan.stretches],
        "parked": _parked(after),
        "step": lay.words,
        "undo": lay.undo,
        "redo": lay.redo,
        "said": said,
    }
    return Response(to_json(told), media_type="application/json")


@router.post("/projects/{id}/lay/table")
def keep(home: Home, id: Id, typed: Typing) -> Response:
    """Keep the lay on the table, under a name or as the one in use, or begin anew with another."""
    table = _table(home, id, typed.get("role"), typed.get("with", ""))
    beside = _others(table)
    here = f"/projects/{id}/lay/table?role={table.found.role.value}" + (f"&with={beside}" if beside else "")
    if typed.get("begin"):
        known = {*table.found.plans, *(f"named:{one.id}" for one in table.named)}
        table.put_on(typed["begin"] if typed["begin"] in known else None)
        return go(here)
    if typed.get("carry"):
        if table.found.kept is not None:
            table.carry_over(table.found.kept.plan)
        return go(here)
    forget = number_of(typed.get("forget"))
    if forget is not None:
        table.forget(forget)
        return go(here)
    if "name" in typed:
        name = " ".join(typed["name"].split())
        if not name or len(name) > LONGEST_NAME:
            return home.show(table_view(home, table, name_said=f"A name of 1 to {LONGEST_NAME} letters."), 422)
        table.keep_by_name(name)
        return go(here)
    if not table.keep():
        return home.show(table_view(home, table, said="It is not right yet: see what is left to mend."), 422)
    return go(f"/projects/{id}/lay?role={table.found.role.value}")
