"""Seams that come apart where sizes are blended or a seam is taken in, trued: both sides share the difference.

Two edges that lean apart grow by unlike amounts where the width changes from one level to the next, the side of a
panel more than its middle. At the lower end of such a seam the longer side is taken up by half of it and the shorter
one let down, running out to nothing upwards and across the piece (common practice, no source). Middle, fold and
everything above the seam stay where they are.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass

from rowanseed.core.alter.change import TruedSeam
from rowanseed.core.alter.deform import Field, smooth
from rowanseed.core.alter.frame import frame_of, move_some
from rowanseed.core.alter.ring import is_let_in
from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Piece
from rowanseed.core.pattern.walk import fault

MOST = 12.0
"""A seam that is further apart, in mm, is not trued: something else is wrong with it."""
NOTICED = 0.05
TOLD = 1.0
"""A seam that is further apart, in mm, is told to be trued on the tissue: less is within a pencil's line."""
ROUNDS = 6
PARTS = 4
"""Into so many parts a curve is cut that is carried by a map which bends."""
NARROW = 30.0
"""An edge below the seam that is shorter, in mm, leaves nothing to run out over."""

_Place = Callable[[float], float]


def taken_apart(before: Pattern, after: Pattern, size: str) -> Iterator[TruedSeam]:
    """The seams between fronts and backs that a change takes apart, and that are trued for it."""
    for join in after.making.joins:
        ends, off = _further_apart(before, after, size, join)
        if ends and TOLD < abs(off) < MOST:
            longer, shorter = ends if off > 0 else ends[::-1]
            yield TruedSeam(longer=longer.piece, shorter=shorter.piece, by=abs(off) / 2)


def trued(before: Pattern, after: Pattern, size: str) -> Pattern:
    """The changed pattern with its seams between fronts and backs as far apart as they were before."""
    for _ in range(ROUNDS):
        settled = True
        for join in after.making.joins:
            ends, off = _further_apart(before, after, size, join)
            if ends and NOTICED < abs(off) < MOST:
                settled = False
                for end, by in zip(ends, (-off / 2, off / 2), strict=True):
                    after = move_some(after, end.pieces(after), size, end.let_down(by), PARTS)
        if settled:
            break
    return after


@dataclass(frozen=True)
class _LowerEnd:
    """Where an edge that runs down a piece ends: between `top` and `corner`, `far` the other end of the edge below."""

    piece: str
    top: Point
    corner: Point
    far: Point
    across: _Place
    """A place across the piece, with what darts in the edge below take in left out."""

    def pieces(self, pattern: Pattern) -> Iterator[Piece]:
        """The piece, and what is drawn on it."""
        own = pattern.piece(self.piece)
        yield own
        for layer in pattern.making.layers:
            if layer.of == self.piece and layer.piece != self.piece and pattern.piece(layer.piece).frame == own.frame:
                yield pattern.piece(layer.piece)

    def let_down(self, by: float) -> Field:
        """The corner `by` mm lower, running out upwards to the top of the edge, and across to the far corner."""
        long, near, far = self.corner[0] - self.top[0], self.across(self.corner[1]), self.across(self.far[1])

        def field(p: Point) -> Point:
            down = smooth((p[0] - self.top[0]) / long)
            beside = min(max((self.across(p[1]) - far) / (near - far), 0.0), 1.0)
            return (p[0] + by * down * beside, p[1])

        return field


def _further_apart(
    before: Pattern, after: Pattern, size: str, join: Join
) -> tuple[tuple[_LowerEnd, _LowerEnd] | None, float]:
    """The lower ends of a seam whose pieces have changed, and how much longer the first side has become, in mm.

    No ends for a seam that is as it was, or that does not run down between fronts and backs.
    """
    pieces = {part.piece for part in (*join.a, *join.b)}
    if all(before.piece(id).shapes[size] == after.piece(id).shapes[size] for id in pieces):
        return None, 0.0
    ends = _lower_ends(after, size, join)
    return ends, fault(after, size, join) - fault(before, size, join) if ends else 0.0


def _lower_ends(pattern: Pattern, size: str, join: Join) -> tuple[_LowerEnd, _LowerEnd] | None:
    """The lower ends of both sides of a seam that runs down between fronts and backs; None for any other seam."""
    if join.difference.kind is DifferenceKind.GATHERS or join.align != "both":
        return None
    one, other = (_lower_end(pattern, size, side) for side in (join.a, join.b))
    return None if one is None or other is None or one.piece == other.piece else (one, other)


def _lower_end(pattern: Pattern, size: str, side: tuple[EdgePart, ...]) -> _LowerEnd | None:
    if any(part.from_mark or part.to_mark for part in side):
        return None

    def lowest(part: EdgePart) -> float:
        edge = pattern.piece(part.piece).shapes[size].edges[part.edge]
        return max(edge[0].start[0], edge[-1].end[0])

    # A band let in keeps its depth: the bodice above it is trued.
    part = max((p for p in side if not is_let_in(pattern.piece(p.piece))), key=lowest, default=None)
    if part is None:
        return None
    piece, frame = pattern.piece(part.piece), frame_of(pattern, size, part.piece)
    if frame.panel not in (Panel.FRONT, Panel.BACK) or piece.panel not in (Panel.FRONT, Panel.BACK):
        return None
    edges, names = piece.shapes[size].edges, [spec.name for spec in piece.edges]
    edge, place = edges[part.edge], names.index(part.edge)
    top, corner = edge[0].start, edge[-1].end
    below = names[(place + 1) % len(names)]
    far = edges[below][-1].end
    if top[0] > corner[0]:
        top, corner = corner, top
        below = names[place - 1]
        far = edges[below][0].start
    runs_down = corner[0] - top[0] > abs(corner[1] - top[1])
    runs_across = abs(far[1] - corner[1]) > max(NARROW, abs(far[0] - corner[0]))
    if not runs_down or not runs_across:
        return None
    return _LowerEnd(part.piece, top, corner, far, frame.without_darts(below))
