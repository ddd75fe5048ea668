"""A hem held by two rows that stretch with a knit."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hemming import DONE, begun, depth_of, hem_technique, neatened, needs_machine, on_hem
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.hem_length import begins_at, run_of
from rowanseed.core.make.operation import Act, Bench, Operation, Setting
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.workbench import Workbench


def twin(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, first, before = begun(bench, duty, "twin-needle hem")
    yield from first
    knit = bench.sewn_as(pieces_of(bench.parts(duty.id))).is_knit
    if not knit:
        yield neatened(step, before)
    yield step(
        "fold",
        Act.PRESS,
        f"Press the hem up: {step.name}",
        f"{bench.margin(depth_of(step))} to the wrong side, once.",
        *(("A strip of light fusible in the fold of a soft knit keeps it from tunnelling.",) if knit else ()),
        step.iron,
        at=Bench.IRON,
        needs=before if knit else (),
        after={} if knit else {Fact.NEATENED: "its edge is finished before it is folded"},
        gives=(Fact.PREPARED,),
        turned=Turned((depth_of(step),)),
        look="Measured at several places the fold is equally deep, and the knit is not stretched along it.",
    )
    yield step(
        "sew",
        Act.HEM,
        f"Sew with the twin needle: {step.name}",
        "Right side up, both rows on the hem, the inner one just over its edge below; "
        f"{begins_at(bench, bench.finishes[duty.id])}.",
        "Both threads from separate spools; turn the handwheel once by hand: needle and plate must clear. Upper "
        "tension a little lower; ends to the wrong side, knotted.",
        *(("Trim what of the hem stands out beyond the inner row: a knit needs no other finish.",) if knit else ()),
        setting=Setting(
            "straight, two rows",
            3.0,
            settings.ORDINARY,
            "twin needle, ball-point 4.0/80" if knit else "twin needle 4.0/90",
            "both threads above",
            iso="406",
        ),
        after={Fact.PREPARED: "it is pressed first"},
        gives=DONE,
        run=run_of(bench, bench.finishes[duty.id]),
        turned=Turned((depth_of(step),), row=depth_of(step)),
        on=on_hem(step),
        booklet=True,
        look="Both rows are parallel and no ridge stands up between them.",
    )


TECHNIQUE = hem_technique(
    id="twin-needle-hem",
    name="Hem by twin needle",
    sews=twin,
    rank=37,
    asks=needs_machine,
    draw="twin needle",
)
