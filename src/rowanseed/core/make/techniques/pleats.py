"""Pleats and tucks by their lines."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.pleats import KEY, finds, lines
from rowanseed.core.make.folded import press_folds
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.shared import before_shaping
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import EdgePart


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    piece = bench.piece(duty.id.removeprefix(KEY))
    number, name = lines(piece), bench.name(piece.id)
    on = On(pieces=(piece.id,), edges=shown(EdgePart(piece.id, e.name) for e in piece.edges))
    yield Operation(
        id=f"pleats-{piece.id}",
        technique="pleats",
        act=Act.FOLD,
        title=f"Fold the pleats: {name}",
        how=(
            "Right side up: fold on a pleat line and lay the fold on the next one, the way the tissue's arrow "
            "points; the tissue says which lines are folded and which are met.",
            "Left and right are folded as mirror images, unless the tissue says otherwise.",
            f"Pin, and baste across the folds {bench.margin(10)} from the raw edge, in the allowance, where it stays.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(3, number * bench.number_cut(piece.id)),
        on=on,
        requires=before_shaping(piece.id, "its lines are marked again first"),
        gives=(facts.piece(Fact.SEWN, piece.id),),
        look="Folded, the edge is as long as the one it is sewn to.",
    )
    yield press_folds(
        bench,
        "pleats",
        piece.id,
        "pleats",
        how="From the wrong side, as far down as they are to stay sharp; strips of paper under the folds keep them "
        "from marking.",
        number=number,
        on=on,
        look="The folds run straight along the grain.",
    )


TECHNIQUE = Technique(
    id="pleats",
    name="Pleats and tucks by their lines",
    chapter="shape",
    finds=finds,
    sews=sews,
    rank=10,
    also=("knife pleats", "tucks"),
    words={"pleat": "a fold of cloth laid to one side and held at its edge"},
    draw="pleat",
)
