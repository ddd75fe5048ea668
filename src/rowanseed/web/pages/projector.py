"""The projector: pieces or a lay at their true size on a dark ground."""

from __future__ import annotations

from fastapi import APIRouter, Response

from rowanseed.app.open_project import load
from rowanseed.app.printing import Printing
from rowanseed.core.printing.tiles import Paper
from rowanseed.drawings.projector import draw_lay, draw_pieces
from rowanseed.web.deps import Home, Id
from rowanseed.web.once import Once
from rowanseed.web.pages.lay import role_of
from rowanseed.web.views.printing import ProjectorView

router = APIRouter(route_class=Once)


@router.get("/projects/{id}/projector")
def show_projector(home: Home, id: Id, role: str | None = None) -> Response:
    project = load(home, id)
    printing = Printing(project, Paper.A4)
    chosen = role_of(project, role)
    found = project.cloth_plans[chosen] if chosen is not None else None
    lay = ""
    if chosen is not None and found is not None and found.plan is not None:
        items = project.core.cut_items(chosen, found.entry.cloth, found.problem, found.plan)
        lay = draw_lay(found.plan, found.problem.cloth, items)
    return home.show(
        ProjectorView(project=project, pieces=draw_pieces(printing.chosen) if printing.chosen else "", lay=lay)
    )
