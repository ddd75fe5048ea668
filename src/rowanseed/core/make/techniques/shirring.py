"""Shirring in place of gathers."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.eased import KEY, join_of
from rowanseed.core.make.families.shirred import ID, chalked, from_side_to_side, needs_bobbin, shirred_rows
from rowanseed.core.make.operation import On, Operation
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DifferenceKind


def finds_seam(bench: Workbench) -> Iterator[Duty]:
    for join in bench.joins.values():
        if join.difference.kind is DifferenceKind.GATHERS and join.difference.amount <= 2.5:
            yield single(f"{KEY}{join.id}")


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
    finds=finds_seam,
    sews=seam,
    rank=22,
    usual=False,
    asks=needs_bobbin,
    draw="shirring",
)
