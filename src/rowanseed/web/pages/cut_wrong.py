"""Something is wrong with the cloth at the table: where it is, told with the tape; the rest is laid again round it."""

from __future__ import annotations

from typing import Literal

from fastapi import APIRouter, Response

from rowanseed.app.at_table import AtTable
from rowanseed.app.lay_round import lay_round
from rowanseed.app.open_project import load
from rowanseed.core.at_table import OnTable, TableStep
from rowanseed.core.base.errors import NotThere, RowanseedError
from rowanseed.core.lay.folding import stretch_width
from rowanseed.drawings.lay import draw_lay
from rowanseed.drawings.lay_pieces import LayView
from rowanseed.web.deps import Home, House, Id, Typing
from rowanseed.web.forms import Errors, Form, Length, bind
from rowanseed.web.once import Once
from rowanseed.web.views.lay_and_cut import WrongView

router = APIRouter(route_class=Once)
PAGE = "/projects/{id}/cut/steps/{step}/wrong"


class _WrongForm(Form):
    what: Literal["flaw", "askew"]
    along: Length
    across: Length = 0.0
    long: Length
    wide: Length = 0.0


@router.get(PAGE)
def ask(home: Home, id: Id, step: str) -> Response:
    table = AtTable(load(home, id))
    return _page(home, table, _step(table, step), {"what": "flaw"}, {})


@router.post(PAGE)
def take(home: Home, id: Id, step: str, typed: Typing) -> Response:
    table = AtTable(load(home, id))
    found = _step(table, step)
    is_askew = typed.get("what") == "askew"
    needless = ("across", "wide") if is_askew else ()
    form, errors = bind(_WrongForm, {k: v for k, v in typed.items() if k not in needless}, home.units.small)
    one = _cloth_of(table, found)
    stretch = one.plan.stretches[found.stretch]
    wide = stretch_width(stretch.lay, stretch.depth, one.width)
    if form is not None:
        errors = _beyond(form, stretch.end - stretch.start, wide)
    if form is None or errors:
        return _page(home, table, found, typed, errors, status=422)
    low, high = (0.0, wide) if is_askew else (form.across, form.across + form.wide)
    a, b = (form.along, low), (form.along + form.long, high)
    try:
        outcome = lay_round(home, id, found.role, found.stretch, a, b)
    except NotThere:
        raise
    except RowanseedError as error:
        outcome = f"{error.problem} {error.remedy}".strip()
    after = AtTable(load(home, id))
    return _page(home, after, after.next or found, typed, {}, outcome=outcome)


def _beyond(form: _WrongForm, long: float, wide: float) -> Errors:
    """What is said of a place that is not on this cloth."""
    if form.along > long:
        return {"along": "That lies beyond what is laid here: measure from the cut end of this length."}
    if form.what == "flaw" and form.across > wide:
        return {"across": "That lies beyond the other edge: measure from the edge nearest you."}
    return {}


def _step(table: AtTable, id: str) -> TableStep:
    found = table.by_id.get(id)
    if found is None:
        raise NotThere("step")
    return found


def _cloth_of(table: AtTable, step: TableStep) -> OnTable:
    return next(one for one in table.cloths if one.role is step.role)


def _page(
    home: House,
    table: AtTable,
    step: TableStep,
    typed: dict[str, str],
    errors: Errors,
    *,
    outcome: str = "",
    status: int = 200,
) -> Response:
    project = table.project
    one = _cloth_of(table, step)
    done = project.ticked("cut")
    view = LayView(home.units, done, None, numbered=True, id="wrong")
    return home.show(
        WrongView(
            project=project,
            step=step,
            typed=typed,
            errors=errors,
            outcome=outcome,
            picture=draw_lay(one.plan, project.cloth_plans[one.role].problem.cloth, one.cloth, one.items, view),
        ),
        status,
    )
