"""People and their measurements."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from fastapi import APIRouter, Response

from rowanseed.core.base.errors import ChangedMeanwhile, NotThere
from rowanseed.core.base.units import format_length, read_back
from rowanseed.core.body.measures import MEASURES, Age, questions
from rowanseed.drawings.history import draw_history
from rowanseed.drawings.svg import CHALK
from rowanseed.store import people, projects
from rowanseed.store.people import Measuring, Person
from rowanseed.web.as_shown import as_it_was
from rowanseed.web.deps import Home, House, Id, Typing, go, own_path, revision_of
from rowanseed.web.forms import CHANGED, Errors, Form, OptionalLength, Text, bind
from rowanseed.web.once import Once
from rowanseed.web.views.house import PersonView

router = APIRouter(route_class=Once)


class _PersonForm(Form):
    name: Text
    age: Age


class _One(Form):
    value: OptionalLength


@router.get("/people/new")
def new(home: Home) -> Response:
    return person_form(home, None, {"age": "adult"}, {}, ())


@router.get("/people/{id}")
def show_person(home: Home, id: Id) -> Response:
    person = _found(home, id)
    return person_form(home, person, _typed(home, person), {}, ())


def _typed(home: House, person: Person) -> dict[str, str]:
    """A person as the form has her."""
    shown = {key: format_length(mm, home.units, fine=True) for key, mm in person.body.items()}
    return {"name": person.name, "age": person.age.value, **shown}


@router.post("/people/new")
def create(home: Home, typed: Typing) -> Response:
    return _save(home, None, typed)


@router.post("/people/{id}")
def change(home: Home, id: Id, typed: Typing) -> Response:
    return _save(home, _found(home, id), typed)


@router.post("/people/{id}/remove")
def remove_person(home: Home, id: Id) -> Response:
    person = _found(home, id)
    if not people.remove_person(home.db, id):
        refused = f"There are projects for {person.name}: put those away first, each at its Keep station."
        return person_form(home, person, _typed(home, person), {"remove": refused}, (), status=422)
    return go("/")


def _back(home: House, typed: Mapping[str, str]) -> str:
    """Where measuring was a detour from; empty where it was none."""
    return own_path(typed.get("back") or home.request.query_params.get("back"))


def _found(home: House, id: Id) -> Person:
    person = people.person(home.db, id)
    if person is None:
        raise NotThere("person")
    return person


def _save(home: House, person: Person | None, typed: dict[str, str]) -> Response:
    form, errors = bind(_PersonForm, typed, home.units.small)
    body: dict[str, float] = {}
    for measure in MEASURES:
        one, fault = bind(_One, {"value": typed.get(measure.key, "")}, home.units.small)
        if fault:
            errors[measure.key] = fault["value"]
        elif one is not None and one.value is not None:
            body[measure.key] = one.value
    if form is None or errors:
        return person_form(home, person, typed, errors, (), status=422)
    if person is not None:
        shown = {key: read_back(mm, home.units) for key, mm in person.body.items()}
        body = as_it_was(dict(person.body), shown, body)
    doubts = questions(body, form.age, home.units)
    if doubts and typed.get("confirmed") != _fingerprint(body):
        return person_form(home, person, typed, {}, doubts, confirm=_fingerprint(body))
    id, revision = person.id if person else None, revision_of(typed)
    try:
        people.save_person(home.db, id, form.name, form.age, body, home.today, revision=revision)
    except ChangedMeanwhile:
        # Nothing that was typed is lost; sent once more, it takes the place of what the other window kept.
        return person_form(home, person, typed, {"form": CHANGED}, (), status=409)
    return go(_back(home, typed) or "/")


def _history(sets: list[Measuring]) -> list[tuple[str, list[tuple[str, float]]]]:
    """Measures that were taken more than once and have changed, with their dated figures."""
    series = [(m.key, [(s.taken_on, s.body[m.key]) for s in sets if m.key in s.body]) for m in MEASURES]
    return [(key, taken) for key, taken in series if len({mm for _, mm in taken}) > 1]


def _used(home: House, sets: list[Measuring]) -> dict[int, list[str]]:
    """The names of the projects that went by each set."""
    every = projects.projects(home.db)
    return {s.id: [p.name for p in every if p.measuring_id == s.id] for s in sets}


def _fingerprint(body: dict[str, float]) -> str:
    """Doubts are waved through for exactly these figures, not for later ones."""
    return ";".join(f"{key}={mm:.1f}" for key, mm in sorted(body.items()))


def person_form(
    home: House,
    person: Person | None,
    typed: dict[str, str],
    errors: Errors,
    doubts: Any,
    *,
    status: int = 200,
    confirm: str = "",
) -> Response:
    sets = people.measurings(home.db, person.id) if person else []
    history = _history(sets)
    return home.show(
        PersonView(
            sets=sets,
            used=_used(home, sets),
            ever={key for s in sets for key in s.body},
            history=draw_history(history, CHALK, home.units) if history else None,
            person=person,
            typed=typed,
            errors=errors,
            measures=MEASURES,
            doubts={d.key: d.text for d in doubts},
            confirm=confirm,
            back=_back(home, typed),
        ),
        status,
    )
