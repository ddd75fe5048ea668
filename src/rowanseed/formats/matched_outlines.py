"""Outlines of a drawing matched to composed pieces by name, shape and size, their corners to the ends of the edges.

In mm.
"""

from __future__ import annotations

import math
import re
from bisect import bisect_right
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import accumulate

from shapely.affinity import scale, translate
from shapely.geometry import LineString, Polygon

from rowanseed.core.compose.listed import words_of
from rowanseed.core.geometry.outline import (
    Affine,
    Chain,
    Point,
    chain_length,
    flatten,
    point_at,
    transform_chain,
)
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Drawn, Piece
from rowanseed.core.pattern.seamline import lines
from rowanseed.formats.svg_read import ONE_SIZE, Drawing, DrawnPiece

EVERY = 4.0
"""Where a corner may be put along a drawn outline, in mm."""
NO_CORNER, NO_END = 20.0, 19.5
"""A corner that is put where the outline does not turn counts as so far away, in mm; a little less where one of its
segments ends."""
ENOUGH = 0.75
"""How alike an outline and a piece are at least, to be proposed: words of the name twice, shape once."""
NUMBERS = 0.25
"""What the same number in two names counts: tiers are told apart by it, sizes are not."""
NEARLY, ALIKE = 0.08, 25.0
"""Ways of lying that cover a piece nearly as well as the best are told apart by their corners; so much more, in mm², is
no difference there."""
TURNS = tuple(
    Affine(a=c, b=-s * m, c=s, d=c * m, e=0.0, f=0.0)
    for m in (1.0, -1.0)
    for c, s in ((1.0, 0.0), (-1.0, 0.0), (0.0, 1.0), (0.0, -1.0))
)
"""How a piece may lie on its page: turned by quarters, and the other side up."""


@dataclass(frozen=True)
class Binding:
    """An outline and the piece that it is. `turn` is one of TURNS; `corners` are where the edges of the piece begin, in
    their order: the number of a drawn edge and the share along it (2.5: half-way along the third)."""

    drawn: str
    piece: str
    turn: int
    corners: tuple[float, ...]


def drawn_sizes(drawing: Drawing, pattern: Pattern, size: str | None) -> Mapping[str, str]:
    """Size of the pattern → what the drawing calls it; `size` where it has one and does not name it."""
    if drawing.sizes == (ONE_SIZE,):
        return {size or pattern.envelope.sizes[0]: ONE_SIZE}
    named = {name.casefold(): name for name in drawing.sizes}
    return {one: named[one.casefold()] for one in pattern.envelope.sizes if one.casefold() in named}


def renamed(drawing: Drawing, sizes: Mapping[str, str]) -> Drawing:
    """A nest with its sizes called as the pattern calls them: drawn size → size of the pattern. Others are left out."""
    kept = tuple(sizes[drawn] for drawn in drawing.sizes if drawn in sizes)
    pieces = (replace(p, edges={sizes[s]: edges for s, edges in p.edges.items() if s in sizes}) for p in drawing.pieces)
    return replace(drawing, sizes=kept, pieces=tuple(pieces))


def called(drawing: Drawing, size: str) -> str:
    """What the drawing calls a size; its first one where it has no such size."""
    return next((name for name in drawing.sizes if name.casefold() == size.casefold()), drawing.sizes[0])


def propose(pattern: Pattern, drawing: Drawing, size: str, line: Drawn = Drawn.CUTTING) -> dict[str, Binding]:
    """For every outline the piece that it is most like, each piece once; those that are like none are left out. `line`
    is the line that is drawn."""
    goals = [(piece, Goal(piece, size, line)) for piece in pattern.pieces]
    scores = []
    for drawn in drawing.pieces:
        turned = _turned(drawn, called(drawing, size))
        for piece, goal in goals:
            alike = max((alike for _, alike in _turns(turned, goal.shape)), default=0.0)
            named = _named_alike(drawn.name, piece.name)
            scores.append((2 * named + alike, drawn.id, piece.id))
    found: dict[str, Binding] = {}
    for score, id, piece_id in sorted(scores, key=lambda row: -row[0]):
        if score < ENOUGH or id in found or any(one.piece == piece_id for one in found.values()):
            continue
        found[id] = bind(pattern, drawing, size, id, piece_id, line)
    return found


