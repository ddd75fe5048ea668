"""Sewn-in interfacing."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.stiffened import (
    finds_sewn_in,
    on_piece,
    stiffened_piece,
    why_not,
    without_glue,
)
from rowanseed.core.make.operation import Act, Bench, Need, Operation
from rowanseed.core.make.shared import before_backing
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def bastes(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    id = stiffened_piece(duty)
    yield Operation(
        id=f"interface-{id}",
        technique="sewn-in interfacing",
        act=Act.BACK,
        title=f"Baste the interfacing to the {bench.name(id)}",
        how=(
            *without_glue(bench),
            "On the wrong side, grain on grain, both flat on the table; pin from the middle outwards.",
            f"Baste {bench.margin(12)} from the raw edge. After the seams are sewn trim it back to the stitching.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(6, bench.number_cut(id)),
        on=on_piece(bench, id),
        requires=(
            before_backing(id),
            Need(facts.piece(Fact.BACKED, id), "the underlining is on first", where_given=True),
        ),
        gives=(facts.piece(Fact.STIFFENED, id),),
        leaves=(f"basting of the interfacing, {bench.name(id)}",),
        look="The two lie together like one cloth when the piece is held up.",
    )


TECHNIQUE = Technique(
    id="sewn-in-interfacing",
    name="Sewn-in interfacing",
    chapter="stiffen and back",
    finds=finds_sewn_in,
    why_not=why_not,
    sews=bastes,
    rank=11,
    also=("canvas",),
    draw="basted layer",
)
