"""One button with a thread loop where two edges meet at the neck, above a keyhole or a slit."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.runs import slashed_edge
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import closures_of
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import ClosureKind, DetailKind


def finds(bench: Workbench) -> Iterator[Duty]:
    for closure in closures_of(bench, ClosureKind.BUTTON_LOOP):
        yield single(closure.id)


def _needs(bench: Workbench, id: str) -> Iterator[Need]:
    """The edges that it closes are finished, above and below."""
    for detail in bench.details_of(DetailKind.FACED_SLIT):
        if slashed_edge(bench, detail) == "neck":
            yield Need(facts.detail(Fact.FINISHED, detail.id), "the opening is faced and turned first")
    join = bench.closures[id].join
    yield Need(facts.join(Fact.ATTACHED, join), "the facing lies in its place", where_given=True)
    yield Need(facts.join(Fact.FINISHED, join), "the neck is finished", where_given=True)
    yield Need(facts.finish(Fact.FINISHED, join), "the neck is finished", where_given=True)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure = bench.closures[duty.id]
    yield Operation(
        id=f"loop-{duty.id}",
        technique="button loops",
        act=Act.FASTEN,
        title="Work the loop and sew on the button at the neck",
        how=(
            "At the top of the opening, on the edge that the hand holds when it buttons: four threads from one stitch "
            f"to another {bench.margin(6)} below it, as long as the button is wide and thick; buttonhole stitch over "
            "them, close together, back to where you began.",
            "The button on the other edge, level with the loop, through "
            f"{'facing and allowance' if bench.facings else 'the inner layers'} only, on a small shank.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(9),
        on=On(closures=(duty.id,), edges=shown(bench.parts(closure.join))),
        requires=tuple(_needs(bench, duty.id)),
        gives=(facts.closure(Fact.CLOSED, duty.id),),
        booklet=bench.booklet(duty.id),
        look="Buttoned, the edges meet at the top and neither stands higher.",
    )


TECHNIQUE = Technique(
    id="button-and-loop",
    name="Button and loop at the neck",
    chapter="closures",
    finds=finds,
    sews=sews,
    rank=20,
    draw="button loops",
)
