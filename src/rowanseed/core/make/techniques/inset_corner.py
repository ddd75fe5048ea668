"""Inset corner, base then sides."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.inset_corners import (
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


def base_then_sides(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    name, _ = clipped_to_corner(bench, join)
    yield reinforced_at_corner(bench, duty, "inset corner")
    yield sew(
        bench,
        duty.ids,
        "inset corner",
        how=(
            f"Right sides together, the clipped {name} on top. Pin the base first, corner point on corner point, and "
            f"sew it from point to point, {bench.allowance(join)} from the edge; backstitch exactly at both points.",
            "Then swing the clip open so that the sides lie on each other, and sew each side from its corner outwards, "
            "the needle set down into the last stitch of the base.",
            *fullness_at(bench, join),
        ),
        requires=(
            Need(facts.join(Fact.PREPARED, join.id), "the corner is reinforced and clipped first"),
            *plain_seams.order_needs(bench, join),
        ),
        look="From the right side the corner is a sharp point without a pucker or a hole.",
    )
    yield from after_first(bench, duty, "inset corner")


TECHNIQUE = Technique(
    id="inset-corner",
    name="Inset corner, base then sides",
    chapter="seams",
    finds=finds,
    sews=base_then_sides,
    rank=50,
    words={"inset corner": "an outward corner of one piece sewn into an inward corner of another, which is clipped"},
    draw="inset corner",
)
