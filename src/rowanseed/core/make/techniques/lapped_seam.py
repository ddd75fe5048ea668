"""A lapped seam: one edge folded under and stitched on top of the other, right sides up."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.suited import finds_by, why_not_by
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.neatening import neaten_together
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.which import of_the_shell, too_narrow, why_not_straight
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Join

LEAST = 12.0
"""An allowance of so many mm can be folded under and caught."""
EDGE = 2.0


def _why_not(bench: Workbench, join: Join) -> str:
    if not of_the_shell(bench, join):
        return "it does not lie between fronts, backs and sleeves"
    if pieces_of(join.a) == pieces_of(join.b):
        return "both of its edges are of one piece"
    return why_not_straight(bench, join) or too_narrow(bench, join, LEAST)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    over, under = bench.name(join.b[0].piece), bench.name(join.a[0].piece)
    step = of_joins(bench, "lapped seam", duty.id)
    yield step(
        "fold",
        Act.PRESS,
        f"Fold the upper edge under: {step.name}",
        f"The {over} lies on top: press its allowance to the wrong side exactly on the stitching line. {step.iron}",
        f"On the right side of the {under} chalk the stitching line, {bench.allowance(join)} from the edge.",
        at=Bench.IRON,
        needs=tuple(bench.flat_first(duty.ids)),
        gives=(Fact.PREPARED,),
        on=On(edges=shown(join.b)),
        turned=Turned(),
        look="The fold is straight, and its corners are square.",
    )
    run = bench.runs.over(join.a, each_hand=join.each_hand, from_end=join.sewn_from == "end")
    stitched = sew(
        bench,
        duty.ids,
        "lapped seam",
        how=(
            f"Both right sides up: the fold of the {over} on the chalk line of the {under}, "
            f"{bench.ends_and_notches(join)} matched; pin across or baste.",
            f"Edgestitch {bench.margin(EDGE)} from the fold, {run.words}; a second row {bench.margin(6)} beside it "
            "holds the allowances below.",
        ),
        requires=(
            Need(facts.join(Fact.PREPARED, join.id), "the upper edge is folded first"),
            *plain_seams.order_needs(bench, join),
        ),
        run=run,
        rows=2,
        look="The fold runs along the chalk line, and both rows are parallel to it.",
    )
    yield replace(stitched, setting=settings.topstitch(bench.household, bench.margin(EDGE)))
    yield neaten_together(bench, duty.ids, "lapped seam")
    yield press(
        bench,
        duty.ids,
        "lapped seam",
        way="side",
        words="flat",
        requires=(Need(facts.join(Fact.FINISHED, join.id), "both edges are neatened together first"),),
        look="The lap covers the marked line all along, and outside it lies flat.",
    )


TECHNIQUE = Technique(
    id="lapped-seam",
    name="Lapped seam",
    chapter="seams",
    finds=finds_by(_why_not),
    why_not=why_not_by(_why_not),
    sews=sews,
    rank=43,
    usual=False,
    also=("overlaid seam",),
    iso="2.02",
    draw="lapped",
)
