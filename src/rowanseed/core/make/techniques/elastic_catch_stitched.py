"""Elastic on a line, held by catch stitches that run across it."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.elastics import chalked_and_cut, finds_on_a_line, ready_first, round_the_body
from rowanseed.core.make.operation import Act, Bench, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    along = round_the_body(bench, detail)
    step = of_detail(bench, "elastic catch-stitched", duty.id)
    yield step(
        "elastic",
        Act.ATTACH,
        f"Catch-stitch the elastic on: {step.name}",
        chalked_and_cut(bench, detail),
        f"Lay it on the chalk and fasten one end {bench.margin(6)} inside the stitching line. Catch stitch over it: a "
        f"small stitch in the cloth just above the elastic, {bench.margin(10)} on one just below it, and so from edge "
        "to edge, never through the elastic: it has to slide.",
        "Draw it in quarter by quarter until it has its length, spread the fullness, and fasten the other end.",
        *(("Each line by itself, all drawn in alike.",) if detail.count > 1 else ()),
        at=Bench.HAND,
        took=minutes.hand(along),
        needs=ready_first(detail),
        gives=(Fact.FINISHED, *(facts.piece(Fact.ATTACHED, piece) for piece in detail.on)),
        uses=(Use(Supply.ELASTIC, along, wide=detail.width),),
        rows=0,
        look="It slides in its tunnel of thread, and nothing shows outside but the fullness, even all along.",
    )


TECHNIQUE = Technique(
    id="elastic-catch-stitched",
    name="Elastic on a line, catch-stitched over by hand",
    chapter="fullness",
    finds=finds_on_a_line,
    sews=sews,
    rank=16,
    draw="elastic",
)
