"""Closures sewn on or set by hand: snaps, ties, lacing through eyelets."""

from __future__ import annotations

import math
from collections.abc import Iterator

from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques.buttons import after_everything
from rowanseed.core.make.which import closures_of, drawn_through, edges_of
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import ClosureKind, FinishKind
from rowanseed.core.pattern.pieces import PointKind

APART = 75.0
"""Snaps and eyelets stand about so far apart, in mm, where the pattern marks none (common practice)."""


def finds_snaps(bench: Workbench) -> Iterator[Duty]:
    for closure in closures_of(bench, ClosureKind.SNAPS):
        yield single(closure.id)


def finds_lacing(bench: Workbench) -> Iterator[Duty]:
    for closure in closures_of(bench, ClosureKind.LACING):
        yield single(closure.id)


def finds_ties(bench: Workbench) -> Iterator[Duty]:
    """Ties that run in no casing."""
    cased = {c.id for finish in edges_of(bench, FinishKind.CASING) for c in drawn_through(bench, finish)}
    for closure in closures_of(bench, ClosureKind.TIES):
        if closure.id not in cased:
            yield single(closure.id)


def _how_many(bench: Workbench, id: str) -> str:
    marked = bench.points_of(PointKind.BUTTON)
    if marked:
        return f"{marked} of them, at the marks."
    mm = bench.openings.zip_length(bench.closures[id])
    if mm is None:
        return "This pattern marks no places: one where it is strained most, the others evenly between the ends."
    return (
        f"This pattern marks no places: one near each end and the others between, {bench.margin(APART)} apart at most, "
        f"on the {bench.length(mm)} of the opening."
    )


def _on(bench: Workbench, id: str) -> On:
    return On(closures=(id,), edges=shown(bench.parts(bench.closures[id].join)))


def snaps(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step = of_closure(bench, "snaps", duty.id)
    yield step(
        "snaps",
        Act.FASTEN,
        f"Sew on the snaps: {step.name}",
        _how_many(bench, duty.id),
        f"The ball half on the wrong side of the overlap, {bench.margin(4)} inside its edge, through the inner layer "
        "only. Chalk the ball, close the garment as it is worn, press: the chalk shows where the socket half goes on "
        "the right side of the underlap.",
        "Three or four stitches side by side through each hole, over the rim; carry the thread under the snap from "
        "hole to hole. Riveted snaps: a scrap first, interfacing behind, and the tool that belongs to them.",
        at=Bench.HAND,
        took=minutes.each(4, max(3, bench.points_of(PointKind.BUTTON))),
        needs=tuple(after_everything(bench)),
        gives=(Fact.CLOSED,),
        uses=(Use(Supply.SNAPS, step.mm, bench.points_of(PointKind.BUTTON)),),
        on=_on(bench, duty.id),
        booklet=True,
        caution="A hammer or pliers for riveted snaps: fingers away, and small parts out of children's reach.",
        look="Closed, both edges are level and nothing shows outside.",
    )


def ties(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step = of_closure(bench, "ties", duty.id)
    marked = bench.points_of(PointKind.TIE)
    pairs = (f"{marked} pairs, at the marks, one of each pair to either edge.",) if marked > 1 else ()
    yield step(
        "ties",
        Act.FASTEN,
        f"Make and sew on the ties: {step.name}",
        *pairs,
        "If your pattern has pieces for them, make them up as they say; else a strip folded to its middle and again, "
        "edgestitched, its free end turned in. Long enough for a bow: try it with string on the body.",
        f"Raw end under by {bench.margin(10)}, on the inside of the edge; sew a square with a cross "
        "through the inner layers.",
        at=Bench.HAND,
        took=minutes.each(8, 2 * max(1, marked)),
        needs=tuple(after_everything(bench)),
        gives=(Fact.CLOSED,),
        on=_on(bench, duty.id),
        booklet=True,
        caution="Long ties can catch: short ones for a child, none at neck or hood; local rules may forbid more.",
        look="Tied, the edges lie as they should and do not gape.",
    )


def lacing(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step = of_closure(bench, "lacing", duty.id)
    yield step(
        "eyelets",
        Act.STAY,
        f"Work the eyelets: {step.name}",
        _how_many(bench, duty.id),
        f"Both edges in pairs exactly opposite each other, {bench.margin(12)} from the edge, with a firm layer inside: "
        "canvas or a bone beside the row takes the strain.",
        "Push the threads apart with an awl instead of cutting; sew round closely with strong thread, or set metal "
        "eyelets with their tool after one on a scrap with the same layers.",
        at=Bench.HAND,
        took=minutes.each(6, 8),
        needs=tuple(after_everything(bench)),
        gives=(Fact.OPENED,),
        uses=(Use(Supply.EYELETS, count=2 * (1 + math.ceil(step.mm / APART))), Use(Supply.CORD, 6 * step.mm)),
        on=_on(bench, duty.id),
        caution="An awl and an eyelet punch pierce fingers: work on a block, point away from you.",
        look="The cord's end goes through, and no eyelet pulls out when it is drawn.",
    )
    yield step(
        "lace",
        Act.FASTEN,
        f"Lace it up: {step.name}",
        f"Cord about {bench.length(6 * step.mm)} long. Crosswise from the lower end, or in a spiral with one cord, the "
        "lowest pair one step offset. Knot or bind both ends.",
        at=Bench.HAND,
        took=minutes.each(5),
        after={Fact.OPENED: "the eyelets are worked first"},
        gives=(Fact.CLOSED,),
        on=_on(bench, duty.id),
        booklet=True,
        look="Drawn up, the gap is as wide at the top as below.",
    )


TECHNIQUES = (
    Technique(
        id="snaps",
        name="Snaps",
        chapter="closures",
        finds=finds_snaps,
        sews=snaps,
        rank=20,
        also=("press studs",),
        draw="snap",
    ),
    Technique(id="ties", name="Ties", chapter="closures", finds=finds_ties, sews=ties, rank=21, draw="belt"),
    Technique(
        id="lacing",
        name="Lacing through eyelets",
        chapter="closures",
        finds=finds_lacing,
        sews=lacing,
        rank=20,
        words={
            "eyelet": "a small round hole sewn round or lined with metal, for a cord",
            "awl": "a pointed tool for holes",
        },
        draw="eyelet",
    ),
)
