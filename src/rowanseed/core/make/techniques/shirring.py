"""Shirring in place of gathers."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.eased import fullness_ids, join_of
from rowanseed.core.make.families.gathering import why_not_so_full
from rowanseed.core.make.families.shirred import ID, chalked, from_side_to_side, shirred_rows
from rowanseed.core.make.families.suited import finds_of, why_not_of
from rowanseed.core.make.operation import On, Operation
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench, shown


def _why_not(bench: Workbench, id: str) -> str:
    return why_not_so_full(bench, id, 2.5)


def seam(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = join_of(bench, duty)
    step = of_joins(bench, ID, join.id)
    yield shirred_rows(
        step,
        On(joins=(join.id,), edges=shown(join.a)),
        lines=(
            chalked(bench),
            from_side_to_side(bench, curved=any(bench.bends.is_curved(p) for p in join.a)),
        ),
        needs=tuple(bench.flat_first([join.id])),
        given=(facts.join(Fact.DRAWN_UP, join.id),),
    )


TECHNIQUE = Technique(
    id="shirring",
    name="Shirring in place of gathers",
    chapter="fullness",
    finds=finds_of(fullness_ids, _why_not),
    why_not=why_not_of(fullness_ids, _why_not),
    sews=seam,
    rank=22,
    usual=False,
    draw="shirring",
)
