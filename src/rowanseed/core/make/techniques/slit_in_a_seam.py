"""Seam that ends in a slit."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.slits import (
    BEYOND,
    finds_opening_below,
    from_the_fold,
    long_seam,
    seam_above,
    turned_under,
)
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.trimming import narrowest
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind


def slit(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail, join = bench.details[duty.id], bench.joins[duty.ids[1]]
    step = of_joins(bench, "slit", join.id)
    ids = (join.id,)
    yield from seam_above(bench, detail, join, "slit")
    allowance = narrowest(bench, (*join.a, *join.b))
    yield step(
        "slit",
        Act.TURN,
        f"Turn back the edges of the slit: {step.name}",
        f"Along {long_seam(bench, detail, join)} the allowances lie on in line with those pressed open above; "
        f"{turned_under(bench)}",
        f"Stitch {bench.margin(from_the_fold(allowance))} from the fold: up one side, across {bench.margin(BEYOND)} "
        "above the end of the slit, and down the other side. Pivot with the needle down. Or slip stitch the edges by "
        "hand and bar the end.",
        took=minutes.each(8, 2 if join.each_hand else 1),
        setting=settings.topstitch(bench.household, bench.margin(from_the_fold(allowance)), lining=step.lining),
        after={Fact.PRESSED: "the seam above is pressed open first"},
        gives=(
            facts.detail(Fact.FINISHED, detail.id),
            *(facts.join(Fact.ATTACHED, id) for id in ids),
        ),
        rows=0.4,
        booklet=True,
        look="Both edges are equally long, and the end lies flat without a pucker.",
    )


TECHNIQUE = Technique(
    id="slit-in-a-seam",
    name="Seam that ends in a slit",
    chapter="seams",
    finds=finds_opening_below(DetailKind.SLIT),
    sews=slit,
    rank=13,
    words={"slit": "the end of a seam left open on purpose"},
    draw="slit",
)
