"""A fly: the zip lies under a lap that is topstitched in a curve, with or without a shield behind it.

Fronts have extensions cut on for it, or the pattern has a facing and a shield.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.flies import (
    BEFORE,
    LAP,
    MET,
    basting_of,
    caught,
    faced,
    fly_of,
    own_parts,
    sides,
    whole,
)
from rowanseed.core.make.families.zips import after_seam, beside
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.steps import Steps, of_closure
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import closures_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import (
    ClosureKind,
    Join,
)

PIECES = 2
"""A facing and a shield."""


ROWS_OF_TAPE = (2.0, 6.0)
"""The free tape is sewn down so far from the teeth, in mm (common practice, no source)."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for closure in closures_of(bench, ClosureKind.FLY_ZIP):
        fly = fly_of(bench, closure, PIECES)
        yield single(closure.id, *(() if fly is None else (fly.id, *own_parts(bench, fly))))


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure = bench.closures[duty.id]
    join = bench.joins[closure.join]
    step = of_closure(bench, "fly zip", duty.id)
    on = On(closures=(closure.id,), edges=beside(bench, join, closure))
    lap, under, _ = sides(bench)
    foot = settings.zip_foot(bench.household, invisible=False)
    basting = "basting of the fly's lap"
    fly = fly_of(bench, closure, PIECES)
    inside = "extension" if fly is None else "facing"
    if fly is None:
        yield _extensions(bench, duty, step, on, join)
    else:
        yield from faced(bench, duty, step, on, fly)
    held = () if fly is None else caught(bench, duty, fly.pieces[1])
    yield step(
        "underlap",
        Act.BASTE if fly is None else Act.ATTACH,
        f"Sew the zip to the underlap: {step.name}",
        f"Zip closed, face up, under the {under} front's fold, the fold close beside the teeth, its stop "
        f"{bench.margin(6)} above the end of the opening. "
        + (
            "A shield, its edges finished, lies below, its raw edge level with the tape's."
            if fly is None
            else "The shield lies below, its open edges level with the tape's, its fold towards the other front."
        ),
        f"Edgestitch {bench.margin(2)} from the fold, through zip and shield, from the lower end to the waist.",
        took=minutes.each(8),
        setting=foot,
        after={Fact.PREPARED: "the folds are pressed first"},
        gives=(Fact.ATTACHED, *(() if fly is None else (facts.detail(Fact.FINISHED, fly.id), *whole(held)))),
        on=replace(on, finishes=held),
        look="The fold runs beside the teeth and does not cover them.",
    )
    yield step(
        "baste",
        Act.BASTE,
        f"Sew the free tape to the lap's {inside}: {step.name}",
        f"Lay the {lap} front's fold over the closed zip, so that it covers the underlap's row by "
        f"{bench.margin(BEFORE)}, centre on centre; baste it there by hand.",
        f"Turn to the wrong side: pin the free tape to the {inside} only, fold the front out of the way, and stitch "
        f"the tape down in two rows, {bench.margin(ROWS_OF_TAPE[0])} and {bench.margin(ROWS_OF_TAPE[1])} "
        "from the teeth. Nothing of this shows "
        "outside.",
        took=minutes.each(9),
        setting=foot,
        after={Fact.ATTACHED: "the underlap is sewn first"},
        gives=(Fact.BASTED,),
        leaves=(basting,),
        on=on,
        look="Opened, no pleat of the front is caught.",
    )
    yield step(
        "zip",
        Act.INSERT_CLOSURE,
        f"Topstitch the fly: {step.name}",
        f"Chalk the line on the {lap} front: {bench.margin(LAP)} from the fold, straight down and curving into the "
        "seam just below the stop. The shield pinned out of the way.",
        f"From the curve's end up to the waist, through front and {inside}; not over the metal stop. Then lay the "
        "shield back and bar the end of the curve through it with a few stitches on the spot.",
        "Take the basting out. The waist's end of the zip: slide open, let the band's seam cross the tape, put a stop "
        "above, and only then cut the tape level.",
        took=minutes.each(10),
        setting=settings.topstitch(bench.household, bench.margin(LAP)),
        after={Fact.BASTED: "the lap is basted and the tape is on"},
        gives=(Fact.CLOSED,),
        removes=(basting,),
        on=on,
        booklet=True,
        look="Closed, the fly lies flat, the zip cannot be seen, and it opens to the bar without strain.",
    )


def _extensions(bench: Workbench, duty: Duty, step: Steps, on: On, join: Join) -> Operation:
    lap, under, said = sides(bench)
    return step(
        "extensions",
        Act.PRESS,
        f"Press the fly's extensions: {step.name}",
        said,
        f"Take the basting of the opening out. The {lap} front: fold its extension in on the centre line and press. "
        f"The {under} front: fold {bench.margin(BEFORE)} outside the centre line, towards the raw edge, and press.",
        "If the fronts have no extensions, sew a fly facing to each edge first, interfaced, right sides together, and "
        f"press it in the same way. {iron_for(bench)}",
        at=Bench.IRON,
        took=minutes.each(6),
        needs=after_seam(bench, bench.closures[duty.id], join),
        gives=(Fact.PREPARED,),
        on=on,
        removes=(basting_of(bench.closures[duty.id]),),
        look=MET,
    )


TECHNIQUE = Technique(
    id="fly-zip",
    name="Fly zip",
    chapter="closures",
    finds=finds,
    sews=sews,
    rank=20,
    words={
        "fly": "a zip under a topstitched lap, as at the front of trousers",
        "shield": "a finished piece behind a fly, between zip and body",
    },
    draw="fly zip",
)
