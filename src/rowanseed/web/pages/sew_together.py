"""Two projects or more on the table at once: one order over all of them."""

from __future__ import annotations

from datetime import datetime

from fastapi import APIRouter, Response

from rowanseed.app.open_project import load
from rowanseed.app.sewing import Sewing
from rowanseed.core.base.errors import NotThere
from rowanseed.core.make.together import together
from rowanseed.drawings.colour import thread
from rowanseed.store.projects import projects
from rowanseed.web.deps import Home, Typing, go, number_of
from rowanseed.web.once import Once
from rowanseed.web.views.sewing import OnTheTable, TogetherView

router = APIRouter(route_class=Once)
MOST = 4


@router.get("/sewing")
def show_together(home: Home) -> Response:
    chosen = [n for n in map(number_of, home.request.query_params.getlist("with")) if n is not None][:MOST]
    records = [record for record in projects(home.db) if record.size is not None]
    on_table = {record.id: Sewing(load(home, record.id)) for record in records if record.id in chosen}
    left = {id: sewing.line.left for id, sewing in on_table.items() if sewing.line.left}
    return home.show(
        TogetherView(
            records=tuple((record.id, record.name) for record in records),
            on_table={
                id: OnTheTable(sewing.project.record.name, thread(f"#{sewing.project.colour}"), sewing.took, k)
                for k, (id, sewing) in enumerate(on_table.items(), start=1)
            },
            order=together(left) if len(left) > 1 else None,
        )
    )


@router.post("/sewing")
def tick(home: Home, typed: Typing) -> Response:
    """Tick a step of one of the projects off."""
    number, key = number_of(typed.get("project")), typed.get("key", "")
    if number is None:
        raise NotThere("project")
    sewing = Sewing(load(home, number))
    if key not in sewing.line.by_id:
        raise NotThere("step")
    if sewing.tick(key, with_needs=False, now=datetime.now()):
        return go(f"/projects/{number}/sew?step={key}&ask=done")
    query = "&".join(f"with={n}" for n in typed.get("all", "").split(",") if n.isdigit())
    return go(f"/sewing?{query}")
