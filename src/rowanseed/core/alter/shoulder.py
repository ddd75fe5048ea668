"""Shoulders: broader or narrower, sloping or square, raised for a pad."""

from __future__ import annotations

import math

from rowanseed.core.alter.deform import Field, smooth
from rowanseed.core.alter.frame import Frame, frames, move
from rowanseed.core.base.errors import NoPlaceFor, TooNarrow
from rowanseed.core.geometry.outline import Point, flatten, unit
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel

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
    ends = (shoulder[0].start, shoulder[-1].end)
    middle = frame.centre_y()
    neck, tip = sorted(ends, key=lambda p: abs(p[1] - middle))
    under = max(
        q[0] for p in frame.pieces if p.has_edge("armhole") for q in flatten(p.shapes[frame.size].edges["armhole"], 1.0)
    )
    return neck, tip, under


def _each(pattern: Pattern, size: str) -> list[tuple[Frame, Point, Point, float]]:
    found = [(frame, *s) for frame in _bodies(pattern, size) if (s := _shoulder(frame)) is not None]
    if not found:
        raise NoPlaceFor("No piece of this pattern has a shoulder and an armhole.")
    return found


def _outwards(p: Point, neck: Point, tip: Point) -> float:
    """0 at the neck point, 1 at the tip and beyond, measured across the piece."""
    return min(max((p[1] - neck[1]) / (tip[1] - neck[1]), 0.0), 1.0)


def change_width(pattern: Pattern, size: str, by: float) -> Pattern:
    """Make each shoulder broader (`by` > 0) or narrower; it dies away down the armhole."""
    for frame, neck, tip, under in _each(pattern, size):
        along = unit((tip[0] - neck[0], tip[1] - neck[1]))
        if math.dist(neck, tip) + by < 20:
            raise TooNarrow("The shoulder is", math.dist(neck, tip), "Narrow it by less.")

        def field(p: Point, neck: Point = neck, tip: Point = tip, under: float = under, along: Point = along) -> Point:
            down = 1 - smooth((p[0] - tip[0]) / (under - tip[0]))
            share = by * _outwards(p, neck, tip) * down
            return (p[0] + along[0] * share, p[1] + along[1] * share)

        pattern = move(pattern, frame, field, parts=PARTS)
    return pattern


def change_slope(pattern: Pattern, size: str, by: float) -> Pattern:
    """Lower the shoulder tip by `by` mm (raise it if negative), and the armhole with it, so that it keeps its
    length."""
    for frame, neck, tip, under in _each(pattern, size):
        _, _, high, _ = frame.bounds()
        waist = frame.level("waist") or min(high, under + 180.0)
        pattern = move(pattern, frame, _slope(neck, tip, under, waist, by), parts=PARTS)
    return pattern


def allow_for_pads(pattern: Pattern, size: str, thick: float) -> Pattern:
    """Raise the shoulder tip by a pad's thickness, tapering to nothing at the neck; the armhole grows by it.

    The sleeve's cap follows the armhole when the seams are put right.
    """
    for frame, neck, tip, under in _each(pattern, size):

        def field(p: Point, neck: Point = neck, tip: Point = tip, under: float = under) -> Point:
            down = 1 - smooth((p[0] - tip[0]) / (under - tip[0]))
            return (p[0] - thick * _outwards(p, neck, tip) * down, p[1])

        pattern = move(pattern, frame, field, parts=PARTS)
    return pattern


def _slope(neck: Point, tip: Point, under: float, waist: float, by: float) -> Field:
    def field(p: Point) -> Point:
        below = 1 - smooth((p[0] - under) / (waist - under))
        return (p[0] + by * _outwards(p, neck, tip) * below, p[1])

    return field
