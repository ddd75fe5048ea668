"""Seam with both edges bound as one."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.bound_seams import on_edges, woven
from rowanseed.core.make.families.suited import finds_by, why_not_by
from rowanseed.core.make.operation import Act, Meant, Need, Operation, Supply, Use
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.which import too_narrow, why_not_simple
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join, Press


def _why_not(bench: Workbench, join: Join) -> str:
    return why_not_simple(bench, join) or too_narrow(bench, join, 8)


def together(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    step = of_joins(bench, "seam bound as one", duty.id)
    yield sew(
        bench,
        duty.ids,
        "seam bound as one",
        how=(matching(bench, join), *plain_seams.stitching(bench, join, None)),
        run=plain_seams.run_of(bench, join),
        requires=tuple(plain_seams.order_needs(bench, join)),
    )
    yield step(
        "bind",
        Act.BIND,
        f"Bind both edges as one: {step.name}",
        f"Trim both allowances to {bench.margin(8)}. Bias strip {bench.margin(30)} wide, both edges pressed in: open "
        f"one fold, stitch in the crease through both allowances, {bench.margin(7)} from their edge.",
        f"Wrap it over, the far fold {bench.margin(2)} past the stitching, and stitch in the ditch.",
        took=minutes.seam(2 * step.mm),
        after={Fact.JOINED: "it is sewn first"},
        gives=(Fact.FINISHED,),
        uses=(Use(Supply.BINDING, step.mm),),
        meant=frozenset({Meant.TOGETHER}),
        on=on_edges(bench, duty),
        rows=2,
        look="The far fold is caught all along.",
    )
    yield press(
        bench,
        duty.ids,
        "seam bound as one",
        way="side",
        words=join.press.words if join.press is not Press.OPEN else "to the back",
        requires=(Need(facts.join(Fact.FINISHED, join.id), "both edges are bound first"),),
    )


TECHNIQUE = Technique(
    id="bound-as-one",
    name="Seam with both edges bound as one",
    chapter="seams",
    finds=finds_by(_why_not),
    why_not=why_not_by(_why_not),
    sews=together,
    rank=45,
    usual=False,
    asks=woven,
    draw="bound edges",
)
