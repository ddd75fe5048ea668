"""Straight pieces: what a garment built of rectangles is measured by."""

from __future__ import annotations

from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.making import DifferenceKind, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Piece, Role


def is_rectangle(piece: Piece, size: str) -> bool:
    """Whether a piece is four straight edges at right angles; not so if the size is not drawn."""
    if size not in piece.shapes:
        return False
    segments = [s for chain in piece.shapes[size].edges.values() for s in chain]
    straight = all(
        not s.is_curve and (abs(s.start[0] - s.end[0]) < 0.5 or abs(s.start[1] - s.end[1]) < 0.5) for s in segments
    )
    return straight and len(segments) == 4


def straight_pieces(pattern: Pattern, size: str) -> tuple[Piece, ...]:
    """The pieces of a garment that is built of rectangles, but for what is put on them, as pockets; none if any of its
    pieces is shaped."""
    cut = (p.id for view in pattern.envelope.views for p, _ in pattern.pieces_for(Role.MAIN, view.id))
    found = tuple(pattern.piece(id) for id in dict.fromkeys(cut))
    if not all(is_rectangle(piece, size) for piece in found):
        return ()
    made_on = {id for detail in pattern.making.details for id in detail.pieces}
    joined = {part.piece for join in pattern.making.joins for part in (*join.a, *join.b)}
    return tuple(piece for piece in found if piece.id not in made_on and (piece.id in joined or not joined))


def gathered(pattern: Pattern, piece: Piece) -> Join | None:
    """The seam that a piece is gathered into, as its first side."""
    return next(
        (
            join
            for join in pattern.making.joins
            if join.difference.kind is DifferenceKind.GATHERS and any(part.piece == piece.id for part in join.a)
        ),
        None,
    )


def girth_direction(pattern: Pattern, piece: Piece, size: str) -> Point:
    """The way in which a straight piece goes round the body: along the edge that it is gathered at, else a band along
    its grain and a panel across it."""
    join = gathered(pattern, piece)
    if join is None:
        return (1.0, 0.0) if piece.panel is Panel.BAND else (0.0, 1.0)
    edge = next(part.edge for part in join.a if part.piece == piece.id)
    chain = piece.shapes[size].edges[edge]
    across = abs(chain[-1].end[1] - chain[0].start[1]) > abs(chain[-1].end[0] - chain[0].start[0])
    return (0.0, 1.0) if across else (1.0, 0.0)


def girth(pattern: Pattern, piece: Piece, size: str) -> float:
    """How far a straight piece goes round the body, in mm."""
    along = girth_direction(pattern, piece, size)
    places = [
        along[0] * s.start[0] + along[1] * s.start[1] for chain in piece.shapes[size].edges.values() for s in chain
    ]
    return max(places) - min(places)
