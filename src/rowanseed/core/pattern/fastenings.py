"""Fastenings of a garment by what they close: edges that open all the way, a cuff on each sleeve."""

from __future__ import annotations

from collections.abc import Collection

from rowanseed.core.pattern.making import Closure, ClosureKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, PointKind


def open_edges(join: Join) -> tuple[EdgePart, ...]:
    """The edges of a faced seam that open all the way: it may go on round the neck."""
    return tuple(p for p in join.a if p.edge != "neck")


def cuffs(pattern: Pattern, closure: Closure | None = None) -> frozenset[str]:
    """The bands that are sewn to sleeves: of this closure, or of all that button."""
    closures = (closure,) if closure is not None else pattern.making.closures
    buttoned = {c.join for c in closures if c.kind is ClosureKind.BUTTONS}
    panels = {piece.id: piece.panel for piece in pattern.pieces}
    found = set()
    for join in pattern.making.joins:
        pieces = {part.piece for part in (*join.a, *join.b)}
        if join.id in buttoned and any(panels.get(id) is Panel.SLEEVE for id in pieces):
            found |= {id for id in pieces if panels.get(id) is Panel.BAND}
    return frozenset(found)


def number_of(pattern: Pattern, size: str, kinds: Collection[PointKind], closure: Closure | None = None) -> int:
    """How many of these there are on the whole garment, or of one closure; each cuff has its own."""
    both = cuffs(pattern)
    own = cuffs(pattern, closure) if closure is not None else frozenset()
    total = 0
    for piece in pattern.pieces:
        here = sum(1 for q in piece.points if q.kind in kinds and size in q.at)
        mine = closure is None or (piece.id in own if own else piece.id not in both)
        total += here * (2 if piece.id in both else 1) if mine else 0
    return total
