"""The Keep station: what happened, and what to change next time."""

from __future__ import annotations

from datetime import date
from typing import Annotated

from fastapi import APIRouter, Response
from pydantic import BeforeValidator

from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.alter.kinds import title
from rowanseed.core.base.errors import NotThere
from rowanseed.core.base.units import format_cloth
from rowanseed.core.pattern.pieces import Role
from rowanseed.formats.project_json import write_project
from rowanseed.store import lessons, projects
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.forms import Errors, Form, Length, Text, bind, refuse
from rowanseed.web.once import Once
from rowanseed.web.pages.fit_alter import AlterForm, places, wanted
from rowanseed.web.views.sew_and_keep import KeepView

router = APIRouter(route_class=Once)


def _day(value: object) -> object:
    if isinstance(value, str):
        try:
            return date.fromisoformat(value)
        except ValueError:
            raise refuse("Choose a day, written like 2026-11-23.") from None
    return value


class _NameForm(Form):
    name: Text


class _NoteForm(Form):
    text: Text


class _LessonForm(AlterForm):
    said: str = ""


class _UsedForm(Form):
    used: Length
    used_on: Annotated[date, BeforeValidator(_day)]


@router.get("/projects/{id}/keep")
def show_keep(home: Home, id: Id) -> Response:
    return keep_page(home, load(home, id), {}, {})


@router.get("/projects/{id}/project.json")
def download_project(home: Home, id: Id) -> Response:
    """The project with its pattern, cloths and decisions as an open file, which `rowanseed plan` works out too."""
    project = load(home, id)
    text = write_project(
        name=project.record.name, person=project.person.name, age=project.person.age, project=project.core
    )
    headers = {"Content-Disposition": f'attachment; filename="project-{id}.json"'}
    return Response(text, media_type="application/json", headers=headers)


@router.post("/projects/{id}/keep/notes")
def add_note(home: Home, id: Id, typed: Typing) -> Response:
    project = load(home, id)
    form, errors = bind(_NoteForm, typed, home.units.small)
    if form is None:
        return keep_page(home, project, typed, errors, status=422)
    projects.add_note(home.db, id, form.text, home.today)
    return go(f"/projects/{id}/keep")


@router.post("/projects/{id}/keep/notes/{note}/remove")
def remove_note(home: Home, id: Id, note: Id) -> Response:
    load(home, id)
    projects.remove_note(home.db, id, note)
    return go(f"/projects/{id}/keep")


@router.post("/projects/{id}/keep/name")
def rename(home: Home, id: Id, typed: Typing) -> Response:
    project = load(home, id)
    form, errors = bind(_NameForm, typed, home.units.small)
    if form is None:
        return keep_page(home, project, typed, errors, status=422)
    home.decide(project, typed, name=form.name[:120])
    return go(f"/projects/{id}/keep")


@router.post("/projects/{id}/keep/lessons")
def add_lesson(home: Home, id: Id, typed: Typing) -> Response:
    """Write down an alteration to make next time."""
    project = load(home, id)
    form, errors = bind(_LessonForm, typed, home.units.small)
    alteration = None if form is None else wanted(project, form, errors)
    if form is None or alteration is None:
        return keep_page(home, project, typed, errors, status=422)
    lessons.add_lesson(home.db, id, alteration, form.said.strip()[:300], home.today)
    return go(f"/projects/{id}/keep")


@router.post("/projects/{id}/keep/lessons/{lesson}/remove")
def remove_lesson(home: Home, id: Id, lesson: Id) -> Response:
    load(home, id)
    lessons.remove_lesson(home.db, id, lesson)
    return go(f"/projects/{id}/keep")


@router.post("/projects/{id}/keep/used/{role}")
def cloth_used(home: Home, id: Id, role: str, typed: Typing) -> Response:
    project = load(home, id)
    chosen = next((r for r in project.core.roles if r.value == role), None)
    if chosen is None:
        raise NotThere("cloth")
    form, errors = bind(_UsedForm, typed, home.units.large)
    if form is None:
        return keep_page(
            home,
            project,
            {f"{k}-{role}": v for k, v in typed.items()},
            {f"{k}-{role}": v for k, v in errors.items()},
            status=422,
        )
    projects.set_cloth_used(home.db, id, chosen, form.used, form.used_on)
    return go(f"/projects/{id}/keep")


def keep_page(
    home: House, project: OpenProject, typed: dict[str, str], errors: Errors, *, status: int = 200
) -> Response:
    used = projects.cloth_used(home.db, project.record.id)
    planned: dict[Role, float | None] = {}
    for role in project.core.roles:
        needed = project.need(role)
        planned[role] = needed.ready.value if needed else None
    shown = {f"used-{r.value}": format_cloth(u.mm, home.units) for r, u in used.items()}
    shown |= {
        f"used_on-{r.value}": used[r].used_on if r in used else home.today.isoformat() for r in project.core.roles
    }
    return home.show(
        KeepView(
            project=project,
            notes=projects.notes(home.db, project.record.id),
            title=title,
            lessons=lessons.lessons(home.db, project.record.id),
            places=places(project),
            used=used,
            planned=planned,
            typed={**shown, **typed},
            errors=errors,
        ),
        status,
    )
