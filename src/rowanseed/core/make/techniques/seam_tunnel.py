"""Elastic in the allowances of a seam: they are stitched down as a tunnel, and the elastic draws the seam in."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind

INSIDE = 3.0
"""The tunnel is so much narrower than the allowances, in mm: the row runs beside their neatened edge."""
GAP = 50.0
LAP = 13.0


def finds(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.ELASTIC):
        if not detail.on and len(detail.along) == 1 and detail.along[0] in bench.joins:
            yield single(detail.id)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    join = bench.joins[detail.along[0]]
    step = of_detail(bench, "elastic in a seam", duty.id)
    wide = bench.edge_allowance(join.b[0]) - INSIDE
    run = bench.runs.over(join.b, each_hand=join.each_hand)
    name, on = lower_first(join.name), On(edges=shown(join.b))
    yield step(
        "tunnel",
        Act.TOPSTITCH,
        f"Stitch the tunnel for the elastic: {name}",
        f"The allowances lie together, pressed up. Stitch them down to the bodice beside their neatened edge, "
        f"{bench.margin(wide)} from the seam, "
        + (
            f"all round; leave {bench.margin(GAP)} open at a side seam, backstitching both sides of the gap."
            if run.ring
            else f"{run.words}; both ends of the tunnel stay open."
        ),
        "At every seam hold the allowances flat: the elastic has to pass.",
        took=minutes.seam(bench.around([join.id])),
        setting=settings.topstitch(bench.household, bench.margin(wide)),
        needs=(
            Need(facts.join(Fact.PRESSED, join.id), "the seam is pressed up first"),
            Need(facts.join(Fact.FINISHED, join.id), "its edges are neatened together first", where_given=True),
        ),
        gives=(Fact.PREPARED,),
        on=on,
        rows=0,
        look="The tunnel has one width, and no fold of the garment is caught in it.",
    )
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
        uses=(Use(Supply.ELASTIC, bench.round_the_body([join.id])),),
        on=on,
        booklet=True,
        look="It runs flat inside, and the garment goes over the widest place without a thread breaking.",
    )


TECHNIQUES = (
    Technique(
        id="elastic-in-a-seam",
        name="Elastic in a seam's allowances",
        chapter="fullness",
        finds=finds,
        sews=sews,
        rank=14,
        also=("elasticated waist seam",),
        draw="elastic",
    ),
)
