"""Seam sewn and finished at the overlocker."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import settings
from rowanseed.core.make.families.overlocked import aside, four_threads, stitched
from rowanseed.core.make.operation import Bench, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import shoulders, simple_seams
from rowanseed.core.make.workbench import Workbench


def finds_overlocked(bench: Workbench) -> Iterator[Duty]:
    if bench.household.is_knit:
        taped = {join.id for join in shoulders(bench)}
        for join in simple_seams(bench):
            if join.id not in taped:
                yield single(join.id)


def overlocked(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    yield replace(
        stitched(
            bench,
            join,
            "overlocked seam",
            f"Tail ends: run the chain back under the stitches with a blunt needle for {bench.margin(20)}.",
        ),
        bench=Bench.OVERLOCKER,
        setting=settings.overlock(bench.household),
        caution="The knife cuts whatever reaches it: no pins under the foot, fingers beside it.",
    )
    yield aside(bench, duty, join, "overlocked seam")


TECHNIQUE = Technique(
    id="overlocked-seam",
    name="Seam sewn and finished at the overlocker",
    chapter="seams",
    finds=finds_overlocked,
    sews=overlocked,
    rank=60,
    asks=four_threads,
    also=("4-thread seam",),
    words={"overlock": "a stitch that trims an edge and wraps it in thread at once"},
    iso="514",
    draw="overlocked",
)
