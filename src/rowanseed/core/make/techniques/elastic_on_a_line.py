"""Elastic on a line of a piece."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.elastics import (
    chalked_and_cut,
    finds_on_a_line,
    needs_zigzag,
    ready_first,
    round_the_body,
    zigzag_setting,
)
from rowanseed.core.make.operation import Act, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def line(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    along = round_the_body(bench, detail)
    step = of_detail(bench, "elastic on a line", duty.id)
    yield step(
        "elastic",
        Act.ATTACH,
        f"Sew the elastic on: {step.name}",
        chalked_and_cut(bench, detail),
        f"Fasten one end {bench.margin(6)} inside the stitching line; hold the elastic stretched from quarter to "
        "quarter along the chalk and zigzag down its middle; fasten the other end.",
        *(("Each line by itself, all stretched alike.",) if detail.count > 1 else ()),
        took=minutes.seam(along, 1.5),
        setting=zigzag_setting(bench),
        needs=ready_first(detail),
        gives=(Fact.FINISHED, *(facts.piece(Fact.ATTACHED, piece) for piece in detail.on)),
        uses=(Use(Supply.ELASTIC, along, wide=detail.width),),
        rows=0,
        look="The ends are caught when the seams beside it are sewn.",
    )


TECHNIQUE = Technique(
    id="elastic-on-a-line",
    name="Elastic on a line of a piece",
    chapter="fullness",
    finds=finds_on_a_line,
    sews=line,
    rank=15,
    asks=needs_zigzag,
    draw="elastic",
)
