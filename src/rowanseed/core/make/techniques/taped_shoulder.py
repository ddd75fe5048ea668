"""Shoulder of a knit held by a tape."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import settings
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.overlocked import aside, four_threads, stitched
from rowanseed.core.make.operation import Bench, Operation, Supply, Use
from rowanseed.core.make.shared import matching, neaten_together
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import shoulders, simple_seams
from rowanseed.core.make.workbench import Workbench


def finds_taped(bench: Workbench) -> Iterator[Duty]:
    if bench.household.is_knit:
        simple = {join.id for join in simple_seams(bench)}
        for join in shoulders(bench):
            if join.id in simple:
                yield single(join.id)


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
    finds=finds_taped,
    sews=taped,
    rank=59,
    also=("stabilised shoulder",),
    draw="taped seam",
)
