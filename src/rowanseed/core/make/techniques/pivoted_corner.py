"""Inset corner, pivoted in one pass."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.inset_corners import (
    SHORT,
    after_first,
    clipped_to_corner,
    finds,
    fullness_at,
    reinforced_at_corner,
)
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.shared import sew
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def pivoted(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    name, _ = clipped_to_corner(bench, join)
    yield reinforced_at_corner(bench, duty, "pivoted corner")
    yield sew(
        bench,
        duty.ids,
        "pivoted corner",
        how=(
            f"Right sides together, the clipped {name} on top; corner points first, then "
            f"{bench.ends_and_notches(join)}.",
            f"{bench.seam_of(join)} in one pass: up to the corner, needle down in the point, foot up; turn the upper "
            "piece so that its clip opens and the next edges lie even, foot down, and on. Stitch length 1.5 for "
            f"{bench.margin(SHORT)} before and after each corner.",
            *fullness_at(bench, join),
        ),
        requires=(
            Need(facts.join(Fact.PREPARED, join.id), "the corner is reinforced and clipped first"),
            *plain_seams.order_needs(bench, join),
        ),
        look="No fold of the lower piece is caught at the corner.",
    )
    yield from after_first(bench, duty, "pivoted corner")


TECHNIQUE = Technique(
    id="pivoted-corner",
    name="Inset corner, pivoted in one pass",
    chapter="seams",
    finds=finds,
    sews=pivoted,
    rank=51,
    usual=False,
    draw="inset corner",
)
