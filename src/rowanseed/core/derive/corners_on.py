"""The lining of a front whose corner a slant pocket has cut off: it is cut with the corner on, the pocket's side piece
laid in its place (common practice, no source)."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace

from rowanseed.core.derive.as_plain import Plain
from rowanseed.core.geometry.outline import Chain, chain_length
from rowanseed.core.pattern.making import Detail, DetailKind, EdgePart, Making
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Mark, Piece, Shape

TOUCH = 0.5
"""Edges that come to within so much of each other, in mm, go on into one another."""


@dataclass(frozen=True)
class _Corner:
    """A front, the side piece that has its corner, and the edges of both that run on beside the mouth: below it, and
    above it."""

    detail: Detail
    front: Piece
    side: Piece
    mouth: str
    below: str
    above: str

    def whole(self, size: str) -> tuple[Chain, Chain] | None:
        """The two edges as they were before; None where an alteration has parted them."""
        own, other = (piece.shapes[size].edges for piece in (self.front, self.side))
        pairs = (own[self.below], other[self.below]), (other[self.above], own[self.above])
        if any(math.dist(one[-1].end, two[0].start) > TOUCH for one, two in pairs):
            return None
        below, above = ((*one, *two) for one, two in pairs)
        return below, above


def slanted(pattern: Pattern) -> tuple[Detail, ...]:
    """The slant pockets that have cut a corner off."""
    return tuple(d for d in pattern.making.details if d.kind is DetailKind.SLANT_POCKET and d.along)


def can_have_corners_on(pattern: Pattern) -> bool:
    """Whether every corner that a slant pocket has cut off is on a piece that runs on where the front's edges end."""
    return all(_corner(pattern, detail) is not None for detail in slanted(pattern))


def _corner(pattern: Pattern, detail: Detail) -> _Corner | None:
    known = {piece.id: piece for piece in pattern.pieces}
    join = next((join for join in pattern.making.joins if join.id in detail.along), None)
    if join is None:
        return None
    for part in (*join.a, *join.b):
        front = known.get(part.piece)
        if front is None or front.id not in detail.on:
            continue
        names = [edge.name for edge in front.edges]
        k = names.index(part.edge)
        below, above = names[k - 1], names[(k + 1) % len(names)]
        for id in detail.pieces:
            side = known.get(id)
            if side is not None and side.frame == front.frame and side.has_edge(below) and side.has_edge(above):
                return _Corner(detail, front, side, part.edge, below, above)
    return None


def corners_on(pattern: Pattern, size: str) -> Plain:
    """The pattern in one size without its slant pockets, their corners on the fronts again. Where a corner cannot be
    put back it stays as it is."""
    was = pattern
    fronts: set[str] = set()
    for detail in slanted(pattern):
        corner = _corner(pattern, detail)
        whole = corner.whole(size) if corner is not None else None
        if corner is None or whole is None:
            continue
        fronts.add(corner.front.id)
        gone = frozenset(detail.pieces)
        front = _with_corner(corner, size, *whole)
        pieces = (front if p.id == front.id else p for p in pattern.pieces if p.id not in gone)
        making = _without(pattern.making, gone, EdgePart(front.id, corner.mouth), detail)
        pattern = replace(pattern, pieces=tuple(pieces), making=making)
    return Plain(pattern, was, frozenset(fronts))


def _with_corner(corner: _Corner, size: str, below: Chain, above: Chain) -> Piece:
    front, side, shape = corner.front, corner.side, corner.front.shapes[size]
    edges = {name: chain for name, chain in shape.edges.items() if name != corner.mouth}
    edges |= {corner.below: below, corner.above: above}
    own, other = (piece.shapes[size].edges for piece in (front, side))
    further = {
        # What is measured from an end that has moved on is measured from there.
        (front.id, corner.below, "end"): chain_length(other[corner.below]),
        (front.id, corner.above, "start"): chain_length(other[corner.above]),
        (side.id, corner.below, "start"): chain_length(own[corner.below]),
        (side.id, corner.above, "end"): chain_length(own[corner.above]),
    }

    def marks(piece: Piece) -> Iterator[Mark]:
        for mark in piece.marks:
            by = further.get((piece.id, mark.edge, mark.anchor), 0.0)
            yield replace(mark, distance={size: mark.distance[size] + by}) if by else mark

    known = {mark.id for mark in front.marks}
    beside = (mark for mark in marks(side) if mark.edge in (corner.below, corner.above) and mark.id not in known)
    return replace(
        front,
        shapes={size: Shape(edges, shape.grainline)},
        edges=tuple(edge for edge in front.edges if edge.name != corner.mouth),
        marks=(*(mark for mark in marks(front) if mark.edge != corner.mouth), *beside),
    )


def _without(making: Making, gone: frozenset[str], mouth: EdgePart, detail: Detail) -> Making:
    """The graph without a pocket's pieces."""

    def left(parts: tuple[EdgePart, ...]) -> tuple[EdgePart, ...]:
        return tuple(p for p in parts if p.piece not in gone and (p.piece, p.edge) != (mouth.piece, mouth.edge))

    joins = (replace(j, a=left(j.a), b=left(j.b)) for j in making.joins if left(j.a) and left(j.b))
    finishes = (replace(f, parts=left(f.parts)) for f in making.finishes if left(f.parts))
    return replace(
        making,
        joins=tuple(joins),
        finishes=tuple(finishes),
        layers=tuple(layer for layer in making.layers if layer.piece not in gone and layer.of not in gone),
        details=tuple(one for one in making.details if one is not detail),
    )
