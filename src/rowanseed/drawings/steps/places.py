"""Where what is sewn on lies: between two marks of the pieces that carry it."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from shapely.geometry import Polygon
from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.joined import runs_against
from rowanseed.core.pattern.pieces import MOUTH, InnerPoint, Piece, PointKind
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps.hands import hand_of
from rowanseed.drawings.steps.paper import about
from rowanseed.drawings.steps.placing import Lying, as_drawn, opened_from
from rowanseed.drawings.steps.stack import Layer, Stuff

SHARE = 0.5
"""What carries a pocket is drawn so far about it, as a share of its size."""
FITS = 4.0
"""Two marks that name no piece are those of one that is as wide as they are apart, to so many mm."""


@dataclass(frozen=True)
class Place:
    """Two marks as they lie on the table, and what lies there: one piece, or two that are sewn together."""

    carriers: tuple[Lying, ...]
    names: tuple[str, ...]
    left: Point
    right: Point

    def layers(self, about_it: BaseGeometry) -> tuple[Layer, ...]:
        """The carrying pieces, as far as they are drawn about something."""
        window = about([list(about_it.envelope.exterior.coords)], SHARE)
        rings = [lying.cutting() if len(self.carriers) == 1 else lying.seam() for lying in self.carriers]
        return tuple(
            Layer(Polygon(ring).buffer(0).intersection(window), Stuff.RIGHT, name, window)
            for ring, name in zip(rings, self.names, strict=True)
        )


def place_of(bench: Workbench, id: str, wide: float) -> Place | None:
    """The place that is marked for a piece, by its id, or by how wide it is; None where none is marked, or two pieces
    carry it that no seam joins."""
    own = _marks_of(bench, id, wide)
    if len(own) != 2:
        return None
    (first, a), (last, b) = own
    carriers = (as_drawn(first, bench.size),) if first.id == last.id else _opened(bench, first, last)
    if not carriers:
        return None
    names = tuple(lying.piece.name for lying in carriers)
    drawn = hand_of(bench, first)
    if a.hand and drawn:
        # What one hand alone has is shown on that hand.
        carriers = carriers if drawn == a.hand else tuple(mirrored(lying) for lying in carriers)
        if bench.number_cut(first.id) > 1:
            names = tuple(f"{a.hand.capitalize()} {lower_first(name)}" for name in names)
    ends = (carriers[0].move(upright(a.at[bench.size])), carriers[-1].move(upright(b.at[bench.size])))
    left, right = sorted(ends)
    return Place(carriers, names, left, right)


def _marks_of(bench: Workbench, id: str, wide: float) -> list[tuple[Piece, InnerPoint]]:
    """The two marks of a piece with what carries each: by its id, else those that are as far apart as it is wide."""
    marked = [
        (piece, point)
        for piece in bench.pattern.pieces
        for point in piece.points
        if point.kind is PointKind.POCKET and bench.size in point.at
    ]
    own = [(piece, point) for piece, point in marked if point.id in (f"{id}-inner", f"{id}-outer")]
    if len(own) == 2:
        return own
    pairs = zip(marked[::2], marked[1::2], strict=False)
    return next((list(pair) for pair in pairs if _fits(bench, pair, wide)), [])


def mirrored(lying: Lying) -> Lying:
    """The piece of the other hand, with the same side up."""
    before = lying.move

    def move(p: Point) -> Point:
        x, y = before(p)
        return (-x, y)

    return replace(lying, move=move)


def _fits(bench: Workbench, pair: Sequence[tuple[Piece, InnerPoint]], wide: float) -> bool:
    (first, a), (last, b) = pair
    return first.id == last.id and abs(math.dist(a.at[bench.size], b.at[bench.size]) - wide) <= FITS


def _opened(bench: Workbench, first: Piece, last: Piece) -> tuple[Lying, ...]:
    """Two pieces beside each other at their seam."""
    for join in bench.joins.values():
        for side, other in ((join.a, join.b), (join.b, join.a)):
            one = tuple(part for part in side if part.piece == first.id)
            two = tuple(part for part in other if part.piece == last.id)
            if one and two:
                against = runs_against(bench.pattern, one[0], two[0])
                lying = as_drawn(first, bench.size)
                return lying, opened_from(lying, one, last, two, against=against)
    return ()


def mouth_of(piece: Piece, size: str) -> tuple[Point, Point]:
    """The ends of a piece's upper edge on its stitching line, the left one first, as it stands upright."""
    lying = as_drawn(piece, size)
    edge = next((edge.name for edge in piece.edges if edge.name in MOUTH), None)
    if edge is None:
        left, top, right, _ = Polygon(lying.seam()).bounds
        return (left, top), (right, top)
    chain = piece.shapes[size].edges[edge]
    ends = sorted(upright(p) for p in (chain[0].start, chain[-1].end))
    return ends[0], ends[1]


def width_of(piece: Piece, size: str) -> float:
    """How long a piece's upper edge is, in mm."""
    return math.dist(*mouth_of(piece, size))


def laid_between(piece: Piece, size: str, left: Point, right: Point, *, above: float = 0.0, head: bool = True) -> Lying:
    """A piece right side up with the middle of its upper edge between two points, `above` them by so many mm; turned
    upside down and wrong side up where its head is not `head` up."""
    (ax, ay), (bx, by) = mouth_of(piece, size)
    turn = math.atan2(right[1] - left[1], right[0] - left[0]) - math.atan2(by - ay, bx - ax)
    cos, sin = math.cos(turn), math.sin(turn)
    mid, onto = ((ax + bx) / 2, (ay + by) / 2), ((left[0] + right[0]) / 2, (left[1] + right[1]) / 2 - above)

    def move(p: Point) -> Point:
        x, y = p[0] - mid[0], (p[1] - mid[1]) * (1.0 if head else -1.0)
        return (onto[0] + x * cos - y * sin, onto[1] + x * sin + y * cos)

    return replace(as_drawn(piece, size), move=move, right_side_up=head)
