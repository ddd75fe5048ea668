"""Ties that close an edge."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.along_an_edge import on_closure
from rowanseed.core.make.families.bands import tied_band
from rowanseed.core.make.families.buttonholes import after_everything
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import closures_of, drawn_through, edges_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import ClosureKind, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import PointKind


def finds_ties(bench: Workbench) -> Iterator[Duty]:
    """Ties that run in no casing, are not sewn into the ends of a band, and are not these ends themselves."""
    of_band = {id for detail in bench.details_of(DetailKind.TIES) for id in detail.along}
    cased = {c.id for finish in edges_of(bench, FinishKind.CASING) for c in drawn_through(bench, finish)}
    for closure in closures_of(bench, ClosureKind.TIES):
        if closure.id not in cased and closure.join not in of_band and not tied_band(bench, closure):
            yield single(closure.id)


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
        on=on_closure(bench, duty.id),
        booklet=True,
        caution="Long ties can catch: short ones for a child, none at neck or hood; local rules may forbid more.",
        look="Tied, the edges lie as they should and do not gape.",
    )


TECHNIQUE = Technique(id="ties", name="Ties", chapter="closures", finds=finds_ties, sews=ties, rank=21, draw="belt")
