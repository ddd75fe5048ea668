"""The Fit station's alterations: what is changed, in which order, what goes along, and how it is done on the tissue."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from functools import lru_cache
from typing import Literal

from fastapi import APIRouter, Response

from rowanseed.app.lines import new_line
from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.alter.change import Alteration, AlterationStep, Touched
from rowanseed.core.alter.kinds import KINDS, offered, title
from rowanseed.core.alter.tissue import sheet
from rowanseed.core.base.errors import NotThere, RowanseedError
from rowanseed.core.base.ids import PlaceKey
from rowanseed.core.base.same import Same
from rowanseed.core.garment import GarmentChoices, altered
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.sizing.chart import measure_name
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.pieces import draw_altered
from rowanseed.drawings.seams import draw_seam
from rowanseed.store.lessons import altered_before, lessons_for
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.forms import Errors, Form, Length, bind
from rowanseed.web.once import Once
from rowanseed.web.views.fit import AlterationsView, SeamsView, TissueView

router = APIRouter(route_class=Once)


class AlterForm(Form):
    """One alteration as the pages ask for it: what and where, more or less, by how much."""

    what: str
    way: str
    by: Length


class _OrderForm(Form):
    line: str
    do: Literal["up", "down", "out"]


def places(project: OpenProject) -> tuple[tuple[str, str], ...]:
    """(value, words) of everything that can be altered on this pattern; a value is kind, place and level."""
    pattern = project.pattern
    return _places(Same(pattern), project.core.size or pattern.envelope.sizes[0])


@lru_cache(maxsize=64)
def _places(same: Same[Pattern], size: str) -> tuple[tuple[str, str], ...]:
    """The same, remembered: the pattern as it is drawn does not change from page to page."""
    return tuple(
        (str(PlaceKey(kind.id, place.at, place.level, place.school)), place.words)
        for kind in offered(same.it, size)
        for place in kind.places_on(same.it, size)
    )


def wanted(project: OpenProject, form: AlterForm, errors: Errors) -> Alteration | None:
    """The alteration a form asks for; None, with a sentence at the field, where this pattern does not have it."""
    where = PlaceKey.parse(form.what)
    if where is None or form.what not in dict(places(project)):
        errors["what"] = "Choose what to alter."
        return None
    if form.way == "less" and not KINDS[where.kind].opposite:
        errors["way"] = "There is no less of this."
        return None
    by = -form.by if form.way == "less" else form.by
    return Alteration(kind=where.kind, by=by, at=where.at, level=where.level, school=where.school)


@router.get("/projects/{id}/fit/alter")
def show_alterations(home: Home, id: Id, piece: str | None = None) -> Response:
    return alterations_page(home, load(home, id), {}, {}, piece=piece)


@router.post("/projects/{id}/fit/alter")
def add(home: Home, id: Id, typed: Typing) -> Response:
    project = load(home, id)
    form, errors = bind(AlterForm, typed, home.units.small)
    if form is not None:
        new = wanted(project, form, errors)
        refused = None if new is None else _keep(home, project, typed, (*project.core.alterations, new))
        if new is not None and refused is None:
            return go(f"/projects/{id}/fit/alter")
        if refused is not None:
            errors["by"] = refused
    return alterations_page(home, project, typed, errors, status=422)


@router.post("/projects/{id}/fit/alter/again")
def again(home: Home, id: Id, typed: Typing) -> Response:
    """Take over an alteration from an earlier project of this person."""
    project = load(home, id)
    ready = {alteration_key(a): a for _, a, _ in _ready(home, project)}
    chosen = ready.get(typed.get("again", ""))
    if chosen is None:
        raise NotThere("alteration")
    added = (*project.core.alterations, replace(chosen, id=new_line()))
    refused = _keep(home, project, typed, added)
    if refused is not None:
        return alterations_page(home, project, typed, {"again": refused}, status=422)
    return go(f"/projects/{id}/fit/alter")


@router.post("/projects/{id}/fit/alter/looked")
def looked_at(home: Home, id: Id, typed: Typing) -> Response:
    """The alterations are right in the size that is cut now."""
    project = load(home, id)
    home.decide(project, typed, fit=replace(project.record.fit, altered_in=project.core.size or ""))
    return go(f"/projects/{id}/fit/alter")


@router.post("/projects/{id}/fit/alter/order")
def order(home: Home, id: Id, typed: Typing) -> Response:
    """Move an alteration up or down, or take it out."""
    project = load(home, id)
    form, _ = bind(_OrderForm, typed, home.units.small)
    listed = list(project.core.alterations)
    place = next((k for k, one in enumerate(listed) if form is not None and line_of(one, k) == form.line), None)
    if form is None or place is None:
        raise NotThere("alteration")
    moved = listed.pop(place)
    if form.do != "out":
        listed.insert(max(0, place + (-1 if form.do == "up" else 1)), moved)
    refused = _keep(home, project, typed, tuple(listed))
    if refused is not None:
        return alterations_page(home, project, {}, {"order": refused}, status=422)
    return go(f"/projects/{id}/fit/alter")


def _lines(project: OpenProject) -> list[tuple[str, Alteration, tuple[Touched, ...]]]:
    """(id, what is altered, what it touches) of each; nothing is touched where they cannot be carried out together."""
    if not project.core.size:
        return []
    asked = project.core.alterations
    # Alike alterations are carried out once for all who have them: the ids are this project's own.
    touched = [step.touched for step in project.core.altered.steps] or [()] * len(asked)
    return [(line_of(one, k), one, of) for k, (one, of) in enumerate(zip(asked, touched, strict=True))]


def line_of(alteration: Alteration, place: int) -> str:
    """The id of a line; one that a school recommends but nobody has taken yet has only its place."""
    return alteration.id or f"recommended-{place}"


def _keep(
    home: House, project: OpenProject, typed: Mapping[str, str], alterations: tuple[Alteration, ...]
) -> str | None:
    """Keep a list of alterations; the reason in words where it cannot be carried out."""
    choices = project.core.choices
    if choices is None:
        return "Choose a size first."
    try:
        altered(
            project.pattern,
            GarmentChoices(view=choices.view, size=choices.size, blend=choices.blend, alterations=alterations),
        )
    except RowanseedError as error:
        return home.told(error, project.pattern)
    named = tuple(one if one.id else replace(one, id=new_line()) for one in alterations)
    fit = replace(project.record.fit, alterations=named, blend=choices.blend, altered_in=choices.size)
    if project.record.size is None:
        # Altering takes what is recommended as chosen.
        fit = replace(fit, school=project.core.recommended[0].school)
    home.decide(project, typed, size=choices.size, fit=fit, measuring_id=project.person.measuring_id)
    return None


def alteration_key(alteration: Alteration) -> str:
    return f"{place_of(alteration)}:{alteration.by:.2f}"


def place_of(alteration: Alteration) -> PlaceKey:
    return PlaceKey(alteration.kind, alteration.at, alteration.level, alteration.school)


def _ready(home: House, project: OpenProject) -> list[tuple[str, Alteration, str]]:
    """(where it comes from, alteration, what was said) of what this person had or learned before and this pattern
    allows."""
    here = {value for value, _ in places(project)}
    out: dict[str, tuple[str, Alteration, str]] = {}
    for lesson in lessons_for(home.db, project.record.person_id, project.record.id):
        out.setdefault(
            alteration_key(lesson.alteration), (lesson.project, lesson.alteration, lesson.said or "to do next time")
        )
    for before in altered_before(home.db, project.record.person_id, project.record.id):
        for alteration in before.alterations:
            same = "on this pattern" if before.pattern_id == project.record.pattern_id else "on another pattern"
            out.setdefault(alteration_key(alteration), (before.project, alteration, f"done {same}"))
    mine = {alteration_key(a) for a in project.core.alterations}
    return [entry for key, entry in out.items() if key not in mine and str(place_of(entry[1])) in here]


def alterations_page(
    home: House,
    project: OpenProject,
    typed: Mapping[str, str],
    errors: Errors,
    *,
    status: int = 200,
    piece: str | None = None,
) -> Response:
    size, colour = project.core.size, f"#{project.colour}"
    changed = project.core.altered
    touched = list(dict.fromkeys(t.piece for t in changed.touched)) if size else []
    blended = [
        p.id for p in project.core.drawn.pieces if size and p.shapes[size] != changed.pattern.piece(p.id).shapes[size]
    ]
    shown = (
        [piece]
        if piece in {p.id for p in project.pattern.pieces}
        else (touched or blended or [p.id for p in project.pattern.pieces])
    )
    picture = None
    if size:
        picture = draw_altered(
            drawn=project.core.drawn,
            altered=changed.pattern,
            size=size,
            thread=thread(colour),
            shade=pale(colour, 0.55),
            names=shown,
            units=home.units,
        )
    return home.show(
        AlterationsView(
            project=project,
            picture=picture,
            piece=piece,
            places=places(project),
            typed=typed,
            errors=errors,
            lines=_lines(project),
            title=title,
            ready=_ready(home, project),
            key=alteration_key,
            changes=project.core.changes,
            measure_name=measure_name,
            pieces=project.pattern.pieces,
            altered_pieces=blended,
            printed=project.pattern.envelope.finished.get(project.record.view, {}),
        ),
        status,
    )


# ---------------------------------------------------------------- seams and tissue


@router.get("/projects/{id}/fit/seams")
def seams(home: Home, id: Id) -> Response:
    return _seams(home, load(home, id))


def _seams(home: House, project: OpenProject) -> Response:
    colour = thread(f"#{project.colour}")
    pattern, size = project.core.altered.pattern, project.core.size or ""
    before = {w.join.id: w for w in project.core.walks_as_drawn}
    pictures = {w.join.id: draw_seam(pattern, size, w, colour, home.units) for w in project.core.walks}
    return home.show(
        SeamsView(
            project=project,
            walks=project.core.walks,
            before=before,
            pictures=pictures,
            pattern=pattern,
            broken={w.join.id for w in project.core.broken},
        )
    )


@router.post("/projects/{id}/fit/seams/{join}")
def wave_through(home: Home, id: Id, join: str, typed: Typing) -> Response:
    """Take a seam's difference as it is, or ask about it again."""
    project = load(home, id)
    found = next((w for w in project.core.walks if w.join.id == join), None)
    if found is None:
        raise NotThere("seam")
    accepted = {**project.record.fit.accepted}
    if typed.get("accept"):
        accepted[join] = round(found.fault, 2)
    else:
        accepted.pop(join, None)
    home.decide(project, typed, fit=replace(project.record.fit, accepted=accepted))
    return go(f"/projects/{id}/fit/seams")


@router.get("/projects/{id}/fit/tissue")
def tissue(home: Home, id: Id) -> Response:
    project = load(home, id)
    steps = project.core.altered.steps if project.core.size else ()
    return home.show(
        TissueView(
            project=project,
            sheets=[
                (sheet(step, home.units, project.core.size or ""), _before_and_after(project, step)) for step in steps
            ],
            blend=project.core.choices.blend if project.core.choices else (),
        )
    )


def _before_and_after(project: OpenProject, step: AlterationStep) -> str | None:
    """The first pieces that an alteration touches, drawn; None where it touches none."""
    names, colour = [t.piece for t in step.touched][:4], f"#{project.colour}"
    if not names:
        return None
    return draw_altered(
        drawn=step.before,
        altered=step.after,
        size=project.core.size or "",
        thread=thread(colour),
        shade=pale(colour, 0.55),
        names=names,
        units=project.desk.units,
    )
