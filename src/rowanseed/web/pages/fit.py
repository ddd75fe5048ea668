"""The Fit station: which size, how much ease, how long."""

from __future__ import annotations

from fastapi import APIRouter, Response

from rowanseed.core.body import MEASURE
from rowanseed.core.errors import RowanseedError
from rowanseed.core.garment import Choices, altered
from rowanseed.core.pattern import Role
from rowanseed.core.sizing import ease_table, measure_name
from rowanseed.core.units import format_length
from rowanseed.core.walk import walk
from rowanseed.core.working import Given, Source, Working, length
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.ease import draw_ease
from rowanseed.drawings.pieces import draw_nest
from rowanseed.store import projects
from rowanseed.web.deps import Home, House, Typing, go
from rowanseed.web.forms import Change, Errors, Form, bind
from rowanseed.web.project import ProjectView, load

router = APIRouter()


class _FitForm(Form):
    size: str
    hem_change: Change = 0.0


@router.get("/projects/{id}/fit")
def show(home: Home, id: int) -> Response:
    return _page(home, load(home, id), None, {})


@router.post("/projects/{id}/fit")
def choose(home: Home, id: int, typed: Typing) -> Response:
    project = load(home, id)
    form, errors = bind(_FitForm, typed, home.units.small)
    if form is not None:
        change = form.hem_change
        if typed["hem_change"] == _written(home, project.record.hem_change):
            change = project.record.hem_change
        try:
            altered(project.pattern, Choices(project.record.view, form.size, change))
        except RowanseedError as error:
            errors["size" if error.where == "size" else "hem_change"] = f"{error.problem} {error.remedy}"
        else:
            projects.choose_fit(home.db, id, form.size, change, project.person.measuring_id)
            return go(f"/projects/{id}/fit")
    return _page(home, project, typed, errors, status=422)


def _written(home: House, change: float) -> str:
    return format_length(change, home.units, fine=True) if change else ""


def _page(
    home: House, project: ProjectView, typed: dict[str, str] | None, errors: Errors, *, status: int = 200
) -> Response:
    envelope, size, view = project.pattern.envelope, project.size, project.record.view
    rows = ease_table(project.person.body, envelope, view, size) if size else ()
    colour = f"#{project.colour}"
    main = [piece for piece, _ in project.pattern.pieces_for(Role.MAIN, view)]
    return home.page(
        "fit.html", status, project=project, station="fit", advice=project.advice, rows=rows, errors=errors,
        typed=typed or {"size": size or "", "hem_change": _written(home, project.record.hem_change)},
        bars=draw_ease(rows, home.units, thread(colour), pale(colour, 0.6)) if rows else None,
        nest=draw_nest(project.altered.pattern, size, thread(colour), main) if size else None,
        walks=walk(project.altered.pattern, size) if size else (), measure_name=measure_name, measures=MEASURE,
        length=_length(project),
    )  # fmt: skip


def _length(project: ProjectView) -> Working | None:
    """The finished length with the change at the hem, where the envelope prints one."""
    row = project.pattern.envelope.finished.get(project.record.view, {}).get("length")
    if row is None or project.size is None:
        return None
    change = project.record.hem_change
    return Working(
        "Finished length", length(row[project.size] + change), "printed length + change at the hem",
        (Given(f"finished length, size {project.size}", length(row[project.size]), Source.ENVELOPE),
         Given("change at the hem", length(change), Source.CHOSEN)),
    )  # fmt: skip
