"""The Fit station: which size and why, how much ease, and other sizes at other levels."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import Annotated, Any

from fastapi import APIRouter, Response
from pydantic import BeforeValidator

from rowanseed.app.lines import new_line
from rowanseed.app.open_project import OpenProject, load
from rowanseed.core.alter.blend import blendable
from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.errors import RowanseedError
from rowanseed.core.base.ids import PlaceKey
from rowanseed.core.base.units import format_length, read_back
from rowanseed.core.base.working import Given, Source, Working, length
from rowanseed.core.body.measures import Age
from rowanseed.core.garment import GarmentChoices, altered
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.sizing.chart import measure_name
from rowanseed.core.sizing.lengths import LengthRow
from rowanseed.core.sizing.schools import Proposal, School
from rowanseed.core.sizing.trial import trial_garment
from rowanseed.core.sizing.wish import Band, Fit, GarmentClass, Over, Wish, garment_class
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.ease import PHONE, SCREEN, draw_ease
from rowanseed.store import projects
from rowanseed.web.as_shown import as_it_was
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.forms import Change, Errors, Form, Stretch, bind
from rowanseed.web.once import Once
from rowanseed.web.views.fit import FitView

router = APIRouter(route_class=Once)


def _line(value: Any) -> Any:
    return value.strip()[:300] if isinstance(value, str) else value


class _SizeForm(Form):
    size: str
    reason: Annotated[str, BeforeValidator(_line)] = ""


class _SchoolForm(Form):
    school: School
    reason: Annotated[str, BeforeValidator(_line)] = ""


class _WishForm(Form):
    fit: Fit
    over: Over
    stretch: Stretch = 0.0
    worn_open: bool = False


class _BandForm(Form):
    least: Change
    most: Change


@router.get("/projects/{id}/fit")
def show_fit(home: Home, id: Id) -> Response:
    return fit_page(home, load(home, id), None, {})


@router.post("/projects/{id}/fit")
def choose_size(home: Home, id: Id, typed: Typing) -> Response:
    """Keep a size of the sewist's own choosing, with other sizes at other levels if she wants them."""
    project = load(home, id)
    form, errors = bind(_SizeForm, typed, home.units.small)
    if form is not None:
        before = project.record.fit
        levels = blendable(project.pattern, project.pattern.envelope.sizes[0])
        blend = tuple((level, typed.get(f"blend-{level}", "") or form.size) for level in levels)
        if all(size == form.size for _, size in blend):
            blend = ()
        # A reason may be added to what a school gave; another size is the sewist's own,
        # without what the school altered.
        same = project.record.size == form.size and before.blend == blend
        fit = replace(before, reason=form.reason, blend=blend)
        if not same:
            fit = replace(fit, school=None, alterations=_own(project))
        try:
            altered(
                project.pattern,
                GarmentChoices(view=project.record.view, size=form.size, blend=fit.blend, alterations=fit.alterations),
            )
        except RowanseedError as error:
            errors["size"] = home.told(error, project.pattern)
        else:
            home.decide(project, typed, size=form.size, fit=fit, measuring_id=project.person.measuring_id)
            return go(f"/projects/{id}/fit")
    return fit_page(home, project, typed, errors, status=422)


@router.post("/projects/{id}/fit/school")
def choose_school(home: Home, id: Id, typed: Typing) -> Response:
    """Take what a school gives: its size, blend and alterations; the sewist's own alterations stay."""
    project = load(home, id)
    form, errors = bind(_SchoolForm, typed, home.units.small)
    proposal = next((p for p in project.core.proposals if form is not None and p.school is form.school), None)
    if form is None or proposal is None or proposal.size is None:
        errors.setdefault("school", "That school has no size for you here.")
        return fit_page(home, project, typed, errors, status=422)
    before = project.record.fit
    own = tuple(a for a in _own(project) if a not in proposal.alterations)
    fit = replace(
        before,
        school=proposal.school,
        reason=form.reason,
        blend=proposal.blend,
        alterations=(*(replace(one, id=new_line()) for one in proposal.alterations), *own),
        altered_in=before.altered_in if own else proposal.size,
    )
    try:
        altered(
            project.pattern,
            GarmentChoices(view=project.record.view, size=proposal.size, blend=fit.blend, alterations=fit.alterations),
        )
    except RowanseedError as error:
        return fit_page(home, project, typed, {"school": home.told(error, project.pattern)}, status=422)
    home.decide(project, typed, size=proposal.size, fit=fit, measuring_id=project.person.measuring_id)
    return go(f"/projects/{id}/fit")


@router.post("/projects/{id}/fit/view")
def choose_view(home: Home, id: Id, typed: Typing) -> Response:
    """Another view of the envelope: its own pieces, lower edge and finished measures."""
    project = load(home, id)
    if typed.get("view") not in {view.id for view in project.pattern.envelope.views}:
        return fit_page(home, project, typed, {"view": "Choose one of the views."}, status=422)
    home.decide(project, typed, view=typed["view"])
    return go(f"/projects/{id}/fit")


def _own(project: OpenProject) -> tuple[Alteration, ...]:
    """The sewist's own alterations: those that the school taken before did not bring."""
    brought = next((p.alterations for p in project.core.proposals if p.school is project.record.fit.school), ())
    return tuple(a for a in project.record.fit.alterations if a not in brought)


