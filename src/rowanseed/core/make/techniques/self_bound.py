"""Self-bound seam."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.bound_seams import woven
from rowanseed.core.make.families.suited import finds_by, why_not_by
from rowanseed.core.make.operation import Act, Meant, Need, Operation
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.which import too_narrow, why_not_straight
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join


def _why_not(bench: Workbench, join: Join) -> str:
    return why_not_straight(bench, join) or too_narrow(bench, join, 13)


def by_itself(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    step = of_joins(bench, "self-bound seam", duty.id)
    yield sew(
        bench,
        duty.ids,
        "self-bound seam",
        how=(matching(bench, join), *plain_seams.stitching(bench, join, None)),
        run=plain_seams.run_of(bench, join),
        requires=tuple(plain_seams.order_needs(bench, join)),
        meant=frozenset({Meant.ENCLOSES}),
    )
    yield step(
        "trim",
        Act.TRIM,
        f"Bind one allowance with the other: {step.name}",
        f"Trim the allowance that will lie inside to {bench.margin(3)}. Turn the edge of the other in by "
        f"{bench.margin(3)}, wrap it over the trimmed one, and lay the fold on the row of stitching.",
        f"Stitch along that fold, through the allowances only, {bench.margin(1)} from the first row.",
        took=minutes.seam(1.5 * step.mm),
        after={Fact.JOINED: "it is sewn first"},
        gives=(Fact.GRADED,),
        look="No raw edge can be seen on the wrong side, no row on the right.",
    )
    yield press(
        bench,
        duty.ids,
        "self-bound seam",
        way="side",
        words="to the back",
        requires=(Need(facts.join(Fact.GRADED, join.id), "its allowance is wrapped first"),),
    )


TECHNIQUE = Technique(
    id="self-bound",
    name="Self-bound seam",
    chapter="seams",
    finds=finds_by(_why_not),
    why_not=why_not_by(_why_not),
    sews=by_itself,
    rank=46,
    usual=False,
    asks=woven,
    words={"self-bound": "one allowance of a seam wrapped round the other and stitched down"},
    draw="felled",
)
