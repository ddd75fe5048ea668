"""Darts moved along their edge, turned by their point, made longer or shorter. What they take in stays."""

from __future__ import annotations

import math
from dataclasses import replace

from rowanseed.core.alter.frame import frame_of, with_pieces
from rowanseed.core.base.craft_refusals import NoPlaceFor, TooNarrow
from rowanseed.core.geometry.outline import Point, lerp, unit
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Dart, Piece
from rowanseed.core.pattern.seamline import line_length, mark_distance, mark_point
from rowanseed.core.pattern.turned_yoke import DART as YOKE_DART

POINT = "point"
"""The level of a dart that is turned: its point alone moves."""
BETWEEN = "/"
LEAST_LONG = 30.0


def darts(pattern: Pattern) -> tuple[tuple[Piece, Dart], ...]:
    """The darts of the garment's own pieces; those of their layers go along, and one that a yoke has closed is none."""
    layers = {layer.piece for layer in pattern.making.layers if layer.piece != layer.of}
    return tuple(
        (piece, dart)
        for piece in pattern.pieces
        if piece.id not in layers
        for dart in piece.darts
        if not dart.is_folded and dart.id != YOKE_DART
    )


def dart_key(piece: Piece, dart: Dart) -> str:
    return f"{piece.id}{BETWEEN}{dart.id}"


def dart_of(pattern: Pattern, at: str) -> tuple[Piece, Dart]:
    """The dart an alteration speaks of. Raises AlterationError."""
    found = next(((p, d) for p, d in darts(pattern) if dart_key(p, d) == at), None)
    if found is None:
        raise NoPlaceFor("That is no dart of this pattern.", field="at")
    return found


def is_crosswise(piece: Piece, dart: Dart) -> bool:
    """Whether the dart's edge runs across the garment, as a waist does."""
    shape = next(iter(piece.shapes.values()))
    (x0, y0), (x1, y1) = shape.edges[dart.edge][0].start, shape.edges[dart.edge][-1].end
    return abs(y1 - y0) > abs(x1 - x0)


def _mouth(piece: Piece, dart: Dart, size: str) -> Point:
    one, other = (mark_point(piece, size, piece.mark(leg)) for leg in dart.legs)
    return lerp(one, other, 0.5)


def _all_like(pattern: Pattern, piece: Piece, dart: Dart) -> list[tuple[Piece, Dart]]:
    """The dart and its twins in the layers drawn on the same piece."""
    layers = {layer.piece for layer in pattern.making.layers if layer.of == piece.id}
    twins = [(p, d) for p in pattern.pieces if p.id in layers for d in p.darts if d.id == dart.id]
    return [(piece, dart), *twins]


def change_dart_length(pattern: Pattern, size: str, at: str, by: float) -> Pattern:
    """Make a dart longer (`by` > 0) or shorter at its point. Raises AlterationError."""
    piece, dart = dart_of(pattern, at)
    for p, d in _all_like(pattern, piece, dart):
        mouth, point = _mouth(p, d, size), d.point[size]
        long = math.dist(mouth, point)
        if long + by < LEAST_LONG:
            raise TooNarrow("The dart is", long, "Shorten it by less.")
        along = unit((point[0] - mouth[0], point[1] - mouth[1]))
        pattern = _with_point(pattern, p, d, size, (point[0] + along[0] * by, point[1] + along[1] * by))
    return pattern


def move_dart(pattern: Pattern, size: str, at: str, level: str, by: float) -> Pattern:
    """Move a dart down its edge, or towards the side on an edge that runs across; `level` POINT moves its point alone.

    Raises AlterationError where it would run off its edge.
    """
    piece, dart = dart_of(pattern, at)
    for p, d in _all_like(pattern, piece, dart):
        before = _mouth(p, d, size)
        away = _away(pattern, p, d, size)
        if level == POINT:
            step: Point = (0.0, by * away[1]) if is_crosswise(p, d) else (by * away[0], 0.0)
            pattern = _with_point(pattern, p, d, size, (d.point[size][0] + step[0], d.point[size][1] + step[1]))
            continue
        moved = _legs_moved(p, d, size, by * away[2])
        after = _mouth(moved, d, size)
        point = d.point[size]
        pattern = with_pieces(pattern, [moved])
        pattern = _with_point(
            pattern, moved, d, size, (point[0] + after[0] - before[0], point[1] + after[1] - before[1])
        )
    return pattern


def _away(pattern: Pattern, piece: Piece, dart: Dart, size: str) -> tuple[float, float, float]:
    """(sign of x down, sign of y away from the centre, sign of the distance along the edge) of what counts as more."""
    chain = piece.shapes[size].edges[dart.edge]
    dx, dy = chain[-1].end[0] - chain[0].start[0], chain[-1].end[1] - chain[0].start[1]
    centre = frame_of(pattern, size, piece.id).centre_y()
    out = 1.0 if _mouth(piece, dart, size)[1] >= centre else -1.0
    along = (1.0 if dy * out > 0 else -1.0) if is_crosswise(piece, dart) else (1.0 if dx > 0 else -1.0)
    return 1.0, out, along


def _legs_moved(piece: Piece, dart: Dart, size: str, by: float) -> Piece:
    whole = line_length(piece, size, dart.edge)
    marks = []
    for mark in piece.marks:
        if mark.id in dart.legs and mark.anchor in ("start", "end"):
            at = mark_distance(piece, size, mark) + by
            if not 0 <= at <= whole:
                raise TooNarrow("The edge is", whole, "Move the dart by less: it would run off its edge.")
            distance = at if mark.anchor == "start" else whole - at
            mark = replace(mark, distance={**mark.distance, size: distance})
        marks.append(mark)
    return replace(piece, marks=tuple(marks))


def intake(piece: Piece, dart: Dart, size: str) -> float:
    """What a dart, a pleat or a tuck takes in at its edge, in mm."""
    one, other = (mark_distance(piece, size, piece.mark(leg)) for leg in dart.legs)
    return abs(other - one)


def with_intake(piece: Piece, dart: Dart, size: str, by: float) -> Piece:
    """The piece with a dart that takes in `by` mm more at its edge, half of it at each leg."""
    legs = sorted(dart.legs, key=lambda leg: mark_distance(piece, size, piece.mark(leg)))
    marks = []
    for mark in piece.marks:
        if mark.id in legs:
            step = -by / 2 if mark.id == legs[0] else by / 2
            match mark.anchor:
                case "start":
                    pass
                case "end":
                    step = -step
                case _:
                    # It is held by the other leg.
                    step = by if mark.distance[size] >= 0 else -by
            mark = replace(mark, distance={**mark.distance, size: mark.distance[size] + step})
        marks.append(mark)
    return replace(piece, marks=tuple(marks))


def change_intake(pattern: Pattern, size: str, piece: Piece, dart: Dart, by: float) -> Pattern:
    """A dart that takes in `by` mm more, with its twins in the layers drawn on its piece."""
    return with_pieces(pattern, (with_intake(p, d, size, by) for p, d in _all_like(pattern, piece, dart)))


def _with_point(pattern: Pattern, piece: Piece, dart: Dart, size: str, point: Point) -> Pattern:
    now = pattern.piece(piece.id)
    moved = tuple(replace(d, point={**d.point, size: point}) if d.id == dart.id else d for d in now.darts)
    return with_pieces(pattern, [replace(now, darts=moved)])
