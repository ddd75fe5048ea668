"""Questions to the making graph: which pieces face, which seams cross, which end is which."""

from __future__ import annotations

from rowanseed.core.geometry.outline import flatten
from rowanseed.core.pattern.making import EdgePart, Finish, FinishKind, Join, LayerKind, Making
from rowanseed.core.pattern.pattern import Pattern


def facings(making: Making) -> frozenset[str]:
    """Ids of the pieces that face others."""
    return frozenset(layer.piece for layer in making.layers if layer.kind is LayerKind.FACING)


def facing_of(pattern: Pattern, finish: Finish) -> tuple[EdgePart, ...]:
    """The facing's edges along a hem that is faced; none where it is turned up."""
    of = {(layer.of, layer.piece) for layer in pattern.making.layers if layer.kind is LayerKind.FACING}
    return tuple(
        EdgePart(piece, part.edge, part.hand)
        for part in finish.parts
        for base, piece in sorted(of)
        if base == part.piece and pattern.piece(piece).has_edge(part.edge)
    )


def pieces_of(parts: tuple[EdgePart, ...]) -> frozenset[str]:
    return frozenset(part.piece for part in parts)


def faces(join: Join, making: Making) -> bool:
    """Whether a join sews a facing to the garment."""
    facing = facings(making)
    return bool(pieces_of(join.a) & facing) != bool(pieces_of(join.b) & facing)


def within_facing(join: Join, making: Making) -> bool:
    """Whether a join is between facing pieces only."""
    return (pieces_of(join.a) | pieces_of(join.b)) <= facings(making)


def crossed_by(making: Making, parts: tuple[EdgePart, ...], but: str = "") -> tuple[Join, ...]:
    """The seams between the pieces of a chain of edges: what has to be sewn for the chain to exist.

    An edge of a single piece does not need the seam that joins that piece to its mirror image.
    """
    pieces = pieces_of(parts)
    return tuple(
        join
        for join in making.joins
        if join.id != but
        and pieces_of(join.a) | pieces_of(join.b) <= pieces
        and not (len(parts) == 1 and join.a[0].hand)
    )


def hems(making: Making) -> tuple[Finish, ...]:
    return tuple(finish for finish in making.finishes if finish.kind is FinishKind.HEM)


def is_curved(pattern: Pattern, size: str, part: EdgePart) -> bool:
    """Whether an edge strays more than 1 mm from the straight line between its ends."""
    points = flatten(pattern.piece(part.piece).shapes[size].edges[part.edge])
    (x0, y0), (x1, y1) = points[0], points[-1]
    long = ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5 or 1.0
    return any(abs((x - x0) * (y1 - y0) - (y - y0) * (x1 - x0)) / long > 1.0 for x, y in points)


def direction(pattern: Pattern, join: Join) -> tuple[str, str]:
    """Names of the edges at the end where a join's sewing begins and at the end where it stops."""
    first, last = join.a[0], join.a[-1]
    names = [edge.name for edge in pattern.piece(first.piece).edges]
    before = names[names.index(first.edge) - 1]
    last_names = [edge.name for edge in pattern.piece(last.piece).edges]
    after = last_names[(last_names.index(last.edge) + 1) % len(last_names)]
    return (before, after) if join.sewn_from == "start" else (after, before)


def hand_count(join: Join) -> str:
    return " (both sides)" if join.each_hand else ""


def made_of(making: Making, pieces: set[str], bands: set[str]) -> tuple[Join, ...]:
    """The joins that make up a band before it is put on: those among bands that reach the pieces."""
    reached = set(pieces)
    grown = True
    found: dict[str, Join] = {}
    while grown:
        grown = False
        for join in making.joins:
            here = pieces_of(join.a) | pieces_of(join.b)
            if here <= bands and here & reached and join.id not in found:
                found[join.id] = join
                reached |= here
                grown = True
    return tuple(found.values())
