"""A seam sewn twice and trimmed: for sheers, knits, lace, and wherever a seam should hold and not show."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.suited import finds_by, why_not_by
from rowanseed.core.make.neatening import is_lining
from rowanseed.core.make.operation import Act, Meant, Need, Operation, Setting
from rowanseed.core.make.settings import ORDINARY, needle
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.which import too_narrow, why_not_simple
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join, Press

BESIDE = 3.0


def _why_not(bench: Workbench, join: Join) -> str:
    return why_not_simple(bench, join) or too_narrow(bench, join, 6)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    step = of_joins(bench, "double-stitched seam", duty.id)
    yield sew(
        bench,
        duty.ids,
        "double-stitched seam",
        how=(matching(bench, join), *plain_seams.stitching(bench, join, None)),
        run=plain_seams.run_of(bench, join),
        requires=tuple(plain_seams.order_needs(bench, join)),
    )
    zigzag = bench.household.equipment.sews_zigzag
    yield step(
        "second",
        Act.NEATEN,
        f"Second row, and trim: {step.name}",
        f"Both allowances as one, a second row {bench.margin(BESIDE)} outside the first, in the allowance.",
        f"Trim {bench.margin(2)} beyond it, without touching the stitches.",
        after={Fact.JOINED: "it is sewn first"},
        gives=(Fact.FINISHED,),
        meant=frozenset({Meant.TOGETHER}),
        setting=Setting(
            "narrow zigzag, width 1.5" if zigzag else "straight",
            1.5,
            ORDINARY,
            needle(bench.household, lining=is_lining(bench, duty.ids)),
        ),
        look="The seam is narrow and does not curl.",
    )
    yield press(
        bench,
        duty.ids,
        "double-stitched seam",
        way="side",
        words=join.press.words if join.press is not Press.OPEN else "to the back",
        requires=(Need(facts.join(Fact.FINISHED, join.id), "its second row is sewn first"),),
    )


TECHNIQUE = Technique(
    id="double-stitched",
    name="Double-stitched seam",
    chapter="seams",
    finds=finds_by(_why_not),
    why_not=why_not_by(_why_not),
    sews=sews,
    rank=47,
    usual=False,
    draw="rows",
)
