"""A skirt that hangs from a yoke at the waist: as wide as the yoke there, and wider below, in folds or flared."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping

from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.making import DifferenceKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.tiers import LOWER
from rowanseed.core.pattern.turned_yoke import WAIST, YOKE
from rowanseed.drawings.line.hanging import FULL_STANDS_OUT, HANGS_OUT, STANDS_OUT, ring_of

Edges = Mapping[str, list[Point]]


def yoke_of(pattern: Pattern, piece: Piece) -> Piece | None:
    """The yoke at the waist that a piece hangs from, drawn by itself."""
    if not piece.has_edge(YOKE) or piece.has_edge(WAIST) or piece.has_edge("shoulder"):
        return None
    for join in pattern.making.joins:
        parts = (*join.a, *join.b)
        if len(parts) == 2 and any(p.piece == piece.id and p.edge == YOKE for p in parts):
            other = next(pattern.piece(p.piece) for p in parts if p.piece != piece.id)
            return other if other.has_edge(WAIST) and other.frame != piece.frame else None
    return None


def hanging_from(pattern: Pattern, piece: Piece, edges: Edges, yoke: Edges) -> Callable[[Point], Point]:
    """Where the points of a piece lie once it hangs from its yoke, whose edges lie on the figure already."""
    seam = sorted(yoke[YOKE], key=lambda q: q[1])
    wide = seam[-1][1]
    ring = ring_of(edges, YOKE)
    if ring is not None:
        radius, whole = ring
        grows = HANGS_OUT * whole / (math.pi / 2)

        def turned(q: Point) -> tuple[float, float]:
            return math.hypot(*q) - radius, math.atan2(q[1], q[0]) / whole

        return lambda q: _hung(seam, *turned(q), wide, grows)
    top, across = min(x for x, _ in edges[YOKE]), max(y for _, y in edges[YOKE])
    long = max(x for run in edges.values() for x, _ in run) - top
    stands_out = STANDS_OUT if piece.has_edge(LOWER) else FULL_STANDS_OUT
    out = wide * (min(_fullness(pattern, piece), stands_out) - 1.0)
    return lambda q: _hung(seam, q[0] - top, q[1] / across, wide, out / long)


def _fullness(pattern: Pattern, piece: Piece) -> float:
    joins = (j for j in pattern.making.joins if any(p.piece == piece.id and p.edge == YOKE for p in j.a))
    return max((j.difference.amount for j in joins if j.difference.kind is DifferenceKind.GATHERS), default=1.0)


def _hung(seam: list[Point], down: float, share: float, wide: float, grows: float) -> Point:
    """So far down from the yoke's seam, at such a share of its width; so much wider for each mm down."""
    goal = share * wide
    after = next((k for k, q in enumerate(seam) if q[1] >= goal), len(seam) - 1)
    (ax, ay), (bx, by) = seam[max(0, after - 1)], seam[after]
    x = ax + (bx - ax) * (min(1.0, (goal - ay) / (by - ay)) if by > ay else 1.0)
    return (x + down, goal + share * grows * down)
