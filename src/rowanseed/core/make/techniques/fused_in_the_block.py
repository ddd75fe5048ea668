"""Cloth fused whole, before its pieces are cut from it."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import stiffened
from rowanseed.core.make.families.suited import finds_of
from rowanseed.core.make.families.whole_pieces import STIFF, of_piece
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def block(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    id = duty.id.removeprefix(stiffened.KEY)
    step, number = of_piece(bench, "fused in the block", id), bench.number_cut(id)
    yield step(
        "interface",
        Act.FUSE,
        f"Fuse the cloth for the {step.name} before it is cut out",
        f"Cut a block of the cloth {bench.margin(20)} larger than the piece all round, and the interfacing a little "
        "smaller; grain on grain. Cloth shrinks as it is fused, so small pieces lose their shape if they are cut "
        "first.",
        "Glue side to the wrong side, from the middle outwards: set the iron down, 10–15 s a place through a damp "
        "cloth, lift, do not slide. Let it lie flat until it is cold.",
        "Then lay the tissue on, cut it out exactly, and mark it.",
        at=Bench.IRON,
        took=minutes.each(7, number),
        gives=(Fact.STIFFENED, Fact.MARKED),
        look="The piece is as large as its tissue, and no corner lifts.",
    )


TECHNIQUE = Technique(
    id="fused-in-the-block",
    name="Fusible interfacing before cutting out",
    chapter=STIFF,
    finds=finds_of(stiffened.stiffened_ids, stiffened.needs_glue),
    why_not=stiffened.why_not_fused,
    sews=block,
    rank=13,
    usual=False,
    also=("block fusing",),
    draw="fused",
)