def bind(
    pattern: Pattern, drawing: Drawing, size: str, drawn_id: str, piece_id: str, line: Drawn = Drawn.CUTTING
) -> Binding:
    """One outline as one piece, lying so and its corners there where they fit best.

    A sleeve covers itself nearly as well with the other side up: its corners tell front from back.
    """
    drawn = next(p for p in drawing.pieces if p.id == drawn_id)
    goal, first = Goal(pattern.piece(piece_id), size, line), called(drawing, size)
    turns = _turns(_turned(drawn, first), goal.shape)
    best = max((alike for _, alike in turns), default=0.0)
    near = [(turn, alike) for turn, alike in turns if alike >= best - NEARLY] or [(0, 0.0)]
    fitted = [(_corners(drawn, first, goal, turn), alike, turn) for turn, alike in near]
    # Equally well: as wide and as long as the piece, then as it is drawn, the right side up.
    (_, corners), _, turn = min(fitted, key=lambda one: (round(one[0][0] / ALIKE), -round(one[1], 2), one[2]))
    return Binding(drawn_id, piece_id, turn, corners)


@dataclass(frozen=True)
class Goal:
    """What an outline is compared with: a composed piece in a size, on the line that is drawn."""

    piece: Piece
    size: str
    line: Drawn

    def ring(self, flatness: float) -> list[Point]:
        found = lines(self.piece, self.size, flatness)
        return found.cutting_ring() if self.line is Drawn.CUTTING else found.seam_ring()

    @cached_property
    def shape(self) -> Polygon:
        return _centred(Polygon(self.ring(2.0)).buffer(0))

    def runs(self, flatness: float) -> Mapping[str, Sequence[Point]]:
        found = lines(self.piece, self.size, flatness)
        return found.cutting if self.line is Drawn.CUTTING else found.seam


def _named_alike(a: str, b: str) -> float:
    """0 for names without a word in common, 1 for the same; a little more where numbers agree too."""
    numbers = _share(set(re.findall(r"\d+", a)), set(re.findall(r"\d+", b)))
    return _share(words_of(a), words_of(b)) + NUMBERS * numbers


def _share(one: Collection[str], other: Collection[str]) -> float:
    both = set(one) | set(other)
    return len(set(one) & set(other)) / len(both) if both else 0.0


def _ring(drawn: DrawnPiece, size: str) -> Chain:
    return tuple(s for edge in drawn.edges[size] for s in edge)


def _turned(drawn: DrawnPiece, size: str) -> list[Polygon]:
    """An outline in every way of lying, about its middle."""
    ring = flatten(_ring(drawn, size), 2.0)[:-1]
    return [_centred(Polygon([turn(p) for p in ring]).buffer(0)) for turn in TURNS]


def _turns(turned: Sequence[Polygon], goal: Polygon) -> list[tuple[int, float]]:
    """Every way of lying, with how alike an outline is to a piece there: in the shape that fills their boxes, and in
    how wide and long these are; none where they are of quite unlike sizes."""
    if not 0.5 < turned[0].area / goal.area < 2.0:
        return []
    return [(k, _alike(shape, goal)) for k, shape in enumerate(turned)]


def _alike(one: Polygon, other: Polygon) -> float:
    """The share of two outlines together that they cover of each other, in boxes of one size, less what their boxes
    differ."""
    (ax, ay), (bx, by) = _box(one), _box(other)
    fitted = scale(one, bx / ax, by / ay, origin=(0.0, 0.0))
    common = fitted.intersection(other).area
    boxes = min(ax, bx) / max(ax, bx) * min(ay, by) / max(ay, by)
    return float(common / (fitted.area + other.area - common) * math.sqrt(boxes))


def _box(shape: Polygon) -> Point:
    x0, y0, x1, y1 = shape.bounds
    return (x1 - x0, y1 - y0)


def _centred(shape: Polygon) -> Polygon:
    x0, y0, x1, y1 = shape.bounds
    return translate(shape, -(x0 + x1) / 2, -(y0 + y1) / 2)


def lying(drawn: DrawnPiece, size: str, turn: int) -> tuple[Chain, ...]:
    """The drawn edges turned into the piece's frame, still counter-clockwise, and still in their order."""
    edges = [transform_chain(edge, TURNS[turn]) for edge in drawn.edges[size]]
    if _is_mirrored(turn):
        edges = [tuple(s.reversed() for s in reversed(edge)) for edge in reversed(edges)]
    return tuple(edges)


def _is_mirrored(turn: int) -> bool:
    return turn >= len(TURNS) // 2


