"""Buttonholes worked by hand."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.buttonholes import SLIPS, finds, holes_of, sewn_on, where_they_lie, why_not
from rowanseed.core.make.operation import Bench, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench


def by_hand(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield holes_of(
        bench,
        duty,
        "hand-worked buttonholes",
        where_they_lie(bench, duty.id),
        f"Round each mark two rows of fine stitches, {bench.margin(3)} apart; cut between them. Overcast the cut edge "
        "and lay a strand of gimp along it.",
        "Buttonhole stitch with silk twist, waxed, one thread for each hole: from the inner end along one side, "
        f"{bench.margin(3)} deep, stitch beside stitch, the knots on the cut edge; a fan round the end where the "
        "button sits; back along the other side, and a bar across the inner end.",
        took=20,
        title="Work the buttonholes by hand",
        at=Bench.HAND,
        caution=SLIPS,
        look="The knots stand close on the edge, and no thread of the cloth looks out.",
    )
    yield from sewn_on(bench, duty)


TECHNIQUE = Technique(
    id="hand-buttonholes",
    name="Buttonholes worked by hand",
    chapter="closures",
    finds=finds,
    why_not=why_not,
    sews=by_hand,
    rank=21,
    usual=False,
    draw="buttonhole",
)
