"""Across a waist seam: what a seam on one side of it takes in or lets out, the other side takes in or lets out too.

Where a seam goes on beyond the waist it is altered itself. Elsewhere darts take it; an edge that is cut as a curve, as
of a circle, is cut a little higher or lower; a piece with neither takes it at its side.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from enum import Enum

from rowanseed.core.alter.dart import change_intake, intake
from rowanseed.core.alter.deform import Field, smooth
from rowanseed.core.alter.frame import frame_of, move
from rowanseed.core.alter.let_in import fit_let_in
from rowanseed.core.alter.ring import is_let_in
from rowanseed.core.geometry.outline import Chain, Point, chain_length, point_at, unit
from rowanseed.core.pattern.making import INSET_EDGE, DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Dart, Panel, Piece
from rowanseed.core.pattern.seamline import line_length
from rowanseed.core.pattern.walk import fault, part_length

WAIST = "waist"
ACROSS = (WAIST, INSET_EDGE)
SIDES = ("side", "outseam")
BODY = (Panel.FRONT, Panel.BACK)
NOTICED = 0.05
"""A seam whose difference has changed by less than this, in mm, is as it was."""
LEAST_INTAKE = 4.0
"""A dart that takes in less than this, in mm, is none."""
CURVED = 0.6
"""An edge that turns by more than this, in radians, is cut as a curve of a circle."""
FADE = 180.0
"""Over so much of a piece, in mm from its waist, what is taken at its side dies away, or up to the next level
(common practice, no source)."""
NEAR = 40.0
"""A level so near to the waist, in mm, is the waist's own."""
ROUNDS, PARALLEL = 4, 1e-6


class How(Enum):
    """How a piece takes what the other side of its waist seam asks for."""

    DART = "dart"
    CURVE = "curve"
    SIDE = "side"
    BAND = "band"


@dataclass(frozen=True)
class Beyond:
    """What was done to a piece beyond the waist seam, in mm: more taken in by a dart, a curve cut farther from its
    centre, a side moved outwards, a band made longer."""

    piece: str
    how: How
    by: float
    dart: Dart | None = None
    above: float = 0.0
    """The same along the upper edge of a band."""


def beyond(before: Piece, after: Piece, size: str) -> tuple[Beyond, ...]:
    """What was done to a piece so that its waist seam meets again."""
    edge = next((name for name in ACROSS if before.has_edge(name)), None)
    if edge is None:
        return ()
    darts = tuple(
        Beyond(before.id, How.DART, mm, dart)
        for dart in before.darts
        if _takes_in(dart, edge) and abs(mm := intake(after, dart, size) - intake(before, dart, size)) > NOTICED
    )
    was, now = (piece.shapes[size].edges[edge] for piece in (before, after))
    if _turn(was) > CURVED:
        by = math.dist(_centre(was), now[0].start) - math.dist(_centre(was), was[0].start)
        return (Beyond(before.id, How.CURVE, by),)
    if is_let_in(before):
        below, above = (line_length(after, size, e) - line_length(before, size, e) for e in ACROSS)
        return (Beyond(before.id, How.BAND, below, above=above),)
    by = abs(now[-1].end[1] - now[0].start[1]) - abs(was[-1].end[1] - was[0].start[1])
    return darts if abs(by) <= NOTICED else (*darts, Beyond(before.id, How.SIDE, by))


@dataclass(frozen=True)
class _Waist:
    """A side of a waist seam that is brought to the length of the other: `by` mm longer."""

    pattern: Pattern
    size: str
    parts: tuple[EdgePart, ...]
    by: float

    def pieces(self) -> tuple[tuple[Piece, str, int], ...]:
        """(piece, edge, how often it is there)."""
        each = dict.fromkeys((p.piece, p.edge) for p in self.parts)
        return tuple(
            (self.pattern.piece(id), edge, sum((p.piece, p.edge) == (id, edge) for p in self.parts))
            for id, edge in each
        )


def meets_again(before: Pattern, pattern: Pattern, size: str) -> Pattern:
    """The altered pattern with its waist seams as far apart as they were `before`, as well as its pieces allow."""
    for _ in range(ROUNDS):
        for join in before.making.joins:
            if _lies_across(before, join):
                pattern = _met(before, pattern, size, join)
    return pattern


def _lies_across(pattern: Pattern, join: Join) -> bool:
    parts = (*join.a, *join.b)
    return (
        join.difference.kind is not DifferenceKind.GATHERS
        and all(p.edge in ACROSS for p in parts)
        and all(pattern.piece(p.piece).panel in BODY for p in parts)
    )


def _met(before: Pattern, pattern: Pattern, size: str, join: Join) -> Pattern:
    off = fault(pattern, size, join) - fault(before, size, join)
    if abs(off) <= NOTICED:
        return pattern
    grown = [
        {p: part_length(pattern, size, p) - part_length(before, size, p) for p in side} for side in (join.a, join.b)
    ]
    # The side that the seam has not changed, or has changed less, is brought to the other.
    to_b = abs(sum(grown[0].values())) >= abs(sum(grown[1].values()))
    moved, still, by = (grown[0], join.b, off) if to_b else (grown[1], join.a, -off)
    if any(is_let_in(pattern.piece(p.piece)) for p in still):
        fitted = fit_let_in(before, pattern, size, join)
        return pattern if fitted is None else fitted[0]
    panels = {pattern.piece(p.piece).panel for p, mm in moved.items() if abs(mm) > NOTICED}
    parts = tuple(p for p in still if pattern.piece(p.piece).panel in panels)
    waist = _Waist(pattern, size, parts, by)
    if any(_turn(piece.shapes[size].edges[edge]) > CURVED for piece, edge, _ in waist.pieces()):
        # A circle is cut alike all round: its sides stay equally long.
        return _at_the_curve(_Waist(pattern, size, still, by))
    return _at_darts(waist) or _at_the_sides(waist)


