"""A tie belt."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.cords import belt_caution
from rowanseed.core.make.families.strips import caught_in, on_strip, strip_technique
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind

GAP = 100.0
"""A belt is left open so far at the centre back, in mm, to be turned (common practice, no source)."""


def tie_belt(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "tie belt", duty.id)
    joins = tuple(id for id in duty.ids if id in bench.joins)
    if joins:
        yield step(
            "join",
            Act.JOIN,
            f"Join the belt's lengths: {step.name}",
            "Right sides together at the centre back, the grain running the same way; press open.",
            took=minutes.each(3),
            gives=tuple(facts.join(fact, id) for id in joins for fact in (Fact.JOINED, Fact.PRESSED)),
            meant=frozenset({Meant.ENCLOSES}),
            on=On(joins=joins, edges=shown(part for id in joins for part in bench.parts(id))),
            rows=0,
            look="The join stands across the belt, both lengths alike on either side of it.",
        )
    yield step(
        "made-up",
        Act.TURN,
        f"Sew the belt, and leave a gap: {step.name}",
        "Fold it lengthwise, right sides together. Sew from one end to the middle and from the other end to the "
        f"middle, ends across or slanting, leaving {bench.margin(GAP)} open at the centre back, backstitched on both "
        "sides: sewn from both ends it does not twist.",
        "Trim the corners across, turn with a blunt stick, roll the seam to the edge and press.",
        took=minutes.each(12),
        needs=(
            *(Need(facts.join(Fact.PRESSED, id), "its lengths are joined first") for id in joins),
            *(
                Need(facts.piece(Fact.STIFFENED, id), "interfacing goes on first", where_given=True)
                for id in detail.pieces
            ),
        ),
        gives=(Fact.PREPARED,),
        on=on_strip(bench, duty, finishes=False),
        rows=0,
        look="Held up by its ends it hangs straight.",
    )
    yield step(
        "close",
        Act.TACK,
        f"Close the belt's gap: {step.name}",
        "Ladder stitch, fold on fold. Edgestitch all round if the garment is topstitched.",
        "Carriers: a loop of thread at each side seam at the waist, long enough for the belt and a finger.",
        at=Bench.HAND,
        took=minutes.each(8),
        after={Fact.PREPARED: "it is turned first"},
        gives=caught_in(bench, duty),
        on=on_strip(bench, duty, finishes=True),
        booklet=True,
        caution=belt_caution(bench),
        look="The gap cannot be told from the seam.",
    )


TECHNIQUE = strip_technique(
    DetailKind.TIE_BELT,
    "Tie belt",
    tie_belt,
    words={"ladder stitch": "a hand stitch from fold to fold that draws a gap shut"},
)
