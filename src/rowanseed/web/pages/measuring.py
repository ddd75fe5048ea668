"""How to measure: the guide, and measuring a person step by step for what one pattern needs."""

from __future__ import annotations

from fastapi import APIRouter, Response

from rowanseed.core.base.errors import NotThere
from rowanseed.core.base.units import format_length
from rowanseed.core.body.measures import MEASURE, MEASURES, Age, questions
from rowanseed.core.sizing.needed import measures_needed
from rowanseed.drawings.figure import draw_measure
from rowanseed.store import patterns, people, projects
from rowanseed.store.people import Person
from rowanseed.web.deps import Home, House, Id, Number, Typing, go
from rowanseed.web.forms import Errors, Form, OptionalLength, bind
from rowanseed.web.once import Once
from rowanseed.web.views.house import MeasureView, MeasuringGuideView

router = APIRouter(route_class=Once)

EVERYDAY = ("bust", "high_bust", "waist", "hip", "back_waist", "height")


class _One(Form):
    value: OptionalLength


@router.get("/measuring")
def guide(home: Home, age: str = "adult") -> Response:
    whose = Age.CHILD if age == "child" else Age.ADULT
    return home.show(
        MeasuringGuideView(measures=MEASURES, age=whose, figures={m.key: draw_measure(m, whose) for m in MEASURES})
    )


@router.get("/people/{id}/measure")
def step(home: Home, id: Id, project: Number = 0, step: int = 0) -> Response:
    return measuring_page(home=home, person=_person(home, id), project=project, step=step, typed={}, errors={})


@router.post("/people/{id}/measure")
def take(home: Home, id: Id, typed: Typing, project: Number = 0, step: int = 0) -> Response:
    """Keep one figure and go to the next; an empty field is passed over."""
    person = _person(home, id)
    keys = _keys(home, project)
    step = min(max(step, 0), len(keys) - 1)
    key = keys[step]
    form, errors = bind(_One, typed, home.units.small)
    if form is None:
        return measuring_page(
            home=home, person=person, project=project, step=step, typed=typed, errors={key: errors["value"]}, status=422
        )
    if form.value is not None and typed["value"] != _shown(home, person, key):
        body = {**person.body, key: form.value}
        doubt = next((q.text for q in questions(body, person.age, home.units) if q.key == key), "")
        if doubt and typed.get("confirmed") != typed["value"]:
            return measuring_page(
                home=home, person=person, project=project, step=step, typed=typed, errors={}, doubt=doubt
            )
        people.save_person(home.db, id, person.name, person.age, body, home.today)
    after = step + 1
    if after < len(keys):
        return go(f"/people/{id}/measure?step={after}" + (f"&project={project}" if project else ""))
    return go(f"/projects/{project}/fit" if project else f"/people/{id}")


def _person(home: House, id: Id) -> Person:
    found = people.person(home.db, id)
    if found is None:
        raise NotThere("person")
    return found


def _keys(home: House, project_id: int) -> tuple[str, ...]:
    """What the project's pattern needs, or the everyday measurements."""
    record = projects.project(home.db, project_id) if project_id else None
    pattern = patterns.pattern(home.db, record.pattern_id) if record else None
    return (measures_needed(pattern) if pattern else ()) or EVERYDAY


def _shown(home: House, person: Person, key: str) -> str:
    return format_length(person.body[key], home.units, fine=True) if key in person.body else ""


def measuring_page(
    home: House,
    person: Person,
    project: int,
    step: int,
    typed: dict[str, str],
    errors: Errors,
    *,
    status: int = 200,
    doubt: str = "",
) -> Response:
    keys = _keys(home, project)
    step = min(max(step, 0), len(keys) - 1)
    key = keys[step]
    record = projects.project(home.db, project) if project else None
    return home.show(
        MeasureView(
            person=person,
            project_record=record,
            keys=keys,
            step=step,
            measure=MEASURE[key],
            figure=draw_measure(MEASURE[key], person.age),
            typed={key: typed.get("value", _shown(home, person, key))},
            errors=errors,
            doubt=doubt,
        ),
        status,
    )