# ---------------------------------------------------------------- darts


def _at_darts(waist: _Waist) -> Pattern | None:
    """Darts of the edge that take in less, or more; None where there is none that can."""
    found = [
        (piece, dart, often) for piece, edge, often in waist.pieces() for dart in piece.darts if _takes_in(dart, edge)
    ]
    # A longer side is one whose darts take in less, each as far as there is something left of it.
    can = [(p, d, often) for p, d, often in found if waist.by < 0 or intake(p, d, waist.size) > LEAST_INTAKE + NOTICED]
    number = sum(often for _, _, often in can)
    if not number:
        return None
    pattern = waist.pattern
    for piece, dart, _ in can:
        less = min(waist.by / number, intake(piece, dart, waist.size) - LEAST_INTAKE)
        pattern = change_intake(pattern, waist.size, pattern.piece(piece.id), dart, -less)
    return pattern


def _takes_in(dart: Dart, edge: str) -> bool:
    return dart.edge == edge and not dart.is_folded


# ---------------------------------------------------------------- curves


def _turn(chain: Chain) -> float:
    """How far an edge turns from its start to its end, in radians."""
    (ax, ay), (bx, by) = unit(chain[0].derivative(0.0)), unit(chain[-1].derivative(1.0))
    return abs(math.atan2(ax * by - ay * bx, ax * bx + ay * by))


def _centre(chain: Chain) -> Point:
    """Where the lines square to both ends of an edge cross; of a half circle its middle."""
    (x0, y0), (x1, y1) = chain[0].start, chain[-1].end
    (ax, ay), (bx, by) = unit(chain[0].derivative(0.0)), unit(chain[-1].derivative(1.0))
    turn = ax * by - ay * bx
    if abs(turn) < PARALLEL:
        return ((x0 + x1) / 2, (y0 + y1) / 2)
    # (x0 - s*ay, y0 + s*ax) = (x1 - t*by, y1 + t*bx)
    s = ((x1 - x0) * bx + (y1 - y0) * by) / turn
    return (x0 - s * ay, y0 + s * ax)


def _at_the_curve(waist: _Waist) -> Pattern:
    """The edge cut farther from its centre, or nearer to it, on every piece by as much."""
    turned = sum(_turn(piece.shapes[waist.size].edges[edge]) * often for piece, edge, often in waist.pieces())
    pattern = waist.pattern
    for piece, edge, _ in waist.pieces():
        chain = piece.shapes[waist.size].edges[edge]
        frame = frame_of(pattern, waist.size, piece.id)
        pattern = move(pattern, frame, _away_from(_centre(chain), chain, waist.by / turned), parts=4)
    return pattern


def _away_from(centre: Point, chain: Chain, by: float) -> Field:
    radius = math.dist(centre, chain[0].start)

    def field(p: Point) -> Point:
        far = math.dist(centre, p)
        step = by * (1 - smooth((far - radius) / FADE))
        return p if far == 0.0 else (p[0] + (p[0] - centre[0]) / far * step, p[1] + (p[1] - centre[1]) / far * step)

    return field


# ---------------------------------------------------------------- sides


def _at_the_sides(waist: _Waist) -> Pattern:
    """The outer end of the edge moved, with the side that hangs from it, to nothing farther down; a band whole.

    The inner half stays: what faces an edge that opens runs on over the seam, and keeps its width on both sides of it.
    """
    with_side = [(found, side) for found in waist.pieces() for side in SIDES if found[0].has_edge(side)]
    if not with_side:
        return waist.pattern
    (piece, edge, often), outer = with_side[0]
    frame = frame_of(waist.pattern, waist.size, piece.id)
    chain, centre = piece.shapes[waist.size].edges[edge], frame.centre_y()
    near, far = sorted((chain[0].start, chain[-1].end), key=lambda p: abs(p[1] - centre))
    step = math.copysign(1.0, far[1] - near[1]) * waist.by / often
    above, _, below, _ = frame.bounds()
    side = piece.shapes[waist.size].edges[outer]
    long = chain_length(side)
    fade = min((d for _, x in frame.levels() if (d := abs(x - far[0])) > NEAR), default=below - above)
    whole, fade = fade >= below - above and below - above < FADE, min(FADE, fade)
    reach = min(fade, long)
    other = point_at(side, reach if math.dist(side[0].start, far) < NOTICED else long - reach)
    # It swings about where it dies away: the side stays as long as what it is sewn to.
    slant, middle = (other[1] - far[1]) / (other[0] - far[0]), (near[1] + far[1]) / 2

    def field(p: Point) -> Point:
        across = smooth((p[1] - middle) / (far[1] - middle))
        down = 1.0 if whole else 1 - smooth(abs(p[0] - far[0]) / fade)
        return (p[0] - slant * step * across * down, p[1] + step * across * down)

    return move(waist.pattern, frame, field, parts=4)
