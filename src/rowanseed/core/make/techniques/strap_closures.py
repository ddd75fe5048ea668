"""Straps that are closed at one end: buttoned or snapped to the garment, or tied over the shoulder."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Operation, Supply, Use
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques.buttons import after_everything
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind

ID = "strap-closure"


def _strap(bench: Workbench, closure: Closure) -> Detail | None:
    """The straps whose free ends a closure is on."""
    finish = bench.finishes.get(closure.join)
    if finish is None:
        return None
    pieces = pieces_of(finish.parts)
    return next((d for d in bench.details_of(DetailKind.STRAP) if pieces <= set(d.pieces)), None)


def _finds(kind: ClosureKind) -> Callable[[Workbench], Iterator[Duty]]:
    def finds(bench: Workbench) -> Iterator[Duty]:
        for closure in bench.closures.values():
            if closure.kind is kind and _strap(bench, closure) is not None:
                yield single(closure.id)

    return finds


def _number(bench: Workbench, duty: Duty) -> int:
    strap = _strap(bench, bench.closures[duty.id])
    return strap.count if strap else 2


def buttoned(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, number = of_closure(bench, ID, duty.id), _number(bench, duty)
    yield step(
        "holes",
        Act.BUTTONHOLE,
        "Sew the buttonholes of the straps",
        "Garment on, the straps over the shoulders without a twist: mark on each strap where it meets the upper edge. "
        f"One buttonhole in the middle of each strap, along it, its end {bench.margin(15)} from the finished end; a "
        f"second one {bench.margin(25)} further up lets the strap be shortened.",
        "Cut them open from both ends to the middle, a pin across each end.",
        took=minutes.each(5, number),
        setting=settings.buttonhole(bench.household),
        needs=tuple(after_everything(bench)),
        gives=(Fact.OPENED,),
        booklet=True,
        caution="A blade slips: a pin across the end of the hole stops it.",
        look="Both straps have their holes at the same height.",
    )
    yield step(
        "buttons",
        Act.BUTTON,
        "Sew the buttons for the straps on",
        f"Inside the upper edge at the marks, through {'the facing' if bench.facings else 'the inner layer'} and what "
        "stiffens it, not through the right side; a small flat button behind takes the pull. A shank as long as the "
        "strap is thick.",
        at=Bench.HAND,
        took=minutes.each(4, number),
        after={Fact.OPENED: "they are marked through the holes"},
        gives=(Fact.CLOSED,),
        look="Buttoned, the upper edge lies flat between the straps.",
    )


def snapped(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, number = of_closure(bench, ID, duty.id), _number(bench, duty)
    yield step(
        "snaps",
        Act.FASTEN,
        "Sew the straps' snaps on",
        "Garment on, the straps over the shoulders without a twist: mark where each meets the upper edge. The ball "
        f"half on the under side of the strap, {bench.margin(10)} from its end, the socket inside the upper edge, "
        "through the inner layer only.",
        at=Bench.HAND,
        took=minutes.each(4, number),
        needs=tuple(after_everything(bench)),
        gives=(Fact.CLOSED,),
        uses=(Use(Supply.SNAPS, count=number),),
        booklet=True,
        caution="Small parts out of children's reach.",
        look="Closed, the upper edge lies flat between the straps.",
    )


def tied(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step = of_closure(bench, ID, duty.id)
    yield step(
        "ties",
        Act.FASTEN,
        "Tie the straps and settle their length",
        "Garment on, tie front and back strap over each shoulder in a bow; mark where the knot lies and how long the "
        "ends are to hang, take it off, cut all of them alike and turn their ends in again.",
        at=Bench.MIRROR,
        took=minutes.each(4),
        needs=tuple(after_everything(bench)),
        gives=(Fact.CLOSED,),
        booklet=True,
        caution="Loose ends can catch: sew or button a child's straps; local rules may forbid ties there.",
        look="Tied, the upper edge sits level, and both bows are alike.",
    )


def _technique(kind: ClosureKind, how: str, sews: Callable[[Workbench, Duty], Iterator[Operation]]) -> Technique:
    return Technique(
        id=f"straps-{how}",
        name=f"Straps, {how}",
        chapter="closures",
        finds=_finds(kind),
        sews=sews,
        rank=8,
        draw="strap",
    )


TECHNIQUES = (
    _technique(ClosureKind.BUTTONS, "buttoned", buttoned),
    _technique(ClosureKind.SNAPS, "snapped", snapped),
    _technique(ClosureKind.TIES, "tied", tied),
)
