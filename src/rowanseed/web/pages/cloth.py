"""The Cloth station: how much is needed, and whether what is in hand will do."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from fastapi import APIRouter, Response

from rowanseed.app.cloth_plan import ClothPlan
from rowanseed.app.open_project import OpenProject, load
from rowanseed.app.shared_lay import laid_with
from rowanseed.core.base.errors import NotThere, RowanseedError
from rowanseed.core.base.lay_errors import LayRefusal
from rowanseed.core.base.units import format_cloth, format_length
from rowanseed.core.base.words import lower_first
from rowanseed.core.batch import garments
from rowanseed.core.cloth.cloth import suits
from rowanseed.core.cloth.yardage import STRAIGHTENING, ClothNeed, ClothVerdict, printed
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.estimate import estimate
from rowanseed.core.lay.shared import Share, combined
from rowanseed.core.pattern.envelope import PrintedYardage
from rowanseed.core.pattern.pieces import Grain, Role
from rowanseed.core.saving.apply import helps_where_too_wide
from rowanseed.core.saving.tactics import TACTICS
from rowanseed.drawings.cloth import draw_swatch
from rowanseed.drawings.strips import Strip, draw_strips
from rowanseed.store import cloths, projects
from rowanseed.store.cloths import ClothEntry
from rowanseed.web.deps import Home, House, Id, Typing, go, number_of
from rowanseed.web.once import Once
from rowanseed.web.pages.cloth_matching import offer
from rowanseed.web.views.cloth import ClothRow, ClothView, Sight

OUTER = (Role.MAIN, Role.CONTRAST)
"""What was noted of a garment has to do with the cloth that is seen of it, not with its lining."""

router = APIRouter(route_class=Once)


@router.get("/projects/{id}/cloth")
def show_cloth_station(home: Home, id: Id) -> Response:
    return cloth_station_page(home, load(home, id))


@router.post("/projects/{id}/cloth")
def choose(home: Home, id: Id, typed: Typing) -> Response:
    project = load(home, id)
    chosen = dict(project.record.cloths)
    for role in project.core.roles:
        said = typed.get(f"cloth-{role.value}")
        if said is None:
            continue
        chosen.pop(role, None)
        number = number_of(said)
        if number is not None:
            if cloths.cloth(home.db, number) is None:
                raise NotThere("cloth")
            chosen[role] = number
    home.decide(project, typed, cloths=chosen)
    return go(f"/projects/{id}/cloth")


def cloth_station_page(home: House, project: OpenProject) -> Response:
    return home.show(
        ClothView(
            project=project,
            shelves={role: for_role(role, cloths.cloths(home.db)) for role in project.core.roles},
            cut={r: e for r, e in project.cloth_entries.items() if e.cut_by == project.record.id},
            lost={r: (e, _whose(home, e)) for r, e in project.lost.items()},
            earlier=projects.earlier_notes(
                home.db,
                but=project.record.id,
                cloth_ids=tuple(e.id for role, e in project.cloth_entries.items() if role in OUTER),
                roles=OUTER,
            ),
            sights=[] if project.is_worked_out else _sights(project),
            rows=[_row(home, project, role) for role in project.core.roles],
        )
    )


def _whose(home: House, entry: ClothEntry) -> str:
    """The project that a cloth was cut up for."""
    other = projects.project(home.db, entry.cut_by or 0)
    return other.name if other is not None else "another project"


def for_role(role: Role, shelf: Sequence[ClothEntry]) -> list[ClothEntry]:
    """The cloths of the shelf, those meant for this use first."""
    return sorted(shelf, key=lambda entry: not suits(entry.cloth.use, role))


def _sights(project: OpenProject) -> list[Sight]:
    """One for each cloth, with all that is cut from it."""
    cut_from: dict[int, list[ClothPlan]] = {}
    for plan in project.cloth_plans.values():
        cut_from.setdefault(plan.entry.id, []).append(plan)
    return [_sight(plans) for plans in cut_from.values()]


def _sight(plans: Sequence[ClothPlan]) -> Sight:
    found = estimate(combined([Share(plan.role.value, plan.problem) for plan in plans]))
    cloth = plans[0].entry.cloth
    hand = cloth.ready_length
    usable = None if hand is None else hand - STRAIGHTENING
    return Sight(
        cloth=cloth,
        roles=tuple(plan.role for plan in plans),
        estimate=found,
        hand=hand,
        words="" if usable is None else found.of(usable).words,
    )


def _row(home: House, project: OpenProject, role: Role) -> ClothRow:
    plan, needed, verdict = project.cloth_plans.get(role), project.need(role), project.verdict(role)
    envelope_says = strips = None
    refusals: tuple[str, ...] = ()
    if plan is not None and project.core.size is not None:
        envelope_says = printed(
            project.pattern.envelope, project.record.view, project.core.size, role, plan.entry.cloth
        )
        refusals = _refusals(home, project, plan)
        if needed is not None:
            strips = draw_strips(
                _strips(plan, needed, verdict, envelope_says),
                plan.entry.cloth,
                needed.ready.value,
                home.units,
                role.value,
            )
    row = ClothRow(
        role=role,
        plan=plan,
        need=needed,
        verdict=verdict,
        printed=envelope_says,
        strips=strips,
        refusals=refusals,
        remarks=project.core.remarks(role),
    )
    if plan is None or project.core.choices is None:
        return row
    return replace(
        row,
        swatch=draw_swatch(plan.entry.cloth, home.units, f"swatch-{role.value}"),
        matching=offer(project, plan),
        envelope_words=_envelope_words(home, envelope_says, needed, garments(project.core.cloth_choices.batch)),
        shared=_shared(home, project, plan),
        too_short=_too_short(home, project, plan),
    )


def _shared(home: House, project: OpenProject, plan: ClothPlan) -> tuple[str, ...]:
    """What other projects mean to cut from the same cloth, and whether it is enough for all of them."""
    if plan.entry.cut_by is not None:
        return ()
    said, all_of_it = [], []
    beside = {one.project.record.id for one in laid_with(project, plan)}
    for other in projects.cutting_from(home.db, plan.entry.id):
        if other.id == project.record.id:
            continue
        if other.id in beside:
            said.append(f"“{other.name}” is laid together with it, on the same length.")
            continue
        needs = _needs_of(home, other.id, plan.entry.id)
        all_of_it += needs
        takes = f" and takes {format_cloth(sum(needs), home.units)} of it" if needs else ""
        said.append(f"“{other.name}” is to be cut from it too{takes}.")
    needed, hand = project.need(plan.role), plan.entry.cloth.ready_length
    if all_of_it and needed is not None and hand is not None:
        short = needed.ready.value + sum(all_of_it) - hand
        together = format_cloth(abs(short), home.units)
        said.append(f"For all it is short by {together}." if short > 0 else f"It is enough for all: {together} over.")
    return tuple(said)


def _needs_of(home: House, project: int, cloth: int) -> list[float]:
    """What another project takes of a cloth, as far as it is worked out."""
    try:
        other = load(home, project)
        mine = [role for role, entry in other.cloth_entries.items() if entry.id == cloth]
        return [need.ready.value for role in mine if (need := other.need(role)) is not None]
    except RowanseedError:
        return []


def _envelope_words(home: House, printed: PrintedYardage | None, needed: ClothNeed | None, number: int = 1) -> str:
    if printed is None:
        return "The envelope gives no figure for a cloth of this width."
    says = (
        f"The envelope says {format_cloth(printed.length, home.units)} for {format_length(printed.width, home.units)}"
    )
    says += ", with nap" if printed.one_way else ""
    whole = printed.length * number
    if number > 1:
        says += f", which makes {format_cloth(whole, home.units)} for {number} garments"
    if needed is None:
        return f"{says}."
    more = whole - needed.to_buy.value
    if abs(more) < 5:
        return f"{says}, as this layout does."
    by = format_cloth(abs(more), home.units)
    if more > 0:
        return f"{says}: {by} more than this layout. It is generous, and knows neither your cloth nor your pieces."
    return f"{says}: {by} less than this layout. It knows neither your length nor your shrinkage nor this width."


def _refusals(home: House, project: OpenProject, plan: ClothPlan) -> tuple[str, ...]:
    """Why the cloth cannot be laid at all, and what would help; empty where it can."""
    errors = [a for a in plan.answers.values() if isinstance(a, LayRefusal)]
    if plan.plans or not errors:
        return ()
    said = dict.fromkeys(home.told(e, project.core.cut_pattern) for e in errors)
    known = {p.id for p in project.core.cut_pattern.pieces}
    helps = [
        t
        for id in dict.fromkeys(e.piece_at_fault for e in errors)
        if id in known
        for t in helps_where_too_wide(project.core.cut_pattern, project.record.view, plan.role, id)
    ]
    names = ", or ".join(TACTICS[t].say(home.units) for t in dict.fromkeys(helps))
    return (*said, *([f"What may help: {names}."] if names else []))


def _too_short(home: House, project: OpenProject, plan: ClothPlan) -> str:
    """No lay and no tactic but another piece helps where the longest piece is longer than the cloth."""
    hand = plan.entry.cloth.ready_length
    lengths = {
        p.id: bounds(p.whole())[2] - bounds(p.whole())[0] for p in plan.problem.pieces if p.grain is Grain.LENGTHWISE
    }
    longest = max(lengths, key=lambda id: lengths[id], default=None)
    if hand is None or longest is None or lengths[longest] <= hand:
        return ""
    name = project.core.cut_pattern.piece(longest).name
    return (
        f"The {lower_first(name)} alone is {format_cloth(lengths[longest], home.units)} long: no layout "
        "helps, only a shorter garment or other cloth."
    )


def _strips(
    plan: ClothPlan, needed: ClothNeed, verdict: ClothVerdict | None, envelope: PrintedYardage | None
) -> list[Strip]:
    strips = []
    in_hand = plan.entry.cloth.ready_length
    if in_hand is not None:
        name = "in hand" if plan.entry.cloth.washed or not plan.entry.cloth.shrink_along else "in hand, washed"
        strips.append(Strip(name, in_hand, is_cloth=True, short=verdict is not None and not verdict.enough))
    strips += [Strip(f"laid {kind}", found.length) for kind, found in plan.plans.items()]
    strips.append(Strip("to buy", needed.to_buy.value))
    if envelope is not None:
        strips.append(Strip("envelope says", envelope.length))
    return strips
