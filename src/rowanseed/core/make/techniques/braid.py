"""Braid sewn on flat."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.trims import finds_along, trim_technique, whole_and_pressed
from rowanseed.core.make.operation import Act, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind


def braid(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "braid", duty.id)
    yield step(
        "sew",
        Act.ATTACH,
        f"Sew the braid on: {step.name}",
        f"Braid of {bench.length(step.mm + 60)}, washed first. Chalk a line parallel to the seam or edge, as far from "
        "it as your pattern's drawing shows; pin or glue-baste, without pulling. On a curve stitch its outer edge "
        "first and ease the inner one with steam; at a corner fold a mitre.",
        "An end that runs out at a raw edge is caught in the next seam; a free one is sealed, or turned in.",
        f"Both edges in the same direction, so that it does not twist, {bench.margin(1)} inside.",
        took=minutes.seam(2.5 * step.mm),
        setting=settings.topstitch(bench.household, bench.margin(1)),
        needs=tuple(whole_and_pressed(bench, detail.along)),
        gives=(Fact.FINISHED,),
        uses=(Use(Supply.BRAID, step.mm + 60.0),),
        on=On(edges=shown(part for id in detail.along for part in bench.parts(id))),
        rows=2,
        look="It keeps one distance from the edge.",
    )


TECHNIQUE = trim_technique(DetailKind.BRAID, "Braid", finds_along(DetailKind.BRAID), braid, draw="trim")
