"""Gathers over a cord."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.families.eased import join_of, taken_out
from rowanseed.core.make.families.elastics import needs_zigzag
from rowanseed.core.make.families.gathering import finds, from_where, gathering_step, lengths_of, pinned, why_not
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.trimming import beside_a_cord
from rowanseed.core.make.workbench import Workbench


def over_cord(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = join_of(bench, duty)
    words = f"gathering cord of the {lower_first(join.name)}"
    away = beside_a_cord(bench.edge_allowance(join.a[0]))
    yield gathering_step(
        bench,
        join,
        "gathers over a cord",
        (
            f"Lay a thin strong cord{from_where(bench, join)}, {bench.margin(away)} from the raw edge and "
            "zigzag over it, wide enough never to pierce it.",
            pinned(bench, join),
            f"Draw the cloth along the cord {lengths_of(bench, join)}, and even it out.",
        ),
        leaves=(words,),
    )
    yield from taken_out(bench, join, words)


TECHNIQUE = Technique(
    id="gathers-over-a-cord",
    name="Gathers over a cord",
    chapter="fullness",
    finds=finds,
    why_not=why_not,
    sews=over_cord,
    rank=21,
    usual=False,
    asks=needs_zigzag,
    draw="rows",
)
