"""A hem rolled by an overlocker, which cuts its allowance off."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.hemming import DONE, begun, depth_of, hem_technique, needs_overlocker, on_hem, takes
from rowanseed.core.make.hem_length import begins_at, is_round, run_of
from rowanseed.core.make.operation import Act, Bench, Operation, Setting
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench

ALLOWANCE = 6.0
"""What is cut on for the knife to take off, in mm (common practice, no source)."""


def rolled_overlocked(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = begun(bench, duty, "rolled hem at the overlocker")
    yield from first
    depth = depth_of(step)
    threads = "2-thread or 3-thread rolled edge"
    yield step(
        "sew",
        Act.HEM,
        f"Roll the hem at the overlocker: {step.name}",
        f"The whole allowance comes off: {bench.margin(depth)}, or notches and points above will not lie where they "
        "should. Chalk the hem line and lead it along the knife, which cuts exactly there.",
        "Stitch finger drawn in or its own plate on, left needle out, lower looper tight, stitch length 1 to 1.5; "
        "woolly thread in the upper looper covers best. Try it along and across the grain.",
        f"{begins_at(bench, bench.finishes[duty.id]).capitalize()}; "
        + ("run over the beginning, and bury" if is_round(bench, bench.finishes[duty.id]) else "bury")
        + " the tail under the stitches.",
        at=Bench.OVERLOCKER,
        setting=Setting(
            threads, 1.2, "overlocker foot", "the overlocker's own", "set the stitch finger back afterwards", "504"
        ),
        needs=before,
        gives=DONE,
        run=run_of(bench, bench.finishes[duty.id]),
        on=on_hem(step),
        booklet=True,
        caution="The knife cuts whatever reaches it: no pins, and look where the next layer lies.",
        look="The edge is a thin cord without whiskers.",
    )


TECHNIQUE = hem_technique(
    id="rolled-overlocked",
    name="Rolled hem at the overlocker",
    sews=rolled_overlocked,
    rank=35,
    asks=needs_overlocker,
    draw="rolled hem",
    allowances=takes(ALLOWANCE),
)
