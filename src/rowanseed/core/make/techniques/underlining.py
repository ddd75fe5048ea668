"""Underlining: basted to each piece, so that the two act as one."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.shared import before_backing
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import EdgePart

KEY = "back:"


def finds(bench: Workbench) -> Iterator[Duty]:
    for id in bench.underlined():
        yield single(f"{KEY}{id}")


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    id = duty.id.removeprefix(KEY)
    yield Operation(
        id=f"underline-{id}",
        technique="underlining",
        act=Act.BACK,
        title=f"Baste the underlining to the {bench.name(id)}",
        how=(
            "Wrong side on underlining, edges pinned; smooth it over the edge of the table, so that the underlining "
            f"is that much smaller, about {bench.margin(1)}.",
            f"Diagonal basting, bites of {bench.margin(12)}, {bench.margin(90)} apart, unknotted. From now on the "
            "two are one.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(12, bench.number_cut(id)),
        on=On(pieces=(id,), edges=shown(EdgePart(id, e.name) for e in bench.piece(id).edges)),
        requires=(before_backing(id),),
        gives=(facts.piece(Fact.BACKED, id),),
        leaves=("diagonal basting of the underlining",),
        look="Held up by its top edge, neither layer droops away from the other.",
    )


TECHNIQUE = Technique(
    id="underlining",
    name="Underlining",
    chapter="stiffen and back",
    finds=finds,
    sews=sews,
    rank=10,
    also=("mounting",),
    words={"underlining": "a second cloth basted to every piece before it is sewn, so that both are sewn as one"},
    draw="basted layer",
)
