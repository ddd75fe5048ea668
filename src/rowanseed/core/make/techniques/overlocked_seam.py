"""Seam sewn and finished at the overlocker."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import settings
from rowanseed.core.make.families.overlocked import aside, four_threads, stitched
from rowanseed.core.make.families.suited import finds_by, why_not_by
from rowanseed.core.make.operation import Bench, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.which import shoulders, why_not_simple
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join


def _why_not(bench: Workbench, join: Join) -> str:
    if not bench.household.is_knit:
        return "it is for knits: woven cloth is sewn with a lockstitch, and neatened"
    if any(shoulder.id == join.id for shoulder in shoulders(bench)):
        return "the shoulder of a knit is held by a tape"
    return why_not_simple(bench, join)


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
    finds=finds_by(_why_not),
    why_not=why_not_by(_why_not),
    sews=overlocked,
    rank=60,
    asks=four_threads,
    also=("4-thread seam",),
    words={"overlock": "a stitch that trims an edge and wraps it in thread at once"},
    iso="514",
    draw="overlocked",
)
