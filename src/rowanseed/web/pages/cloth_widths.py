"""The Cloth station's table: how much at any usual width and in either direction."""

from __future__ import annotations

from fastapi import APIRouter, Response

from rowanseed.app import searching
from rowanseed.app.open_project import OpenProject, load
from rowanseed.app.widths import CellRow, explained, table
from rowanseed.core.pattern.pieces import Role
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.widths import Bar, draw_widths
from rowanseed.web.deps import Home, Id, go
from rowanseed.web.events import follow
from rowanseed.web.once import Once
from rowanseed.web.views.cloth import WidthsView

router = APIRouter(route_class=Once)


@router.get("/projects/{id}/cloth/widths")
def show_widths(home: Home, id: Id) -> Response:
    project = load(home, id)
    rows = table(project)
    pictures = {role: _picture(project, role, rows) for role in project.core.roles}
    return home.show(
        WidthsView(
            project=project,
            rows=rows,
            pictures={role: picture for role, picture in pictures.items() if picture},
            left=sum(bool(searching.hopeful(home.db, row.asked)) for row in rows),
            failed=searching.failures(home.db, (one.question for row in rows for one in row.asked)),
            explained={row.words: explained(row, rows, home.units) for row in rows},
        )
    )


def _picture(project: OpenProject, role: Role, rows: list[CellRow]) -> str | None:
    """The lengths of one cloth as bars; None where there is nothing to compare."""
    bars = [
        Bar(
            name=row.width,
            one_way=row.cell.one_way,
            length=row.need.to_buy.value,
            printed=row.printed.length if row.printed else None,
        )
        for row in rows
        if row.cell.role is role and row.need is not None
    ]
    if len(bars) < 2:
        return None
    colour = f"#{project.colour}"
    return draw_widths(bars, project.desk.units, thread(colour), pale(colour, 0.6), role.value)


@router.get("/projects/{id}/widths/events")
def widths_events(home: Home, id: Id) -> Response:
    return follow(home, [one for row in table(load(home, id)) for one in row.asked])


@router.post("/projects/{id}/widths/again")
def search_widths_again(home: Home, id: Id) -> Response:
    searching.ask(home.db, [one for row in table(load(home, id)) for one in row.asked], again=True)
    return go(f"/projects/{id}/cloth/widths")


@router.post("/projects/{id}/widths/stop")
def stop_widths(home: Home, id: Id) -> Response:
    searching.give_up(home.db, [one.question for row in table(load(home, id)) for one in row.asked])
    return go(f"/projects/{id}/cloth")
