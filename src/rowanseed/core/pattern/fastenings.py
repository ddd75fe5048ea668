"""Fastenings of a garment by what they close: edges that open all the way, a cuff on each sleeve."""

from __future__ import annotations

import math
from collections.abc import Collection
from itertools import pairwise

from rowanseed.core.pattern.making import Closure, ClosureKind, Detail, DetailKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Piece, PointKind
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.pattern.walk import part_length


def open_edges(join: Join) -> tuple[EdgePart, ...]:
    """The edges of a faced seam that open all the way: it may go on round the neck."""
    return tuple(p for p in join.a if p.edge != "neck")


def opens_at_top(pattern: Pattern, detail: Detail) -> bool:
    """Whether a slit is the part of a seam that is left open at its top: at a neck or a waist, not at a hem. Its dot is
    measured from the end that is open."""
    if detail.kind is not DetailKind.SLIT or detail.to_mark is None or len(detail.along) != 1:
        return False
    piece = pattern.piece(detail.to_mark[0])
    mark = piece.mark(detail.to_mark[1])
    if mark.anchor not in ("start", "end"):
        return False
    names = [edge.name for edge in piece.edges]
    k = names.index(mark.edge)
    return (names[(k + 1) % len(names)] if mark.anchor == "end" else names[k - 1]) in ("neck", "waist")


def opening_length(pattern: Pattern, size: str, closure: Closure) -> float | None:
    """How long an opening is on the stitching line, in mm, over all pieces that it runs past; None where no mark says
    where it ends."""
    if closure.to_mark is None:
        return None
    above = 0.0 if closure.from_mark is None else _along(pattern, size, closure, closure.from_mark)
    return _along(pattern, size, closure, closure.to_mark) - above


def _along(pattern: Pattern, size: str, closure: Closure, to_mark: tuple[str, str]) -> float:
    """How far a mark lies from the end where its seam begins: that from which the mark is measured."""
    id, name = to_mark
    piece, mark = pattern.piece(id), pattern.piece(id).mark(name)
    if mark.anchor not in ("start", "end"):
        return mark_distance(piece, size, mark)
    join = next((j for j in pattern.making.joins if j.id == closure.join), None)
    for side in (join.a, join.b) if join is not None else ():
        k = next((k for k, p in enumerate(side) if (p.piece, p.edge) == (id, mark.edge)), None)
        if k is not None:
            over = side[:k] if mark.anchor == "start" else side[k + 1 :]
            return mark.distance[size] + sum(part_length(pattern, size, p) for p in over)
    return mark.distance[size]


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


def fly_pieces(pattern: Pattern) -> frozenset[str]:
    """The pieces of flies, whose buttonholes are theirs alone."""
    return frozenset(id for d in pattern.making.details if d.kind is DetailKind.FLY for id in d.pieces)


def spacing(pattern: Pattern, size: str, kinds: Collection[PointKind], closure: Closure) -> tuple[float, ...]:
    """How far apart fastenings of these kinds lie on each piece of a closure, in mm, from the first one down."""
    out: list[float] = []
    for piece in pattern.pieces:
        if _has_part_in(pattern, piece, closure):
            at = sorted(q.at[size] for q in piece.points if q.kind in kinds and size in q.at)
            out += [math.dist(a, b) for a, b in pairwise(at)]
    return tuple(out)


def _has_part_in(pattern: Pattern, piece: Piece, closure: Closure) -> bool:
    """Whether a closure's fastenings may lie on a piece: a cuff's and a fly's belong to their own."""
    both, flies = cuffs(pattern), fly_pieces(pattern)
    own = flies if closure.kind is ClosureKind.BUTTON_FLY else cuffs(pattern, closure)
    return piece.id in own if own else piece.id not in both | flies


def holed(pattern: Pattern, closure: Closure) -> tuple[Piece, ...]:
    """The pieces that have the buttonholes of a closure."""
    marked = (p for p in pattern.pieces if any(q.kind is PointKind.BUTTONHOLE for q in p.points))
    return tuple(p for p in marked if _has_part_in(pattern, p, closure))


def number_of(pattern: Pattern, size: str, kinds: Collection[PointKind], closure: Closure | None = None) -> int:
    """How many of these there are on the whole garment, or of one closure; each cuff and each fly has its own."""
    both, total = cuffs(pattern), 0
    for piece in pattern.pieces:
        here = sum(1 for q in piece.points if q.kind in kinds and size in q.at)
        mine = closure is None or _has_part_in(pattern, piece, closure)
        total += here * (2 if piece.id in both else 1) if mine else 0
    return total
