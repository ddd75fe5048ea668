"""A layer for warmth, held to its piece."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.whole_pieces import STIFF, of_piece
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.shared import before_backing
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import LayerKind

INTERLINE = "interline:"


def finds_interlining(bench: Workbench) -> Iterator[Duty]:
    for layer in bench.pattern.making.layers:
        if layer.kind is LayerKind.INTERLINING:
            yield single(f"{INTERLINE}{layer.of}")


def interlining(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    id = duty.id.removeprefix(INTERLINE)
    step = of_piece(bench, "interlining", id)
    yield step(
        "interline",
        Act.BACK,
        f"Baste the interlining to the {step.name}",
        "Before anything is sewn: interlining on the wrong side, both flat; pin the edges, then diagonal basting from "
        f"the middle outwards. Trim it {bench.margin(3)} inside hems and to the stitching line of thick seams after "
        "they are sewn.",
        *(("Where the lining is interlined instead, it is basted to the lining's pieces.",) if bench.linings else ()),
        at=Bench.HAND,
        took=minutes.each(12, bench.number_cut(id)),
        needs=(before_backing(id),),
        gives=(Fact.BACKED,),
        leaves=("diagonal basting of the interlining",),
        look="Held up by its top edge, neither layer droops away from the other.",
    )


TECHNIQUE = Technique(
    id="interlining",
    name="Interlining",
    chapter=STIFF,
    finds=finds_interlining,
    sews=interlining,
    rank=10,
    words={"interlining": "a layer between cloth and lining, for warmth"},
    draw="basted layer",
)
