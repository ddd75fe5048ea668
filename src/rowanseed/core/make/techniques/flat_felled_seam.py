"""A seam whose one allowance is folded round the other and stitched down."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.stitched_down import ripples, stitched_down, why_not_felled
from rowanseed.core.make.families.suited import finds_by, why_not_by
from rowanseed.core.make.operation import Act, Bench, Meant, Need, Operation
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import BLADES, Workbench, both_sides, on_joins


def felled(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    allowance = bench.edge_allowance(join.a[0])
    yield sew(
        bench,
        duty.ids,
        "flat-felled seam",
        how=(
            matching(bench, join).replace("Right sides together", "Wrong sides together: the fell is seen outside"),
            *plain_seams.stitching(bench, join, None),
        ),
        run=plain_seams.run_of(bench, join),
        requires=tuple(plain_seams.order_needs(bench, join)),
        meant=frozenset({Meant.ENCLOSES}),
        rows=2,
    )
    yield _trimmed(bench, duty, "flat-felled seam", bench.margin(allowance / 2 - 1))
    yield stitched_down(
        bench,
        duty,
        "flat-felled seam",
        (
            "Fold the wider allowance over the trimmed one, its edge turned under against the seam; pin or press.",
            f"Edgestitch the fold down, {bench.margin(2)} from it, all the way.",
        ),
    )
    yield press(
        bench,
        duty.ids,
        "flat-felled seam",
        way="side",
        words="flat",
        requires=(Need(facts.join(Fact.TOPSTITCHED, join.id), "it is felled first"),),
        look="The wide allowance lies flat over the narrow one, and outside no ridge shows.",
    )


def _trimmed(bench: Workbench, duty: Duty, technique: str, to: str) -> Operation:
    join = bench.joins[duty.id]
    return Operation(
        id=f"trim-{duty.id}",
        technique=technique,
        act=Act.TRIM,
        title=f"Trim one allowance: {lower_first(join.name)}{both_sides(join)}",
        how=(f"Press both allowances to the back, then trim the lower one to {to}.",),
        bench=Bench.HAND,
        minutes=minutes.trim(bench.around(duty.ids)),
        on=on_joins(bench, *duty.ids),
        requires=(Need(facts.join(Fact.JOINED, duty.id), "it is sewn first"),),
        gives=(facts.join(Fact.GRADED, duty.id),),
        caution=BLADES,
        look="Folded over, the wide allowance reaches past the narrow one everywhere.",
    )


TECHNIQUE = Technique(
    id="flat-felled",
    name="Flat-felled seam",
    chapter="seams",
    finds=finds_by(why_not_felled),
    why_not=why_not_by(why_not_felled),
    sews=felled,
    rank=41,
    usual=False,
    asks=ripples,
    iso="2.04",
    draw="felled",
)
