"""Where a piece lies when its edge is put to another's: turned, turned over where the seam asks for it, and moved.

Points are those of a screen: pieces upright, right side up, as `upright` gives them.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from itertools import pairwise

from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import substring

from rowanseed.core.geometry.outline import Point, Segment, flatten, split_chain
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.shown import shown_lines

Move = Callable[[Point], Point]
Share = tuple[float, float]
"""From where to where along a line, of its whole length."""
Shares = tuple[Share, Share]
WHOLE: Shares = ((0.0, 1.0), (0.0, 1.0))


@dataclass(frozen=True)
class Lying:
    """A piece as it lies: how its points are moved, and which side of it is up."""

    piece: Piece
    size: str
    move: Move
    right_side_up: bool
    kept: BaseGeometry | None = None
    """What of the piece is seen, in its own upright frame, where it is folded: None for all of it."""

    def cutting(self) -> list[Point]:
        return self._moved([upright(p) for p in shown_lines(self.piece, self.size).cutting_ring()])

    def seam(self) -> list[Point]:
        return self._moved([upright(p) for p in shown_lines(self.piece, self.size).seam_ring()])

    def _moved(self, ring: list[Point]) -> list[Point]:
        if self.kept is not None:
            parts = Polygon(ring).buffer(0).intersection(self.kept)
            found = [part for part in getattr(parts, "geoms", [parts]) if isinstance(part, Polygon)]
            ring = [(x, y) for x, y in max(found, key=lambda part: part.area).exterior.coords[:-1]]
        return [self.move(p) for p in ring]

    def stitched(self, parts: Sequence[EdgePart]) -> list[Point]:
        """The stitching line of edges one after the other, or of their parts from mark to mark, in ring order."""
        return [self.move(upright(p)) for p in parts_line(self.piece, self.size, parts)]

    def raw(self, part: EdgePart) -> list[Point]:
        return [self.move(upright(p)) for p in shown_lines(self.piece, self.size).cutting[part.edge]]


def part_line(piece: Piece, size: str, part: EdgePart) -> list[Point]:
    """The stitching line of an edge in the piece's frame, or of its part from mark to mark."""
    seam = shown_lines(piece, size).seam[part.edge]
    at = [mark_distance(piece, size, piece.mark(mark)) for mark in (part.from_mark, part.to_mark) if mark]
    if not at:
        return list(seam)
    chain = tuple(Segment(a, b) for a, b in pairwise(seam))
    if part.from_mark and part.to_mark:
        first, last = sorted(at)
        return flatten(split_chain(split_chain(chain, last)[0], first)[1])
    before, after = split_chain(chain, at[0])
    return flatten(after if part.from_mark else before)


def in_ring_order(piece: Piece, parts: Sequence[EdgePart]) -> list[EdgePart]:
    """Edges of one piece in the order of its ring."""
    names = [edge.name for edge in piece.edges]
    places = sorted(parts, key=lambda part: names.index(part.edge))
    held = {names.index(part.edge) for part in places}
    # A run of edges may pass the end of the ring: it begins where the edge before is not of it.
    first = next((k for k in sorted(held) if (k - 1) % len(names) not in held), min(held))
    return sorted(places, key=lambda part: (names.index(part.edge) - first) % len(names))


def parts_line(piece: Piece, size: str, parts: Sequence[EdgePart]) -> list[Point]:
    """The stitching lines of edges of one piece, in the order of its ring."""
    return [p for part in in_ring_order(piece, parts) for p in part_line(piece, size, part)]


def as_drawn(piece: Piece, size: str, *, right_side_up: bool = True) -> Lying:
    """A piece by itself, seen from its right side, or from its wrong one."""
    return Lying(piece, size, (lambda p: p) if right_side_up else (lambda p: (-p[0], p[1])), right_side_up)


def laid_on(
    under: Lying,
    one: Sequence[EdgePart],
    piece: Piece,
    other: Sequence[EdgePart],
    *,
    against: bool,
    shares: Shares = WHOLE,
    met_at: float = 0.5,
) -> Lying:
    """Another piece on top of one, right sides together, edge on edge.

    `shares` are how much of each of the two lines lies on the other. `met_at` is where those meet that are not of one
    length: 0 at their beginning, 1 at their end.
    """
    line, own = under.stitched(one), [upright(p) for p in parts_line(piece, under.size, other)]
    # Edges that run against each other meet when the upper piece is turned over; the others belong to the other hand.
    turned = [(-x, y) for x, y in own][::-1] if against else own
    place = rigid(stretch(turned, shares[1]), stretch(line, shares[0]), met_at)
    move: Move = (lambda p: place((-p[0], p[1]))) if against else place
    return Lying(piece, under.size, move, not under.right_side_up)


def opened_from(
    lying: Lying,
    one: Sequence[EdgePart],
    piece: Piece,
    other: Sequence[EdgePart],
    *,
    against: bool,
    shares: Shares = WHOLE,
) -> Lying:
    """Another piece on the far side of the seam, the same side up: as it lies when the seam is opened out."""
    line, own = lying.stitched(one), [upright(p) for p in parts_line(piece, lying.size, other)]
    mirrored = not lying.right_side_up
    if not against:
        mirrored = not mirrored
    seen = [(-x, y) for x, y in own] if mirrored else own
    place = rigid(stretch(seen[::-1] if against else seen, shares[1]), stretch(line, shares[0]))
    move: Move = (lambda p: place((-p[0], p[1]))) if mirrored else place
    return Lying(piece, lying.size, move, lying.right_side_up)


def stretch(line: Sequence[Point], share: Share) -> list[Point]:
    """A part of a line."""
    if share == (0.0, 1.0):
        return list(line)
    return [(x, y) for x, y in substring(LineString(line), *share, normalized=True).coords]


def rigid(own: Sequence[Point], onto: Sequence[Point], met_at: float = 0.5) -> Move:
    """Turn and move a line so that it meets another and points the same way over the shorter's length."""
    reach = min(_length(own), _length(onto))
    if met_at > 0.5:
        own, onto = own[::-1], onto[::-1]
    a, b = own[0], _along(own, reach)
    p, q = onto[0], _along(onto, reach)
    turn = math.atan2(q[1] - p[1], q[0] - p[0]) - math.atan2(b[1] - a[1], b[0] - a[0])
    cos, sin = math.cos(turn), math.sin(turn)
    slack = (math.dist(p, q) - math.dist(a, b)) / 2 if met_at == 0.5 else 0.0
    ux, uy = ((q[0] - p[0]), (q[1] - p[1]))
    gone = math.hypot(ux, uy) or 1.0
    dx, dy = ux / gone * slack, uy / gone * slack

    def move(point: Point) -> Point:
        x, y = point[0] - a[0], point[1] - a[1]
        return (p[0] + dx + x * cos - y * sin, p[1] + dy + x * sin + y * cos)

    return move


def _length(line: Sequence[Point]) -> float:
    return sum(math.dist(a, b) for a, b in pairwise(line))


def _along(line: Sequence[Point], distance: float) -> Point:
    gone = 0.0
    for a, b in pairwise(line):
        step = math.dist(a, b)
        if gone + step >= distance and step:
            t = (distance - gone) / step
            return (a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t)
        gone += step
    return line[-1]
