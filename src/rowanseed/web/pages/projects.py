"""Starting a project; its address leads to the station where there is something to settle."""

from __future__ import annotations

from dataclasses import replace

from fastapi import APIRouter, Response

from rowanseed.app.open_project import load
from rowanseed.core.compose.described_layers import described_layers
from rowanseed.core.derive.choice import Layers
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.formats.description_json import read_description
from rowanseed.store import cloths, patterns, people, projects
from rowanseed.store.database import transaction
from rowanseed.web.deps import Home, House, Id, Typing, go, number_of
from rowanseed.web.once import Once
from rowanseed.web.views.house import NewProjectView

router = APIRouter(route_class=Once)


@router.get("/projects/new")
def new(home: Home) -> Response:
    chosen = dict(home.request.query_params)
    return project_form(home, chosen, {})


@router.post("/projects/new")
def create(home: Home, typed: Typing) -> Response:
    errors: dict[str, str] = {}
    person = people.person(home.db, number_of(typed.get("person")) or 0)
    pattern_id = number_of(typed.get("pattern")) or 0
    pattern = patterns.pattern(home.db, pattern_id)
    cloth = cloths.cloth(home.db, number_of(typed.get("cloth")) or 0)
    if person is None:
        errors["person"] = "Choose who it is for."
    if pattern is None:
        errors["pattern"] = "Choose the pattern."
    if typed.get("cloth") and cloth is None:
        errors["cloth"] = "Choose one of the cloths on the shelf, or none."
    if person is None or pattern is None or errors:
        return project_form(home, typed, errors, status=422)
    name = typed.get("name", "").strip()[:120] or f"{pattern.name} for {person.name}"
    chosen = {Role.MAIN: cloth.id} if cloth else {}
    view = pattern.envelope.views[0].id
    with transaction(home.db):
        id = projects.start_project(home.db, name, person.id, pattern_id, view, chosen, home.today)
        _as_described(home, id, pattern, view)
    return go(f"/projects/{id}/fit")


def _as_described(home: House, id: int, pattern: Pattern, view: str) -> None:
    """A project of a described garment begins with the lining and the faced hem that were described."""
    if not pattern.description:
        return
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    layers = described_layers(pattern, read_description(pattern.description), view=view, size=size)
    if layers != Layers():
        projects.decide(home.db, id, lambda of: replace(of, cloth_choices=replace(of.cloth_choices, layers=layers)))


def project_form(home: House, typed: dict[str, str], errors: dict[str, str], *, status: int = 200) -> Response:
    return home.show(
        NewProjectView(
            typed=typed,
            errors=errors,
            people=people.people(home.db),
            patterns=patterns.patterns(home.db),
            cloths=cloths.cloths(home.db),
        ),
        status,
    )


@router.post("/projects/{id}/remove")
def remove_project(home: Home, id: Id) -> Response:
    projects.remove_project(home.db, load(home, id).record.id)
    return go("/")


@router.get("/projects/{id}")
def open_project(home: Home, id: Id) -> Response:
    return go(f"/projects/{id}/{load(home, id).next_station.key}")
