"""Seams of knits sewn and finished in one at the overlocker, and shoulders that are held by a tape."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import settings
from rowanseed.core.make.operation import Bench, Meant, Operation, Supply, Use
from rowanseed.core.make.shared import matching, neaten_together, press, sew
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques import plain_seam
from rowanseed.core.make.which import shoulders, simple_seams
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join, Press

CLOSED_BY = 4
"""An overlock of so many threads holds a seam by itself; fewer only neaten it."""


def finds_overlocked(bench: Workbench) -> Iterator[Duty]:
    if bench.household.is_knit:
        taped = {join.id for join in shoulders(bench)}
        for join in simple_seams(bench):
            if join.id not in taped:
                yield single(join.id)


def finds_taped(bench: Workbench) -> Iterator[Duty]:
    if bench.household.is_knit:
        simple = {join.id for join in simple_seams(bench)}
        for join in shoulders(bench):
            if join.id in simple:
                yield single(join.id)


def _four_threads(bench: Workbench) -> str:
    threads = bench.household.equipment.overlock_threads
    return "" if bench.household.equipment.machine and threads >= CLOSED_BY else "it needs a 4-thread overlocker"


def _stitched(bench: Workbench, join: Join, technique: str, *more: str) -> Operation:
    run = bench.runs.over(join.a, each_hand=join.each_hand, from_end=join.sewn_from == "end")
    return sew(
        bench,
        (join.id,),
        technique,
        how=(
            matching(bench, join).replace("pin these first", "clip or pin these first, pins out before the knife"),
            f"The left needle on the stitching line, {bench.allowance(join)} from the edge, {run.words}: the knife "
            "takes off what is more than the stitch is wide. Neither pull nor push.",
            *more,
        ),
        requires=tuple(plain_seam.order_needs(bench, join)),
        meant=frozenset({Meant.ENCLOSES}),
        look="Stretched lengthwise the seam gives and no thread breaks; let go, it lies flat.",
    )


def overlocked(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    yield replace(
        _stitched(
            bench,
            join,
            "overlocked seam",
            f"Tail ends: run the chain back under the stitches with a blunt needle for {bench.margin(20)}.",
        ),
        bench=Bench.OVERLOCKER,
        setting=settings.overlock(bench.household),
        caution="The knife cuts whatever reaches it: no pins under the foot, fingers beside it.",
    )
    yield _aside(bench, duty, join, "overlocked seam")


def taped(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    """At the overlocker where it has four threads, else with the stretch stitch and neatened afterwards."""
    join = bench.joins[duty.id]
    tape = (
        f"Clear elastic or a strip of the knit's own lengthwise grain, {bench.margin(6)} wide, cut to the length of "
        "the pattern's shoulder and not stretched: it lies on the back's wrong side along the stitching line and is "
        "caught in the seam, so that the shoulder does not grow."
    )
    op = replace(_stitched(bench, join, "taped shoulder", tape), uses=(Use(Supply.TAPE, bench.around(duty.ids)),))
    if _four_threads(bench):
        yield replace(
            op, how=(matching(bench, join), *plain_seam.stitching(bench, join, None), tape), meant=frozenset()
        )
        yield neaten_together(bench, duty.ids, "taped shoulder")
    else:
        yield replace(op, bench=Bench.OVERLOCKER, setting=settings.overlock(bench.household))
    yield _aside(bench, duty, join, "taped shoulder")


def _aside(bench: Workbench, duty: Duty, join: Join, technique: str) -> Operation:
    words = join.press.words if join.press is not Press.OPEN else "to the back"
    return press(bench, duty.ids, technique, way="side", words=words)


TECHNIQUES = (
    Technique(
        id="overlocked-seam",
        name="Seam sewn and finished at the overlocker",
        chapter="seams",
        finds=finds_overlocked,
        sews=overlocked,
        rank=60,
        asks=_four_threads,
        also=("4-thread seam",),
        words={"overlock": "a stitch that trims an edge and wraps it in thread at once"},
        iso="514",
        draw="overlocked",
    ),
    Technique(
        id="taped-shoulder",
        name="Shoulder of a knit held by a tape",
        chapter="seams",
        finds=finds_taped,
        sews=taped,
        rank=59,
        also=("stabilised shoulder",),
        draw="taped seam",
    ),
)
