"""Doubled yoke."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.yokes import ID, finds
from rowanseed.core.make.operation import Meant, Need, Operation
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench, both_sides


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    first = next(iter(finds(bench))).ids == duty.ids
    one, other = (bench.joins[id] for id in duty.ids)
    between = bench.names(p.piece for p in one.a)
    outer, inner = bench.name(one.b[0].piece), bench.name(other.b[0].piece)
    run = bench.runs.over(one.a, each_hand=one.each_hand)
    earlier = [d.ids for d in finds(bench)]
    before = [id for ids in earlier[: earlier.index(duty.ids)] for id in ids]
    how = (
        f"The {outer} on the right side of the {between}, the {inner} on its wrong side, right sides to it: three "
        "layers, raw edges even."
        if first
        else f"Roll the {between} up to the shoulders; bring the {inner} round the roll until its right side lies on "
        f"the wrong side of the {between}, whose right side lies on the {outer}: the roll is inside a tube.",
        f"{bench.seam_of(one)} through all three layers, {bench.sewn_along(run)}.",
        *(() if first else ("Draw the garment out of the tube through the neck.",)),
    )
    yield sew(
        bench,
        duty.ids,
        ID,
        title=f"Sew between the yokes: {lower_first(one.name)}{both_sides(one)}",
        how=how,
        requires=tuple(Need(facts.join(Fact.PRESSED, id), "the yoke's other seam comes first") for id in before),
        meant=frozenset({Meant.ENCLOSES}),
        run=run,
        look="No raw edge is left to be seen, inside or outside.",
    )
    yield press(
        bench,
        duty.ids,
        ID,
        way="up",
        words="into the yoke",
        towards=(one.b[0].piece, other.b[0].piece),
        how=("Both yokes away from the garment; press from the right side, the seam on its edge.",),
        look="Both layers lie away from the garment, and the seam lies on their very edge.",
    )


TECHNIQUE = Technique(
    id="doubled-yoke",
    name="Doubled yoke",
    chapter="seams",
    finds=finds,
    sews=sews,
    rank=15,
    also=("burrito yoke",),
    draw="yoke",
)
