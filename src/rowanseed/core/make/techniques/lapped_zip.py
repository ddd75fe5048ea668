"""A zip that one edge laps over."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.laps_of_zips import hands_of
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
from rowanseed.core.pattern.making import ClosureKind, Join


def _laps(bench: Workbench, join: Join) -> str:
    """Which side of a lapped zip lies on top."""
    hands = hands_of(bench, join)
    if hands is None:
        return "The front laps over the back; the back is the underlap."
    lap, under = hands
    return (
        f"The {lap} side laps over the {under}, as the wearer sees it; lap it the other way if your booklet does, or "
        "if that hand reaches it more easily."
    )


def lapped(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure, join, name, on = parts_beside(bench, duty)
    yield from stiffened_opening(bench, closure, on, name)
    setting = settings.zip_foot(bench.household, invisible=False)
    own = {
        "technique": "lapped zip",
        "on": on,
        "bench": Bench.MACHINE,
        "setting": setting,
        "caution": NEEDLE,
    }
    basting = "basting of the lap"
    upper = "upper mark, pivot, and across to the seam" if closure.from_mark else "upper edge"
    yield Operation(
        id=f"underlap-{closure.id}",
        act=Act.BASTE,
        title=f"Sew the zip to the underlap: {name}",
        how=(
            _laps(bench, join),
            shortened(bench, closure),
            "Take the basting of the opening out. Fold the underlap's allowance "
            f"{bench.margin(3)} outside the stitching line and press it.",
            f"Zip closed, face up under that fold, the fold close beside the coil, {top(bench, closure)}. Edgestitch "
            f"{bench.margin(2)} from the fold, from below the stop to the top.",
        ),
        minutes=minutes.each(8),
        requires=after_seam(bench, closure, join),
        gives=(facts.closure(Fact.PREPARED, closure.id),),
        removes=("basting of the lapped zip's opening",),
        look="The fold runs beside the coil all the way and does not cover it.",
        **own,  # type: ignore[arg-type]
    )
    yield Operation(
        id=f"baste-{closure.id}",
        technique="lapped zip",
        act=Act.BASTE,
        title=f"Baste the lap over the zip: {name}",
        how=(
            "Fold the lap on the stitching line and lay it over the closed zip, so that it just covers the other row.",
            f"Baste {bench.margin(12)} from the fold, through the lap and the zip's tape, straight down to the mark.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(5),
        on=on,
        requires=(Need(facts.closure(Fact.PREPARED, closure.id), "the underlap is sewn first"),),
        gives=(facts.closure(Fact.BASTED, closure.id),),
        leaves=(basting,),
        look="The lap covers the other row and the teeth down to the zip's end.",
    )
    yield Operation(
        id=f"zip-{closure.id}",
        act=Act.INSERT_CLOSURE,
        title=f"Stitch the lap: {name}",
        how=(
            f"Right side up: across below the stop from the seam, needle down, pivot, then up {bench.margin(11)} from "
            f"the fold to the {upper}. The slider moved out of the way.",
            "Take the basting out; bar the lower end with a few stitches on the spot.",
            *((ABOVE_THE_PULL,) if closure.from_mark else ()),
        ),
        minutes=minutes.each(8),
        requires=(Need(facts.closure(Fact.BASTED, closure.id), "it is basted first"),),
        gives=(facts.closure(Fact.CLOSED, closure.id),),
        removes=(basting,),
        booklet=bench.booklet(closure.id),
        look="Closed, the lap covers coil and underlap, and the row is parallel to the fold.",
        **own,  # type: ignore[arg-type]
    )


TECHNIQUE = Technique(
    id="lapped-zip",
    name="Lapped zip",
    chapter="closures",
    finds=finds_zips(ClosureKind.LAPPED_ZIP),
    why_not=why_not_zips(ClosureKind.LAPPED_ZIP),
    sews=lapped,
    rank=20,
    words={"underlap": "the part of an opening that lies below the other when it is closed"},
    draw="lapped zip",
)
