"""Seam with each edge bound, pressed open."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.bound_seams import on_edges, woven
from rowanseed.core.make.families.suited import finds_by, why_not_by
from rowanseed.core.make.operation import Act, Need, Operation, Supply, Use
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.which import too_narrow, why_not_simple
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join, Press

STRIP = 25.0
"""A bias strip for the edge of an allowance is cut so wide, in mm: it covers 6 on each side (common practice)."""


COVERS = 6.0


def _why_not(bench: Workbench, join: Join) -> str:
    if join.press is not Press.OPEN:
        return "its allowances lie to one side: both edges are bound as one"
    return why_not_simple(bench, join) or too_narrow(bench, join, 12)


def apart(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    step = of_joins(bench, "bound seam", duty.id)
    yield step(
        "bind",
        Act.BIND,
        f"Bind the edges: {step.name}",
        f"Bias strips of thin lining cloth, {bench.margin(STRIP)} wide. Right sides together, raw edges even: "
        f"{bench.margin(COVERS)} from the edge, the strip laid on without pulling.",
        "Press the strip away, wrap it tightly round the edge to the wrong side, and stitch in the ditch from the "
        "right side. Its raw edge below lies flat and is trimmed: a bias edge does not fray.",
        took=minutes.seam(4 * step.mm),
        needs=tuple(bench.flat_first(duty.ids)),
        gives=(Fact.NEATENED,),
        uses=(Use(Supply.BINDING, 2 * step.mm),),
        on=on_edges(bench, duty),
        rows=4,
        look="The binding has one width and the edge has kept its length.",
    )
    yield sew(
        bench,
        duty.ids,
        "bound seam",
        how=(matching(bench, join), *plain_seams.stitching(bench, join, None)),
        run=plain_seams.run_of(bench, join),
        requires=(
            Need(facts.join(Fact.NEATENED, join.id), "edges pressed open are bound apart, before the seam"),
            *plain_seams.order_needs(bench, join),
        ),
    )
    yield press(bench, duty.ids, "bound seam", way="open", words="open")


TECHNIQUE = Technique(
    id="bound-seam",
    name="Seam with each edge bound, pressed open",
    chapter="seams",
    finds=finds_by(_why_not),
    why_not=why_not_by(_why_not),
    sews=apart,
    rank=44,
    usual=False,
    asks=woven,
    draw="bound edges",
)
