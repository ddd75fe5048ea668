"""A gaping neck: a wedge folded out from the neck to nothing at the armhole."""

from __future__ import annotations

import math

from rowanseed.core.alter.deform import Cuts, Field, interpolate, smooth
from rowanseed.core.alter.frame import Frame, frames, move
from rowanseed.core.base.craft_refusals import MoreThanItBears, NoPlaceFor
from rowanseed.core.geometry.outline import Chain, Point, chain_length, flatten, point_at
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel

PARTS = 20
BAND = math.radians(14)
"""The fold is trued over this angle, seen from the hinge, to either side of it."""
BEARS = 0.36
"""So much of the angle over which it is trued may be folded out of it."""
ROUNDS = 12
HINGE = 0.45
"""Of the way from the shoulder tip to the underarm, how far down the hinge stands."""


def necked(pattern: Pattern, size: str) -> tuple[Frame, ...]:
    """The frames of front and back that have a neck and an armhole."""
    return tuple(
        frame
        for frame in frames(pattern, size)
        if frame.panel in (Panel.FRONT, Panel.BACK) and frame.edge("neck") and frame.edge("armhole")
    )


def tighten(pattern: Pattern, size: str, panel: Panel, by: float) -> Pattern:
    """Fold `by` mm out of the whole neck of the front or back, half on each side; shoulder and armhole keep theirs.

    Raises AlterationError where there is no neck, or the fold would be wider than it can be trued.
    """
    frame = next((f for f in necked(pattern, size) if f.panel is panel), None)
    neck = None if frame is None else frame.edge("neck")
    if frame is None or neck is None:
        raise NoPlaceFor(f"No {panel.words} of this pattern has a neck and an armhole.")
    hinge, pinch = _hinge(frame), point_at(neck, chain_length(neck) / 2)
    goal, whole = -by / 2, chain_length(neck)
    turn = goal / math.dist(hinge, pinch)
    band = _band(hinge, pinch, neck)
    most = BEARS * band
    if abs(turn) > most:
        raise MoreThanItBears(abs(by), 2 * most * math.dist(hinge, pinch), "Fold out less, or take a smaller size.")
    at_hinge = Cuts.across((1.0, 0.0), hinge[0])
    now = pattern
    for _ in range(ROUNDS):
        now = move(pattern, frame, _fan(hinge, pinch, frame.neck_point(neck), turn, band), at_hinge, PARTS)
        changed = _neck_length(now, frame) - whole
        if abs(changed - goal) < 0.01 or not changed:
            break
        turn *= goal / changed
    return now


def _neck_length(pattern: Pattern, frame: Frame) -> float:
    piece = next(p for p in frame.pieces if p.has_edge("neck"))
    return chain_length(pattern.piece(piece.id).shapes[frame.size].edges["neck"])


def _hinge(frame: Frame) -> Point:
    """A point on the armhole, so far down from the shoulder tip."""
    points = sorted(
        q for p in frame.pieces if p.has_edge("armhole") for q in flatten(p.shapes[frame.size].edges["armhole"], 0.5)
    )
    xs, ys = [q[0] for q in points], [q[1] for q in points]
    x = xs[0] + HINGE * (xs[-1] - xs[0])
    return (x, interpolate(xs, ys, x))


def _angle(hinge: Point, p: Point) -> float:
    return math.atan2(p[1] - hinge[1], p[0] - hinge[0])


def _band(hinge: Point, pinch: Point, neck: Chain) -> float:
    """Half the angle over which the fold is trued: it stays clear of the shoulder and of the centre."""
    apart = [abs(_turned(_angle(hinge, end) - _angle(hinge, pinch))) for end in (neck[0].start, neck[-1].end)]
    return min(BAND, 0.9 * min(apart))


def _fan(hinge: Point, pinch: Point, neck_point: Point, turn: float, band: float) -> Field:
    """What lies above the fold is turned about the hinge; over the band it is drawn in evenly."""
    # Angles are counted from straight in towards the centre, so that they wrap outside the armhole.
    inwards = math.copysign(math.pi / 2, pinch[1] - hinge[1])
    along = _turned(_angle(hinge, pinch) - inwards)
    sign = 1.0 if _turned(_angle(hinge, neck_point) - inwards) > along else -1.0

    def field(p: Point) -> Point:
        x, y = p[0] - hinge[0], p[1] - hinge[1]
        angle = (_turned(math.atan2(y, x) - inwards) - along) * sign
        by = turn * sign * smooth((angle + band) / (2 * band))
        c, s = math.cos(by), math.sin(by)
        return (hinge[0] + c * x - s * y, hinge[1] + s * x + c * y)

    return field


def _turned(angle: float) -> float:
    """An angle between minus and plus half a turn."""
    return math.atan2(math.sin(angle), math.cos(angle))
