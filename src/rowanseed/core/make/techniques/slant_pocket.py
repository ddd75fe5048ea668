"""A pocket behind a slanted mouth, faced and laid on its side piece."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.pocket_bags import (
    MOUTH,
    STAY,
    bag,
    edges_of,
    held_in_place,
    level,
    number_of,
    pocket_technique,
    ready,
)
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.trimming import graded_each, narrowest
from rowanseed.core.make.workbench import BLADES, Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart


def _narrowed(bench: Workbench, parts: tuple[EdgePart, ...]) -> str:
    return graded_each(bench, narrowest(bench, parts), ("the facing's", 6.0), ("the front's", 10.0))


def slant(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step, number = of_detail(bench, "slant pocket", duty.id), number_of(bench, detail)
    mouths = tuple(id for id in detail.along if id in duty.ids)
    parts = tuple(part for id in mouths for part in bench.parts(id))
    yield step(
        "mouth",
        Act.FACE if mouths else Act.STAY,
        f"Face the slanted mouth: {step.name}",
        f"The mouth runs off the grain and stretches: first a tape or a strip of fusible, {bench.margin(STAY)} wide, "
        "cut to the length of the tissue's line, along its stitching line on the wrong side.",
        "Pocket facing on the front, right sides together, ends matched; sew along the mouth, from end to end.",
        *level(number),
        took=minutes.each(7, number),
        needs=ready(bench, detail),
        gives=(Fact.PREPARED, *facts.joins(Fact.JOINED, mouths)),
        uses=(Use(Supply.FUSIBLE_TAPE, number * (MOUTH + 40.0)),),
        on=On(pieces=edges_of(bench, detail).pieces, joins=mouths, edges=shown(parts) or edges_of(bench, detail).edges),
        rows=0,
        look="Laid on its tissue, the mouth has kept its length.",
    )
    yield step(
        "grade",
        Act.TRIM,
        f"Grade, turn and press the mouth: {step.name}",
        f"{_narrowed(bench, parts)} Clip where it curves. Turn the facing in, roll the "
        f"seam {bench.margin(1)} inside, and press. {iron_for(bench)}",
        at=Bench.IRON,
        took=minutes.each(4, number),
        after={Fact.PREPARED: "the mouth is faced first"},
        gives=(Fact.GRADED, *facts.joins(Fact.PRESSED, mouths)),
        on=On(joins=mouths, edges=shown(parts)),
        caution=BLADES,
        look="From outside the facing cannot be seen, and the mouth lies flat on the front.",
    )
    yield step(
        "understitch",
        Act.TOPSTITCH,
        f"Stitch along the mouth: {step.name}",
        f"Understitch the facing, or topstitch the mouth {bench.margin(6)} from its edge, from the right side.",
        took=minutes.each(4, number),
        setting=settings.topstitch(bench.household, bench.margin(6)),
        after={Fact.GRADED: "it is turned and pressed first"},
        gives=(Fact.TOPSTITCHED, *facts.joins(Fact.UNDERSTITCHED, mouths)),
        on=On(joins=mouths, edges=shown(parts)),
        rows=0,
        look="The row runs at one distance from the mouth, and pulled along it the mouth does not stretch.",
    )
    yield from bag(
        step,
        duty,
        after={Fact.TOPSTITCHED: "the mouth is finished first"},
        how=(
            "Lay the mouth on the side piece of the pocket at its placement line, both flat; pin. Lift the front away "
            f"and sew bag and side piece together round their curve, {bench.margin(12)} from the edge.",
        ),
    )
    yield held_in_place(
        step,
        duty,
        "Pin front and side piece along the mouth, a finger's room in it, not tight over the hip; baste across the "
        "waist and down the side in the allowance, where it stays. They are one piece from now on.",
        "Standing, the mouth lies closed and does not gape.",
    )


TECHNIQUE = pocket_technique(
    kind=DetailKind.SLANT_POCKET, name="Slant pocket", sews=slant, draw="pocket bag", also=("hip pocket",)
)
