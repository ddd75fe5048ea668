"""Straps that are closed at one end: which they are, how many."""

from __future__ import annotations

from collections.abc import Callable, Iterator

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


def number_of_straps(bench: Workbench, duty: Duty) -> int:
    strap = strap_of(bench, bench.closures[duty.id])
    return strap.count if strap else 2
