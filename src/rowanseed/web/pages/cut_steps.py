"""At the cutting table with the phone propped up: one step in large type, which works on without a network."""

from __future__ import annotations

from typing import Any
from urllib.parse import quote

from fastapi import APIRouter, Response

from rowanseed.app.at_table import AtTable
from rowanseed.app.open_project import load
from rowanseed.core.at_table import OnTable, TableAct, TableStep
from rowanseed.core.base.errors import NotThere
from rowanseed.core.base.units import format_length
from rowanseed.core.lay.problem import LayKind
from rowanseed.drawings.colour import thread
from rowanseed.drawings.lay import draw_lay
from rowanseed.drawings.lay_pieces import LayView
from rowanseed.drawings.steps.folds import fold_scene
from rowanseed.drawings.steps.scene import Scene
from rowanseed.drawings.steps.section import draw_section
from rowanseed.web.deps import Home, House, Id
from rowanseed.web.one_step import TickSent, TicksSent, Told, answer, document, taken
from rowanseed.web.views.sewing import MachineView

router = APIRouter()
CAUTION = (
    "Shears and rotary blades: cut away from you, fingers clear of the edge, and close or guard the blade when you put "
    "it down."
)


@router.get("/projects/{id}/cut/steps")
def show_steps(home: Home, id: Id) -> Response:
    table = AtTable(load(home, id))
    return home.show(
        MachineView(
            project=table.project,
            document=document(
                key=f"table:{id}",
                ticks_to=f"/projects/{id}/cut/steps/ticks",
                name=table.project.record.name,
                order=table.mark,
                at=table.next.id if table.next else "",
                steps=[_told(home, table, step) for step in table.steps],
            ),
            is_empty=not table.steps,
            colour=table.project.colour,
            heading="At the cutting table",
            empty="There is no layout yet",
            leave=f"/projects/{id}/cut",
        )
    )


def _told(home: House, table: AtTable, step: TableStep) -> Told:
    base = f"/projects/{table.project.record.id}/cut/steps/{quote(step.id, safe='')}"
    scene = _scene(home, table, step)
    pictures = [(f"{base}/layout.svg", "The layout, what is cut drawn pale")]
    if scene is not None:
        pictures.insert(0, (f"{base}/fold.svg", "How the cloth lies, seen from its cut end"))
    return Told(
        id=step.id,
        title=step.title,
        bench=f"{step.role.words} cloth",
        how=step.how,
        look=step.look,
        mind=step.mind,
        caution=CAUTION if step.act is TableAct.CUT else "",
        done=step.id in table.done,
        needs=step.needs,
        shows=(scene.title, *scene.names) if scene is not None else (),
        pictures=pictures,
        links=((f"{base}/wrong", "A flaw, or the grain runs askew here"),),
    )


def _cloth_of(table: AtTable, step: TableStep) -> OnTable:
    return next(one for one in table.cloths if one.role is step.role)


def _scene(home: House, table: AtTable, step: TableStep) -> Scene | None:
    """How the cloth is folded, for the step that folds it."""
    one = _cloth_of(table, step)
    stretch = one.plan.stretches[step.stretch]
    if step.act is not TableAct.CLOTH or stretch.lay is LayKind.OPEN:
        return None
    depth = {LayKind.FOLDED: one.width / 2, LayKind.TWO_FOLDS: one.width / 4}.get(stretch.lay, stretch.depth)
    return fold_scene(stretch.lay, format_length(depth or 0.0, home.units))


@router.get("/projects/{id}/cut/steps/{step}/{kind}.svg")
def drawing(home: Home, id: Id, step: str, kind: str) -> Response:
    """How the cloth lies, or the layout with the pieces of a step drawn in the thread's colour."""
    table = AtTable(load(home, id))
    found = table.by_id.get(step)
    if found is None or kind not in ("fold", "layout"):
        raise NotThere("drawing")
    if kind == "fold":
        scene = _scene(home, table, found)
        if scene is None:
            raise NotThere("drawing")
        return _svg(draw_section(scene, thread(f"#{table.project.colour}")))
    one = _cloth_of(table, found)
    cut = table.project.ticked("cut")
    current = found.items[0].key if len(found.items) == 1 else None
    view = LayView(home.units, cut - {current}, current, numbered=True, id="table")
    problem = table.project.cloth_plans[one.role].problem
    return _svg(draw_lay(one.plan, problem.cloth, one.cloth, one.items, view))


def _svg(text: str) -> Response:
    return Response(text, media_type="image/svg+xml", headers={"Cache-Control": "private, max-age=60"})


@router.post("/projects/{id}/cut/steps/ticks")
def take_ticks(home: Home, id: Id, sent: TicksSent) -> dict[str, Any]:
    """Ticks made at the table, in their order; what cannot be taken is told, and nothing of the rest is lost."""
    refused = taken(sent, lambda one: _take(home, id, one))
    after = AtTable(load(home, id))
    return answer(refused, sorted(after.done), after.mark, after.next.id if after.next else "")


def _take(home: House, id: int, one: TickSent) -> str:
    """Take one tick; why not, in words."""
    table = AtTable(load(home, id))
    step = table.by_id.get(one.step)
    if step is None:
        return "This step is no longer there: another layout is in use since."
    missing = table.tick(step, one.done) if (step.id in table.done) is not one.done else None
    return "" if missing is None else f"“{missing.title}” comes first and is not ticked."
