"""Sides of a lined shape, each in one ring."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bagged import ID, enclosing
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for_both
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import HOT, Workbench, shown

GAP = 140.0


def finds_sides(bench: Workbench) -> Iterator[Duty]:
    if bench.ring_sides:
        yield single(*bench.ring_sides)


def sews_sides(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    edges = enclosing(bench)
    within = tuple(id for id in duty.ids if pieces_of(bench.parts(id)) <= bench.linings)
    outer = bench.joins[duty.id]
    yield Operation(
        id="turn-out",
        technique=ID,
        act=Act.TURN,
        title="Turn it right side out",
        how=(
            "Reach in through an open side between shell and lining, take a front and draw it over the shoulder and "
            "out; then the other front.",
            "Push the corners out with something blunt; roll every edge between the fingers, the lining a little "
            f"inside, and press. {iron_for_both(bench)}",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(12),
        on=On(joins=tuple(j.id for j in edges)),
        requires=tuple(
            Need(facts.join(Fact.UNDERSTITCHED, j.id), "neck, fronts, armholes and hem are sewn first") for j in edges
        ),
        gives=(facts.layer(Fact.TURNED, "lining"),),
        caution=HOT,
        look="All edges are rolled in, and nothing is twisted at the shoulders.",
    )
    yield sew(
        bench,
        duty.ids,
        ID,
        title="Sew each side in one ring, shell and lining",
        how=(
            "Reach in between the layers: shell side front to shell back, lining side front to lining back, right "
            "sides together. Match the armhole seam and the hem seam, then the notches, and pin. It is one ring.",
            f"{bench.seam_of(outer)}: begin in the lining {bench.margin(80)} above the hem seam, over the hem seam, "
            "up the shell, over the armhole seam, down the lining, and stop: the first side where you began.",
            f"On the second side stop {bench.margin(GAP)} before you meet the beginning, backstitching both ends of "
            "that gap.",
        ),
        requires=(
            Need(facts.layer(Fact.TURNED, "lining"), "a bagged shape is closed at the sides last, after turning"),
            *(
                Need(facts.finish(Fact.ATTACHED, f.id), "it is caught in the sides", where_given=True)
                for f in bench.finishes.values()
            ),
        ),
        meant=frozenset({Meant.ENCLOSES, Meant.LEAVES_OPEN}),
        look="The armhole and hem seams run on across the side without a step.",
    )
    yield press(
        bench,
        duty.ids,
        ID,
        way="open",
        words="open",
        title="Press the sides through the gap",
        how=("Allowances open with the fingers as far as the iron goes in through the gap, then from outside.",),
        look="Pulled straight, the sides lie flat as far as the gap let the iron in.",
    )
    yield Operation(
        id="close-gap",
        technique="ladder stitch",
        act=Act.CLOSE,
        title="Close the gap in the lining",
        how=(
            f"Turn in the edges of the {bench.margin(GAP)} left open, fold on fold, and close it with ladder stitch: "
            "one small stitch in one fold, the next in the other, drawn together.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(GAP),
        on=On(
            joins=tuple(dict.fromkeys((*within, *duty.ids))),
            edges=shown(part for id in within for part in bench.parts(id)),
        ),
        requires=tuple(Need(facts.join(Fact.PRESSED, id), "the sides are pressed through the gap") for id in duty.ids),
        gives=(facts.layer(Fact.CLOSED, "lining"),),
        look="The gap cannot be told from the seam.",
    )


TECHNIQUE = Technique(
    id="sides-in-a-ring",
    name="Sides of a lined shape, each in one ring",
    chapter="layers",
    finds=finds_sides,
    sews=sews_sides,
    rank=10,
    draw="bagged side",
)
