"""Belt loops."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.strips import caught_in, folded_strip, on_strip, strip_technique
from rowanseed.core.make.operation import Act, Need, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind


def loops(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "belt loops", duty.id)
    yield folded_strip(
        step,
        duty,
        "strip for the loops",
        f"One long strip, then cut in {detail.count}: each as long as the belt is wide, {bench.margin(12)} of room, "
        f"and two turnings of {bench.margin(12)}.",
    )
    band = [
        j.id for j in bench.joins.values() if j.press.value == "band" and any(p.edge == "waist" for p in (*j.a, *j.b))
    ]
    yield step(
        "sew-on",
        Act.ATTACH,
        f"Sew the belt loops on: {step.name}",
        f"{detail.count} of them: one at each side seam, the others evenly between, none at the centre front over a "
        f"zip. Lower end right sides together on the garment just below the band, {bench.margin(6)} from the loop's "
        f"raw end, stitched back and forth; fold it up over that, leave {bench.margin(6)} slack, turn the upper end "
        "under, and bar it at the band's upper edge.",
        took=minutes.each(4, detail.count),
        after={Fact.PREPARED: "the strip is made up first"},
        needs=(
            *(Need(facts.join(Fact.PRESSED, id), "the band is on first") for id in band),
            *(
                Need(facts.finish(Fact.FINISHED, f.id), "the band is whole first", where_given=True)
                for f in bench.finishes.values()
                if f.id not in duty.ids and f.kind.value == "turned"
            ),
        ),
        gives=caught_in(bench, duty),
        on=on_strip(bench, duty, finishes=True),
        rows=0,
        booklet=True,
        look="The belt slides through, and every loop stands upright.",
    )


TECHNIQUE = strip_technique(
    DetailKind.BELT_LOOPS, "Belt loops", loops, words={"bar": "a few stitches over each other that hold an end"}
)
