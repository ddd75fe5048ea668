"""The line of work: where she is, what comes when, in lanes; by like work; and what waits for what."""

from __future__ import annotations

from fastapi import APIRouter, Response

from rowanseed.app.open_project import load
from rowanseed.app.sewing import Sewing
from rowanseed.core.make.minutes import in_words
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.make.sequencer import trips
from rowanseed.core.make.sittings import cut_into_sittings
from rowanseed.drawings.colour import thread
from rowanseed.drawings.needs import direct_needs, draw_needs
from rowanseed.drawings.order import draw_order
from rowanseed.web.deps import Home, Id
from rowanseed.web.once import Once
from rowanseed.web.pages.sew import sittings as by_bench
from rowanseed.web.views.sewing import LikeWork, SewLineView

router = APIRouter(route_class=Once)
USUAL = 60.0
"""Minutes of the sittings that the line is parted into."""


@router.get("/projects/{id}/sew/line")
def show_line(home: Home, id: Id, step: str = "") -> Response:
    sewing = Sewing(load(home, id))
    line, colour = sewing.line, thread(f"#{sewing.project.colour}")
    focus = step if step in line.by_id else line.next.id if line.next else None
    needs = direct_needs(line.steps)
    here = f"/projects/{id}/sew"
    return home.show(
        SewLineView(
            project=sewing.project,
            line=line,
            picture=draw_order(line.steps, line.settled, focus, colour, link=here, sittings=_parts(sewing))
            if line.steps
            else None,
            graph=draw_needs(line.steps, line.settled, focus, colour, link=f"{here}/line") if line.steps else None,
            focus=line.by_id[focus] if focus else None,
            leads_to=tuple(one for one in line.steps if focus in needs[one.id]),
            waits_for=tuple(line.by_id[id] for id in needs[focus]) if focus else (),
            like=like_work(sewing),
            trips=trips(line.steps),
            number=len(line.steps) - len(line.left),
            numbers={one.id: k for k, one in enumerate(line.steps, start=1)},
            titles={one.id: one.title for one in line.steps},
            sittings=by_bench(line.steps),
        )
    )


def _parts(sewing: Sewing) -> tuple[tuple[str, str], ...]:
    """The first step of each sitting of an hour, with what the sitting is."""
    found = cut_into_sittings(sewing.line, USUAL, sewing.took)
    return tuple(
        (one.steps[0].id, f"{'another day, ' if one.next_day else ''}{in_words((one.minutes, one.minutes))}")
        for one in found
    )


def like_work(sewing: Sewing) -> tuple[LikeWork, ...]:
    """What is left, by the kind of work: all fusing, all pressing."""
    groups: dict[Act, list[Operation]] = {}
    for op in sewing.line.left:
        groups.setdefault(op.act, []).append(op)
    ready = {op.id for op in sewing.line.ready}
    return tuple(
        LikeWork(
            words=act.words,
            steps=tuple(ops),
            ready=frozenset(op.id for op in ops if op.id in ready),
            minutes=(sum(sewing.estimates[op.id].low for op in ops), sum(sewing.estimates[op.id].high for op in ops)),
        )
        for act, ops in groups.items()
    )
