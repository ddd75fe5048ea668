"""Pieces that are not alike left and right, or lie on the bias: opened out, and let in on the one hand, before they are
cut.

A piece on the fold is drawn as a half, and all that is worked out from it is worked out from that half. What one hand
has alone (a tuck on one shoulder) is no part of the half: it is let in where the piece is opened out to be cut whole.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass, replace
from itertools import pairwise

from rowanseed.core.geometry.outline import (
    Affine,
    Chain,
    Point,
    Segment,
    flatten,
    lerp,
    point_at,
    rotation,
    split_chain,
    transform_chain,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import (
    Dart,
    EdgeSpec,
    InnerLine,
    LineKind,
    Mark,
    MarkKind,
    OneSided,
    Panel,
    Piece,
    Shape,
)
from rowanseed.core.pattern.seamline import line_length, mark_distance

OTHER_HAND = "/other hand"
"""Ends the names of edges and marks of the hand that is as it was drawn, in a piece that was opened out."""
OTHER = {"left": "right", "right": "left"}


def drawn_name(name: str) -> str:
    """What an edge or a mark of a piece that was opened out is called on the half that is drawn."""
    return name.removesuffix(OTHER_HAND)


def with_unlike_opened(pattern: Pattern) -> Pattern:
    """The pattern with every piece opened out that is drawn on a fold and cut whole; itself where none is."""
    if not any(piece.is_cut_whole for piece in pattern.pieces):
        return pattern
    return replace(pattern, pieces=tuple(opened_out(piece) for piece in pattern.pieces))


def opened_out(piece: Piece) -> Piece:
    """A piece with something on one hand alone, or on the bias, as it is cut: whole, right side up, once; any other
    piece as it is."""
    fold = fold_of(piece)
    if not piece.is_cut_whole or fold is None:
        return piece
    hand = next((one.hand for one in piece.one_sided), drawn_hand(piece))
    drawn, mirrored = replace(piece, one_sided=()), _mirrored(piece, fold)
    own, other = (drawn, mirrored) if drawn_hand(piece) == hand else (mirrored, drawn)
    own, other = _only(own, hand), _only(_without(other, {one.mark for one in piece.one_sided}), OTHER[hand])
    for one in piece.one_sided:
        own = _let_in(own, fold, one)
    return _together(own, _of_the_other_hand(other, fold), fold)


def cannot_be_opened(piece: Piece) -> str:
    """Why a piece on a fold cannot have what it has on one hand alone, in words; empty where it can."""
    if piece.panel not in (Panel.FRONT, Panel.BACK):
        return "Only a front or a back has a left and a right of its own."
    for one in piece.one_sided:
        for size, shape in piece.shapes.items():
            top = point_at(shape.edges[piece.mark(one.mark).edge], mark_distance(piece, size, piece.mark(one.mark)))
            found = _ends_below(shape, fold_of(piece) or "", piece.mark(one.mark).edge, top)
            if not found or max(found)[0] - top[0] <= one.deep:
                return f"From “{one.mark}” down the grain there is no room to open it by so much."
    return ""


def fold_of(piece: Piece) -> str | None:
    """The edge that lies on the fold, in whichever cloth."""
    return next((cut.fold for cut in piece.cuts if cut.fold), None)


def drawn_hand(piece: Piece) -> str:
    """Which half of the body, as worn, a half on the fold is drawn for: right side up, a front's side lies to the
    right of its centre, which is the wearer's left; a back's lies there as the wearer's right."""
    shape = next(iter(piece.shapes.values()))
    outwards = _outwards(piece, shape)
    left = (outwards > 0) is (piece.panel is not Panel.BACK)
    return "left" if left else "right"


def _level(shape: Shape, fold: str) -> float:
    """The fold's place across the grain."""
    return shape.edges[fold][0].start[1]


def _outwards(piece: Piece, shape: Shape) -> int:
    """To which side of its fold a half lies: +1 or -1."""
    fold = fold_of(piece) or piece.edges[0].name
    level = _level(shape, fold)
    farthest = max((s.end[1] - level for chain in shape.edges.values() for s in chain), key=abs)
    return 1 if farthest > 0 else -1


def _without(piece: Piece, marks: set[str]) -> Piece:
    return replace(piece, marks=tuple(mark for mark in piece.marks if mark.id not in marks))


def _only(piece: Piece, hand: str) -> Piece:
    """A half with the marks inside it that are made on this hand."""
    points = tuple(replace(p, hand=None) for p in piece.points if p.hand in (None, hand))
    return replace(piece, points=points, one_sided=())


# ---------------------------------------------------------------- the other hand


