"""A sleeve cut in one with the body: side and underarm are one seam, with a bend that is reinforced."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.operation import Act, On, Operation
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import seams
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.pieces import Panel


def finds_cut_in_one(bench: Workbench) -> Iterator[Duty]:
    """Side and underarm in one seam, since front and back carry the sleeve."""
    for join in seams(bench):
        in_one = all(any(p.edge.startswith("underarm") for p in side) for side in (join.a, join.b))
        if in_one and bench.panels((*join.a, *join.b)) == {Panel.FRONT, Panel.BACK}:
            yield single(join.id)


def cut_in_one(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step = of_joins(bench, "underarm in one with the side", duty.id)
    yield from plain_seams.sews(bench, duty)
    yield step(
        "reinforce",
        Act.STAY,
        f"Reinforce the underarm: {step.name}",
        f"Round the bend a second row on the first, stitch length 1.5, {bench.margin(60)} to both sides; or a bias "
        "tape of the same length laid over the stitching line, its middle at the bend, and stitched down with it. "
        f"Clip to {bench.margin(2)} from the stitching, not through the tape.",
        took=minutes.each(4, 2),
        setting=settings.staystitch(bench.household),
        after={Fact.JOINED: "the seam is sewn first"},
        gives=(facts.join(Fact.STAYED, duty.id),),
        on=On(edges=shown(bench.parts(duty.id))),
        rows=0,
        look="Arm raised, the seam gives and no thread cracks.",
    )


TECHNIQUE = Technique(
    id="cut-in-one",
    name="Sleeve cut in one with the body",
    chapter="sleeves",
    finds=finds_cut_in_one,
    sews=cut_in_one,
    rank=55,
    also=("dolman", "kimono sleeve"),
    draw="seam open",
)
