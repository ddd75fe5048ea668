"""Ties sewn into the ends of a waistband that laps: the one beneath comes out through a slot in the band."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.buttonholes import SLIPS, what_laps
from rowanseed.core.make.families.cords import belt_caution
from rowanseed.core.make.families.strips import folded_strip
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import closures_of
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import ClosureKind, Detail, DetailKind, FinishKind

WIDER = 6.0
"""The slot is so much longer than the tie is wide, in mm (common practice, no source)."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.TIES):
        own = set(detail.pieces)
        caught = (f.id for f in bench.finishes.values() if pieces_of(f.parts) <= own)
        tied = (c.id for c in closures_of(bench, ClosureKind.TIES) if c.join in detail.along)
        yield single(detail.id, *tied, *caught)


def _band(bench: Workbench, detail: Detail) -> tuple[str, ...]:
    """The inside of the band whose ends catch the ties."""
    return tuple(id for id in detail.along if id in bench.finishes)


def _side(bench: Workbench) -> str:
    match bench.pattern.envelope.figure:
        case Figure.MEN:
            return "The left end laps over the right, as men's garments do, so the slot is at the left side seam."
        case Figure.WOMEN:
            return "The right end laps over the left, as women's garments do, so the slot is at the right side seam."
        case _:
            return (
                f"Choose which {what_laps(bench)} laps over: the slot is at the side seam of that side, right where "
                "right laps over left."
            )


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "ties at a band", duty.id)
    band, closures = _band(bench, detail), tuple(id for id in duty.ids if id in bench.closures)
    finishes = tuple(id for id in duty.ids if id in bench.finishes)
    raw = tuple(id for id in finishes if bench.finishes[id].kind is FinishKind.CAUGHT)
    yield folded_strip(step, duty, "ties", f"{detail.count} of them; one end of each turned in, the other left raw.")
    yield step(
        "baste",
        Act.ATTACH,
        f"Baste the ties to the band's ends: {step.name}",
        "The band open, one tie to each end on the half that shows: right side up, raw end level with the band's, "
        f"midway between its seam and its fold; baste {bench.margin(5)} from the edge, in the allowance, where it "
        "stays. The tie lies on the band: the end is folded and sewn over it.",
        at=Bench.HAND,
        took=minutes.each(3, detail.count),
        after={Fact.PREPARED: "they are made up first"},
        needs=tuple(
            Need(facts.join(Fact.PRESSED, id), "the band is sewn on and pressed first")
            for id in detail.along
            if id in bench.joins
        ),
        gives=(
            Fact.FINISHED,
            *(facts.finish(fact, id) for id in finishes for fact in (Fact.FINISHED, Fact.ATTACHED)),
        ),
        on=On(pieces=detail.pieces, finishes=finishes, edges=shown(part for id in raw for part in bench.parts(id))),
        look="Both ties point into the band, as far from its seam as from its fold.",
        caution="Long ties can catch: short ones for a child, none at neck or hood; local rules may forbid more.",
    )
    yield step(
        "slot",
        Act.BUTTONHOLE,
        "Work the slot for the tie that lies beneath",
        f"{_side(bench)} The end beneath reaches there inside, and its tie comes out.",
        f"Try it on and mark the side seam on the band; a buttonhole upright in the middle of the band's height, "
        f"{bench.fine(detail.width + WIDER)} long: as long as the tie is wide and {bench.fine(WIDER)} more. Sew it "
        "through both layers, and cut it open with a pin across its end.",
        at=Bench.MACHINE,
        took=minutes.each(8),
        setting=settings.buttonhole(bench.household),
        after={Fact.FINISHED: "the ties are in the band"},
        needs=tuple(Need(facts.finish(Fact.FINISHED, id), "the band is whole before a hole is cut") for id in band),
        gives=tuple(facts.closure(Fact.OPENED, id) for id in closures),
        on=On(pieces=detail.on),
        caution=SLIPS,
        look="The tie slides through without folding.",
    )
    yield step(
        "tie",
        Act.FASTEN,
        "Thread the tie that lies beneath, and tie them",
        "Draw it out through the slot, lap the skirt, lead it round behind, and tie both at the side or in front.",
        at=Bench.MIRROR,
        took=minutes.each(2),
        needs=tuple(Need(facts.closure(Fact.OPENED, id), "the slot is cut first") for id in closures),
        gives=tuple(facts.closure(Fact.CLOSED, id) for id in closures),
        on=On(closures=closures, pieces=detail.on),
        caution=belt_caution(bench),
        booklet=True,
        look="The skirt laps smoothly under the band and stays shut when you walk and sit.",
    )


TECHNIQUE = Technique(
    id="wrap-ties",
    name="Ties at a lapped band",
    chapter="closures",
    finds=finds,
    sews=sews,
    rank=12,
    words={"slot": "an upright buttonhole that a tie goes through"},
    draw="belt",
)
