"""A drawing bound to a described garment: outlines matched to composed pieces, corners to the ends of their edges.

The drawn line takes the place of the composed one; names of edges, joins, marks, closures and everything that the
drawing lacks stay as they were composed. In mm.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

from shapely.affinity import translate
from shapely.geometry import Polygon

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
NO_CORNER = 20.0
"""A corner that is put where the outline does not turn counts as so far away, in mm."""
ENOUGH = 0.75
"""How alike an outline and a piece are at least, to be proposed: words of the name twice, shape once."""
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


def propose(pattern: Pattern, drawing: Drawing, size: str) -> dict[str, Binding]:
    """For every outline the piece that it is most like, each piece once; those that are like none are left out."""
    first = drawing.sizes[0]
    scores = []
    for drawn in drawing.pieces:
        for piece in pattern.pieces:
            turn, alike = _best_turn(drawn, first, piece, size)
            named = _named_alike(drawn.name, piece.name)
            scores.append((2 * named + alike, drawn.id, piece.id, turn))
    found: dict[str, Binding] = {}
    for score, id, piece_id, turn in sorted(scores, key=lambda row: -row[0]):
        if score < ENOUGH or id in found or any(one.piece == piece_id for one in found.values()):
            continue
        found[id] = bind(pattern, drawing, size, id, piece_id, turn)
    return found


def bind(
    pattern: Pattern, drawing: Drawing, size: str, drawn_id: str, piece_id: str, turn: int | None = None
) -> Binding:
    """One outline as one piece, its corners where they fit best."""
    drawn = next(p for p in drawing.pieces if p.id == drawn_id)
    piece, first = pattern.piece(piece_id), drawing.sizes[0]
    if turn is None:
        turn = _best_turn(drawn, first, piece, size)[0]
    return Binding(drawn_id, piece_id, turn, _corners(drawn, first, piece, size, turn))


def _named_alike(a: str, b: str) -> float:
    one, other = words_of(a), words_of(b)
    return len(one & other) / len(one | other) if one and other else 0.0


def _ring(drawn: DrawnPiece, size: str) -> Chain:
    return tuple(s for edge in drawn.edges[size] for s in edge)


def _best_turn(drawn: DrawnPiece, size: str, piece: Piece, own: str) -> tuple[int, float]:
    """The way of lying in which an outline covers a piece best, and the share of both that is covered."""
    goal = _centred(Polygon(lines(piece, own, 2.0).cutting_ring()).buffer(0))
    ring = flatten(_ring(drawn, size), 2.0)[:-1]
    best = (0, 0.0)
    if not 0.5 < Polygon(ring).area / goal.area < 2.0:
        return best
    for k, turn in enumerate(TURNS):
        found = _centred(Polygon([turn(p) for p in ring]).buffer(0))
        alike = found.intersection(goal).area / found.union(goal).area
        # The other side up is no better by itself: a symmetrical piece stays as it is drawn.
        if alike > best[1] + 0.01:
            best = (k, alike)
    return best


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
    """A place on an outline where a corner may be: its position, where it lies, whether the outline turns there."""

    position: float
    at: Point
    turns: bool


def _places(edges: Sequence[Chain]) -> list[_Place]:
    out = []
    for k, edge in enumerate(edges):
        whole = chain_length(edge)
        n = max(1, round(whole / EVERY))
        out += [_Place(k + j / n, point_at(edge, whole * j / n), j == 0) for j in range(n)]
    return out


def _corners(drawn: DrawnPiece, size: str, piece: Piece, own: str, turn: int) -> tuple[float, ...]:
    """Where the edges of a piece begin on a drawn outline: in their order, as near as can be, on its corners.

    The outline is fitted to the piece's box; the places are found by going round it once (dynamic programming).
    """
    cutting = lines(piece, own, 0.5).cutting
    goals = [run[0] for run in cutting.values()]
    box = bounds([p for run in cutting.values() for p in run])
    places = _places(_lying(drawn, size, turn))
    drawn_box = bounds([place.at for place in places])

    def fitted(p: Point) -> Point:
        return (
            box[0] + (p[0] - drawn_box[0]) / (drawn_box[2] - drawn_box[0]) * (box[2] - box[0]),
            box[1] + (p[1] - drawn_box[1]) / (drawn_box[3] - drawn_box[1]) * (box[3] - box[1]),
        )

    cost = [
        [math.dist(fitted(place.at), goal) ** 2 + (0.0 if place.turns else NO_CORNER**2) for place in places]
        for goal in goals
    ]
    starts = sorted(range(len(places)), key=lambda j: cost[0][j])[:6]
    best = min((_round(cost, start) for start in starts), key=lambda found: found[0])
    return tuple(places[j].position for j in best[1])


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
        edges = _in_frame(piece, size, edges)
        ring = [p for chain in edges.values() for p in flatten(chain, 1.0)]
        move = _fit(lines(piece, size, 1.0).cutting_ring(), ring)
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
    return tuple(s for edge in run for s in edge)


def _in_frame(piece: Piece, size: str, edges: Mapping[str, Chain]) -> dict[str, Chain]:
    """The edges moved to where the composed piece lies, so that its centre line stays the centre line."""
    old = bounds(lines(piece, size, 1.0).cutting_ring())
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
