"""Shoulders: broader or narrower, sloping or square, raised for a pad."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import replace

from rowanseed.core.alter.deform import Field, smooth
from rowanseed.core.alter.frame import Frame, frame_of, frames, move, with_pieces
from rowanseed.core.base.craft_refusals import NoPlaceFor, TooNarrow
from rowanseed.core.geometry.outline import Point, chain_length, flatten, unit
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Mark, MarkKind, Panel, Piece
from rowanseed.core.pattern.seamline import mark_distance

YOKE = "yoke"
LEAST = 1.0
"""A yoke by itself ends where its armhole does: so much, in mm, is taken to lie below."""
PARTS = 4


def has_shoulders(pattern: Pattern, size: str) -> bool:
    return any(_shoulder(frame) is not None for frame in _bodies(pattern, size))


def _bodies(pattern: Pattern, size: str) -> list[Frame]:
    return [frame for frame in frames(pattern, size) if frame.panel in (Panel.FRONT, Panel.BACK)]


def _shoulder(frame: Frame) -> tuple[Point, Point, float] | None:
    """(neck point, shoulder tip, level of the underarm) of a frame; None without shoulder and armhole."""
    shoulder, armhole = frame.edge("shoulder"), frame.edge("armhole")
    if shoulder is None or armhole is None:
        return None
    # A princess seam from the shoulder cuts it in two.
    shoulder = frame.led_on(shoulder, "shoulder")
    ends = (shoulder[0].start, shoulder[-1].end)
    middle = frame.centre_y()
    neck, tip = sorted(ends, key=lambda p: abs(p[1] - middle))
    under = max(
        q[0] for p in frame.pieces if p.has_edge("armhole") for q in flatten(p.shapes[frame.size].edges["armhole"], 1.0)
    )
    return neck, tip, under


def _each(pattern: Pattern, size: str) -> list[tuple[Frame, Point, Point, float]]:
    """(frame, neck point, shoulder tip, level of the underarm) of all that changes with a shoulder.

    A yoke that lies by itself, above gathers or a pleat, is one with the piece below it: that has the rest of the
    armhole, and the yoke's points as they would lie above it.
    """
    found: list[tuple[Frame, Point, Point, float]] = []
    for frame in _bodies(pattern, size):
        own = _shoulder(frame)
        if own is None:
            continue
        neck, tip, under = own
        below = _below(pattern, size, frame)
        if below is None:
            found.append((frame, neck, tip, under))
            continue
        body, (down, across), lowest = below
        found.append((frame, neck, tip, lowest - down))
        found.append((body, (neck[0] + down, neck[1] + across), (tip[0] + down, tip[1] + across), lowest))
    if not found:
        raise NoPlaceFor("No piece of this pattern has a shoulder and an armhole.")
    return found


def _below(pattern: Pattern, size: str, yoke: Frame) -> tuple[Frame, Point, float] | None:
    """(the frame below a yoke that lies by itself, how far from the yoke's place it lies, its underarm's level)."""
    ids = {piece.id for piece in yoke.pieces}
    for join in pattern.making.joins:
        for one, other in ((join.a, join.b), (join.b, join.a)):
            sewn = len(one) == len(other) == 1 and one[0].edge == other[0].edge == YOKE
            if not sewn or one[0].piece not in ids or other[0].piece in ids:
                continue
            body = frame_of(pattern, size, other[0].piece)
            above, rest = yoke.edge("armhole"), body.edge("armhole")
            if body.panel is not yoke.panel or body.edge("shoulder") or above is None or rest is None:
                continue
            low, high = max(above[0].start, above[-1].end), min(rest[0].start, rest[-1].end)
            lowest = max(q[0] for q in flatten(rest, 1.0))
            return body, (high[0] - low[0], high[1] - low[1]), lowest
    return None


def _outwards(frame: Frame, neck: Point, tip: Point) -> Callable[[Point], float]:
    """0 at the neck point, 1 at the tip and beyond, measured across the piece without what darts and folds take in."""
    across = frame.without_darts("shoulder")
    begin, end = across(neck[1]), across(tip[1])
    return lambda p: min(max((across(p[1]) - begin) / (end - begin), 0.0), 1.0)


def change_width(pattern: Pattern, size: str, by: float) -> Pattern:
    """Make each shoulder broader (`by` > 0) or narrower; it dies away down the armhole."""
    each = _each(pattern, size)
    still = _stays(pattern, size, [frame for frame, *_ in each])
    for frame, neck, tip, under in each:
        along = unit((tip[0] - neck[0], tip[1] - neck[1]))
        if math.dist(neck, tip) + by < 20:
            raise TooNarrow("The shoulder is", math.dist(neck, tip), "Narrow it by less.")

        across = frame.without_darts("shoulder")
        end = across(tip[1])
        begin = across(neck[1]) + max((still.get(piece.id, 0.0) for piece in frame.pieces), default=0.0) * along[1]

        def field(
            p: Point,
            tip: Point = tip,
            under: float = under,
            along: Point = along,
            across: Callable[[float], float] = across,
            begin: float = begin,
            end: float = end,
        ) -> Point:
            down = 1 - smooth((p[0] - tip[0]) / (under - tip[0]))
            outwards = min(max((across(p[1]) - begin) / (end - begin), 0.0), 1.0)
            return (p[0] + along[0] * by * outwards * down, p[1] + along[1] * by * outwards * down)

        pattern = move(pattern, frame, field, frame.at_darts("shoulder"), parts=PARTS)
    return pattern


def _stays(pattern: Pattern, size: str, moved: list[Frame]) -> dict[str, float]:
    """Piece id → how much of its shoulder, from the neck, meets what does not move: a square yoke that lies by itself
    carries the inner half of the front's."""
    ids = {piece.id for frame in moved for piece in frame.pieces}
    found: dict[str, float] = {}
    for join in pattern.making.joins:
        for one, other in ((join.a, join.b), (join.b, join.a)):
            shoulder = all(part.edge == "shoulder" for part in (*one, *other))
            if shoulder and len(other) == 1 and {part.piece in ids for part in one} == {True, False}:
                inner = [pattern.piece(part.piece) for part in one if part.piece not in ids]
                found[other[0].piece] = sum(chain_length(piece.shapes[size].edges["shoulder"]) for piece in inner)
    return found


