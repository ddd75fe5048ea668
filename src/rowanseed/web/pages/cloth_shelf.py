"""Will any cloth on the shelf do? Which small pieces would an off-cut hold, what could a remainder give at most?"""

from __future__ import annotations

from dataclasses import replace

from fastapi import APIRouter, Response

from rowanseed.app import searching
from rowanseed.app.open_project import OpenProject, load
from rowanseed.app.shelf import look_along
from rowanseed.core.base.errors import NotThere
from rowanseed.core.cloth.shelf import largest
from rowanseed.core.pattern.pieces import Role
from rowanseed.drawings.cloth import draw_left
from rowanseed.store import cloths
from rowanseed.store.projects import ProjectRecord, decide
from rowanseed.web.deps import Home, Id, Number, Typing, go, number_of
from rowanseed.web.events import follow
from rowanseed.web.once import Once
from rowanseed.web.views.cloth import ClothShelfView

router = APIRouter(route_class=Once)


def _role(project: OpenProject, wanted: str | None) -> Role:
    roles = project.core.roles
    found = next((r for r in roles if r.value == wanted), roles[0] if roles else None)
    if found is None:
        raise NotThere("cloth")
    return found


@router.get("/projects/{id}/cloth/shelf")
def show_cloth_shelf(home: Home, id: Id, role: str | None = None, give: Number = 0) -> Response:
    project = load(home, id)
    if project.core.choices is None or not project.core.roles:
        return go(f"/projects/{id}/cloth")
    chosen = _role(project, role)
    found = look_along(project, chosen, give)
    pieces = {piece.id: piece for piece in project.core.garment.pieces}
    return home.show(
        ClothShelfView(
            project=project,
            role=chosen,
            rows=found.rows,
            pieces=[piece for piece in found.pieces if piece.row.fits],
            left=len(searching.hopeful(home.db, found.asked())),
            failed=searching.failures(home.db, (one.question for one in found.asked())),
            sizes=found.sizes,
            given=next((row for _, row in found.sizes), None),
            largest=largest(found.sizes),
            pictures={
                row.number: draw_left(row.cloth, home.units, f"left-{row.number}")
                for row in found.rows
                if row.cloth.is_remainder
            },
            moved=[pieces[id] for id in project.core.cloth_choices.moved if id in pieces],
        )
    )


@router.get("/projects/{id}/shelf/{role}/{give}/events")
def shelf_events(home: Home, id: Id, role: str, give: Number) -> Response:
    project = load(home, id)
    return follow(home, look_along(project, _role(project, role), give).asked())


@router.post("/projects/{id}/shelf/{role}/{give}/again")
def search_shelf_again(home: Home, id: Id, role: str, give: Number) -> Response:
    project = load(home, id)
    chosen = _role(project, role)
    searching.ask(home.db, look_along(project, chosen, give).asked(), again=True)
    return go(f"/projects/{id}/cloth/shelf?role={chosen.value}" + (f"&give={give}" if give else ""))


@router.post("/projects/{id}/shelf/{role}/{give}/stop")
def stop_shelf(home: Home, id: Id, role: str, give: Number) -> Response:
    project = load(home, id)
    asked = look_along(project, _role(project, role), give).asked()
    searching.give_up(home.db, [one.question for one in asked])
    return go(f"/projects/{id}/cloth")


@router.post("/projects/{id}/cloth/shelf/piece")
def move_piece(home: Home, id: Id, typed: Typing) -> Response:
    """Cut a small piece from an off-cut, as the contrast cloth; or from the main cloth again."""
    project = load(home, id)
    piece, number = typed.get("piece", ""), number_of(typed.get("cloth"))
    core = project.core
    small = {p.id for p, _ in core.garment.pieces_for(Role.MAIN, project.record.view)}
    if piece not in small | set(core.cloth_choices.moved):
        raise NotThere("piece")
    off_cut = number if number is not None and cloths.cloth(home.db, number) is not None else None
    draws_contrast = Role.CONTRAST in project.pattern.roles(project.record.view)

    def change(before: ProjectRecord) -> ProjectRecord:
        moved = tuple(other for other in before.cloth_choices.moved if other != piece)
        chosen = dict(before.cloths)
        if off_cut is not None:
            moved, chosen[Role.CONTRAST] = (*moved, piece), off_cut
        elif not moved and not draws_contrast:
            chosen.pop(Role.CONTRAST, None)
        return replace(before, cloth_choices=replace(before.cloth_choices, moved=moved), cloths=chosen)

    decide(home.db, id, change)
    return go(f"/projects/{id}/cloth/shelf")
