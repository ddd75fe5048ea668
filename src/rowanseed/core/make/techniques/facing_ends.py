"""The lower ends of facings at a hem: sewn across on the hem line and turned, before the hem is folded."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Need, On, Operation
from rowanseed.core.make.steps import of_finish
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.trimming import is_trimmed, narrowest
from rowanseed.core.make.which import ends_of_facings, hem_at_ends
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Finish


def finds(bench: Workbench) -> Iterator[Duty]:
    for finish in ends_of_facings(bench):
        yield single(finish.id)


def _cut(bench: Workbench, finish: Finish) -> str:
    cut = is_trimmed(narrowest(bench, finish.parts), 6.0)
    return f"Trim both to {bench.margin(6)} there," if cut else "Cut"


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    hem, facings = hem_at_ends(bench, finish), pieces_of(finish.parts)
    hems = (hem,) if hem is not None else ()
    half = bench.open_half
    step = of_finish(bench, "shaped facing", finish.id)
    on_edge = [j for j in bench.joins.values() if bench.is_faced(j) and pieces_of((*j.a, *j.b)) & facings]
    yield step(
        "close",
        Act.TURN,
        "Close the facing's lower ends at the hem",
        f"Turn the facing back to the right side along the finished {half} edge, right sides together; pin its lower "
        f"end across the {half}.",
        f"Sew across on the hem line, from the {half} edge to the facing's inner edge; backstitch both ends. "
        f"{_cut(bench, finish)} the corner across; what of the hem lies behind it is cut back to {bench.margin(10)}.",
        f"Turn it out, push the corner square with something blunt, and press. {iron_for(bench)}",
        took=minutes.each(6, 2),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        needs=(
            *(Need(facts.join(Fact.TURNED, j.id), "the edge is finished first", where_given=True) for j in on_edge),
            *(Need(facts.finish(Fact.LEVELLED, h.id), "the length is settled", where_given=True) for h in hems),
        ),
        gives=(Fact.FINISHED,),
        look=f"Closed, both {half} edges end at one level, and neither facing shows below the hem.",
    )


TECHNIQUE = Technique(
    id="facing-ends-at-the-hem",
    name="Lower ends of facings",
    chapter="edges",
    finds=finds,
    sews=sews,
    rank=20,
    draw="facing",
)