def _mirrored(piece: Piece, fold: str) -> Piece:
    """The half turned over at its fold: the same edges, going round the other way about."""
    over = {size: Affine(a=1, b=0, c=0, d=-1, e=0, f=2 * _level(shape, fold)) for size, shape in piece.shapes.items()}
    shapes = {
        size: Shape(
            {
                edge.name: tuple(s.reversed() for s in reversed(transform_chain(shape.edges[edge.name], over[size])))
                for edge in piece.edges[::-1]
            },
            (over[size](shape.grainline[0]), over[size](shape.grainline[1])),
        )
        for size, shape in piece.shapes.items()
    }
    marks = tuple(
        replace(
            m,
            anchor="start",
            distance={s: line_length(piece, s, m.edge) - at for s, at in from_start(piece, m).items()},
        )
        for m in piece.marks
    )
    moved = _moved(piece, lambda size, p: over[size](p))
    return replace(moved, edges=piece.edges[::-1], shapes=shapes, marks=marks, one_sided=())


def from_start(piece: Piece, mark: Mark) -> dict[str, float]:
    """How far a mark stands from the start of its edge in every size, in mm."""
    return {size: mark_distance(piece, size, mark) for size in piece.shapes if size in mark.distance}


def _moved(piece: Piece, move: Callable[[str, Point], Point]) -> Piece:
    """What lies inside a piece, each point moved in its size; its outline and its marks stay."""
    return replace(
        piece,
        darts=tuple(replace(d, point={s: move(s, p) for s, p in d.point.items()}) for d in piece.darts),
        lines=tuple(
            replace(line, ends={s: (move(s, a), move(s, b)) for s, (a, b) in line.ends.items()}) for line in piece.lines
        ),
        points=tuple(replace(p, at={s: move(s, at) for s, at in p.at.items()}) for p in piece.points),
    )


def _of_the_other_hand(piece: Piece, fold: str) -> Piece:
    """A half whose edges, marks and inner lines have names of their own."""

    def named(name: str) -> str:
        return name if name == fold else f"{name}{OTHER_HAND}"

    return replace(
        piece,
        edges=tuple(replace(e, name=named(e.name)) for e in piece.edges),
        shapes={
            size: Shape({named(name): chain for name, chain in shape.edges.items()}, shape.grainline)
            for size, shape in piece.shapes.items()
        },
        marks=tuple(
            replace(m, id=named(m.id), edge=named(m.edge), anchor="start", distance=from_start(piece, m))
            for m in piece.marks
        ),
        darts=tuple(
            replace(d, id=named(d.id), edge=named(d.edge), legs=(named(d.legs[0]), named(d.legs[1])))
            for d in piece.darts
        ),
        lines=tuple(replace(line, id=named(line.id)) for line in piece.lines),
        points=tuple(replace(p, id=named(p.id)) for p in piece.points),
    )


# ---------------------------------------------------------------- what is let in


@dataclass(frozen=True)
class _Slash:
    """Where a half is cut open in one size: from an edge along the grain to another, and how that moves what lies
    beyond it."""

    edge: str
    at: float
    far_edge: str
    far_at: float
    turn: Affine
    level: float
    """The slash's place across the grain."""
    outwards: int

    def moved(self, p: Point) -> Point:
        return self.turn(p) if (p[1] - self.level) * self.outwards > 0 else p


def _let_in(piece: Piece, fold: str, one: OneSided) -> Piece:
    """The half slashed at the mark as far as the edge at its other end, and swung open there: no other edge changes
    its length."""
    mark = piece.mark(one.mark)
    slashes = {size: _slash(piece, size, fold, mark, one.deep) for size in piece.shapes}
    shapes = {
        size: Shape(_opened(piece, shape, fold, slashes[size]), shape.grainline) for size, shape in piece.shapes.items()
    }
    out = _moved(piece, lambda size, p: slashes[size].moved(p))
    legs = tuple(f"{one.id}-{k}" for k in (1, 2))
    known = tuple(_past(piece, m, mark, one) for m in piece.marks if m.id != mark.id)
    new = tuple(
        Mark(leg, MarkKind.DART_LEG, mark.edge, "start", {s: slash.at + more for s, slash in slashes.items()})
        for leg, more in zip(legs, (0.0, one.deep), strict=True)
    )
    points = {}
    for size, shape in shapes.items():
        x, y = point_at(shape.edges[mark.edge], slashes[size].at + one.deep / 2)
        points[size] = (x + one.long, y)
    dart = Dart(one.id, mark.edge, (legs[0], legs[1]), points, one.taken)
    return replace(out, shapes=shapes, marks=(*known, *new), darts=(*out.darts, dart))


