"""Ease of a cap, or of any longer edge, drawn up by rows of long stitches before it is sewn in."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.cloth.cloth import Fibre
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques.plain_seam import DRAWN_UP_FROM
from rowanseed.core.make.workbench import Workbench, both_sides, shown
from rowanseed.core.pattern.making import DifferenceKind, Join
from rowanseed.core.pattern.pieces import MarkKind, Panel

KEY = "fullness:"


def finds(bench: Workbench) -> Iterator[Duty]:
    for join in bench.joins.values():
        eased = join.difference.kind is DifferenceKind.EASE and join.difference.amount >= DRAWN_UP_FROM
        if eased and bench.panels((*join.a, *join.b)) != {Panel.BAND}:
            yield single(f"{KEY}{join.id}")


def join_of(bench: Workbench, duty: Duty) -> Join:
    return bench.joins[duty.id.removeprefix(KEY)]


def _is_cap(bench: Workbench, join: Join) -> bool:
    return any(bench.panel(part.piece) is Panel.SLEEVE for part in join.a)


def _between(bench: Workbench, join: Join) -> str:
    notched = any(
        m.edge == p.edge and m.kind in (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH)
        for p in join.a
        for m in bench.piece(p.piece).marks
    )
    return (
        "between the notches" if notched else "along the upper half of the cap" if _is_cap(bench, join) else "along it"
    )


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
        on=On(joins=(join.id,), edges=shown(join.a)),
        requires=tuple(bench.flat_first([join.id])),
        gives=(facts.join(Fact.DRAWN_UP, join.id),),
        setting=settings.longest(bench.household, lining=pieces_of(join.a) <= bench.linings),
        leaves=(words,),
        rows=2,
        look="Measured along the stitching line, the edge is as long as the one it goes to.",
    )
    yield from taken_out(bench, join, words)


def taken_out(bench: Workbench, join: Join, words: str) -> Iterator[Operation]:
    """The rows that show come out once the seam holds."""
    yield Operation(
        id=f"remove-rows-{join.id}",
        technique="taking out rows",
        act=Act.REMOVE,
        title=f"Take out the rows that show: {lower_first(join.name)}{both_sides(join)}",
        how=(
            "The row on the garment's side of the stitching: snip it every few stitches and draw it out by its thread.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(2),
        on=On(joins=(join.id,), edges=shown(join.a)),
        requires=(_held(join),),
        removes=(words,),
        look="No holes or thread ends stay on the right side.",
    )


def _held(join: Join) -> Need:
    return Need(facts.join(Fact.JOINED, join.id), "the seam holds the fullness now")


def bias_strip(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join, _machine = join_of(bench, duty), bench.household.equipment.machine
    yield Operation(
        id=f"ease-{join.id}",
        technique="ease strip",
        act=Act.EASE,
        title=f"Stretch a bias strip on: {lower_first(join.name)}{both_sides(join)}",
        how=(
            f"A bias strip {bench.margin(25)} wide, as long as the upper half of the cap, on its wrong side in the "
            "allowance.",
            f"Sew it {bench.margin(3)} outside the stitching line, the strip stretched and the cap let lie: sprung "
            f"back, it draws the cap in by {bench.fine(join.difference.amount)}. It stays in.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(8),
        on=On(joins=(join.id,), edges=shown(join.a)),
        requires=tuple(bench.flat_first([join.id])),
        gives=(facts.join(Fact.DRAWN_UP, join.id),),
        setting=settings.longest(bench.household, lining=pieces_of(join.a) <= bench.linings),
        look="The cap curves over your hand without a pucker.",
    )


TECHNIQUES = (
    Technique(
        id="ease-rows",
        name="Ease rows",
        chapter="fullness",
        finds=finds,
        sews=rows,
        rank=20,
        also=("ease stitching",),
        words={"ease": "a little length worked into a shorter edge, so that no gathers show"},
        draw="rows",
    ),
    Technique(
        id="ease-strip",
        name="Bias strip stretched on",
        chapter="fullness",
        finds=finds,
        sews=bias_strip,
        rank=21,
        usual=False,
        draw="rows",
    ),
)
