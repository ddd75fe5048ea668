"""Straight pieces made wider or narrower: what a garment built of rectangles is fitted by."""

from __future__ import annotations

from rowanseed.core.alter.deform import deform, stretch
from rowanseed.core.alter.frame import with_pieces
from rowanseed.core.base.errors import NoPlaceFor, TooNarrow
from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.making import DifferenceKind, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Piece, Role

LEAST = 20.0


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


def change_girth(pattern: Pattern, size: str, at: str, by: float) -> Pattern:
    """Make one straight piece go `by` mm further round (less if negative). Raises AlterationError."""
    piece = next((p for p in straight_pieces(pattern, size) if p.id == at), None)
    if piece is None:
        raise NoPlaceFor("That is no straight piece of this pattern.", field="at")
    wide = girth(pattern, piece, size)
    if wide + by < LEAST:
        raise TooNarrow("The piece is", wide, "Narrow it by less.")
    points = [s.start for chain in piece.shapes[size].edges.values() for s in chain]
    middle = tuple((max(p[k] for p in points) + min(p[k] for p in points)) / 2 for k in (0, 1))
    reach = max(1.0, wide / 2 - max(0.0, -by) / 2)
    field, cuts = stretch((middle[0], middle[1]), girth_direction(pattern, piece, size), by, half=reach)
    return with_pieces(pattern, [deform(piece, size, field, cuts)])
