"""Front seam below a zip."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts
from rowanseed.core.make.crossing import PRESSED_FIRST, runs_over
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.crotches import ID, below_zip
from rowanseed.core.make.neatening import finishes_edges, neaten_apart
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench

LEFT_OPEN = 40.0
"""So much of the front's seam above the crotch point is left for the one run, in mm."""


def finds_front(bench: Workbench) -> Iterator[Duty]:
    for join in below_zip(bench):
        yield single(join.id)


def front(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    """The seam below a zip, sewn while fronts, or backs, are flat; its last bit waits for the one run."""
    join = bench.joins[duty.id]
    closure = bench.openings.zip_on(join)
    if finishes_edges(bench, duty.ids):
        yield neaten_apart(bench, duty.ids, ID)
    words = closure.kind.words if closure else "zip"
    run = replace(
        bench.runs.begun_at(join, "inner leg seam"),
        said=f"from {bench.margin(LEFT_OPEN)} above the crotch point up to the zip mark",
        to_mark=closure.to_mark if closure else None,
        short=(LEFT_OPEN, 0.0),
    )
    yield sew(
        bench,
        duty.ids,
        ID,
        how=(
            matching(bench, join),
            f"{bench.seam_of(join)} {run.words}, with a backstitch at both. The rest below is sewn when the legs are "
            "joined.",
            "Then the longest stitch: baste on from the zip mark to the waist.",
        ),
        requires=(
            Need(facts.join(Fact.NEATENED, join.id), "its edges are neatened apart first", where_given=True),
            *(
                Need(facts.join(Fact.PRESSED, other.id), PRESSED_FIRST, where_given=True)
                for other in bench.crossing(duty.ids)
                if runs_over(bench, join.id, other.id)
            ),
        ),
        run=run,
        flat=True,
        leaves=(f"basting of the {words}'s opening",),
        look="The backstitch stands exactly at the zip mark.",
    )
    yield press(
        bench,
        duty.ids,
        ID,
        way="open",
        words="open",
        how=("As sewn first, then open, the basted part too, down to where it curves: below it stays unpressed.",),
        look="Above the curve the seam lies open and flat; below, the allowances stand up.",
    )


TECHNIQUE = Technique(
    id="crotch-front",
    name="Front seam below a zip",
    chapter="seams",
    finds=finds_front,
    sews=front,
    rank=30,
    draw="seam open",
)
