"""How an invisible zip is sewn in, before its seam or after a band."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.crossing import crossings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.zips import (
    TAPE_ENDS,
    parts_beside,
    stiffened_opening,
    top,
)
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench

TAIL = 20.0


def invisible(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure, join, name, on = parts_beside(bench, duty)
    between = closure.from_mark is not None
    marks, upper, begin = ("zip marks", "mark", "upper mark") if between else ("zip mark", "stitching line", "top")
    yield from stiffened_opening(bench, closure, on, name)
    yield Operation(
        id=f"uncurl-{closure.id}",
        technique="invisible zip",
        act=Act.PRESS,
        title="Press the zip's coils flat",
        how=(
            "Zip open, face down, cool iron along the coils until they stand away from the tape. Not over the slider.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(2),
        on=On(closures=(closure.id,)),
        gives=(facts.closure(Fact.PREPARED, closure.id),),
        caution=HOT,
        look="The groove beside the coil can be seen.",
    )
    basting = "basting of the invisible zip"
    yield Operation(
        id=f"baste-{closure.id}",
        technique="invisible zip",
        act=Act.BASTE,
        title=f"Baste in the zip: {name}",
        how=(
            f"Chalk the stitching line, {bench.allowance(join)} from the edge, and the {marks} on the right side of "
            "both edges.",
            "Zip open, face down on the right side of the right edge: the coil exactly on the chalk line, the tape "
            f"towards the raw edge, {top(bench, closure)}. Baste through the tape.",
            f"Close the zip; on its free tape mark the upper {upper} and every seam or notch that has to meet. Open "
            "it, lay the free tape on the left edge the same way, mark on mark, and baste. Nothing is twisted.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(10),
        on=on,
        requires=(
            Need(facts.closure(Fact.PREPARED, closure.id), "flat coils let the needle come close"),
            Need(
                facts.join(Fact.NEATENED, join.id),
                "the edges of a zip opening are neatened before the zip",
                where_given=True,
            ),
            *crossings(bench, join.id),
            *bench.flat_first([join.id]),
        ),
        gives=(facts.closure(Fact.BASTED, closure.id),),
        leaves=(basting,),
        look="Closed, both edges are level at the top, and the seam lines meet.",
    )
    setting = settings.zip_foot(bench.household, invisible=True)
    yield Operation(
        id=f"zip-{closure.id}",
        technique="invisible zip",
        act=Act.INSERT_CLOSURE,
        title=f"Put in the invisible zip: {name}",
        how=(
            f"Zip open. Right edge first, from the {begin} down: the coil rolled up under the foot, the needle in the "
            "groove beside it, not through it. Stop at the zip mark and backstitch.",
            "Then the left edge, from the top down as well, to the same level.",
            *((f"{TAPE_ENDS}.",) if between else ()),
            "Take the basting out, close the zip and look. Push its tail aside; sew the free edges of the tape to "
            f"the allowances only. Longer than {bench.margin(TAIL)} below the mark: whip a new stop over the coil "
            "and cut it there.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(15),
        on=on,
        requires=(Need(facts.closure(Fact.BASTED, closure.id), "it is basted, so that both sides stay level"),),
        gives=(facts.closure(Fact.CLOSED, closure.id),),
        setting=setting,
        removes=(basting,),
        caution=NEEDLE,
        booklet=bench.booklet(closure.id),
        look="Closed, only the pull can be seen, and it slides without catching.",
    )
