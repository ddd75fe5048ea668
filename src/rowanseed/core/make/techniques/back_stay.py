"""A stay across the upper back of a coat."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart


def finds_back_stay(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.BACK_STAY):
        if detail.on:
            yield single(detail.id, *bench.parts_of(detail))


def back_stay(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "back stay", duty.id)
    yield step(
        "stay",
        Act.BACK,
        f"Baste the back stay on: {step.name}",
        "Firm cotton, from back and side back tissue laid together with the stitching lines overlapped: from the neck "
        f"down {bench.length(165)} at the centre, curving to {bench.length(60)} below the armhole at the side seam. "
        "Its lower edge is pinked, not turned.",
        f"On the wrong side of the {bench.names(detail.on)}: baste round neck, shoulders and armholes "
        f"{bench.margin(6)} inside the raw edge; the seams catch it. Its lower edge hangs free.",
        at=Bench.HAND,
        took=minutes.each(15),
        gives=(Fact.FINISHED, *(facts.piece(Fact.BACKED, id) for id in detail.on)),
        on=On(pieces=detail.on, edges=shown(EdgePart(id, e.name) for id in detail.on for e in bench.piece(id).edges)),
        look="Arms forward, the back does not stretch between the shoulder blades.",
    )


TECHNIQUE = Technique(
    id="back-stay",
    name="Back stay",
    chapter="stay",
    finds=finds_back_stay,
    sews=back_stay,
    rank=10,
    draw="basted layer",
)
