"""A hem rolled by the foot of a machine."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hemming import DONE, begun, hem_technique, needs_machine, on_hem, surplus, takes
from rowanseed.core.make.hem_length import begins_at, run_of
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench

ROLLED = 3.0
"""What each of its two turns takes, in mm (common practice, no source)."""


def rolled_foot(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = begun(bench, duty, "rolled hem by machine")
    yield from first
    yield step(
        "trim",
        Act.TRIM,
        f"Trim the edge for the rolled hem: {step.name}",
        *surplus(step, 2 * ROLLED),
        f"Exactly {bench.margin(2 * ROLLED)} below the hem line, in one clean cut; snip the corners of the seams' "
        "allowances slanting, so that they go into the foot.",
        at=Bench.TABLE,
        needs=before,
        gives=(Fact.GRADED,),
        look="The edge is even: the foot rolls whatever it is given.",
    )
    yield step(
        "sew",
        Act.HEM,
        f"Sew the rolled hem: {step.name}",
        f"Fold the first {bench.margin(60)} by hand and stitch a little; then lead the edge into the scroll of the "
        "foot, upright and a little to the left, always the same amount. At a seam stop, help the thick place in with "
        "an awl.",
        f"{begins_at(bench, bench.finishes[duty.id]).capitalize()}; the last {bench.margin(60)} are folded by hand "
        "again.",
        setting=replace(
            settings.hem(bench.household, ""), stitch="straight", length=2.0, foot="rolled-hem foot", note=""
        ),
        after={Fact.GRADED: "the allowance is taken off first"},
        gives=DONE,
        run=run_of(bench, bench.finishes[duty.id]),
        on=on_hem(step),
        booklet=True,
        look="No raw edge has slipped out of the roll.",
    )


TECHNIQUE = hem_technique(
    id="rolled-hem",
    name="Rolled hem by machine",
    sews=rolled_foot,
    rank=34,
    asks=needs_machine,
    draw="rolled hem",
    allowances=takes(2 * ROLLED),
)