@dataclass(frozen=True)
class _Place:
    """A place on an outline where a corner may be: its position, where it lies and how far round, how unlike a corner
    it is, in mm."""

    position: float
    at: Point
    round: float
    unlike: float


def _places(edges: Sequence[Chain], least: int = 0) -> list[_Place]:
    """Corners, where one segment of an edge ends and the next begins, and enough between them: `least` at all events,
    for a tiny outline that is taken for a piece of many edges."""
    out, before = list[_Place](), 0.0
    every = min(EVERY, sum(chain_length(edge) for edge in edges) / (2 * least)) if least else EVERY
    for k, edge in enumerate(edges):
        ends = list(accumulate((segment.length() for segment in edge), initial=0.0))
        whole = chain_length(edge)
        n = max(1, round(whole / every))
        along = {whole * j / n: NO_CORNER for j in range(1, n)} | dict.fromkeys(ends[1:-1], NO_END) | {0.0: 0.0}
        for d in sorted(along):
            segment = min(bisect_right(ends, d), len(edge)) - 1
            at = point_at((edge[segment],), d - ends[segment])
            out.append(_Place(k + d / whole, at, before + d, along[d]))
        before += whole
    return out


def _corners(drawn: DrawnPiece, size: str, goal: Goal, turn: int) -> tuple[float, tuple[float, ...]]:
    """Where the edges of a piece begin on a drawn outline: in their order, as near as can be, on its corners; and how
    far off that is, in mm², with the middles of the edges.

    The outline is fitted to the piece's box; the places are found by going round it once (dynamic programming).
    """
    runs = goal.runs(0.5)
    goals = [run[0] for run in runs.values()]
    box = bounds([p for run in runs.values() for p in run])
    places = _places(lying(drawn, size, turn), len(goals))
    drawn_box = bounds([place.at for place in places])

    def fitted(p: Point) -> Point:
        return (
            box[0] + (p[0] - drawn_box[0]) / (drawn_box[2] - drawn_box[0]) * (box[2] - box[0]),
            box[1] + (p[1] - drawn_box[1]) / (drawn_box[3] - drawn_box[1]) * (box[3] - box[1]),
        )

    there = [(fitted(place.at), place.unlike**2) for place in places]
    cost = [[math.dist(p, goal) ** 2 + unlike for p, unlike in there] for goal in goals]
    off, at = math.inf, tuple[int, ...]()
    for start in sorted(range(len(places)), key=lambda j: cost[0][j])[:6]:
        if cost[0][start] < off:
            off, at = min((off, at), _round(cost, start))
    whole = sum(chain_length(edge) for edge in lying(drawn, size, turn))
    for run, first, last in zip(runs.values(), at, (*at[1:], at[0]), strict=True):
        half = (places[first].round + ((places[last].round - places[first].round) % whole) / 2) % whole
        halfway = min(places, key=lambda place: abs(place.round - half))
        off += math.dist(fitted(halfway.at), _middle(run)) ** 2
    return off, tuple(places[j].position for j in at)


def _middle(run: Sequence[Point]) -> Point:
    """The point half-way along a polyline."""
    half = LineString(run).interpolate(0.5, normalized=True)
    return (half.x, half.y)


def _round(cost: Sequence[Sequence[float]], start: int) -> tuple[float, tuple[int, ...]]:
    """The least cost of one way round from a place, each corner beyond the one before it; and the places."""
    n, k = len(cost[0]), len(cost)
    order = [(start + j) % n for j in range(n)]
    sums = [[math.inf] * n for _ in range(k)]
    came = [[-1] * n for _ in range(k)]
    sums[0][0] = cost[0][start]
    for row in range(1, k):
        least, at = math.inf, -1
        for j in range(row, n):
            if sums[row - 1][j - 1] < least:
                least, at = sums[row - 1][j - 1], j - 1
            sums[row][j], came[row][j] = least + cost[row][order[j]], at
    end = min(range(n), key=lambda j: sums[k - 1][j])
    found = [end]
    for row in range(k - 1, 0, -1):
        found.append(came[row][found[-1]])
    return sums[k - 1][end], tuple(order[j] for j in reversed(found))


def ring_positions(drawn: DrawnPiece, size: str, turn: int) -> list[tuple[float, Point]]:
    """Places along an outline, as it lies in the piece's frame, with their positions: where a corner may be dragged."""
    return [(place.position, place.at) for place in _places(lying(drawn, size, turn))]
