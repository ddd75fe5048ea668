"""The Cut station: what to do at the table, in order."""

from __future__ import annotations

from fastapi import APIRouter, Response

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.open_project import OpenProject, load
from rowanseed.app.shared_lay import Company, gone_from, laid_with
from rowanseed.core.base.errors import DocumentError, NotThere
from rowanseed.core.base.ids import ReadyKey
from rowanseed.core.base.units import Units
from rowanseed.core.cloth.preparation import Preparation, preparation
from rowanseed.core.cloth.remainder import Left, remainders
from rowanseed.core.cutting import CutItem, cut_words
from rowanseed.core.lay.problem import LayKind
from rowanseed.core.lay.shared import joined
from rowanseed.core.make.reminders import ALTERED_LAYERS, AT_THE_TABLE, MATCHED
from rowanseed.core.pattern.pieces import Role
from rowanseed.drawings.cloth import draw_left
from rowanseed.drawings.lay import draw_lay, laid_words
from rowanseed.drawings.lay_pieces import LayView
from rowanseed.store import cloths
from rowanseed.store.projects import set_tick
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.once import Once
from rowanseed.web.views.lay_and_cut import CutView, Table

router = APIRouter(route_class=Once)


WAVED = "waved"


def _ready(plan: ClothPlan, done: frozenset[str], units: Units) -> tuple[tuple[str, Preparation], ...]:
    role = plan.role.value
    if plan.role is Role.INTERFACING or str(ReadyKey(role, WAVED)) in done:
        return ()
    laid = plan.plan.stretches if plan.plan else ()
    folded = any(stretch.lay is not LayKind.OPEN for stretch in laid)
    steps = preparation(plan.entry.cloth, units, folded=folded)
    return tuple((str(ReadyKey(role, step.key)), step) for step in steps)


@router.get("/projects/{id}/cut")
def show_cut(home: Home, id: Id) -> Response:
    project = load(home, id)
    done = project.ticked("cut")
    left = [item for item in project.cut_items if item.key not in done]
    current = left[0] if left else None
    tables = [
        _table(home, project, role, done, current) for role in project.cloth_plans if project.cloth_plans[role].plan
    ]
    return home.show(
        CutView(
            project=project,
            tables=tables,
            done=done,
            otherwise={item.key: tick.words for item, tick in project.cut_otherwise},
            current=current,
            cut_words=cut_words,
            unready=[(t, key) for t in tables for key, _ in t.ready if key not in done],
            laid_words=laid_words,
            minds=_minds(project),
            total=len(project.cut_items),
            number=len(project.cut_items) - len(left),
        )
    )


def _minds(project: OpenProject) -> tuple[str, ...]:
    """What usually goes wrong at the table, where it can."""
    out = [said for id, said in AT_THE_TABLE if id != "marks"]
    if project.core.alterations:
        out.append(ALTERED_LAYERS)
    if any(plan.problem.matches for plan in project.cloth_plans.values()):
        out.append(MATCHED)
    return tuple(out)


def _table(home: House, project: OpenProject, role: Role, done: frozenset[str], current: CutItem | None) -> Table:
    plan = project.cloth_plans[role]
    if plan.plan is None:
        raise NotThere("lay")
    items = tuple(item for item in project.cut_items if item.role is role)
    view = LayView(home.units, done, current.key if current else None, numbered=True, id=f"cut-{role.value}")
    picture = draw_lay(plan.plan, plan.problem.cloth, plan.entry.cloth, items, view)
    left = _left(project, plan) if _is_all_cut(project, plan, done) and plan.entry.cut_by is None else ()
    room = (max((p.cloth.length or 0.0 for p in left), default=0.0), max((p.cloth.width for p in left), default=0.0))
    shown = tuple((p, draw_left(p.cloth, home.units, f"left-{role.value}-{k}", room)) for k, p in enumerate(left))
    on_shelf = tuple(cloths.remainders_of(home.db, plan.entry.id)) if plan.entry.cut_by == project.record.id else ()
    return Table(
        plan=plan,
        items=items,
        picture=picture,
        ready=_ready(plan, done, home.units),
        left=shown,
        on_shelf=on_shelf,
        together=tuple(one.name for one in laid_with(project, plan)),
        gone=gone_from(project, plan),
        still=_still_to_cut(project, plan) if plan.entry.cut_by is None else (),
    )


