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
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import BLADES, Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart

BOX, FORK, PAST = 6.0, 12.0, 1.0
"""The box is sewn so far beside the slash; the cut forks so far before its end; a pressed-in edge passes its row by so
much, in mm (common practice, no source)."""


def tower(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, number = of_detail(bench, "tower placket", duty.id), number_of(bench, duty)
    name = bench.names(bench.details[duty.id].pieces)
    yield step(
        "fold",
        Act.PRESS,
        f"Press the placket's edges in: {step.name}",
        f"Each {name} wrong side up: clip into the corner below the point, up to the stitching line; press both long "
        "edges and the edges of the point in by their allowance, the point over a card.",
        "Then press both halves along their fold lines, wrong sides together. The layer with the pressed-in edge is "
        f"{bench.margin(PAST)} wider than the other: later it passes its row by that.",
        iron_for(bench),
        at=Bench.IRON,
        took=minutes.each(6, number),
        needs=ready(bench, duty),
        gives=(Fact.PREPARED,),
        on=_placket_alone(bench, duty),
        look="Both plackets are mirror images with equal points.",
    )
    yield step(
        "box",
        Act.TRIM,
        f"Sew the box round the slash, and cut: {step.name}",
        "Unfold the placket. Its right side to the WRONG side of the sleeve, its slash line on the sleeve's, the lower "
        "edges even; the wide half with the point towards the front of the cap, the narrow half towards the back: look "
        "twice, it decides which side laps over.",
        *of_a_pair(bench, duty),
        f"From the lower edge up {bench.margin(BOX)} beside the line, square across its end, and down the other side; "
        "stitch length 1.5 round the corners.",
        f"Cut both layers along the line to {bench.margin(FORK)} from its end, then slanting into both corners, up to "
        "the stitching. Press the long seams into the opening, the little triangle up; draw the placket through to the "
        "right side.",
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
        "First the narrow half, the underlap: fold it over the allowances into the opening, its pressed-in edge just "
        "past the row; edgestitch that edge from the right side, from the lower edge to the end of the slash.",
        "Then fold the wide half over its allowances in the same way: it covers the opening and the underlap, and its "
        "point lies flat above the end of the slash, the triangle and the end of the underlap below it. Pin.",
        "Edgestitch from the lower edge up the edge that covers the row, round the point, and down its other side to "
        "just below the end of the slash; pivot, across in two rows. Below them the fold that laps over stays free: "
        "hold the underlap clear.",
        "Close it, and baste across both halves within the allowance of the lower edge.",
        took=minutes.each(10, number),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.JOINED: "it is boxed in and turned first"},
        gives=given(bench, duty),
        on=on_placket(bench, duty),
        rows=0,
        booklet=True,
        look="Closed, the underlap is covered, and no raw edge looks out at the top.",
    )


def _placket_alone(bench: Workbench, duty: Duty) -> On:
    pieces = bench.details[duty.id].pieces
    return On(pieces=pieces, edges=shown(EdgePart(id, edge.name) for id in pieces for edge in bench.piece(id).edges))


TECHNIQUE = placket_technique(DetailKind.TOWER_PLACKET, "Tower placket", tower, also=("shirt placket",), draw="placket")
