"""Tiers of a skirt as they hang: each as wide at its top as the one above it, and somewhat wider at its foot."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from itertools import pairwise

from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.tiers import LOWER, hangs_from
from rowanseed.drawings.line.hanging import STANDS_OUT, Edges


def hung_below(
    pattern: Pattern, piece: Piece, size: str, edges: Edges, lying: Mapping[str, Edges]
) -> Callable[[Point], Point]:
    """Where the points of a tier's width lie below what it is gathered to, whose edges lie on the figure already."""
    own, above = hangs_from(pattern, piece)
    seam = sorted((q for p in above for q in lying[p.piece][LOWER]), key=lambda q: q[1])
    wide = [_across(pattern.piece(p.piece), size) for p in own]
    at = next(k for k, p in enumerate(own) if p.piece == piece.id)
    begins, whole = sum(wide[:at]), sum(wide)
    inner, deep = min(q[1] for run in edges.values() for q in run), max(q[0] for run in edges.values() for q in run)
    (_, low), (_, high) = seam[0], seam[-1]

    def hung(q: Point) -> Point:
        share = (begins + q[1] - inner) / whole
        y = low + share * (high - low)
        return (_down_at(seam, y) + q[0], y + share * (high - low) * (STANDS_OUT - 1.0) * q[0] / deep)

    return hung


def _across(piece: Piece, size: str) -> float:
    ys = [
        y for chain in piece.shapes[size].edges.values() for segment in chain for _, y in (segment.start, segment.end)
    ]
    return max(ys) - min(ys)


def _down_at(seam: list[Point], y: float) -> float:
    """How far down a seam lies, so far from the centre."""
    for (ax, ay), (bx, by) in pairwise(seam):
        if ay <= y <= by and by > ay:
            return ax + (bx - ax) * (y - ay) / (by - ay)
    return seam[0][0] if y < seam[0][1] else seam[-1][0]
