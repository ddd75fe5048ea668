"""Buttons that were evenly spaced stay so: an alteration that stretches one stretch of an edge shares it among them."""

from __future__ import annotations

from dataclasses import replace
from itertools import pairwise

from rowanseed.core.alter.frame import with_pieces
from rowanseed.core.geometry.outline import lerp
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import InnerPoint, Piece, PointKind

EVEN = 0.5
"""Gaps that differ by less than this, in mm, are even."""
SPACED = (PointKind.BUTTON, PointKind.BUTTONHOLE, PointKind.HOOK, PointKind.TIE)


def evenly_buttoned(before: Pattern, after: Pattern, size: str) -> Pattern:
    """The altered pattern with its buttons and buttonholes shared out again between the first and the last."""
    changed = []
    for piece in after.pieces:
        for kind in SPACED:
            if _is_even(before.piece(piece.id), size, kind) and not _is_even(piece, size, kind):
                piece = _spaced(piece, size, kind)
        if piece is not after.piece(piece.id):
            changed.append(piece)
    return with_pieces(after, changed) if changed else after


def _in_order(piece: Piece, size: str, kind: PointKind) -> list[InnerPoint]:
    return sorted((p for p in piece.points if p.kind is kind), key=lambda p: p.at[size])


def _is_even(piece: Piece, size: str, kind: PointKind) -> bool:
    gaps = [b.at[size][0] - a.at[size][0] for a, b in pairwise(_in_order(piece, size, kind))]
    return len(gaps) > 1 and max(gaps) - min(gaps) < EVEN


def _spaced(piece: Piece, size: str, kind: PointKind) -> Piece:
    points = _in_order(piece, size, kind)
    if len(points) < 3:
        return piece
    first, last = points[0].at[size], points[-1].at[size]
    places = {p.id: lerp(first, last, k / (len(points) - 1)) for k, p in enumerate(points)}
    moved = tuple(replace(p, at={**p.at, size: places[p.id]}) if p.id in places else p for p in piece.points)
    return replace(piece, points=moved)
