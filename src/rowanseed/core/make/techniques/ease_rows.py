"""Ease rows."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.cloth.cloth import Fibre
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.between_notches import notches
from rowanseed.core.make.families.eased import finds, join_of, taken_out, why_not
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, EdgeShown, On, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench, both_sides
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.pieces import Panel


def _is_cap(bench: Workbench, join: Join) -> bool:
    return any(bench.panel(part.piece) is Panel.SLEEVE for part in join.a)


UPPER_HALF = (0.25, 0.75)
"""The upper half of a cap, as a share of its length."""


def _eased(bench: Workbench, part: EdgePart, *, is_cap: bool) -> EdgeShown:
    """What of an edge the rows run along: from its first notch to its last, or the upper half of a cap."""
    along = notches(bench, part)
    if len(along) > 1:
        return EdgeShown(part.piece, part.edge, along[0].id, to_mark=along[-1].id)
    return EdgeShown(part.piece, part.edge, share=UPPER_HALF if is_cap and not along else (0.0, 1.0))


def _between(bench: Workbench, join: Join) -> str:
    notched = any(len(notches(bench, part)) > 1 for part in join.a)
    return (
        "between the notches" if notched else "along the upper half of the cap" if _is_cap(bench, join) else "along it"
    )


def _worked(bench: Workbench, join: Join) -> tuple[EdgeShown, ...]:
    """The edges that the rows run along: of a cap in two pieces the one that has its notches."""
    notched = tuple(part for part in join.a if len(notches(bench, part)) > 1)
    return tuple(_eased(bench, part, is_cap=_is_cap(bench, join)) for part in notched or join.a)


def _shaped(bench: Workbench, join: Join) -> str:
    if not _is_cap(bench, join):
        return "Steam the ease until the edge lies flat at its new length."
    if bench.household.fibre is Fibre.WOOL:
        return "Shrink the fullness over a ham with steam, the iron not beyond the stitching line."
    return "Press over a ham only to set the curve: this cloth does not shrink, so keep the cap round."


def rows(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join, _machine = join_of(bench, duty), bench.household.equipment.machine
    words = f"ease rows of the {lower_first(join.name)}"
    yield Operation(
        id=f"ease-{join.id}",
        technique="ease rows",
        act=Act.EASE,
        title=f"Ease-stitch: {lower_first(join.name)}{both_sides(join)}",
        how=(
            f"Two rows {_between(bench, join)}, {bench.margin(3)} to either side of the stitching line, longest "
            "stitch, ends left long.",
            f"Draw the bobbin threads up until the edge is {bench.fine(join.difference.amount)} shorter: it curves, "
            "and no gathers show.",
            _shaped(bench, join),
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(2 * bench.around([join.id]), 1),
        on=On(joins=(join.id,), edges=_worked(bench, join)),
        requires=tuple(bench.flat_first([join.id])),
        gives=(facts.join(Fact.DRAWN_UP, join.id),),
        setting=settings.longest(bench.household, lining=pieces_of(join.a) <= bench.linings),
        leaves=(words,),
        rows=2,
        look="Measured along the stitching line, the edge is as long as the one it goes to.",
    )
    yield from taken_out(bench, join, words)


TECHNIQUE = Technique(
    id="ease-rows",
    name="Ease rows",
    chapter="fullness",
    finds=finds,
    why_not=why_not,
    sews=rows,
    rank=20,
    also=("ease stitching",),
    words={"ease": "a little length worked into a shorter edge, so that no gathers show"},
    draw="rows",
)
