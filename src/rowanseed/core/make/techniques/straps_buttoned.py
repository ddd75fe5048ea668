"""Straps, buttoned."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.buttonholes import after_everything
from rowanseed.core.make.families.strap_ends import ID, finds_straps, number_of_straps, where_it_closes
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import ClosureKind

FROM_THE_END, AGAIN = 15.0, 25.0
"""A hole ends so far before the strap's finished end; a second one lies so much further up, in mm (common practice, no
source)."""


def buttoned(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, number = of_closure(bench, ID, duty.id), number_of_straps(bench, duty)
    where = where_it_closes(bench, duty)
    yield step(
        "holes",
        Act.BUTTONHOLE,
        "Sew the buttonholes of the straps",
        f"Garment on, the straps over the shoulders without a twist: mark on each strap where it meets the {where}. "
        f"One buttonhole in the middle of each strap, along it, its end {bench.margin(FROM_THE_END)} from the finished "
        f"end; a second one {bench.margin(AGAIN)} further up lets the strap be shortened.",
        "Cut them open from both ends to the middle, a pin across each end.",
        took=minutes.each(5, number),
        setting=settings.buttonhole(bench.household),
        needs=tuple(after_everything(bench)),
        gives=(Fact.OPENED,),
        booklet=True,
        caution="A blade slips: a pin across the end of the hole stops it.",
        look="Both straps have their holes at the same height.",
    )
    yield step(
        "buttons",
        Act.BUTTON,
        "Sew the buttons for the straps on",
        f"At the marks, inside the {where}, through {'the facing' if bench.facings else 'the inner layer'} and what "
        "stiffens it, not through the right side; a small flat button behind takes the pull. A shank as long as the "
        "strap is thick.",
        at=Bench.HAND,
        took=minutes.each(4, number),
        after={Fact.OPENED: "they are marked through the holes"},
        gives=(Fact.CLOSED,),
        look=f"Buttoned, the {where} lies flat between the straps.",
    )


TECHNIQUE = Technique(
    id="straps-buttoned",
    name="Straps, buttoned",
    chapter="closures",
    finds=finds_straps(ClosureKind.BUTTONS),
    sews=buttoned,
    rank=8,
    draw="strap",
)
