"""The Sew station: one step in full, what else is ready, and the order beside it."""

from __future__ import annotations

from datetime import datetime

from fastapi import APIRouter, Response

from rowanseed.app.open_project import load
from rowanseed.app.sewing import PLACES, Sewing
from rowanseed.core.base.errors import NotThere
from rowanseed.core.make.fitting import areas
from rowanseed.core.make.goes_wrong import usually
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.sequencer import trips
from rowanseed.core.make.step_facts import allowances, figures, lying, set_up, to_match
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.steps.laid import draw_laid
from rowanseed.drawings.steps.registry import scene_of
from rowanseed.drawings.steps.section import draw_section
from rowanseed.web.deps import Home, House, Id, Typing, go, number_of
from rowanseed.web.once import Once
from rowanseed.web.pages.fit_alter import places
from rowanseed.web.views.sewing import Ask, Ready, SewView, Sitting, StepView

router = APIRouter(route_class=Once)


@router.get("/projects/{id}/sew")
def show_sew(home: Home, id: Id, step: str = "", place: str = "", minutes: str = "", ask: str = "") -> Response:
    sewing = Sewing(load(home, id))
    return sew_page(home, sewing, step=step, place=place, minutes=minutes, ask=ask)


def sew_page(
    home: House,
    sewing: Sewing,
    *,
    step: str = "",
    place: str = "",
    minutes: str = "",
    ask: str = "",
    errors: dict[str, str] | None = None,
    typed: dict[str, str] | None = None,
    status: int = 200,
) -> Response:
    """The station with one step in full: the one that was asked for, or else the next."""
    line = sewing.line
    shown = line.by_id.get(step) or line.next
    steps = line.steps
    if shown is not None and line.log.done and not ask:
        sewing.look_first()
    return home.show(
        SewView(
            project=sewing.project,
            line=line,
            step=step_view(sewing, shown, home) if shown is not None else None,
            ready=ready_now(sewing, shown, place, minutes),
            places={key: words for key, (words, _) in PLACES.items()},
            place=place if place in PLACES else "",
            minutes=number_of(minutes) or 0,
            sittings=sittings(steps),
            trips=trips(steps),
            number=len(steps) - len(line.left),
            titles={one.id: one.title for one in steps},
            numbers={one.id: k for k, one in enumerate(steps, start=1)},
            since=sewing.since,
            asked=_asked(sewing, step, ask),
            areas=areas(sewing.bench) if shown is not None and shown.is_gate else (),
            alterable=_alterable(sewing) if shown is not None and shown.is_gate else (),
            fitted=home.request.query_params.get("fitted") == "yes",
            now=datetime.now(),
            benches=tuple(Bench),
            typed=typed or {},
            errors=errors or {},
        ),
        status,
    )


def step_view(sewing: Sewing, op: Operation, home: House) -> StepView:
    """A step with everything that belongs to it."""
    project, core = sewing.project, sewing.project.core
    dark, shade = thread(f"#{project.colour}"), pale(f"#{project.colour}")
    laid = draw_laid(core.garment, sewing.bench.view, sewing.bench.size, op, dark, shade) if core.size else None
    scene = scene_of(op)
    setting = set_up(sewing.line.steps, op, op.setting.stitch_length(home.units) if op.setting else "")
    return StepView(
        op=op,
        position=sewing.line.steps.index(op) + 1,
        is_done=op.id in sewing.log.done,
        is_left_out=op.id in sewing.log.left_out,
        left_out_why=sewing.log.left_out.get(op.id, ""),
        is_put_off=op.id in sewing.log.put_off,
        is_own=op.act is Act.OWN,
        estimate=sewing.estimates[op.id],
        laid=laid,
        section=draw_section(scene, dark) if scene is not None else None,
        scene=scene,
        figures=figures(sewing.bench, op),
        allowances=allowances(sewing.bench, op),
        matches=to_match(sewing.bench, op),
        set_up=setting,
        lying=lying(sewing.line.steps, op.id),
        reminders=sewing.reminders.get(op.id, ()),
        goes_wrong=usually(op),
        missing=sewing.line.missing(op.id),
        advised=sewing.line.advised(op.id),
        held_up=sewing.line.held_up(op.id),
        notes=sewing.notes.get(op.id, ()),
        sample=sewing.sample_for(op),
        moved=core.moved.get(op.id),
        clock=sewing.clock if sewing.clock and sewing.clock.step == op.id else None,
        ready_at=sewing.ready_at(op),
        garments=tuple(zip(sewing.members, sewing.done_for(op.id), strict=True)),
        was_moved=any(id == op.id for id, _ in sewing.log.moved),
    )


def ready_now(sewing: Sewing, shown: Operation | None, place: str, minutes: str) -> tuple[Ready, ...]:
    """What else can be done: where she is, in the time she has."""
    benches = PLACES.get(place, PLACES[""])[1]
    budget = number_of(minutes)
    found = [
        Ready(op, sewing.estimates[op.id], sewing.line.advised(op.id), op.id in sewing.log.put_off)
        for op in sewing.line.ready
        if (benches is None or op.bench in benches)
        and (not budget or sewing.took[op.id] <= budget)
        and (shown is None or op.id != shown.id)
    ]
    return tuple(found)


def _alterable(sewing: Sewing) -> tuple[tuple[str, str], ...]:
    """What can be altered, seams first: they are what is pinned."""
    found = places(sewing.project)
    return tuple(sorted(found, key=lambda one: not one[0].startswith("seam")))


def _asked(sewing: Sewing, step: str, ask: str) -> Ask | None:
    """What has to be answered before a step is ticked, or unticked, out of its order."""
    if step not in sewing.line.by_id:
        return None
    match ask:
        case "done":
            before = sewing.line.before(step)
            return Ask("done", step, before) if before else None
        case "undo":
            resting = sewing.line.resting_on(step)
            return Ask("undo", step, resting) if resting else None
        case _:
            return None


def sittings(steps: tuple[Operation, ...]) -> list[Sitting]:
    """The order grouped by bench, each step with its number."""
    groups: list[Sitting] = []
    for number, step in enumerate(steps, start=1):
        if groups and groups[-1].bench is step.bench:
            groups[-1] = Sitting(step.bench, (*groups[-1].steps, (number, step)))
        else:
            groups.append(Sitting(step.bench, ((number, step),)))
    return groups


@router.post("/projects/{id}/sew")
def tick(home: Home, id: Id, typed: Typing) -> Response:
    """Tick a step off, or take the tick back; out of order it asks first."""
    sewing = Sewing(load(home, id))
    key = typed.get("key", "")
    if key not in sewing.line.by_id:
        raise NotThere("step")
    now, also = datetime.now(), typed.get("also") == "yes"
    garment = number_of(typed.get("garment"))
    if garment is not None and garment < len(sewing.members):
        if sewing.line.before(key):
            return go(f"/projects/{id}/sew?step={key}&ask=done")
        sewing.tick_for(key, garment, now)
        return go(f"/projects/{id}/sew?step={key}")
    if typed.get("done") == "yes":
        if sewing.tick(key, with_needs=also, now=now):
            return go(f"/projects/{id}/sew?step={key}&ask=done")
        return go(f"/projects/{id}/sew")
    if sewing.untick(key, with_others=also, now=now):
        return go(f"/projects/{id}/sew?step={key}&ask=undo")
    return go(f"/projects/{id}/sew?step={key}")
