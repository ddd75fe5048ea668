"""A slit with an underlap and an overlap that ends in a point."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.slashed import (
    given,
    number_of,
    of_a_pair,
    on_edges,
    on_placket,
    placket_technique,
    ready,
)
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import BLADES, Workbench
from rowanseed.core.pattern.making import DetailKind


def tower(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, number = of_detail(bench, "tower placket", duty.id), number_of(bench, duty)
    name = bench.names(bench.details[duty.id].pieces)
    yield step(
        "fold",
        Act.PRESS,
        f"Press the placket's edges in: {step.name}",
        f"On the {name}: the long edges by their allowance to the wrong side, the point at the top over a card, then "
        f"both halves along their fold lines, the lower half {bench.margin(1)} wider, so that stitching on top catches "
        "it.",
        *of_a_pair(bench, duty),
        iron_for(bench),
        at=Bench.IRON,
        took=minutes.each(6, number),
        needs=ready(bench, duty),
        gives=(Fact.PREPARED,),
        on=on_edges(bench, duty),
        look="Both plackets are mirror images with equal points.",
    )
    yield step(
        "box",
        Act.TRIM,
        f"Sew the box round the slash, and cut: {step.name}",
        "Unfold it. Right side of the placket to the WRONG side of the sleeve, the placket's slash line on the "
        "sleeve's, the wider, pointed half towards the back of the cap: look twice, it decides which side laps over.",
        f"Sew a box round the line, {bench.margin(6)} beside it and square across its end, stitch length 1.5 at the "
        "corners.",
        f"Cut along the line to {bench.margin(12)} from its end, then slanting into both corners, up to the stitching. "
        "Draw the placket through to the right side and press the seams away from the opening.",
        took=minutes.each(9, number),
        setting=settings.staystitch(bench.household),
        after={Fact.PREPARED: "its edges are pressed in first"},
        gives=(Fact.JOINED,),
        on=on_edges(bench, duty),
        rows=0,
        caution=BLADES,
        look="The opening is a clean rectangle, and its corners do not pucker.",
    )
    yield step(
        "turn-in",
        Act.ATTACH,
        f"Stitch the placket down: {step.name}",
        "First the narrow half, the underlap: fold it over the seam's allowance and edgestitch its inner fold, up to "
        "the end of the slash.",
        "Then the pointed half over it: pin, underlap and little triangle at the end of the slash tucked below; "
        "edgestitch up the outer fold, round the point, down to just below the end of the slash, across in two rows, "
        "and back to the beginning. The lower part of its free edge stays open.",
        took=minutes.each(10, number),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.JOINED: "it is boxed in and turned first"},
        gives=given(bench, duty),
        on=on_placket(bench, duty),
        rows=0,
        booklet=True,
        look="Closed, the underlap is covered, and no raw edge looks out at the top.",
    )


TECHNIQUE = placket_technique(DetailKind.TOWER_PLACKET, "Tower placket", tower, also=("shirt placket",), draw="placket")
