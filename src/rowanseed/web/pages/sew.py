"""The Sew station: what next, on what, how."""

from __future__ import annotations

from fastapi import APIRouter, Response

from rowanseed.app.open_project import load
from rowanseed.core.base.errors import NotThere
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.sequencer import trips
from rowanseed.drawings.colour import thread
from rowanseed.drawings.order import draw_order
from rowanseed.drawings.pieces import draw_edges
from rowanseed.store.projects import set_tick
from rowanseed.web.deps import Home, Id, Typing, go
from rowanseed.web.once import Once
from rowanseed.web.views.stations import SewView, Sitting

router = APIRouter(route_class=Once)


@router.get("/projects/{id}/sew")
def show_sew(home: Home, id: Id, step: str | None = None) -> Response:
    project = load(home, id)
    steps, done = project.core.steps, project.ticked("sew")
    left = [s for s in steps if s.id not in done]
    shown = next((s for s in steps if s.id == step), left[0] if left else None)
    picture = None
    if shown is not None and shown.edges and project.core.size:
        picture = draw_edges(project.core.garment, project.core.size, shown.edges, thread(f"#{project.colour}"))
    titles = {s.id: s.title for s in steps}
    return home.show(
        SewView(
            project=project,
            sittings=sittings(steps),
            shown=shown,
            done=done,
            picture=picture,
            number=len(steps) - len(left),
            total=len(steps),
            titles=titles,
            trips=trips(steps),
            line=draw_order(steps, done, shown.id if shown else None, thread(f"#{project.colour}")) if steps else None,
            position=steps.index(shown) + 1 if shown else 0,
        )
    )


def sittings(steps: tuple[Operation, ...]) -> list[Sitting]:
    """The order grouped by bench, each step with its number."""
    groups: list[Sitting] = []
    for number, step in enumerate(steps, start=1):
        if groups and groups[-1].bench is step.bench:
            groups[-1] = Sitting(step.bench, (*groups[-1].steps, (number, step)))
        else:
            groups.append(Sitting(step.bench, ((number, step),)))
    return groups


@router.post("/projects/{id}/sew")
def tick(home: Home, id: Id, typed: Typing) -> Response:
    project = load(home, id)
    key = typed.get("key", "")
    if key not in {step.id for step in project.core.steps}:
        raise NotThere("step")
    set_tick(home.db, id, "sew", key, typed.get("done") == "yes")
    return go(f"/projects/{id}/sew")
