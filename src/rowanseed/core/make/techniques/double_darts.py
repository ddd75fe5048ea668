"""Double-ended darts: from the middle outwards to both points, clipped at the waist."""

from __future__ import annotations

from collections.abc import Iterator
from statistics import fmean

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.shared import before_shaping
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.double_darts import double_darts_of
from rowanseed.core.pattern.making import DetailKind, EdgePart


def finds(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.DOUBLE_DARTS):
        if detail.on:
            yield single(detail.id)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "double-ended darts", duty.id)
    on = On(
        pieces=detail.on,
        edges=shown(EdgePart(id, edge.name) for id in detail.on for edge in bench.piece(id).edges),
    )
    drawn = [dart.takes for id in detail.on for dart in double_darts_of(bench.piece(id), bench.size)]
    taken = fmean(drawn) if drawn else detail.width
    wide = (f"Widest at the waist: each takes in {bench.fine(taken)} there.",) if taken else ()
    yield step(
        "darts",
        Act.DART,
        f"Sew the double-ended darts: {bench.names(detail.on)}",
        "Fold through both points, right sides together, the two waist marks on each other; pin there and at the "
        "points.",
        *wide,
        f"Begin at the waist and sew to one point, shortening the stitch to 1.5 for the last {bench.margin(20)}, off "
        "the cloth and tied; then, over the first stitches by a few, from the waist to the other point.",
        took=minutes.each(5, max(1, detail.count)),
        setting=settings.dart(bench.household, bench.margin(20), lining=set(detail.on) <= bench.linings),
        needs=tuple(need for id in detail.on for need in before_shaping(id)),
        gives=(Fact.SEWN,),
        on=on,
        rows=0,
        look="Both points run out without a dimple.",
    )
    yield step(
        "clip",
        Act.PRESS,
        f"Clip and press the double-ended darts: {bench.names(detail.on)}",
        f"Clip the fold at the waist to {bench.margin(4)} from the stitching, so that it can bend; press as sewn, then "
        "towards the centre over a ham, the points last.",
        iron_for(bench, detail.on),
        at=Bench.IRON,
        took=minutes.each(3, max(1, detail.count)),
        after={Fact.SEWN: "they are sewn first"},
        gives=(Fact.FINISHED, *(facts.piece(Fact.SHAPED, id) for id in detail.on)),
        on=on,
        look="The piece lies close at the waist and no fold pulls.",
    )


TECHNIQUE = Technique(
    id="double-darts",
    name="Double-ended darts",
    chapter="shape",
    finds=finds,
    sews=sews,
    rank=9,
    also=("fish-eye darts",),
    draw="dart",
)
