"""A bias strip that is sewn on and turned inside."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import corners, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bound_edges import (
    all_along,
    finds_bound,
    not_of_a_knit,
    run_along,
    stretched,
    why_not_bound,
)
from rowanseed.core.make.families.free_edges import across
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_finish
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.trimming import is_trimmed, narrowest
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Finish

FACING, IN_ALLOWANCE = 10.0, 6.0
"""Finished width of a bias facing, and how far its edge lies in the allowance, in mm (common practice, no source)."""


def _trimmed(bench: Workbench, finish: Finish) -> str:
    cut = is_trimmed(narrowest(bench, finish.parts), 6.0)
    return f"Trim both allowances to {bench.margin(6)}, and clip" if cut else "Clip both allowances"


def facing(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, "bias facing", duty.id)
    turns = corners.inward(bench, finish.parts)
    yield step(
        "face",
        Act.TRIM,
        f"Sew the bias facing on: {step.name}",
        f"Bias strip {bench.margin(FACING * 2 + 6)} wide, {bench.length(step.mm + 60)} long, one long edge pressed in "
        f"by {bench.margin(6)}. Right sides together, its other edge {bench.margin(IN_ALLOWANCE)} from the stitching "
        "line, in the allowance.",
        *filter(None, [stretched(step)]),
        f"Stitch on the stitching line {all_along(step)}.",
        *((f"{turns.pivoted(bench)} Fold the strip there to a mitre before you sew over it.",) if turns else ()),
        f"{_trimmed(bench, finish)} where it curves inwards, every {bench.margin(15)}."
        f"{f' {turns.clipped}' if turns else ''}",
        run=run_along(step),
        took=minutes.seam(1.5 * step.mm),
        needs=(*bench.flat_first([finish.id]), *across(bench, finish)),
        gives=(Fact.JOINED,),
        uses=(Use(Supply.BINDING, step.mm),),
        rows=1,
        look="The edge has kept its length, and seam stands on seam.",
    )
    yield step(
        "understitch",
        Act.UNDERSTITCH,
        f"Understitch the bias facing: {step.name}",
        "Strip and allowances away from the garment; strip up, close to the seam, all the way.",
        setting=settings.understitch(bench.household, bench.margin(2)),
        after={Fact.JOINED: "it is sewn first"},
        gives=(Fact.UNDERSTITCHED,),
        look="Held to the light, the stitches catch strip and allowances, never the outside.",
    )
    yield step(
        "turn-in",
        Act.TURN,
        f"Turn it in and stitch down: {step.name}",
        f"The whole strip to the wrong side, the seam rolled {bench.margin(1)} inside; press. {iron_for(bench)}",
        "Pin the pressed-in edge flat, let it spread where it curves, and edgestitch it from inside; or fell it by "
        "hand so that nothing shows outside.",
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.UNDERSTITCHED: "then it stays inside"},
        gives=(Fact.FINISHED,),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        booklet=True,
        look="The row outside runs at one distance from the edge.",
    )


TECHNIQUE = Technique(
    id="bias-facing",
    name="Bias strip turned inside",
    chapter="edges",
    finds=finds_bound,
    why_not=why_not_bound,
    sews=facing,
    rank=31,
    usual=False,
    asks=not_of_a_knit,
    also=("bias facing",),
    draw="facing",
)
