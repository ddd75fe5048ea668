"""Hooks: on what, how many."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Need
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import ClosureKind, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import Panel


def hooks_of(bench: Workbench, *, lapped: bool) -> Iterator[Duty]:
    for closure in bench.closures.values():
        if closure.kind is ClosureKind.HOOK_AND_EYE:
            join = bench.joins.get(closure.join)
            on_band = join is not None and Panel.BAND in bench.panels((*join.a, *join.b)) and not bench.is_faced(join)
            if on_band == lapped:
                yield single(closure.id)


def held_by_hooks(bench: Workbench) -> tuple[Need, ...]:
    tacked = (
        Need(facts.join(Fact.ATTACHED, join.id), "the facing lies in its place", where_given=True)
        for join in bench.joins.values()
        if bench.is_faced(join)
    )
    turned = (
        Need(facts.finish(Fact.FINISHED, f.id), "the band is whole", where_given=True)
        for f in bench.finishes.values()
        if f.kind is FinishKind.TURNED and not pieces_of(f.parts) & bench.inner
    )
    open_ = (
        Need(facts.detail(Fact.FINISHED, d.id), "the opening is stitched round", where_given=True)
        for d in bench.details_of(DetailKind.SLIT)
        if bench.openings.opens_above(d)
    )
    return (*tacked, *turned, *open_)
