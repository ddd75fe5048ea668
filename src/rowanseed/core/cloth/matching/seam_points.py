"""Where the two sides of a seam meet, and where a piece has its centre."""

from __future__ import annotations

from rowanseed.core.cloth.matching.ground import SHELL
from rowanseed.core.geometry.outline import Point, point_at
from rowanseed.core.lay.problem import MatchPoint
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, MarkKind, Piece
from rowanseed.core.pattern.seamline import mark_distance, mark_point


def runs_along(pattern: Pattern, size: str, part: EdgePart) -> bool:
    """Whether an edge runs more along the grain than across it."""
    chain = pattern.piece(part.piece).shapes[size].edges[part.edge]
    (x0, y0), (x1, y1) = chain[0].start, chain[-1].end
    return abs(x1 - x0) > abs(y1 - y0)


def meeting(pattern: Pattern, size: str, join: Join) -> tuple[MatchPoint, MatchPoint]:
    """Where both sides of a seam meet: at a pair of notches, or else where the seam ends below."""
    a, b = join.a[0], join.b[0]
    notches = _notch(pattern, size, a), _notch(pattern, size, b)
    if notches[0] is not None and notches[1] is not None:
        return MatchPoint(a.piece, notches[0]), MatchPoint(b.piece, notches[1])
    return MatchPoint(a.piece, below(pattern, size, a)), MatchPoint(b.piece, below(pattern, size, b))


def _notch(pattern: Pattern, size: str, part: EdgePart) -> Point | None:
    piece = pattern.piece(part.piece)
    marks = [m for m in piece.marks if m.edge == part.edge and m.kind in (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH)]
    lowest = max(marks, key=lambda m: mark_distance(piece, size, m), default=None)
    return None if lowest is None or len(marks) > 1 else mark_point(piece, size, lowest)


def below(pattern: Pattern, size: str, part: EdgePart) -> Point:
    """The lower end of an edge."""
    chain = pattern.piece(part.piece).shapes[size].edges[part.edge]
    return max(chain[0].start, chain[-1].end)


def centre_point(pattern: Pattern, piece: Piece, size: str) -> Point | None:
    """A point on the centre front or back of a piece: on its fold, its centre line or the seam of its two hands."""
    if piece.panel not in SHELL or size not in piece.shapes:
        return None
    fold = next((cut.fold for cut in piece.cuts if cut.fold), None)
    if fold is not None:
        return point_at(piece.shapes[size].edges[fold], 0.0)
    line = next((line for line in piece.lines if line.kind is LineKind.CENTRE), None)
    if line is not None:
        return line.ends[size][0]
    seam = next((j.a[0].edge for j in pattern.making.joins if j.a[0].hand and j.a[0].piece == piece.id), None)
    return None if seam is None else below(pattern, size, EdgePart(piece.id, seam))