def _on_same_cloth(project: OpenProject, plan: ClothPlan) -> list[ClothPlan]:
    """The plans of every cloth of the project that is cut from the same one, this one among them."""
    return [other for other in project.cloth_plans.values() if other.entry.id == plan.entry.id]


def _is_all_cut(project: OpenProject, plan: ClothPlan, done: frozenset[str]) -> bool:
    roles = {other.role for other in _on_same_cloth(project, plan)}
    keys = [item.key for item in project.cut_items if item.role in roles]
    return bool(keys) and all(key in done for key in keys) and not _still_to_cut(project, plan)


def _still_to_cut(project: OpenProject, plan: ClothPlan) -> tuple[str, ...]:
    """The projects laid together with this one that have not cut all of theirs."""
    return tuple(
        one.name
        for one in laid_with(project, plan)
        if one.project.record.id != project.record.id and not _has_cut(one.project, one.found.role)
    )


def _has_cut(project: OpenProject, role: Role) -> bool:
    done = project.ticked("cut")
    return all(item.key in done for item in project.cut_items if item.role is role)


def _left(project: OpenProject, plan: ClothPlan) -> tuple[Left, ...]:
    """What is left of a cloth, told with the first of the plans that are cut from it."""
    same = _on_same_cloth(project, plan)
    if same[0].role is not plan.role:
        return ()
    together = laid_with(project, plan)
    mine = {one.found.role for one in together if one.project.record.id == project.record.id}
    plans = [other.plan for other in same if other.plan is not None and other.role not in mine]
    if plan.plan is not None and together:
        company = [(Company(project, plan).share, plan.plan)]
        company += [(one.share, one.found.plan) for one in together if one.found.plan is not None]
        plans[0] = joined(company)
    return remainders(plans, plan.problem.cloth, plan.entry.cloth) if plans else ()


@router.post("/projects/{id}/cut/left/{role}")
def keep_left(home: Home, id: Id, role: str, typed: Typing) -> Response:
    """All is cut: the cloth leaves the shelf, and the parts of it that are wanted come on it with their outlines."""
    project = load(home, id)
    plan = _plan(project, role)
    if plan.entry.cut_by is None and _is_all_cut(project, plan, project.ticked("cut")):
        wanted = [part.cloth for k, part in enumerate(_left(project, plan)) if typed.get(f"keep-{k}") == "yes"]
        cloths.cut_up(home.db, plan.entry.id, id, wanted)
    return go(f"/projects/{id}/cut")


@router.post("/projects/{id}/cut/left/{role}/back")
def put_back(home: Home, id: Id, role: str) -> Response:
    """Undo: the cloth is on the shelf again, whole. Its remainders go, unless one is in use."""
    project = load(home, id)
    plan = _plan(project, role)
    if plan.entry.cut_by == id and not cloths.put_back(home.db, plan.entry.id):
        raise DocumentError("A project cuts from what was left of this cloth.", "Take it out of that project first.")
    return go(f"/projects/{id}/cut")


def _plan(project: OpenProject, role: str) -> ClothPlan:
    found = next((p for r, p in project.cloth_plans.items() if r.value == role), None)
    if found is None:
        raise NotThere("cloth")
    return found


@router.post("/projects/{id}/cut")
def tick(home: Home, id: Id, typed: Typing) -> Response:
    project = load(home, id)
    key = typed.get("key", "")
    known = {item.key for item in project.cut_items}
    for role, plan in project.cloth_plans.items():
        known |= {str(ReadyKey(role.value, WAVED)), *(key for key, _ in _ready(plan, frozenset(), home.units))}
    if key not in known:
        raise NotThere("piece")
    item = next((item for item in project.cut_items if item.key == key), None)
    what, words = (item.what, project.as_cut) if item is not None else ("", "")
    set_tick(home.db, id, "cut", key, typed.get("done") == "yes", what=what, words=words)
    return go(f"/projects/{id}/cut")
