"""A pouch pocket: its mouths are hemmed, its other edges turned in, and it is sewn across the front."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, looks, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.pocket_bags import finished, given, ready
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Setting
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import DetailKind
from rowanseed.core.pattern.pieces import SLANTING

ID = "pouch pocket"
WITHIN = 5.0
"""The row of a mouth's hem runs so far inside its raw edge, in mm."""
TACK = 10.0
"""Each end of a mouth is sewn over for so much, in mm (common practice, no source)."""


def finds(bench: Workbench) -> Iterator[Duty]:
    """Pouches with their edges; a seam down the middle of one that is cut in halves is a seam like any other."""
    for detail in bench.details_of(DetailKind.POUCH):
        own = [id for id in bench.parts_of(detail) if id in bench.finishes]
        if detail.pieces and detail.on and any(p.edge == SLANTING for id in own for p in bench.finishes[id].parts):
            yield single(detail.id, *own)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, ID, duty.id)
    own = finished(bench, duty)
    edges = tuple(part for id in own for part in bench.finishes[id].parts)
    open_ = tuple(part for part in edges if part.edge == SLANTING)
    rest = tuple(part for part in edges if part.edge != SLANTING)
    deep = bench.edge_allowance(open_[0])
    at, setting = settings.neaten(bench.household)
    yield step(
        "neaten",
        Act.NEATEN,
        f"Neaten all edges: {step.name}",
        "Each edge by itself, round the corners in one run.",
        at=at,
        took=minutes.neaten(bench.around(own)),
        setting=setting,
        needs=(
            *ready(bench, detail),
            *(
                Need(facts.join(Fact.PRESSED, join.id), "its halves are one first")
                for join in bench.joins.values()
                if pieces_of((*join.a, *join.b)) <= set(detail.pieces)
            ),
        ),
        gives=tuple(facts.finish(Fact.NEATENED, id) for id in own),
        on=On(pieces=detail.pieces, edges=shown((*rest, *open_))),
        look=looks.NEATENED,
    )
    yield step(
        "mouths",
        Act.TOPSTITCH,
        f"Hem both mouths: {step.name}",
        f"Fold {bench.margin(deep)} of each slanting edge to the wrong side and press; the slant runs off the grain: "
        "do not pull at it.",
        f"Stitch from the right side, {bench.margin(deep - WITHIN)} from the fold.",
        took=minutes.each(4, 2),
        setting=_stitched(bench, deep),
        needs=tuple(Need(facts.finish(Fact.NEATENED, id), "its edges are neatened first") for id in own),
        gives=tuple(facts.finish(Fact.TOPSTITCHED, id) for id in own),
        turned=Turned((deep,), row=deep - WITHIN),
        on=On(pieces=detail.pieces, edges=shown(open_)),
        look="Laid on each other, both mouths are equally long, and neither waves.",
    )
    yield step(
        "turn-in",
        Act.PRESS,
        f"Press in the other edges: {step.name}",
        "A card cut to the finished shape on the wrong side: press the upper edge over it, then the sides, then the "
        f"lower edge. {iron_for(bench, detail.pieces)}",
        at=Bench.IRON,
        took=minutes.each(5),
        needs=tuple(Need(facts.finish(Fact.TOPSTITCHED, id), "the mouths are hemmed first") for id in own),
        gives=(Fact.PREPARED,),
        turned=Turned(),
        on=On(pieces=detail.pieces, edges=shown((*rest, *open_))),
        caution=HOT,
        look="Folded down its middle, both halves of the pocket are alike, and no raw edge looks out.",
    )
    front = bench.names(detail.on)
    yield step(
        "sew-on",
        Act.ATTACH,
        f"Sew the pouch pocket on the {front}",
        f"Press a crease down the middle of the {front} and of the pocket. Both right side up, crease on crease, the "
        "pocket's upper edge between its marks; pin from the middle outwards.",
        f"Edgestitch {bench.margin(2)} from the fold along the upper edge, from corner to corner. Then from the lower "
        "end of one mouth down the side, along the bottom and up the other side. Both mouths stay open.",
        f"At both ends of each mouth sew {bench.margin(TACK)} back and forth, or a narrow zigzag: it takes the strain.",
        took=minutes.each(12),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.PREPARED: "its edges are in"},
        gives=(*given(bench, duty), *(facts.finish(Fact.ATTACHED, id) for id in own)),
        on=On(pieces=(*detail.pieces, *detail.on), finishes=own, edges=shown(rest)),
        caution=NEEDLE,
        booklet=True,
        look="Both hands go in and meet, and the pocket lies level, without pulling the front.",
    )


def _stitched(bench: Workbench, deep: float) -> Setting:
    """The row of a mouth's hem: one that gives, on a knit."""
    if bench.household.is_knit:
        return settings.seam(bench.household)
    return settings.topstitch(bench.household, bench.margin(deep - WITHIN))


TECHNIQUE = Technique(
    id=DetailKind.POUCH.value,
    name="Pouch pocket",
    chapter="pockets and small parts",
    finds=finds,
    sews=sews,
    rank=11,
    also=("kangaroo pocket",),
    draw="patch pocket",
)
