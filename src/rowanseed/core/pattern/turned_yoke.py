"""A yoke below the waist: cut off a half together with its dart, which is closed, so that the yoke curves.

The piece below it keeps its straight edge, and both are as long: sewn together they give the shape the dart gave. To
be altered or drawn as worn it is laid back on the half that it was cut from, its dart open; then it is closed again.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, replace
from functools import lru_cache

from rowanseed.core.base.craft_refusals import NoPlaceFor
from rowanseed.core.base.same import Same
from rowanseed.core.geometry.bend import bending
from rowanseed.core.geometry.outline import (
    Affine,
    Chain,
    Point,
    Segment,
    chain_length,
    point_at,
    rotation,
    transform_chain,
    unit,
)
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.making import DifferenceKind, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Dart, Drawn, Mark, MarkKind, Panel, Piece, Shape
from rowanseed.core.pattern.seamline import mark_distance

YOKE, WAIST = "yoke", "waist"
DART = "yoke-dart"
LEGS = (f"{DART}-1", f"{DART}-2")
LEAST, MOST = -0.35, 1.3
"""How far a yoke can be turned, in radians."""
STRAIGHT, SLIGHT = 1e-6, 0.02
"""Turns of so little, in radians, are none: in arithmetic, and on tissue."""


@dataclass(frozen=True)
class Turned:
    """A turned yoke and the piece that it was cut off from, by their ids; none where fullness or a circle hangs from
    it."""

    yoke: str
    below: str | None


def turned_yokes(pattern: Pattern) -> tuple[Turned, ...]:
    """The yokes of a pattern that were turned to close a dart: each has a frame of its own, and is sewn to the upper
    edge of the piece below it, whose centre and side go on in its own."""
    return tuple(found for join in pattern.making.joins if (found := _turned_at(pattern, join)) is not None)


def _turned_at(pattern: Pattern, join: Join) -> Turned | None:
    if len(join.a) != 1 or len(join.b) != 1:
        return None
    if join.a[0].edge != YOKE or join.b[0].edge != YOKE:
        return None
    pair = [pattern.piece(p.piece) for p in (*join.a, *join.b)]
    tops = [piece for piece in pair if piece.has_edge(WAIST) and len(piece.edges) == 4]
    if len(tops) != 1 or any(piece.drawn is not Drawn.SEAM or piece.darts for piece in tops):
        return None
    yoke = tops[0]
    below = pair[0] if pair[1] is yoke else pair[1]
    names = [edge.name for edge in yoke.edges]
    ordered = names[1] == YOKE and names[3] == WAIST and below.has_edge(names[0]) and below.has_edge(names[2])
    alike = yoke.panel is below.panel and yoke.panel in (Panel.FRONT, Panel.BACK) and below.drawn is Drawn.SEAM
    if not ordered or not alike or yoke.frame == below.frame:
        return None
    flat = join.difference.kind is not DifferenceKind.GATHERS and _was_cut_off(yoke, below)
    return Turned(yoke.id, below.id if flat else None)


def _was_cut_off(yoke: Piece, below: Piece) -> bool:
    """Whether the edge below a yoke turns no more than the yoke's own, as where a dart was closed above it. That of a
    circle skirt turns farther: it was never one piece with its yoke."""
    return all(
        abs(_turns(below.shapes[size].edges[YOKE])) <= abs(_turns(shape.edges[YOKE])) + SLIGHT
        for size, shape in yoke.shapes.items()
    )


def _turns(chain: Chain) -> float:
    return _between(_first(chain), _last(chain))


# ---------------------------------------------------------------- closing


def closed(edges: Mapping[str, Chain], waist: float) -> dict[str, Chain]:
    """A yoke with its dart closed: its upper edge `waist` mm long. `edges` in ring order, as they lie in the half:
    centre, lower edge, side, upper edge. Raises NoPlaceFor where no turn closes so much.
    """
    (a, centre), (b, lower), (c, side), (d, upper) = edges.items()
    bend, pivot = bending(lower), lower[-1].end
    leaves, arrives = _first(upper), _last(upper)

    def laid(turn: float) -> tuple[Chain, Chain, Chain]:
        low = bend(turn)
        move = _onto(pivot, low[-1].end, turn)
        out = transform_chain(side, move)
        return low, out, _upper_edge(out[-1].end, _turn(leaves, turn), centre[0].start, arrives)

    turn = solve(lambda turn: chain_length(laid(turn)[2]), waist, LEAST, MOST)
    if turn in (LEAST, MOST):
        raise NoPlaceFor("No yoke takes so much in at the waist.", "Take in less.", "by")
    low, out, top = laid(turn)
    return {a: centre, b: low, c: out, d: top}


def _upper_edge(start: Point, leaves: Point, end: Point, arrives: Point) -> Chain:
    """The upper edge of a yoke, from its side to its centre: it leaves both as it did where it was cut off.

    Its handles are those of an arc that turns by as much, so that between square ends it is one.
    """
    turn = abs(_between(leaves, arrives))
    reach = math.dist(start, end) * (2 / 3 * math.tan(turn / 4) / math.sin(turn / 2) if turn > STRAIGHT else 1 / 3)
    return (
        Segment(
            start=start,
            end=end,
            control1=(start[0] + leaves[0] * reach, start[1] + leaves[1] * reach),
            control2=(end[0] - arrives[0] * reach, end[1] - arrives[1] * reach),
        ),
    )


def _first(chain: Chain) -> Point:
    return unit(chain[0].derivative(0.0))


def _last(chain: Chain) -> Point:
    return unit(chain[-1].derivative(1.0))


def _turn(v: Point, angle: float) -> Point:
    return rotation((0.0, 0.0), angle)(v)


def _onto(here: Point, there: Point, turn: float) -> Affine:
    """The map that turns the plane about a point and takes that point to another."""
    move = rotation(here, turn)
    return replace(move, e=move.e + there[0] - here[0], f=move.f + there[1] - here[1])


def _between(one: Point, other: Point) -> float:
    """The angle from one direction to another, in radians."""
    return math.atan2(one[0] * other[1] - one[1] * other[0], one[0] * other[0] + one[1] * other[1])


# ---------------------------------------------------------------- laid on the half again


def laid_open(pattern: Pattern) -> Pattern:
    """The pattern with every turned yoke laid on the piece below it as it was cut off, its dart open at the waist."""
    return _laid_open(Same(pattern))


def as_worn(pattern: Pattern) -> Pattern:
    """The pattern with every turned yoke laid on the piece below it, without the dart that it has closed."""
    opened = laid_open(pattern)
    if opened is pattern:
        return pattern
    pieces = (replace(p, darts=tuple(d for d in p.darts if d.id != DART)) for p in opened.pieces)
    return replace(opened, pieces=tuple(pieces))


@lru_cache(maxsize=16)
def _laid_open(same: Same[Pattern]) -> Pattern:
    pattern = same.it
    found = {
        piece.id: _opened(piece, None if one.below is None else pattern.piece(one.below))
        for one in turned_yokes(pattern)
        for piece in _with_layers(pattern, one)
    }
    if not found:
        return pattern
    return replace(pattern, pieces=tuple(found.get(piece.id, piece) for piece in pattern.pieces))


def _with_layers(pattern: Pattern, one: Turned) -> Iterator[Piece]:
    """A yoke and what is drawn on it by the same edges: its lining."""
    yoke = pattern.piece(one.yoke)
    for piece in pattern.pieces:
        if piece.frame == yoke.frame and [e.name for e in piece.edges] == [e.name for e in yoke.edges]:
            yield piece


def _opened(yoke: Piece, below: Piece | None) -> Piece:
    """On the piece below it, or where nothing was cut off by itself, its lower edge straight."""
    shapes: dict[str, Shape] = {}
    legs: dict[str, tuple[float, float]] = {}
    points: dict[str, Point] = {}
    moves: dict[str, Callable[[Point], Point]] = {}
    names = [edge.name for edge in yoke.edges]
    for size, shape in yoke.shapes.items():
        centre, lower, side, upper = (shape.edges[name] for name in names)
        line = (
            _straightened(lower)
            if below is None
            else tuple(s.reversed() for s in reversed(below.shapes[size].edges[YOKE]))
        )
        at_centre = _onto(lower[0].start, line[0].start, _between(_first(lower), _first(line)))
        at_side = _onto(lower[-1].end, line[-1].end, _between(_last(lower), _last(line)))
        turned = _between(_first(lower), _first(line)), _between(_last(lower), _last(line))
        inner, outer = transform_chain(centre, at_centre), transform_chain(side, at_side)
        top = _upper_edge(
            outer[-1].end, _turn(_first(upper), turned[1]), inner[0].start, _turn(_last(upper), turned[0])
        )
        intake = max(0.0, chain_length(top) - chain_length(upper))
        middle = chain_length(top) / 2
        legs[size] = middle - intake / 2, middle + intake / 2
        points[size] = point_at(line, chain_length(line) / 2)
        chains = (inner, line, outer, top)
        grain = at_centre(shape.grainline[0]), at_centre(shape.grainline[1])
        shapes[size] = Shape(dict(zip(names, chains, strict=True)), grain)
        moves[size] = _across(centre, side, at_centre, at_side)
    marks = tuple(
        Mark(leg, MarkKind.DART_LEG, WAIST, "start", {size: at[k] for size, at in legs.items()})
        for k, leg in enumerate(LEGS)
    )
    lines = tuple(
        replace(one, ends={size: (moves[size](a), moves[size](b)) for size, (a, b) in one.ends.items()})
        for one in yoke.lines
    )
    return replace(
        yoke,
        shapes=shapes,
        marks=(*yoke.marks, *marks),
        darts=(Dart(DART, WAIST, LEGS, points),),
        lines=lines,
        points=tuple(replace(q, at={size: moves[size](p) for size, p in q.at.items()}) for q in yoke.points),
        drawn_on=yoke.drawn_on if below is None else below.frame,
    )


def _straightened(chain: Chain) -> Chain:
    """A straight line from where an edge begins, the way it leaves there, as long as it is."""
    (x, y), (dx, dy), long = chain[0].start, _first(chain), chain_length(chain)
    return (Segment((x, y), (x + long * dx, y + long * dy)),)


def _across(centre: Chain, side: Chain, at_centre: Affine, at_side: Affine) -> Callable[[Point], Point]:
    """How a place of a yoke is moved: at its centre with that, at its side with that, between them by its share."""
    ends = [(chain[0].start, chain[-1].end) for chain in (centre, side)]

    def move(p: Point) -> Point:
        inner, outer = (_away(p, *pair) for pair in ends)
        share = inner / (inner + outer)
        (x, y), (u, v) = at_centre(p), at_side(p)
        return (x + share * (u - x), y + share * (v - y))

    return move


def _away(p: Point, a: Point, b: Point) -> float:
    """How far a place lies from a straight line between two others."""
    dx, dy = b[0] - a[0], b[1] - a[1]
    along = min(1.0, max(0.0, ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / (dx * dx + dy * dy)))
    return math.dist(p, (a[0] + along * dx, a[1] + along * dy))


def closed_again(drawn: Pattern, opened: Pattern, changed: Pattern, size: str) -> Pattern:
    """`changed`, a change of `opened` in one size, with the yokes closed again that `drawn` has closed.

    Raises NoPlaceFor where a yoke can take in no more.
    """
    if opened is drawn:
        return changed
    found = {}
    for own in (piece for one in turned_yokes(drawn) for piece in _with_layers(drawn, one)):
        was, now = opened.piece(own.id), changed.piece(own.id)
        same = was.shapes[size] == now.shapes[size] and _legs(was, size) == _legs(now, size)
        found[own.id] = own if same else _closed_again(own, now, size)
    return replace(changed, pieces=tuple(found.get(piece.id, piece) for piece in changed.pieces))


def _legs(piece: Piece, size: str) -> list[float]:
    return [mark_distance(piece, size, piece.mark(leg)) for leg in LEGS]


def _closed_again(own: Piece, now: Piece, size: str) -> Piece:
    """`own` in one size as `now`, which lies open, is once it is closed."""
    open_ = now.shapes[size].edges
    first, last = _legs(now, size)
    edges = closed(open_, chain_length(open_[WAIST]) - (last - first))
    names = [edge.name for edge in own.edges]
    end, turn = open_[YOKE][-1].end, _between(_last(open_[YOKE]), _last(edges[YOKE]))
    stays = rotation(end, 0.0)
    move = _across(open_[names[0]], open_[names[2]], stays, _onto(end, edges[YOKE][-1].end, turn))
    marks = {mark.id: mark.distance[size] for mark in now.marks}
    lines = {line.id: line.ends[size] for line in now.lines}
    points = {point.id: point.at[size] for point in now.points}
    return replace(
        own,
        shapes={**own.shapes, size: Shape(edges, now.shapes[size].grainline)},
        marks=tuple(replace(mark, distance={**mark.distance, size: marks[mark.id]}) for mark in own.marks),
        lines=tuple(
            replace(line, ends={**line.ends, size: (move(a), move(b))})
            for line in own.lines
            for a, b in (lines[line.id],)
        ),
        points=tuple(replace(point, at={**point.at, size: move(points[point.id])}) for point in own.points),
    )
