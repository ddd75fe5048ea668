"""The Cloth station's extras: strips cut to the measure, the batch, notions the sewist adds."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Any

from fastapi import APIRouter, Response
from pydantic import AfterValidator, Field

from rowanseed.app.lines import new_line
from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.base.errors import NotThere, RowanseedError
from rowanseed.core.base.ids import ForWhom
from rowanseed.core.base.units import format_length
from rowanseed.core.base.working import Working
from rowanseed.core.batch import Member, cost_each, garments
from rowanseed.core.notions.added import Wanted, WantedKind, edges_to_choose, notion
from rowanseed.core.notions.buttons import needs_buttons
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.sizing.schools import Choosing, proposals, recommended
from rowanseed.core.sums.rectangles import ON_THE_BIAS, Rectangle, RectangleKind, bias_yield, cut_figures
from rowanseed.store import people
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.forms import Errors, Form, Length, OptionalLength, Text, bind, refuse
from rowanseed.web.once import Once
from rowanseed.web.views.cloth import ExtrasView

router = APIRouter(route_class=Once)

MOST_RECTANGLES, MOST_MEMBERS, MOST_WANTED = 20, 30, 20


def _count(value: int) -> int:
    if not 1 <= value <= 40:
        raise refuse("A number from 1 to 40.")
    return value


def _card(value: int) -> int:
    if not 1 <= value <= 24:
        raise refuse("Buttons come singly or on cards of 2, 3 and more: a number from 1 to 24.")
    return value


def _fullness(value: float) -> float:
    if not 1 <= value <= 4:
        raise refuse("Fullness is how many times as long as its seam: from 1 to 4, mostly 1.5 to 3.")
    return value


class _StripForm(Form):
    kind: RectangleKind
    name: Text
    long: Length
    wide: Length
    count: Annotated[int, AfterValidator(_count)] = 1
    fullness: Annotated[float, AfterValidator(_fullness)] = 2.0
    role: Role = Role.MAIN


class _MemberForm(Form):
    whose: str = Field(default="", max_length=60)
    count: Annotated[int, AfterValidator(_count)] = 1


class _CardForm(Form):
    card: Annotated[int, AfterValidator(_card)]


class _WantedForm(Form):
    what: WantedKind
    edge: str = Field(default="", max_length=60)
    length: OptionalLength = None
    number: Annotated[int, AfterValidator(_count)] = 1


@router.get("/projects/{id}/cloth/extras")
def show_extras(home: Home, id: Id) -> Response:
    return extras_page(home, load(home, id), {}, {})


# ---------------------------------------------------------------- strips


@router.post("/projects/{id}/cloth/extras/strips")
def add_strip(home: Home, id: Id, typed: Typing) -> Response:
    project = load(home, id)
    form, errors = bind(_StripForm, _with_dots(typed, "fullness"), home.units.small)
    kept = project.core.cloth_choices.rectangles
    if form is not None and len(kept) >= MOST_RECTANGLES:
        errors["name"] = f"{MOST_RECTANGLES} is the most; put like ones together."
    if form is None or errors:
        return extras_page(home, project, typed, errors, status=422)
    strip = Rectangle(
        kind=form.kind,
        name=form.name[:60],
        long=form.long,
        wide=form.wide,
        count=form.count,
        role=form.role,
        fullness=form.fullness,
        id=new_line(),
    )
    home.decide(project, typed, cloth_choices=replace(project.core.cloth_choices, rectangles=(*kept, strip)))
    return go(f"/projects/{id}/cloth/extras")


@router.post("/projects/{id}/cloth/extras/{what}/{line}/remove")
def remove(home: Home, id: Id, what: str, line: str, typed: Typing) -> Response:
    """Take a strip, a garment of the batch or a notion out again."""
    project = load(home, id)
    field = {"strips": "rectangles", "batch": "batch", "notions": "wanted"}.get(what)
    if field is None:
        raise NotThere("list")
    kept: tuple[Any, ...] = getattr(project.core.cloth_choices, field)
    if line not in {one.id for one in kept}:
        raise NotThere("line")
    changed: dict[str, Any] = {field: tuple(one for one in kept if one.id != line)}
    home.decide(project, typed, cloth_choices=replace(project.core.cloth_choices, **changed))
    return go(f"/projects/{id}/cloth/extras")


def _with_dots(typed: dict[str, str], *names: str) -> dict[str, str]:
    """Numbers that are no lengths, with a comma for a point as many write them."""
    return {k: v.replace(",", ".") if k in names else v for k, v in typed.items() if k not in names or v.strip()}


# ---------------------------------------------------------------- the batch


@router.post("/projects/{id}/cloth/extras/batch")
def add_member(home: Home, id: Id, typed: Typing) -> Response:
    """One more garment of the batch: for a person, in the size and with the alterations recommended; or in a plain
    size."""
    project = load(home, id)
    form, errors = bind(_MemberForm, typed, home.units.small)
    member = None if form is None else _member(home, project, form, errors)
    if member is not None and len(project.core.cloth_choices.batch) >= MOST_MEMBERS:
        errors["whose"] = f"{MOST_MEMBERS} is the most of one batch."
    if member is None or errors:
        # The strips beside it ask how many too.
        own = {"member-count": typed.get("count", ""), "whose": typed.get("whose", "")}
        wrong = {("member-count" if name == "count" else name): said for name, said in errors.items()}
        return extras_page(home, project, own, wrong, status=422)
    batch = (*project.core.cloth_choices.batch, replace(member, id=new_line()))
    home.decide(project, typed, cloth_choices=replace(project.core.cloth_choices, batch=batch))
    return go(f"/projects/{id}/cloth/extras")


def _member(home: House, project: OpenProject, form: _MemberForm, errors: Errors) -> Member | None:
    whom = ForWhom.parse(form.whose)
    kind, which = whom.kind, whom.which
    if kind == "size" and which in project.pattern.envelope.sizes:
        return Member(name=f"size {which}", size=which, count=form.count)
    if kind == "like" and project.core.size is not None:
        return Member(
            name=f"another size {project.core.size}",
            size=project.core.size,
            count=form.count,
            blend=project.core.choices.blend if project.core.choices else (),
            alterations=project.core.alterations,
        )
    person = people.person(home.db, whom.number) if kind == "person" and whom.number is not None else None
    if person is None:
        errors["whose"] = "Choose for whom, or which size."
        return None
    choosing = Choosing(
        body=person.body,
        pattern=project.pattern,
        view=project.record.view,
        wish=project.core.wish,
        units=home.units,
    )
    best, _ = recommended(choosing, proposals(choosing))
    if best.size is None:
        errors["whose"] = f"No size can be told for {person.name}: {best.reason}"
        return None
    return Member(
        name=f"{person.name.split(',')[0]}, size {best.size}",
        size=best.size,
        count=form.count,
        blend=best.blend,
        alterations=best.alterations,
    )


# ---------------------------------------------------------------- notions


@router.post("/projects/{id}/cloth/extras/notions")
def add_notion(home: Home, id: Id, typed: Typing) -> Response:
    project = load(home, id)
    form, errors = bind(_WantedForm, typed, home.units.small)
    if form is not None:
        known = {edge for edge, _ in edges_to_choose(project.core.garment)}
        if form.what is not WantedKind.PADS and form.length is None and form.edge not in known:
            errors["length"] = "How long, or along which edge of the garment?"
        if len(project.core.cloth_choices.wanted) >= MOST_WANTED:
            errors["length"] = f"{MOST_WANTED} is the most."
    if form is None or errors:
        return extras_page(home, project, typed, errors, status=422)
    edge = form.edge if form.length is None else ""
    new = Wanted(kind=form.what, length=form.length or 0.0, edge=edge, count=form.number, id=new_line())
    wanted = (*project.core.cloth_choices.wanted, new)
    home.decide(project, typed, cloth_choices=replace(project.core.cloth_choices, wanted=wanted))
    return go(f"/projects/{id}/cloth/extras")


@router.post("/projects/{id}/cloth/extras/card")
def choose_card(home: Home, id: Id, typed: Typing) -> Response:
    """How many buttons the shop has on a card."""
    project = load(home, id)
    form, errors = bind(_CardForm, typed, home.units.small)
    if form is None:
        return extras_page(home, project, typed, errors, status=422)
    home.decide(project, typed, cloth_choices=replace(project.core.cloth_choices, card=form.card))
    return go(f"/projects/{id}/cloth/extras")


# ---------------------------------------------------------------- the page


def extras_page(
    home: House, project: OpenProject, typed: dict[str, str], errors: Errors, *, status: int = 200
) -> Response:
    if project.core.size is None:
        return go(f"/projects/{project.record.id}/cloth")
    kept, size = project.core.cloth_choices, project.core.size
    edges = edges_to_choose(project.core.garment)
    return home.show(
        ExtrasView(
            project=project,
            typed=typed,
            errors=errors,
            strips=[(r, cut_figures(r), _yield(r)) for r in kept.rectangles],
            kinds=list(RectangleKind),
            roles=[role for role in Role if role is not Role.UNDERLINING],
            people=people.people(home.db),
            sizes=project.pattern.envelope.sizes,
            buttons=needs_buttons(project.core.garment, size),
            number=garments(kept.batch),
            costs=_costs(project),
            wanted=[(w, _notion(project, size, w)) for w in kept.wanted],
            notion_kinds=list(WantedKind),
            edges=edges,
            words=lambda mm: format_length(mm, home.units, fine=True),
        ),
        status,
    )


def _yield(r: Rectangle) -> Working | None:
    """How much strip a square of half a metre gives, where it is cut on the bias."""
    return bias_yield(500.0, 500.0, cut_figures(r).wide.value) if r.kind in ON_THE_BIAS else None


def _notion(project: OpenProject, size: str, wanted: Wanted) -> Any:
    try:
        return notion(project.core.garment, size, wanted)
    except (RowanseedError, KeyError, StopIteration):
        return None


def _costs(project: OpenProject) -> list[tuple[Role, Working]]:
    """What the cloth costs for each garment of the batch, where the cloth has a price."""
    out = []
    for role, plan in project.cloth_plans.items():
        needed, price = project.need(role), plan.entry.cloth.price
        if needed is not None and price is not None:
            out.append(
                (
                    role,
                    cost_each(
                        needed.to_buy.value,
                        price,
                        garments(project.core.cloth_choices.batch),
                        project.desk.habits.money,
                        project.desk.habits.units,
                    ),
                )
            )
    return out