def change_slope(pattern: Pattern, size: str, by: float) -> Pattern:
    """Lower the shoulder tip by `by` mm (raise it if negative), and the armhole with it, so that it keeps its
    length."""
    for frame, neck, tip, under in _each(pattern, size):
        _, _, high, _ = frame.bounds()
        waist = max(frame.level("waist") or min(high, under + 180.0), under + LEAST)
        lowered = _slope(frame, neck, tip, under, waist, by)
        pattern = move(pattern, frame, lowered, frame.at_darts("side", "shoulder"), parts=PARTS)
    return pattern


def allow_for_pads(pattern: Pattern, size: str, thick: float) -> Pattern:
    """Raise the shoulder tip by a pad's thickness, tapering to nothing at the neck; the armhole grows by it.

    The sleeve's cap follows the armhole when the seams are put right.
    """
    for frame, neck, tip, under in _each(pattern, size):
        turned = _turned(frame, neck, tip, under, -thick)

        def field(p: Point, tip: Point = tip, under: float = under, turned: Callable[[Point], Point] = turned) -> Point:
            down, inwards = turned(p)
            return (p[0] + down * (1 - smooth((p[0] - tip[0]) / (under - tip[0]))), p[1] + inwards)

        pattern = move(pattern, frame, field, frame.at_darts("shoulder"), parts=PARTS)
    return pattern


def move_forward(pattern: Pattern, size: str, by: float) -> Pattern:
    """Bring the shoulder tip forward by `by` mm: the front's is lowered, the back's raised, the neck points stay.

    The tips turn about the neck points, so that both shoulder edges keep one length. The cap's shoulder point goes
    forward with them.
    """
    for frame, neck, tip, under in _each(pattern, size):
        way = by if frame.panel is Panel.FRONT else -by
        along = unit((tip[0] - neck[0], tip[1] - neck[1]))
        side = 1.0 if tip[1] > neck[1] else -1.0
        down = (abs(along[1]), -along[0] * side)
        half = (under - tip[0]) / 2
        outwards = _outwards(frame, neck, tip)

        def field(
            p: Point,
            tip: Point = tip,
            half: float = half,
            down: Point = down,
            way: float = way,
            outwards: Callable[[Point], float] = outwards,
        ) -> Point:
            share = way * outwards(p) * (1 - smooth((p[0] - tip[0]) / half))
            return (p[0] + down[0] * share, p[1] + down[1] * share)

        pattern = move(pattern, frame, field, frame.at_darts("shoulder"), parts=PARTS)
    return with_pieces(pattern, [_cap_point_forward(p, size, by) for p in pattern.pieces if p.panel is Panel.SLEEVE])


def _cap_point_forward(sleeve: Piece, size: str, by: float) -> Piece:
    """The shoulder point on a cap, moved towards its front notch."""
    on_cap = [mark for mark in sleeve.marks if mark.edge == "cap"]
    front = next((mark for mark in on_cap if mark.kind is MarkKind.NOTCH), None)
    if front is None:
        return sleeve
    to_front = mark_distance(sleeve, size, front)

    def moved(mark: Mark) -> Mark:
        if mark.edge != "cap" or mark.kind is not MarkKind.DOT:
            return mark
        towards = 1.0 if to_front > mark_distance(sleeve, size, mark) else -1.0
        along = towards if mark.anchor != "end" else -towards
        return replace(mark, distance={**mark.distance, size: mark.distance[size] + along * by})

    return replace(sleeve, marks=tuple(moved(mark) for mark in sleeve.marks))


def _turned(frame: Frame, neck: Point, tip: Point, under: float, by: float) -> Callable[[Point], Point]:
    """How far each place goes (down, to the side) where the shoulder turns about its neck point, its tip by `by` mm.

    The tip goes inwards by what the slope takes, so that the line keeps its length; down the armhole that dies away.
    What darts and folds of the shoulder take in is left out of the sum.
    """
    across = frame.without_darts("shoulder")
    wide = across(tip[1]) - across(neck[1])
    high = (tip[0] - neck[0]) * wide / (tip[1] - neck[1])
    inwards = math.copysign(math.sqrt(max(0.0, wide**2 + high**2 - (high + by) ** 2)), wide) - wide

    outwards = _outwards(frame, neck, tip)

    def turned(p: Point) -> Point:
        share = outwards(p)
        return (by * share, inwards * share * (1 - smooth((p[0] - tip[0]) / (under - tip[0]))))

    return turned


def _slope(frame: Frame, neck: Point, tip: Point, under: float, waist: float, by: float) -> Field:
    level = frame.without_darts()
    turned = _turned(frame, neck, tip, under, by)

    def field(p: Point) -> Point:
        below = 1 - smooth((level(p[0]) - under) / (level(waist) - under))
        down, inwards = turned(p)
        return (p[0] + down * below, p[1] + inwards)

    return field
