"""Something is wrong with the cloth while it is being cut: what is cut stays, the rest is laid again round it."""

from __future__ import annotations

from rowanseed.app.desk import Desk
from rowanseed.app.lay_table import LayTable, is_same_place
from rowanseed.app.open_project import OpenProject, load
from rowanseed.app.shared_lay import laid_with
from rowanseed.app.table_deeds import Asked
from rowanseed.core.base.errors import NotThere
from rowanseed.core.base.lay_errors import LaidTogether
from rowanseed.core.base.units import format_cloth
from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay import edit
from rowanseed.core.lay.on_cloth import still_there
from rowanseed.core.pattern.pieces import Role
from rowanseed.store import projects


def lay_round(desk: Desk, project_id: int, role: Role, stretch: int, a: Point, b: Point) -> str:
    """Nothing more is cut between two points of a stretch (mm, in its frame); what came of it, in words.

    The new layout is kept and what was cut stays ticked, where the rest still fits; where it does not, the flaw is
    kept with the cloth and the layout waits on the table. Raises NotThere where nothing is laid, LaidTogether
    where others lie on the cloth too.
    """
    table = _table(load(desk, project_id), role)
    if table.found.plan is None:
        raise NotThere("lay")
    together = laid_with(table.project, table.found)
    if together:
        raise LaidTogether(", ".join(one.name for one in together))
    before, put_by = table.found.plan.length, table.put_by()
    kept_apart = f" What you had changed by hand lies by, named “{put_by}”." if put_by else ""
    table.begin(table.found.plan, "as it is being cut")
    table = _table(load(desk, project_id), role)
    cut = table.flaw(stretch, a, b)
    table = _table(load(desk, project_id), role)
    table.carry_over(table.lay.plan)
    _table(load(desk, project_id), role).pin_cut(cut)
    table = _table(load(desk, project_id), role)
    said = table.change(Asked("rest")) if table.faults or table.lay.parked else ""
    table = _table(load(desk, project_id), role)
    if not table.keep():
        why = said or "See there what is left to mend."
        return f"It is kept with the cloth, but the rest does not fit round it. {why}{kept_apart}"
    after = _table(load(desk, project_id), role)
    if after.found.plan is not None:
        _tick_again(after.project, role, still_there(after.found.problem, after.found.plan, cut))
        longer = after.found.plan.length - before
        more = f" It takes {format_cloth(longer, desk.units)} more." if longer > 0.5 else ""
        return f"Laid again round it, what is cut where it was cut.{more} The cloth lies open from here on.{kept_apart}"
    raise NotThere("lay")


def _table(project: OpenProject, role: Role) -> LayTable:
    found = project.cloth_plans.get(role)
    if found is None:
        raise NotThere("cloth")
    return LayTable(project, found)


def _tick_again(project: OpenProject, role: Role, cut: frozenset[str]) -> None:
    """Opened out, what was cut through two layers is two on the list."""
    found = project.cloth_plans[role]
    if found.plan is None:
        return
    places = [placed for id, placed in edit.ids(found.plan) if id in cut]
    db, id = project.desk.db, project.record.id
    for item in project.cut_items:
        if item.role is role and any(is_same_place(item, placed) for placed in places):
            projects.set_tick(db, id, "cut", item.key, True, what=item.what, words=project.as_cut)
