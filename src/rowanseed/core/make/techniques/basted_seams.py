"""Seams held by a basting by hand before they are sewn, for those who are used to it: pins neither slip nor stand in
the needle's way. The basting lies in the allowance and comes out before the iron would press its marks in."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.equipment import Holding
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.technique import Companion
from rowanseed.core.make.workbench import Workbench, both_sides

ID = "basted seam"
BESIDE = 2.0
"""So far from the stitching line the basting runs, in the allowance, in mm (common practice, no source)."""
STITCH = 10.0


def adds(bench: Workbench, operations: tuple[Operation, ...]) -> Iterator[Operation]:
    if bench.household.habits.holding is not Holding.BASTED:
        return
    held = {id for op in operations if op.act is Act.BASTE for id in op.on.joins}
    for op in operations:
        if _is_pinned(op) and not held & set(op.on.joins):
            yield from _basted(bench, op)


def _is_pinned(op: Operation) -> bool:
    """An ordinary seam at the machine. A second row that encloses the first, and one with a basted opening, hold by
    these; the joins of a pocket or a placket, which their own steps sew, are small enough for pins."""
    is_seam = op.act is Act.JOIN and op.id == f"sew-{op.on.joins[0]}"
    return is_seam and op.bench is Bench.MACHINE and Meant.ENCLOSES not in op.meant and not op.leaves


def _basted(bench: Workbench, op: Operation) -> Iterator[Operation]:
    join = bench.joins[op.on.joins[0]]
    ids, name = op.on.joins, f"{lower_first(join.name)}{both_sides(join)}"
    basting = f"basting of the {lower_first(join.name)}"
    yield Operation(
        id=f"baste-seam-{join.id}",
        technique=ID,
        act=Act.BASTE,
        title=f"Baste by hand: {name}",
        how=(
            "Right sides together, ends, notches and crossing seams matched first; pin across the edge, and between.",
            f"Running stitches {bench.margin(STITCH)} long in a thread that shows, {bench.margin(BESIDE)} from the "
            "stitching line in the allowance, as far as the seam will be sewn; no knot, two small stitches at the "
            "beginning. Pins out as you reach them.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(bench.around(ids) / 2),
        on=On(joins=ids, edges=op.on.edges),
        requires=tuple(need for need in op.requires if need.state.fact is not Fact.BASTED),
        gives=facts.joins(Fact.BASTED, ids),
        leaves=(basting,),
        look="Laid flat, neither layer ripples, and what is to meet still meets.",
    )
    yield Operation(
        id=f"unbaste-{join.id}",
        technique=ID,
        act=Act.REMOVE,
        title=f"Draw out the basting: {name}",
        how=("Snip it every hand's breadth and draw it out sideways: a long end pulls the cloth together.",),
        bench=Bench.HAND,
        minutes=minutes.each(1.5),
        on=On(joins=ids, edges=op.on.edges),
        requires=tuple(Need(facts.join(Fact.JOINED, id), "the seam holds by its own stitches now") for id in ids),
        gives=facts.joins(Fact.UNBASTED, ids),
        removes=(basting,),
        look="No thread of it is caught under the stitching.",
    )


TECHNIQUE = Companion(
    id="basted-seams",
    name="Seams basted by hand first",
    chapter="seams",
    adds=adds,
    also=("tacking",),
    words={"baste": "to hold layers by long stitches that come out again"},
    draw=ID,
)
