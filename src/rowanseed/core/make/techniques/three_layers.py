"""Seam of three layers."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts
from rowanseed.core.make.doubled import layer_pairs, yoke_pairs
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.neatening import neaten_together
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, both_sides
from rowanseed.core.pattern.making import Press


def finds_three(bench: Workbench) -> Iterator[Duty]:
    rolled = yoke_pairs(bench.joins.values())
    for one, other in layer_pairs(bench.joins.values()):
        if (one, other) in rolled:
            continue
        plain = one.press is not Press.FACING and not bench.encloses(one) and not bench.encloses(other)
        if plain and not bench.is_faced(one) and not bench.is_faced(other):
            yield single(one.id, other.id)


def three(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    """Any other seam of three layers, one of them between two others: a ruffle, a strap, a peplum."""
    one, other = (bench.joins[id] for id in duty.ids)
    layers = [bench.names(p.piece for p in side) for side in (one.a, one.b, other.b)]
    run = bench.runs.over(one.a, each_hand=one.each_hand, from_end=one.sewn_from == "end")
    yield sew(
        bench,
        duty.ids,
        "seam of three layers",
        title=f"Sew three layers in one seam: {lower_first(one.name)}{both_sides(one)}",
        how=(
            f"The {layers[0]}, the {layers[1]} and the {layers[2]}, raw edges even. Which of them lies between the "
            "others, your booklet or the drawing says; baste that one to its neighbour first.",
            f"{bench.seam_of(one)} through all three layers, {bench.sewn_along(run)}.",
        ),
        run=run,
        look="All three edges are caught all along.",
    )
    yield neaten_together(bench, duty.ids, "seam of three layers")
    yield press(
        bench,
        duty.ids,
        "seam of three layers",
        way="side",
        words=one.press.words if one.press is not Press.OPEN else "to one side",
        requires=tuple(Need(facts.join(Fact.FINISHED, id), "the edges are neatened together first") for id in duty.ids),
        look="All layers lie one way, and none is caught in a pleat.",
    )


TECHNIQUE = Technique(
    id="three-layers",
    name="Seam of three layers",
    chapter="seams",
    finds=finds_three,
    sews=three,
    rank=17,
    draw="seam to one side",
)
