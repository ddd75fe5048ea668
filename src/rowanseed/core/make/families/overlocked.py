"""Seams sewn and finished in one at the overlocker."""

from __future__ import annotations

from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.operation import Meant, Operation
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join, Press

CLOSED_BY = 4
"""An overlock of so many threads holds a seam by itself; fewer only neaten it."""


def four_threads(bench: Workbench) -> str:
    threads = bench.household.equipment.overlock_threads
    return "" if bench.household.equipment.machine and threads >= CLOSED_BY else "it needs a 4-thread overlocker"


def stitched(bench: Workbench, join: Join, technique: str, *more: str) -> Operation:
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
        requires=tuple(plain_seams.order_needs(bench, join)),
        meant=frozenset({Meant.ENCLOSES}),
        run=run,
        look="Stretched lengthwise the seam gives and no thread breaks; let go, it lies flat.",
    )


def aside(bench: Workbench, duty: Duty, join: Join, technique: str) -> Operation:
    words = join.press.words if join.press is not Press.OPEN else "to the back"
    return press(bench, duty.ids, technique, way="side", words=words)
