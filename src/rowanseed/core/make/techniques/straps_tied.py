"""Straps, tied."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.buttonholes import after_everything
from rowanseed.core.make.families.strap_ends import ID, finds_straps, is_at_the_neck, is_of_a_bib
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import ClosureKind


def tied(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step = of_closure(bench, ID, duty.id)
    at_the_neck = is_at_the_neck(bench, duty)
    how = "tie both behind the neck in a bow" if at_the_neck else "tie front and back strap over each shoulder in a bow"
    yield step(
        "ties",
        Act.FASTEN,
        "Tie the straps and settle their length",
        f"Garment on, {how}; mark where the knot lies and how long the ends are to hang, take it off, cut all of them "
        "alike and turn their ends in again.",
        at=Bench.MIRROR,
        took=minutes.each(4),
        needs=tuple(after_everything(bench)),
        gives=(Fact.CLOSED,),
        booklet=True,
        caution="Loose ends can catch: sew or button a child's straps; local rules may forbid ties there.",
        look=_hangs_right(bench, duty),
    )


def _hangs_right(bench: Workbench, duty: Duty) -> str:
    """How one sees that what is tied sits as it should."""
    if not is_at_the_neck(bench, duty):
        return "Tied, the upper edge sits level, and both bows are alike."
    return "Tied, the bib hangs level." if is_of_a_bib(bench, duty) else "Tied, the upper edge lies on the body."


TECHNIQUE = Technique(
    id="straps-tied",
    name="Straps, tied",
    chapter="closures",
    finds=finds_straps(ClosureKind.TIES),
    sews=tied,
    rank=8,
    draw="strap",
)
