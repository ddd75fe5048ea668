"""A scalloped or pointed edge, faced: sewn by a template, clipped into every valley, turned and pressed."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import facings
from rowanseed.core.make.operation import Act, Bench, Need, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind


def finds(bench: Workbench) -> Iterator[Duty]:
    faced = {duty.id for duty in facings.finds(bench)}
    for detail in bench.details_of(DetailKind.SCALLOPS):
        if len(detail.along) == 1 and detail.along[0] in faced:
            yield single(detail.id, detail.along[0])


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, join = of_detail(bench, "scalloped edge", duty.id), duty.ids[1]
    yield step(
        "template",
        Act.MARK,
        f"Draw the scallops or points: {step.name}",
        "A card cut to one of them; on the wrong side of the facing draw along it from the centre to both sides, so "
        "that both ends are alike. Do not cut them yet: the whole edge is sewn first.",
        at=Bench.TABLE,
        took=minutes.each(8),
        gives=(Fact.PREPARED, Fact.FINISHED),
        look="Both halves are mirror images.",
    )
    for op in facings.sews(bench, Duty((join,))):
        if op.act is Act.FACE:
            yield replace(
                op,
                how=(
                    *op.how[:-1],
                    "On the drawn line, stitch length 1.5. At the foot of every valley and at every point needle "
                    "down, foot up, turn, and one stitch straight across: it leaves room for the clip.",
                ),
                run=None,
                minutes=minutes.seam(3 * step.mm),
                requires=(*op.requires, Need(facts.detail(Fact.PREPARED, duty.id), "the shape is drawn first")),
                look="All scallops are equally deep.",
            )
        elif op.act is Act.TRIM:
            yield replace(
                op,
                how=(
                    f"Cut along the shape, {bench.margin(4)} from the stitching; across points to {bench.margin(2)}. "
                    "Clip straight into every valley up to the stitch across, and small notches out of the curves.",
                ),
                minutes=minutes.trim(4 * step.mm),
            )
        elif op.act is Act.UNDERSTITCH:
            yield replace(
                op,
                act=Act.TOPSTITCH,
                id=f"topstitch-{join}",
                title=f"Stitch along the shaped edge: {step.name}",
                how=(
                    f"Turned and pressed over the fingers, the seam rolled to the edge, scallop by scallop: edgestitch "
                    f"{bench.margin(2)} from the edge, pivoting in the valleys. It cannot be understitched.",
                ),
            )
        else:
            yield op


TECHNIQUE = Technique(
    id="scallops",
    name="Scalloped or pointed edge",
    chapter="edges",
    finds=finds,
    sews=sews,
    rank=15,
    words={"scallops": "a row of half circles along an edge"},
    draw="scallops",
)
