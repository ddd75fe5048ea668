"""The first row of a seam that is sewn twice, its raw edges inside."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.crossing import crossings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.operation import Act, Bench, Meant, Need, Operation
from rowanseed.core.make.run import Run
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import BLADES, Workbench, both_sides, on_joins

FRENCH = (6.0, 9.0)
"""The two rows of a French seam, in mm from the edge each: they make up an allowance of 15."""


def french(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    allowance = bench.edge_allowance(join.a[0])
    first = FRENCH[0] * allowance / sum(FRENCH)
    run = bench.runs.over(join.a, each_hand=join.each_hand, from_end=join.sewn_from == "end")
    name = f"{lower_first(join.name)}{both_sides(join)}"
    yield first_row(bench, duty, "French seam", f"First row, wrong sides together: {name}", first, allowance, run)
    yield sew(
        bench,
        duty.ids,
        "French seam",
        title=f"Second row, right sides together: {name}",
        how=(
            "Fold along the first row, right sides together, the row exactly on the fold; press it so.",
            f"{bench.margin(allowance - first)} from the fold, {bench.sewn_along(run)}. The raw edges are inside.",
        ),
        requires=(
            Need(facts.join(Fact.GRADED, join.id), "the first row is sewn and trimmed"),
            *plain_seams.order_needs(bench, join),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        run=run,
        rows=2,
        look="No whisker of the raw edges looks out of the seam on the right side.",
    )
    yield press(
        bench,
        duty.ids,
        "French seam",
        way="side",
        words="to the back",
        look="From outside it is a plain seam; inside a narrow fold lies to one side, and no thread looks out of it.",
    )


def first_row(
    bench: Workbench, duty: Duty, technique: str, title: str, first: float, allowance: float, run: Run
) -> Operation:
    lining = {p.piece for p in bench.parts(duty.id)} <= bench.linings
    matched = bench.ends_and_notches(bench.joins[duty.id])
    return Operation(
        id=f"first-{duty.id}",
        technique=technique,
        act=Act.TRIM,
        title=title,
        how=(
            f"Wrong sides together, {matched} matched: {bench.margin(first)} from the raw edge, {run.words}.",
            f"Trim both allowances to {bench.margin(3)}, cut off every whisker, and press to one side.",
            f"The two rows make up the allowance: {bench.margin(first)} and {bench.margin(allowance - first)} are "
            f"{bench.margin(allowance)}.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(bench.around(duty.ids), 1.5),
        on=on_joins(bench, *duty.ids),
        requires=(
            *bench.flat_first(duty.ids),
            # Whatever the seam goes across is sewn before its first row, not only before its second.
            *crossings(bench, *duty.ids),
            *plain_seams.order_needs(bench, bench.joins[duty.id]),
        ),
        gives=(facts.join(Fact.GRADED, duty.id),),
        setting=settings.seam(bench.household, lining=lining),
        run=run,
        rows=0,
        caution=BLADES,
        look="The row is even, and not a thread stands beyond the trimmed edge.",
    )
