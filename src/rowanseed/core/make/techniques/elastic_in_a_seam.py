"""Elastic in a seam's allowances."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.seam_tunnels import INSIDE, in_a_seam, tunnel_in, tunnel_width
from rowanseed.core.make.operation import Act, Bench, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind

LAP = 13.0


def finds_elastic(bench: Workbench) -> Iterator[Duty]:
    for detail, _ in in_a_seam(bench, DetailKind.ELASTIC):
        yield single(detail.id)


def elastic(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    join = bench.joins[detail.along[0]]
    step = of_detail(bench, "elastic in a seam", duty.id)
    wide, run = tunnel_width(bench, join), bench.runs.over(join.b, each_hand=join.each_hand)
    name, on = lower_first(join.name), On(edges=shown(join.b))
    yield tunnel_in(bench, step, join, "elastic", after={})
    yield step(
        "elastic",
        Act.FASTEN,
        f"Draw the elastic in: {name}",
        f"Elastic {bench.margin(wide - INSIDE)} wide, round the body where it will sit, comfortable, and "
        f"{bench.margin(LAP)} more. A safety pin in its end, the other end pinned down; not twisted.",
        f"Lap its ends by {bench.margin(LAP)}, sew a square with a cross, and close the gap with the elastic stretched."
        if run.ring
        else "Sew both its ends down across the tunnel, inside the stitching line of the opening, whose own edge then "
        "catches them.",
        "Stretch the waist a few times, so that the fullness spreads evenly.",
        at=Bench.HAND,
        took=minutes.each(10),
        after={Fact.PREPARED: "its tunnel is sewn first"},
        gives=(Fact.FINISHED,),
        uses=(Use(Supply.ELASTIC, bench.round_the_body([join.id]), wide=wide - INSIDE),),
        on=on,
        booklet=True,
        look="It runs flat inside, and the garment goes over the widest place without a thread breaking.",
    )


TECHNIQUE = Technique(
    id="elastic-in-a-seam",
    name="Elastic in a seam's allowances",
    chapter="fullness",
    finds=finds_elastic,
    sews=elastic,
    rank=14,
    also=("elasticated waist seam",),
    draw="elastic",
)
