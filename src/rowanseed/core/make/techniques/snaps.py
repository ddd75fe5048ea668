"""Snaps, sewn on or riveted."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.along_an_edge import how_many, on_closure
from rowanseed.core.make.families.buttonholes import after_everything
from rowanseed.core.make.operation import Act, Bench, Operation, Supply, Use
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import closures_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import ClosureKind
from rowanseed.core.pattern.pieces import PointKind


def finds_snaps(bench: Workbench) -> Iterator[Duty]:
    for closure in closures_of(bench, ClosureKind.SNAPS):
        yield single(closure.id)


def snaps(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step = of_closure(bench, "snaps", duty.id)
    yield step(
        "snaps",
        Act.FASTEN,
        f"Sew on the snaps: {step.name}",
        how_many(bench, duty.id),
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
        on=on_closure(bench, duty.id),
        booklet=True,
        caution="A hammer or pliers for riveted snaps: fingers away, and small parts out of children's reach.",
        look="Closed, both edges are level and nothing shows outside.",
    )


TECHNIQUE = Technique(
    id="snaps",
    name="Snaps",
    chapter="closures",
    finds=finds_snaps,
    sews=snaps,
    rank=20,
    also=("press studs",),
    draw="snap",
)
