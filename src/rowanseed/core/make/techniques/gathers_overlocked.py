"""Gathers made by the overlocker's differential feed: quick, even, and hardly to be changed afterwards."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.eased import fullness_ids, join_of
from rowanseed.core.make.families.gathering import drawn_to, from_where, gathered_edges, pinned, why_not_so_full
from rowanseed.core.make.families.suited import finds_of, why_not_of
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def _why_not(bench: Workbench, id: str) -> str:
    return why_not_so_full(bench, id, 2.0)


def _differential(bench: Workbench) -> str:
    equipment = bench.household.equipment
    return "" if equipment.overlocker and equipment.differential else "it needs an overlocker with differential feed"


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = join_of(bench, duty)
    step = of_joins(bench, "gathers at the overlocker", join.id)
    yield step(
        "gather",
        Act.GATHER,
        f"Gather at the overlocker: {step.name}",
        "Differential feed at its highest, the longest stitch, needle tension tighter; on a strip of the same cloth "
        "try how much it draws, and change the stitch length until the ratio is right.",
        f"One layer, right side up{from_where(bench, join)}, the needle just outside the stitching line. Leave tails "
        f"of {bench.length(150)} at both ends: by the needle thread it can still be drawn or let out a little.",
        f"It is to measure {drawn_to(bench, join)}. {pinned(bench, join)}",
        at=Bench.OVERLOCKER,
        setting=replace(
            settings.overlock(bench.household), length=4.0, note="differential feed 2; set both back afterwards"
        ),
        needs=tuple(bench.flat_first([join.id])),
        gives=(Fact.DRAWN_UP,),
        on=On(joins=(join.id,), edges=gathered_edges(bench, join)),
        look="The gathers are even; what is still too long is worked in between the pins.",
    )


TECHNIQUE = Technique(
    id="gathers-overlocked",
    name="Gathers at the overlocker",
    chapter="fullness",
    finds=finds_of(fullness_ids, _why_not),
    why_not=why_not_of(fullness_ids, _why_not),
    sews=sews,
    rank=24,
    usual=False,
    asks=_differential,
    words={"differential feed": "two rows of feed dogs that run at different speeds, and so gather or stretch"},
    draw="rows",
)
