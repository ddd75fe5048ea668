"""Band whose own ends are tied."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.along_an_edge import on_closure
from rowanseed.core.make.families.bands import is_tied_collar, tied_band
from rowanseed.core.make.families.buttonholes import after_everything
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import closures_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import ClosureKind


def finds(bench: Workbench) -> Iterator[Duty]:
    for closure in closures_of(bench, ClosureKind.TIES):
        if tied_band(bench, closure):
            yield single(closure.id)


@dataclass(frozen=True)
class _Words:
    """What is said of ends that are tied."""

    name: str
    how: tuple[str, str]
    look: str


OF_A_BAND = _Words(
    "band",
    (
        "The ends of the band are its ties: no others are sewn on. On the body cross them behind and tie them in a "
        "bow, behind or in front.",
        "If they hang too low, shorten both alike: undo the seam across the end, sew it again further in, and trim.",
    ),
    "the upper edge lies level",
)
OF_A_COLLAR = _Words(
    "collar",
    (
        "The ends of the collar are its ties: no others are sewn on. On the body close the front, and tie them in a "
        "loose bow over it, or knot them and let them hang.",
        "If they are too long, shorten both alike: undo the seam across the end, sew it again further in, and trim.",
    ),
    "the collar lies round the neck without a wrinkle",
)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step = of_closure(bench, "band tied", duty.id)
    words = OF_A_COLLAR if is_tied_collar(bench, tied_band(bench, bench.closures[duty.id])) else OF_A_BAND
    yield step(
        "ties",
        Act.FASTEN,
        f"Tie the ends of the {words.name}",
        *words.how,
        at=Bench.MIRROR,
        took=minutes.each(3),
        needs=tuple(after_everything(bench)),
        gives=(Fact.CLOSED,),
        on=on_closure(bench, duty.id),
        booklet=True,
        caution="Long ends can catch: short ones for a child; local rules may forbid more.",
        look=f"Tied, both loops and both ends are alike, and {words.look}.",
    )


TECHNIQUE = Technique(
    id="band-tied",
    name="Band whose ends are tied",
    chapter="closures",
    finds=finds,
    sews=sews,
    rank=20,
    draw="band tied",
)
