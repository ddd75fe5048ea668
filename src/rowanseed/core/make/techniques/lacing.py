"""Lacing through eyelets."""

from __future__ import annotations

import math
from collections.abc import Iterator

from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.along_an_edge import APART, how_many, on_closure
from rowanseed.core.make.families.buttonholes import after_everything
from rowanseed.core.make.operation import Act, Bench, Operation, Supply, Use
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import closures_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import ClosureKind


def finds_lacing(bench: Workbench) -> Iterator[Duty]:
    for closure in closures_of(bench, ClosureKind.LACING):
        yield single(closure.id)


def lacing(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step = of_closure(bench, "lacing", duty.id)
    yield step(
        "eyelets",
        Act.STAY,
        f"Work the eyelets: {step.name}",
        how_many(bench, duty.id),
        f"Both edges in pairs exactly opposite each other, {bench.margin(12)} from the edge, with a firm layer inside: "
        "canvas or a bone beside the row takes the strain.",
        "Push the threads apart with an awl instead of cutting; sew round closely with strong thread, or set metal "
        "eyelets with their tool after one on a scrap with the same layers.",
        at=Bench.HAND,
        took=minutes.each(6, 8),
        needs=tuple(after_everything(bench)),
        gives=(Fact.OPENED,),
        uses=(Use(Supply.EYELETS, count=2 * (1 + math.ceil(step.mm / APART))), Use(Supply.CORD, 6 * step.mm)),
        on=on_closure(bench, duty.id),
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
        on=on_closure(bench, duty.id),
        booklet=True,
        look="Drawn up, the gap is as wide at the top as below.",
    )


TECHNIQUE = Technique(
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
)