@router.post("/projects/{id}/fit/wish")
def wish(home: Home, id: Id, typed: Typing) -> Response:
    """Keep how close it is wanted, what it is worn over, and bands of ease of one's own."""
    project = load(home, id)
    form, errors = bind(_WishForm, typed, home.units.small)
    own: dict[str, Band] = {}
    for row in project.core.rows:
        said = {end: typed.get(f"{end}-{row.measure}", "").strip() for end in ("least", "most")}
        if not any(said.values()):
            continue
        band, faults = bind(_BandForm, said, home.units.small)
        for end, fault in faults.items():
            errors[f"{end}-{row.measure}"] = fault
        if band is not None:
            if not all(said.values()) or band.least > band.most:
                errors[f"most-{row.measure}"] = "Write both, the least first."
            else:
                own[row.measure] = (band.least, band.most)
    if form is None or errors:
        return fit_page(home, project, typed, errors, status=422)
    before = dict(project.record.fit.wish.own)
    shown = {
        measure: (read_back(least, home.units), read_back(most, home.units))
        for measure, (least, most) in before.items()
    }
    own = as_it_was(before, shown, own)
    fit = replace(project.record.fit, wish=Wish(form.fit, form.over, form.stretch, own, worn_open=form.worn_open))
    home.decide(project, typed, fit=fit)
    return go(f"/projects/{id}/fit")


def fit_page(
    home: House, project: OpenProject, typed: Mapping[str, str] | None, errors: Errors, *, status: int = 200
) -> Response:
    size, fit = project.core.size, project.record.fit
    colour = f"#{project.colour}"
    best, why = project.core.recommended
    levels = blendable(project.pattern, size) if size else ()
    blend = dict(project.core.choices.blend) if project.core.choices else {}
    shown = {
        "size": size or "",
        "reason": fit.reason,
        "fit": fit.wish.fit.value,
        "over": fit.wish.over.value,
        "worn_open": "on" if fit.wish.worn_open else "",
        "stretch": f"{fit.wish.stretch * 100:g}" if fit.wish.stretch else "",
        **{f"blend-{level}": blend.get(level, "") for level in levels},
        **{
            f"{end}-{m}": format_length(band[k], home.units, fine=True)
            for m, band in fit.wish.own.items()
            for k, end in enumerate(("least", "most"))
        },
    }
    return home.show(
        FitView(
            project=project,
            best=best,
            why=why,
            rows=project.core.rows,
            lengths=[(row, _one_tap(row, home)) for row in project.core.lengths],
            proposals=sorted(project.core.proposals, key=lambda p: p is not best),
            errors=errors,
            typed={**shown, **(typed or {})},
            taken=_taken(project),
            measure_name=measure_name,
            bars=[
                draw_ease(project.core.rows, home.units, thread(colour), pale(colour, 0.6), room)
                for room in (SCREEN, PHONE)
                if project.core.rows
            ],
            girths=[r.measure for r in best.rows] or [r.measure for r in project.core.rows],
            levels=levels,
            blend=blend,
            earlier=projects.earlier_notes(
                home.db,
                but=project.record.id,
                pattern_id=project.record.pattern_id,
                person_id=project.record.person_id,
            ),
            can_be_open=garment_class(project.pattern.garment) is not GarmentClass.LOWER,
            fits=list(Fit),
            overs=list(Over),
            wrong_age=_wrong_age(project),
            trial=_trial(home, project),
            missing=[m for m in project.pattern.envelope.sized_by if m not in project.person.body],
            finished_length=_length(project),
        ),
        status,
    )


def _one_tap(row: LengthRow, home: House) -> dict[str, str]:
    """The fields of the alteration that makes a length fit; none where there is nothing to alter, or nowhere."""
    if not row.is_off or row.place is None:
        return {}
    return {
        "what": str(PlaceKey(row.place.kind, row.place.at)),
        "way": "more" if row.by > 0 else "less",
        "by": format_length(abs(row.by), home.units),
    }


def _trial(home: House, project: OpenProject) -> str:
    """What a trial garment would be made of; empty where the household has begun one of this pattern before."""
    others = (one for one in projects.projects(home.db) if one.id < project.record.id)
    if any(one.pattern_id == project.record.pattern_id for one in others):
        return ""
    return trial_garment(project.pattern, project.record.view)


def _wrong_age(project: OpenProject) -> bool:
    """A child in a grown-up's pattern, or the reverse."""
    figure, child = project.pattern.envelope.figure, project.person.age is Age.CHILD
    return (figure is Figure.CHILDREN) != child and not (figure is Figure.UNISEX and not child)


def _taken(project: OpenProject) -> Proposal | None:
    """The school that the kept size came from, as long as it still says so."""
    kept = project.record
    return next((p for p in project.core.proposals if p.school is kept.fit.school and p.size == kept.size), None)


def _length(project: OpenProject) -> Working | None:
    """The finished length with what was changed, where the envelope prints one."""
    row = project.pattern.envelope.finished.get(project.record.view, {}).get("length")
    if row is None or project.core.size is None:
        return None
    change = project.core.changes.get("length", 0.0)
    given = [Given(f"finished length, size {project.core.size}", length(row[project.core.size]), Source.ENVELOPE)]
    if change:
        given.append(Given("blended or altered", length(change), Source.DRAWING))
    formula = "printed length" + (" + change" if change else "")
    return Working(
        name="Finished length", quantity=length(row[project.core.size] + change), formula=formula, given=tuple(given)
    )
