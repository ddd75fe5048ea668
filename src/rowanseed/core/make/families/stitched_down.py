"""Seams whose allowances are stitched down."""

from __future__ import annotations

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, Operation
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.which import BODY, too_narrow, why_not_straight
from rowanseed.core.make.workbench import Workbench, both_sides, on_joins
from rowanseed.core.pattern.making import Join


def why_not_felled(bench: Workbench, join: Join) -> str:
    """Why a seam is not felled: its allowances cannot be folded in, or it is none of the shell."""
    if bench.panels((*join.a, *join.b)) - BODY:
        return "it does not lie between fronts, backs and sleeves"
    return why_not_straight(bench, join) or too_narrow(bench, join, 12)


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
