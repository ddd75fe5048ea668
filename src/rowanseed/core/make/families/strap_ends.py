"""Straps that are closed at one end: which they are, how many."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make.families.bibs import bib_of, goes_round_the_neck
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind

ID = "strap-closure"


def strap_of(bench: Workbench, closure: Closure) -> Detail | None:
    """The straps whose free ends a closure is on."""
    finish = bench.finishes.get(closure.join)
    if finish is None:
        return None
    pieces = pieces_of(finish.parts)
    return next((d for d in bench.details_of(DetailKind.STRAP) if pieces <= set(d.pieces)), None)


def finds_straps(kind: ClosureKind) -> Callable[[Workbench], Iterator[Duty]]:
    def finds(bench: Workbench) -> Iterator[Duty]:
        for closure in bench.closures.values():
            if closure.kind is kind and strap_of(bench, closure) is not None:
                yield single(closure.id)

    return finds


def where_it_closes(bench: Workbench, duty: Duty) -> str:
    """What the free ends of straps are closed on: the edge they begin at, or a bib's band behind."""
    strap = strap_of(bench, bench.closures[duty.id])
    return "band at the back" if strap is not None and bib_of(bench, strap) is not None else "upper edge"


def is_at_the_neck(bench: Workbench, duty: Duty) -> bool:
    """Whether straps are closed behind the neck, as a bib's ties are, or those of a front that hangs from it."""
    strap = strap_of(bench, bench.closures[duty.id])
    return strap is not None and goes_round_the_neck(bench, strap)


def is_of_a_bib(bench: Workbench, duty: Duty) -> bool:
    strap = strap_of(bench, bench.closures[duty.id])
    return strap is not None and bib_of(bench, strap) is not None


def number_of_straps(bench: Workbench, duty: Duty) -> int:
    strap = strap_of(bench, bench.closures[duty.id])
    return strap.count if strap else 2
