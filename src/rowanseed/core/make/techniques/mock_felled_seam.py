"""A seam pressed to one side and stitched down, which looks like a felled one."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.families.stitched_down import ripples, stitched_down, why_not_felled
from rowanseed.core.make.families.suited import finds_by, why_not_by
from rowanseed.core.make.neatening import neaten_together
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.shared import matching, press, sew
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Press


def mock_felled(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    yield sew(
        bench,
        duty.ids,
        "mock-felled seam",
        how=(matching(bench, join), *plain_seams.stitching(bench, join, None)),
        run=plain_seams.run_of(bench, join),
        requires=tuple(plain_seams.order_needs(bench, join)),
        rows=2,
    )
    yield neaten_together(bench, duty.ids, "mock-felled seam")
    yield press(
        bench,
        duty.ids,
        "mock-felled seam",
        way="side",
        words=join.press.words if join.press is not Press.OPEN else "to the back",
        requires=(Need(facts.join(Fact.FINISHED, join.id), "both edges are neatened together first"),),
    )
    yield stitched_down(
        bench,
        duty,
        "mock-felled seam",
        (f"Right side up, {bench.margin(6)} from the seam, through both allowances below.",),
        after=Fact.PRESSED,
    )


TECHNIQUE = Technique(
    id="mock-felled",
    name="Mock-felled seam",
    chapter="seams",
    finds=finds_by(why_not_felled),
    why_not=why_not_by(why_not_felled),
    sews=mock_felled,
    rank=42,
    usual=False,
    asks=ripples,
    also=("mock flat-felled seam", "welt seam"),
    draw="felled",
)