def _past(piece: Piece, mark: Mark, tucked: Mark, one: OneSided) -> Mark:
    """A mark on the edge that is let in, at its distance over what is let in before it."""
    if mark.edge != tucked.edge:
        return mark
    at, opened = from_start(piece, mark), from_start(piece, tucked)
    return replace(mark, anchor="start", distance={s: d + (one.deep if d > opened[s] else 0.0) for s, d in at.items()})


def _slash(piece: Piece, size: str, fold: str, mark: Mark, deep: float) -> _Slash:
    shape = piece.shapes[size]
    at = mark_distance(piece, size, mark)
    top = point_at(shape.edges[mark.edge], at)
    far_edge, far_at, foot = _foot(shape, fold, mark.edge, top)
    outwards, long = _outwards(piece, shape), foot[0] - top[0]
    angle = -outwards * 2 * math.asin(min(1.0, deep / (2 * long)))
    turn = rotation(foot, angle)
    return _Slash(mark.edge, at, far_edge, far_at, turn, top[1], outwards)


def _foot(shape: Shape, fold: str, edge: str, top: Point) -> tuple[str, float, Point]:
    """Where a line from `top` along the grain leaves the half at its other end: on which edge, how far along it."""
    _, name, along, q = max(_ends_below(shape, fold, edge, top))
    return name, along, q


def _ends_below(shape: Shape, fold: str, edge: str, top: Point) -> list[tuple[float, str, float, Point]]:
    """Every place where a line along the grain through `top` crosses another edge, by its level."""
    found: list[tuple[float, str, float, Point]] = []
    for name, chain in shape.edges.items():
        if name in (fold, edge):
            continue
        along = 0.0
        for a, b in pairwise(flatten(chain, 0.01)):
            if (a[1] - top[1]) * (b[1] - top[1]) <= 0 and a[1] != b[1]:
                t = (top[1] - a[1]) / (b[1] - a[1])
                q = lerp(a, b, t)
                found.append((q[0], name, along + t * math.dist(a, b), q))
            along += math.dist(a, b)
    return found


def _opened(piece: Piece, shape: Shape, fold: str, slash: _Slash) -> dict[str, Chain]:
    """The edges of the half from its fold on, what lies beyond the slash swung out."""
    out: dict[str, Chain] = {fold: shape.edges[fold]}
    beyond = False
    for name in after(piece, fold):
        chain = shape.edges[name]
        if name not in (slash.edge, slash.far_edge):
            out[name] = transform_chain(chain, slash.turn) if beyond else chain
            continue
        before, behind = split_chain(chain, slash.at if name == slash.edge else slash.far_at)
        one = transform_chain(before, slash.turn) if beyond else before
        beyond = not beyond
        other = transform_chain(behind, slash.turn) if beyond else behind
        gap = (Segment(one[-1].end, other[0].start),) if name == slash.edge else ()
        out[name] = (*one, *gap, *other)
    return {edge.name: out[edge.name] for edge in piece.edges}


def after(piece: Piece, fold: str) -> tuple[str, ...]:
    """The names of a piece's edges in ring order, from the one after its fold on."""
    names = [edge.name for edge in piece.edges]
    k = names.index(fold)
    return (*names[k + 1 :], *names[:k])


# ---------------------------------------------------------------- both halves together


def _together(own: Piece, other: Piece, fold: str) -> Piece:
    """Two halves that share their fold, as one piece that is cut once."""
    specs: dict[str, EdgeSpec] = {edge.name: edge for half in (own, other) for edge in half.edges}
    names = (*after(own, fold), *after(other, fold))
    shapes = {}
    for size, shape in own.shapes.items():
        chains: Mapping[str, Chain] = {**shape.edges, **other.shapes[size].edges}
        (x0, _), (x1, _) = shape.grainline
        level = _level(shape, fold)
        shapes[size] = Shape({name: chains[name] for name in names}, ((x0, level), (x1, level)))
    centre = InnerLine(
        "centre", LineKind.CENTRE, {s: (h.edges[fold][0].start, h.edges[fold][-1].end) for s, h in own.shapes.items()}
    )
    return replace(
        own,
        edges=tuple(specs[name] for name in names),
        shapes=shapes,
        cuts=tuple(replace(cut, fold=None) if cut.fold else cut for cut in own.cuts),
        marks=(*own.marks, *other.marks),
        darts=(*own.darts, *other.darts),
        lines=(*own.lines, *other.lines, centre),
        points=(*own.points, *other.points),
        one_sided=(),
    )
