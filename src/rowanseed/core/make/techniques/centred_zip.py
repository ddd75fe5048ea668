"""A zip centred under a seam that is basted first."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.zips import (
    ABOVE_THE_PULL,
    after_seam,
    finds_zips,
    parts_beside,
    shortened,
    stiffened_opening,
    top,
    why_not_zips,
)
from rowanseed.core.make.operation import Act, Bench, Need, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import NEEDLE, Workbench
from rowanseed.core.pattern.making import ClosureKind


def centred(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure, join, name, on = parts_beside(bench, duty)
    yield from stiffened_opening(bench, closure, on, name)
    basting = "basting of the centred zip"
    yield Operation(
        id=f"baste-{closure.id}",
        technique="centred zip",
        act=Act.BASTE,
        title=f"Baste in the zip: {name}",
        how=(
            shortened(bench, closure),
            "Wrong side up, the basted part of the seam pressed open. The closed zip face down on it, the coil's "
            f"middle on the seam, {top(bench, closure)}.",
            "Baste both tapes through all layers.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(8),
        on=on,
        requires=after_seam(bench, closure, join),
        gives=(facts.closure(Fact.BASTED, closure.id),),
        leaves=(basting,),
        look="The teeth lie exactly along the basted seam, and the tape is flat on both sides.",
    )
    setting = settings.zip_foot(bench.household, invisible=False)
    yield Operation(
        id=f"zip-{closure.id}",
        technique="centred zip",
        act=Act.INSERT_CLOSURE,
        title=f"Put in the centred zip: {name}",
        how=(
            f"Right side up, {bench.margin(6)} from the seam: down one side, needle down, pivot, across below the "
            "stop, pivot, and up the other side; the slider moved out of the way.",
            *((f"Across above the slider as well, from row to row. {ABOVE_THE_PULL}",) if closure.from_mark else ()),
            "Take out both bastings: the zip's and the seam's over the opening.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(14),
        on=on,
        requires=(Need(facts.closure(Fact.BASTED, closure.id), "it is basted first"),),
        gives=(facts.closure(Fact.CLOSED, closure.id),),
        setting=setting,
        removes=(basting, "basting of the centred zip's opening"),
        caution=NEEDLE,
        booklet=bench.booklet(closure.id),
        look="Both folds meet over the coil, and the rows stand at one distance from them.",
    )


TECHNIQUE = Technique(
    id="centred-zip",
    name="Centred zip",
    chapter="closures",
    finds=finds_zips(ClosureKind.CENTRED_ZIP),
    why_not=why_not_zips(ClosureKind.CENTRED_ZIP),
    sews=centred,
    rank=20,
    draw="centred zip",
)
