"""A bias strip in the hem of a lined jacket or coat: it softens the fold, and carries the stitches (craft books on
tailoring, from memory)."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Companion
from rowanseed.core.make.which import hems, is_lining
from rowanseed.core.make.workbench import Workbench, shown

TAILORED = ("jacket", "coat")
DEEP = 25.0
"""A hem is so deep at least, in mm, to have one."""
BELOW, BEYOND = 6.0, 12.0
"""The strip reaches so far beyond the fold, and beyond the hem's upper edge, in mm."""


def adds(bench: Workbench, operations: tuple[Operation, ...]) -> Iterator[Operation]:
    if bench.pattern.garment not in TAILORED or bench.household.is_knit or not bench.linings:
        return
    held = (op for op in operations if op.act in (Act.HEM, Act.TACK) and op.bench is Bench.HAND)
    by_hand = {id for op in held for id in op.on.finishes}
    for finish in hems(bench):
        deep = bench.edge_allowance(finish.parts[0])
        if is_lining(bench, finish) or finish.id not in by_hand or deep < DEEP:
            continue
        yield Operation(
            id=f"strip-{finish.id}",
            technique="strip in the hem",
            act=Act.STAY,
            title=f"Baste a bias strip into the {lower_first(finish.name)}",
            how=(
                f"Strips of interfacing cut on the bias, {bench.margin(deep + BELOW + BEYOND)} wide, their ends lapped "
                f"flat by {bench.margin(12)}; for a curved hem steam them to its shape first.",
                f"On the wrong side, the lower edge {bench.margin(BELOW)} below the hem line, so that the strip folds "
                "with it. Baste along the line; catch the upper edge to the garment loosely, one thread at a time.",
            ),
            bench=Bench.HAND,
            minutes=minutes.hand(2 * bench.around([finish.id])),
            on=On(edges=shown(finish.parts)),
            requires=(Need(facts.finish(Fact.LEVELLED, finish.id), "the length is settled"),),
            gives=(facts.finish(Fact.STIFFENED, finish.id),),
            look="The strip lies flat, neither tighter nor longer than the cloth, and outside no stitch shows.",
        )


TECHNIQUE = Companion(
    id="hem-strip",
    name="Bias strip in a hem",
    chapter="stiffen and back",
    adds=adds,
    words={"hem line": "the line that a hem is folded on: the finished edge"},
    draw="basted layer",
)
