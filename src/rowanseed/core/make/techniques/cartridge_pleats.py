"""Cartridge pleats: a finished edge drawn up in deep even folds, each whipped to the band."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.crossing import crossings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bands import band_of
from rowanseed.core.make.families.eased import KEY, fullness_ids, join_of
from rowanseed.core.make.families.gathering import drawn_to, why_not_gathered
from rowanseed.core.make.families.suited import why_not_of
from rowanseed.core.make.families.waistbands import made_up, sides_first
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.walk import part_length

ROWS = (3.0, 28.0)
"""The two rows run so far from the edge, in mm (the craft's 1/8 and 1 1/8 in)."""
MARKS = 12.0


LEAST_FULL = 2.0
"""So many times as much cloth makes folds that stand (common practice, no source)."""


def _why_not(bench: Workbench, id: str) -> str:
    join = bench.joins[id.removeprefix(KEY)]
    if why_not_gathered(bench, id):
        return why_not_gathered(bench, id)
    if join.difference.amount < LEAST_FULL:
        return f"it takes {LEAST_FULL:g} times as much cloth, and here are {join.difference.amount:.2g} times"
    if not band_of(bench, join):
        return "there is no band that the folds could be whipped to"
    return "the gathered edge curves" if any(bench.bends.is_curved(p) for p in join.a) else ""


def finds(bench: Workbench) -> Iterator[Duty]:
    """Where much is gathered to a band, and the gathered edge does not curve; the folds are whipped to the band."""
    for id in fullness_ids(bench):
        if not _why_not(bench, id):
            yield single(id, id.removeprefix(KEY))


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = join_of(bench, duty)
    step = of_joins(bench, "cartridge pleats", join.id)
    threads = f"pleating threads of the {lower_first(join.name)}"
    on = On(joins=(join.id,), edges=shown(join.a))
    yield step(
        "gather",
        Act.GATHER,
        f"Draw up the cartridge pleats: {step.name}",
        f"Turn the edge in twice, {bench.margin(6)} each time, and baste: it is never inside a seam. A strip of "
        "flannel in the fold makes fuller pleats in thin cloth.",
        f"Mark the wrong side every {bench.margin(MARKS)} along two lines, {bench.margin(ROWS[0])} and "
        f"{bench.margin(ROWS[1])} from the fold, the marks exactly under each other; closer marks, smaller pleats.",
        "Two strong threads, knotted: running stitches in and out at the marks, both rows alike.",
        f"Draw both threads together to {drawn_to(bench, join)}, and fasten them; comb the folds even.",
        at=Bench.HAND,
        took=minutes.hand(2 * step.mm),
        needs=(*bench.flat_first([join.id]), *sides_first(bench, join.a)),
        gives=(Fact.DRAWN_UP,),
        leaves=(threads,),
        on=on,
        look="Every fold is as deep as its neighbours and stands straight out.",
    )
    band = band_of(bench, join) or ""
    yield step(
        "press-in",
        Act.TURN,
        f"Press in both long edges of the {bench.name(band)}",
        f"The edge that the pleats go to exactly on the stitching line, the inner one {bench.margin(2)} less than its "
        "allowance; then fold the band along its fold line, wrong sides together.",
        at=Bench.IRON,
        took=minutes.each(4),
        needs=(Need(facts.piece(Fact.STIFFENED, band), "interfacing goes on while it is flat", where_given=True),),
        gives=(facts.piece(Fact.PREPARED, band),),
        on=On(pieces=(band,)),
        look="Both edges are folded in along one line, and the band is equally wide from end to end.",
    )
    yield step(
        "sew",
        Act.BAND,
        f"Whip the folds to the {bench.name(band)}: {step.name}",
        "Right sides together, the finished edge of the folds level with the pressed edge of the band; quarters on "
        "quarters. Every fold by itself is whipped to it with two small stitches through its top, strong thread, "
        "waxed.",
        "The band is not sewn through: only its outer fold is caught.",
        at=Bench.HAND,
        took=minutes.hand(2.5 * sum(part_length(bench.pattern, bench.size, p) for p in join.b)),
        after={Fact.DRAWN_UP: "the folds are drawn up first"},
        needs=(
            *bench.flat_first([join.id]),
            *crossings(bench, join.id),
            *made_up(bench, band),
            *(
                Need(facts.closure(Fact.CLOSED, c.id), "the band goes on after the zip")
                for c in bench.openings.zips_at(join)
            ),
            Need(facts.piece(Fact.PREPARED, band), "its edges are pressed in first"),
            Need(facts.gate(Fact.SETTLED, "shell"), "the waist can still be taken in", where_given=True),
        ),
        gives=(Fact.JOINED,),
        meant=frozenset({Meant.ENCLOSES}),
        look="Lifted by the band, no fold hangs by one thread.",
        booklet=True,
    )
    yield step(
        "press",
        Act.PRESS,
        f"Lay the folds down from the band: {step.name}",
        "Open the band away from the folds and steam the seam from inside; the iron does not touch the pleats.",
        at=Bench.IRON,
        after={Fact.JOINED: "they are whipped on first"},
        gives=(Fact.PRESSED,),
        way="into the band",
        look="The folds stand side by side like the pipes of an organ, all equally deep.",
    )
    yield step(
        "remove-rows",
        Act.REMOVE,
        f"Draw the lower pleating thread out: {step.name}",
        f"The one {bench.margin(ROWS[1])} below the band; the upper one may stay.",
        at=Bench.HAND,
        took=minutes.each(3),
        after={Fact.JOINED: "the band holds the folds now"},
        removes=(threads,),
        gives=(facts.join(Fact.TOPSTITCHED, join.id),),
        on=on,
        look="The folds stay as they were whipped, and no thread of the rows is left.",
    )


TECHNIQUE = Technique(
    id="cartridge-pleats",
    name="Cartridge pleats",
    chapter="fullness",
    finds=finds,
    why_not=why_not_of(fullness_ids, _why_not),
    sews=sews,
    rank=23,
    usual=False,
    words={"whip": "sew two edges together with small slanting stitches over both"},
    draw="cartridge pleats",
)
