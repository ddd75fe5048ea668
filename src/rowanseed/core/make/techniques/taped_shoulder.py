"""Shoulder of a knit held by a tape."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import settings
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.overlocked import aside, four_threads, stitched
from rowanseed.core.make.families.suited import finds_of, why_not_of
from rowanseed.core.make.neatening import neaten_together
from rowanseed.core.make.operation import Bench, Operation, Supply, Use
from rowanseed.core.make.shared import matching
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.which import shoulders, why_not_simple
from rowanseed.core.make.workbench import Workbench


def _shoulders(bench: Workbench) -> tuple[str, ...]:
    return tuple(join.id for join in shoulders(bench))


def _why_not(bench: Workbench, id: str) -> str:
    if not bench.household.is_knit:
        return "it is for knits: the shoulders of woven cloth do not grow"
    return why_not_simple(bench, bench.joins[id])


def taped(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    """At the overlocker where it has four threads, else with the stretch stitch and neatened afterwards."""
    join = bench.joins[duty.id]
    tape = (
        f"Clear elastic or a strip of the knit's own lengthwise grain, {bench.margin(6)} wide, cut to the length of "
        "the pattern's shoulder and not stretched: it lies on the back's wrong side along the stitching line and is "
        "caught in the seam, so that the shoulder does not grow."
    )
    op = replace(stitched(bench, join, "taped shoulder", tape), uses=(Use(Supply.TAPE, bench.around(duty.ids)),))
    if four_threads(bench):
        yield replace(
            op, how=(matching(bench, join), *plain_seams.stitching(bench, join, None), tape), meant=frozenset()
        )
        yield neaten_together(bench, duty.ids, "taped shoulder")
    else:
        yield replace(op, bench=Bench.OVERLOCKER, setting=settings.overlock(bench.household))
    yield aside(bench, duty, join, "taped shoulder")


TECHNIQUE = Technique(
    id="taped-shoulder",
    name="Shoulder of a knit held by a tape",
    chapter="seams",
    finds=finds_of(_shoulders, _why_not),
    why_not=why_not_of(_shoulders, _why_not),
    sews=taped,
    rank=59,
    also=("stabilised shoulder",),
    draw="taped seam",
)
