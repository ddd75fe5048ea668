"""A blind hem and its neatening in one, at the overlocker."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hemming import DONE, begun, depth_of, hem_technique, needs_overlocker, on_hem
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench


def blind_overlocked(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = begun(bench, duty, "blind hem at the overlocker")
    yield from first
    yield step(
        "fold",
        Act.PRESS,
        f"Fold the hem up, then back on itself: {step.name}",
        f"Press {bench.margin(depth_of(step))} to the wrong side. Then fold that hem back to the right side, so that "
        f"its raw edge stands out {bench.margin(6)} beyond the new fold of the garment.",
        step.iron,
        at=Bench.IRON,
        took=minutes.press(2 * step.mm),
        needs=before,
        gives=(Fact.PREPARED,),
        look="The edge stands out beyond the second fold by the same amount all round.",
    )
    yield step(
        "sew",
        Act.HEM,
        f"Blind-hem at the overlocker: {step.name}",
        "The fold along the guide of the foot, so that the needle just catches it and the knife just trims the raw "
        "edge. Hem and neatening are done at once. Unfold, and press.",
        at=Bench.OVERLOCKER,
        setting=replace(
            settings.overlock(bench.household), stitch="blind hem, 2- or 3-thread", length=4.0, foot="blind-hem foot"
        ),
        after={Fact.PREPARED: "it is folded first"},
        gives=DONE,
        on=on_hem(step),
        booklet=True,
        look="From outside only small dots show, more than a hand-sewn hem would have.",
    )


TECHNIQUE = hem_technique(
    id="blind-overlocked",
    name="Blind hem at the overlocker",
    sews=blind_overlocked,
    rank=36,
    is_deep=True,
    asks=needs_overlocker,
    draw="blind hem",
    iso="103",
)
