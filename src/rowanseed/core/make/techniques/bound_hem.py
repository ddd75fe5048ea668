"""A hem whose raw edge is bound, held inside by hand."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hemming import begun, held_by_hand, hem_technique
from rowanseed.core.make.operation import Act, Operation, Supply, Use
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench


def bound(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = begun(bench, duty, "bound hem")
    yield from first
    yield step(
        "bind",
        Act.NEATEN,
        f"Bind the hem's raw edge: {step.name}",
        f"Bias strip {bench.margin(30)} wide on the right side, raw edges even: {bench.margin(6)} from the edge, begun "
        "at a seam; wrap it to the wrong side and stitch in the ditch.",
        took=minutes.seam(2 * step.mm),
        setting=settings.seam(bench.household),
        needs=before,
        gives=(Fact.NEATENED,),
        uses=(Use(Supply.BINDING, step.mm),),
        rows=2,
        look="The edge has kept its length.",
    )
    yield from held_by_hand(
        step,
        "sew",
        f"Blind stitch: roll the binding back {bench.margin(4)}, take one thread of the garment and then the hem below "
        f"the binding, every {bench.margin(8)}, loosely, so that nothing pulls.",
    )


TECHNIQUE = hem_technique(
    id="bound-hem", name="Hem with a bound edge", sews=bound, rank=38, is_deep=True, draw="bound edges"
)
