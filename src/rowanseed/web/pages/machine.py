"""At the machine: one step in large type, which works on without a network; its ticks, sent later."""

from __future__ import annotations

import hashlib
from typing import Any

from fastapi import APIRouter, Response
from fastapi.responses import FileResponse

from rowanseed.app.open_project import load
from rowanseed.app.sewing import Sewing
from rowanseed.core.base.errors import NotThere
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.make.sittings import OVERNIGHT
from rowanseed.core.make.step_facts import set_up
from rowanseed.drawings.colour import pale, thread
from rowanseed.drawings.steps.laid import draw_laid
from rowanseed.drawings.steps.registry import scene_of
from rowanseed.drawings.steps.section import draw_section
from rowanseed.web.deps import Home, House, Id
from rowanseed.web.one_step import TickSent, TicksSent, Told, answer, document, taken
from rowanseed.web.static import FOLDER
from rowanseed.web.views.sewing import MachineView

router = APIRouter()
A_PLACE = 12
"""Seconds that an iron is held on one place of fusible interfacing, where its maker says nothing else."""


@router.get("/projects/{id}/machine")
def show_machine(home: Home, id: Id) -> Response:
    sewing = Sewing(load(home, id))
    line = sewing.line
    lengths = {op.id: op.setting.stitch_length(home.units) if op.setting else "" for op in line.steps}
    told = [_told(sewing, op, lengths[op.id]) for op in line.steps]
    return home.show(
        MachineView(
            project=sewing.project,
            document=document(
                key=f"{id}",
                ticks_to=f"/projects/{id}/machine/ticks",
                name=sewing.project.record.name,
                order=order_mark(sewing),
                at=line.next.id if line.next else "",
                steps=told,
            ),
            leave=f"/projects/{id}/sew",
            heading="At the machine",
            empty="There is no making order yet",
            is_empty=not line.steps,
            colour=sewing.project.colour,
        )
    )


def order_mark(sewing: Sewing) -> str:
    """What the order is known by: another order has another mark."""
    return hashlib.sha256("\n".join(step.id for step in sewing.line.steps).encode()).hexdigest()[:12]


def _told(sewing: Sewing, op: Operation, stitch_length: str) -> Told:
    setting = set_up(sewing.line.steps, op, stitch_length)
    sample, scene = sewing.sample_for(op), scene_of(op)
    base = f"/projects/{sewing.project.record.id}/machine/{op.id}"
    return Told(
        id=op.id,
        title=op.title,
        bench=op.bench.words,
        how=op.how,
        look=op.look,
        caution=op.caution,
        minutes=sewing.estimates[op.id].range,
        settings=setting.lines if setting else (),
        note=setting.note if setting else "",
        tension=sample.tension if sample else "",
        mind=sewing.reminders.get(op.id, ()),
        waits=op.waits,
        overnight=op.waits >= OVERNIGHT,
        place=A_PLACE if op.act is Act.FUSE else 0,
        done=op.id in sewing.log.done,
        settled=op.id in sewing.line.settled,
        needs=[need.step for need in op.needs if need.must and need.step in sewing.line.by_id],
        shows=(scene.title, *scene.names) if scene is not None else (),
        pictures=((f"{base}/laid.svg", "How the pieces lie"), (f"{base}/section.svg", "A section through the layers")),
    )


@router.get("/projects/{id}/machine/{step}/{kind}.svg")
def drawing(home: Home, id: Id, step: str, kind: str) -> Response:
    """A drawing of a step, by itself; empty where it has none of that kind."""
    sewing = Sewing(load(home, id))
    op = sewing.line.by_id.get(step)
    if op is None or kind not in ("laid", "section"):
        raise NotThere("drawing")
    dark = thread(f"#{sewing.project.colour}")
    if kind == "laid":
        shade = pale(f"#{sewing.project.colour}")
        laid = draw_laid(sewing.project.core.garment, sewing.bench.view, sewing.bench.size, op, dark, shade)
        svg = laid.svg if laid is not None else ""
    else:
        scene = scene_of(op)
        svg = draw_section(scene, dark) if scene is not None else ""
    if not svg:
        return Response(status_code=204)
    return Response(svg, media_type="image/svg+xml", headers={"Cache-Control": "private, max-age=60"})


@router.post("/projects/{id}/machine/ticks")
def take_ticks(home: Home, id: Id, sent: TicksSent) -> dict[str, Any]:
    """Ticks made at the machine, in their order; what cannot be taken is told, and nothing of the rest is lost."""
    refused = taken(sent, lambda one: _take(home, id, one))
    after = Sewing(load(home, id))
    done = sorted(after.log.done & set(after.line.by_id))
    return answer(refused, done, order_mark(after), after.line.next.id if after.line.next else "")


def _take(home: House, id: int, one: TickSent) -> str:
    """Take one tick; why not, in words."""
    sewing = Sewing(load(home, id))
    op = sewing.line.by_id.get(one.step)
    if op is None:
        return "This step is no longer in the order: a choice was changed since."
    if (op.id in sewing.log.done) is one.done:
        return ""
    others = (
        sewing.tick(op.id, with_needs=False, now=one.when)
        if one.done
        else sewing.untick(op.id, with_others=False, now=one.when)
    )
    if not others:
        return ""
    return f"“{others[0].title}” {'comes first and is not ticked' if one.done else 'rests on it and is done'}."


@router.get("/machine-worker.js")
def worker() -> Response:
    """The service worker, at the root so that it may keep the machine's pages."""
    return FileResponse(
        FOLDER / "machine-worker.js", media_type="text/javascript", headers={"Cache-Control": "no-cache"}
    )
