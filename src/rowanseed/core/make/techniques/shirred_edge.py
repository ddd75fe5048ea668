"""An edge turned in and shirred all round below its stitching, as the top of a skirt is."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.shirred import ID, all_round, chalked, shirred_rows, steamed
from rowanseed.core.make.operation import Need, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, FinishKind


def finds(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.SHIRRED_PANEL):
        edges = [bench.finishes.get(id) for id in detail.along]
        if len(edges) == 1 and edges[0] is not None and edges[0].kind is FinishKind.TURNED:
            yield single(detail.id)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, ID, duty.id)
    edge = bench.finishes[detail.along[0]]
    on = On(finishes=(edge.id,), edges=shown(edge.parts))
    yield shirred_rows(
        step,
        on,
        lines=(
            chalked(bench, detail.count, below_edge=True),
            all_round(bench),
            *(("The lining hangs out of the way: the rows go through the garment alone.",) if bench.linings else ()),
        ),
        needs=(Need(facts.finish(Fact.FINISHED, edge.id), "its edge is turned in and stitched first"),),
        given=(Fact.SEWN,),
    )
    yield steamed(step, on)


TECHNIQUE = Technique(
    id="shirred-edge",
    name="Edge shirred all round",
    chapter="fullness",
    finds=finds,
    sews=sews,
    rank=15,
    draw="shirring",
)
