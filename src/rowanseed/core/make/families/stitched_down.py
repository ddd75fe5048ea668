"""Seams whose allowances are stitched down."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, Operation
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.which import straight_seams
from rowanseed.core.make.workbench import Workbench, both_sides, on_joins
from rowanseed.core.pattern.pieces import Panel


def finds_felled(bench: Workbench) -> Iterator[Duty]:
    """Straight seams of the shell whose allowances are wide enough to be folded in."""
    for join in straight_seams(bench):
        if bench.edge_allowance(join.a[0]) >= 12 and not bench.panels((*join.a, *join.b)) - {
            Panel.FRONT,
            Panel.BACK,
            Panel.SLEEVE,
        }:
            yield single(join.id)


def stitched_down(
    bench: Workbench, duty: Duty, technique: str, how: tuple[str, ...], after: Fact = Fact.GRADED
) -> Operation:
    """The row that holds the allowances down."""
    join = bench.joins[duty.id]
    return Operation(
        id=f"topstitch-{duty.id}",
        technique=technique,
        act=Act.TOPSTITCH,
        title=f"Stitch it down: {lower_first(join.name)}{both_sides(join)}",
        how=how,
        bench=Bench.MACHINE,
        minutes=minutes.seam(bench.around(duty.ids)),
        on=on_joins(bench, *duty.ids),
        requires=(Need(facts.join(after, duty.id), "the allowances lie to their side"),),
        gives=(facts.join(Fact.TOPSTITCHED, duty.id),),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        look="The row runs at one distance from the seam.",
    )


def ripples(bench: Workbench) -> str:
    """Why it does not suit a knit; empty for woven cloth."""
    return "a knit ripples under two rows and does not fray" if bench.household.is_knit else ""
