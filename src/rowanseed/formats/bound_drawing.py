"""A drawing bound to a described garment: outlines matched to composed pieces, corners to the ends of their edges.

The drawn line takes the place of the composed one; names of edges, joins, marks, closures and everything that the
drawing lacks stay as they were composed. In mm.
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
from rowanseed.core.compose.tissue import scaled_marks
from rowanseed.core.geometry.outline import (
    Affine,
    Chain,
    Point,
    chain_length,
    flatten,
    point_at,
    split_chain,
    transform_chain,
)
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.check import check
from rowanseed.core.pattern.only import only_sizes
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Drawn, Piece, Shape
from rowanseed.core.pattern.seamline import line_length, lines
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


# ---------------------------------------------------------------- proposing


def propose(pattern: Pattern, drawing: Drawing, size: str, line: Drawn = Drawn.CUTTING) -> dict[str, Binding]:
    """For every outline the piece that it is most like, each piece once; those that are like none are left out. `line`
    is the line that is drawn."""
    goals = [(piece, _Goal(piece, size, line)) for piece in pattern.pieces]
    scores = []
    for drawn in drawing.pieces:
        lying = _turned(drawn, drawing.sizes[0])
        for piece, goal in goals:
            alike = max((alike for _, alike in _turns(lying, goal.shape)), default=0.0)
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
    goal, first = _Goal(pattern.piece(piece_id), size, line), drawing.sizes[0]
    turns = _turns(_turned(drawn, first), goal.shape)
    best = max((alike for _, alike in turns), default=0.0)
    near = [(turn, alike) for turn, alike in turns if alike >= best - NEARLY] or [(0, 0.0)]
    fitted = [(_corners(drawn, first, goal, turn), alike, turn) for turn, alike in near]
    # Equally well: as wide and as long as the piece, then as it is drawn, the right side up.
    (_, corners), _, turn = min(fitted, key=lambda one: (round(one[0][0] / ALIKE), -round(one[1], 2), one[2]))
    return Binding(drawn_id, piece_id, turn, corners)


@dataclass(frozen=True)
class _Goal:
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

    def runs(self, flatness: float) -> Mapping[str, list[Point]]:
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


def _turns(lying: Sequence[Polygon], goal: Polygon) -> list[tuple[int, float]]:
    """Every way of lying, with how alike an outline is to a piece there: in the shape that fills their boxes, and in
    how wide and long these are; none where they are of quite unlike sizes."""
    if not 0.5 < lying[0].area / goal.area < 2.0:
        return []
    return [(k, _alike(shape, goal)) for k, shape in enumerate(lying)]


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


def _lying(drawn: DrawnPiece, size: str, turn: int) -> tuple[Chain, ...]:
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


def _places(edges: Sequence[Chain]) -> list[_Place]:
    """Corners, where one segment of an edge ends and the next begins, and enough between them."""
    out, before = list[_Place](), 0.0
    for k, edge in enumerate(edges):
        ends = list(accumulate((segment.length() for segment in edge), initial=0.0))
        whole = chain_length(edge)
        n = max(1, round(whole / EVERY))
        along = {whole * j / n: NO_CORNER for j in range(1, n)} | dict.fromkeys(ends[1:-1], NO_END) | {0.0: 0.0}
        for d in sorted(along):
            segment = min(bisect_right(ends, d), len(edge)) - 1
            at = point_at((edge[segment],), d - ends[segment])
            out.append(_Place(k + d / whole, at, before + d, along[d]))
        before += whole
    return out


def _corners(drawn: DrawnPiece, size: str, goal: _Goal, turn: int) -> tuple[float, tuple[float, ...]]:
    """Where the edges of a piece begin on a drawn outline: in their order, as near as can be, on its corners; and how
    far off that is, in mm², with the middles of the edges.

    The outline is fitted to the piece's box; the places are found by going round it once (dynamic programming).
    """
    runs = goal.runs(0.5)
    goals = [run[0] for run in runs.values()]
    box = bounds([p for run in runs.values() for p in run])
    places = _places(_lying(drawn, size, turn))
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
    whole = sum(chain_length(edge) for edge in _lying(drawn, size, turn))
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


# ---------------------------------------------------------------- binding


def bound(
    pattern: Pattern, drawing: Drawing, bindings: Sequence[Binding], line: Drawn, size: str | None = None
) -> Pattern:
    """The pattern with the drawn outlines in place of the composed ones, in the sizes that are drawn.

    `size` is the one that is drawn where the drawing has one and does not name it; `line` is the line that it draws.
    Raises PatternError if the result does not hold together.
    """
    names = (
        {ONE_SIZE: size or pattern.envelope.sizes[0]} if drawing.sizes == (ONE_SIZE,) else {s: s for s in drawing.sizes}
    )
    sizes = [names[s] for s in drawing.sizes if names[s] in pattern.envelope.sizes]
    made = only_sizes(pattern, sizes or pattern.envelope.sizes)
    by_piece = {one.piece: one for one in bindings}
    drawn = {one.id: one for one in drawing.pieces}
    pieces = []
    for piece in made.pieces:
        one = by_piece.get(piece.id)
        if one is None or not sizes:
            pieces.append(piece)
            continue
        pieces.append(_drawn_piece(piece, drawn[one.drawn], one, line, {names[s]: s for s in drawing.sizes}))
    found = replace(made, pieces=tuple(pieces))
    check(found)
    return found


def _drawn_piece(
    piece: Piece, drawn: DrawnPiece, binding: Binding, line: Drawn, drawn_size: Mapping[str, str]
) -> Piece:
    shapes, ratios, moves = {}, {}, {}
    for size in piece.shapes:
        edges = _cut(_lying(drawn, drawn_size[size], binding.turn), binding.corners, [e.name for e in piece.edges])
        edges = _in_frame(_Goal(piece, size, line), edges)
        ring = [p for chain in edges.values() for p in flatten(chain, 1.0)]
        move = _fit(_Goal(piece, size, line).ring(1.0), ring)
        edges = _on_its_fold(piece, edges)
        (x0, y0), (x1, y1) = (move(p) for p in piece.shapes[size].grainline)
        shapes[size] = Shape(edges, ((x0, (y0 + y1) / 2), (x1, (y0 + y1) / 2)))
        now = replace(piece, drawn=line, shapes={size: shapes[size]}, marks=(), darts=())
        ratios[size] = {e.name: line_length(now, size, e.name) / line_length(piece, size, e.name) for e in piece.edges}
        moves[size] = move
    return replace(
        piece,
        drawn=line,
        shapes=shapes,
        approximate=False,
        marks=scaled_marks(piece, ratios),
        darts=tuple(replace(d, point={s: moves[s](p) for s, p in d.point.items()}) for d in piece.darts),
        lines=tuple(
            replace(one, ends={s: (moves[s](a), moves[s](b)) for s, (a, b) in one.ends.items()}) for one in piece.lines
        ),
        points=tuple(replace(one, at={s: moves[s](p) for s, p in one.at.items()}) for one in piece.points),
    )


def _cut(edges: Sequence[Chain], corners: Sequence[float], names: Sequence[str]) -> dict[str, Chain]:
    """A drawn outline cut at the corners: the edges of the piece by name. Drawn corners are kept to the bit."""
    n = len(edges)
    out = {}
    for k, name in enumerate(names):
        a, b = corners[k] % n, corners[(k + 1) % len(corners)] % n
        out[name] = _between(edges, a, b if b > a else b + n)
    return out


WHOLE = 1e-6


def _between(edges: Sequence[Chain], a: float, b: float) -> Chain:
    """The outline from one position to another that lies ahead of it."""
    run: list[Chain] = []
    k = int(a + WHOLE)
    while k < b - WHOLE:
        edge = edges[k % len(edges)]
        whole = chain_length(edge)
        first, last = max(0.0, a - k), min(1.0, b - k)
        if last < 1.0 - WHOLE:
            edge = split_chain(edge, whole * last)[0]
        if first > WHOLE:
            edge = split_chain(edge, whole * first)[1]
        run.append(edge)
        k += 1
    return tuple(s for edge in run for s in edge if s.length() > WHOLE)


def _in_frame(goal: _Goal, edges: Mapping[str, Chain]) -> dict[str, Chain]:
    """The edges moved to where the composed piece lies, so that its centre line stays the centre line."""
    old = bounds(goal.ring(1.0))
    new = bounds([p for chain in edges.values() for p in flatten(chain, 1.0)])
    by = Affine(a=1.0, b=0.0, c=0.0, d=1.0, e=old[0] - new[0], f=old[1] - new[1])
    return {name: transform_chain(chain, by) for name, chain in edges.items()}


def _fit(old: Sequence[Point], new: Sequence[Point]) -> Affine:
    """The map that takes the box of one outline to the box of another."""
    a, b = bounds(old), bounds(new)
    sx = (b[2] - b[0]) / max(1.0, a[2] - a[0])
    sy = (b[3] - b[1]) / max(1.0, a[3] - a[1])
    return Affine(a=sx, b=0.0, c=0.0, d=sy, e=b[0] - sx * a[0], f=b[1] - sy * a[1])


def _on_its_fold(piece: Piece, edges: dict[str, Chain]) -> dict[str, Chain]:
    """An edge on the fold drawn exactly straight, along the grain or across it as it was composed."""
    fold = next((cut.fold for cut in piece.cuts if cut.fold), None)
    if fold is None:
        return edges
    start, end = edges[fold][0].start, edges[fold][-1].end
    along = abs(end[0] - start[0]) >= abs(end[1] - start[1])
    level = (start[1] + end[1]) / 2 if along else (start[0] + end[0]) / 2
    a, b = ((start[0], level), (end[0], level)) if along else ((level, start[1]), (level, end[1]))
    moved = {start: a, end: b}
    out = {
        name: tuple(replace(s, start=moved.get(s.start, s.start), end=moved.get(s.end, s.end)) for s in chain)
        for name, chain in edges.items()
    }
    out[fold] = (replace(edges[fold][0], start=a, end=b, control1=None, control2=None),)
    return out


def ring_positions(drawn: DrawnPiece, size: str, turn: int) -> list[tuple[float, Point]]:
    """Places along an outline, as it lies in the piece's frame, with their positions: where a corner may be dragged."""
    return [(place.position, place.at) for place in _places(_lying(drawn, size, turn))]
