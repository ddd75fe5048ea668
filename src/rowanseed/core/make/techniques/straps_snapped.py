"""Straps, snapped."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.buttonholes import after_everything
from rowanseed.core.make.families.strap_ends import ID, finds_straps, number_of_straps, where_it_closes
from rowanseed.core.make.operation import Act, Bench, Operation, Supply, Use
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import ClosureKind

FROM_THE_END = 10.0
"""The snap is sewn so far from the strap's end, in mm (common practice, no source)."""


def snapped(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, number = of_closure(bench, ID, duty.id), number_of_straps(bench, duty)
    where = where_it_closes(bench, duty)
    yield step(
        "snaps",
        Act.FASTEN,
        "Sew the straps' snaps on",
        f"Garment on, the straps over the shoulders without a twist: mark where each meets the {where}. The ball "
        f"half on the under side of the strap, {bench.margin(FROM_THE_END)} from its end, the socket inside the "
        f"{where}, through the inner layer only.",
        at=Bench.HAND,
        took=minutes.each(4, number),
        needs=tuple(after_everything(bench)),
        gives=(Fact.CLOSED,),
        uses=(Use(Supply.SNAPS, count=number),),
        booklet=True,
        caution="Small parts out of children's reach.",
        look=f"Closed, the {where} lies flat between the straps.",
    )


TECHNIQUE = Technique(
    id="straps-snapped",
    name="Straps, snapped",
    chapter="closures",
    finds=finds_straps(ClosureKind.SNAPS),
    sews=snapped,
    rank=8,
    draw="strap",
)
