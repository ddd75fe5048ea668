"""Folds that are held at an edge, pressed: what pleats by their lines and pleats taken in at an edge have in common."""

from __future__ import annotations

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.workbench import HOT, Workbench


def press_folds(
    bench: Workbench, technique: str, piece: str, words: str, *, how: str, number: int, on: On, look: str
) -> Operation:
    """Press the `words` (“pleats”, “tucks”) of a piece once they are folded; it has its shape then."""
    return Operation(
        id=f"press-{technique}-{piece}",
        technique=technique,
        act=Act.PRESS,
        title=f"Press the {words}: {bench.name(piece)}",
        how=(f"{how} {iron_for(bench, [piece])}",),
        bench=Bench.IRON,
        minutes=minutes.each(2, number),
        on=on,
        requires=(Need(facts.piece(Fact.SEWN, piece), "they are folded first"),),
        gives=(facts.piece(Fact.SHAPED, piece),),
        caution=HOT,
        look=look,
    )
