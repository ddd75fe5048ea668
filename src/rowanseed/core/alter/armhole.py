"""The armhole: lowered or raised at the underarm, moved out or in across the back."""

from __future__ import annotations

from rowanseed.core.alter.deform import Field, smooth
from rowanseed.core.alter.frame import Frame, frames, move
from rowanseed.core.alter.sleeve import SHALLOW
from rowanseed.core.base.craft_refusals import NoPlaceFor
from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel

PARTS = 6
ABOVE = 0.4
"""Of the armhole's depth, how much the change at the underarm reaches up."""


def _armholes(pattern: Pattern, size: str, *panels: Panel) -> list[tuple[Frame, float, Point]]:
    """(frame, level of the shoulder tip, underarm point) of every front or back with an armhole."""
    found = []
    for frame in frames(pattern, size):
        chains = [p.shapes[size].edges["armhole"] for p in frame.pieces if p.has_edge("armhole")]
        if frame.panel in panels and chains:
            points = [q for chain in chains for q in flatten(chain, 1.0)]
            found.append((frame, min(q[0] for q in points), max(points, key=lambda q: q[0])))
    return found


def has_armhole(pattern: Pattern, size: str, *panels: Panel) -> bool:
    return bool(_armholes(pattern, size, *panels))


def change_depth(pattern: Pattern, size: str, by: float) -> Pattern:
    """Lower the underarm by `by` mm (raise it if negative) on front and back, and the sleeve's underarm with it."""
    every = _armholes(pattern, size, Panel.FRONT, Panel.BACK)
    # A yoke that lies by itself has only the upper part of its armhole.
    found = [one for one in every if one[0].edge("side") is not None]
    if not found:
        raise NoPlaceFor("No piece of this pattern has an armhole.")
    for frame, top, under in found:
        waist = frame.level("waist") or frame.bounds()[2]
        lowered = _body_lowered(frame, under, ABOVE * (under[0] - top), waist, by)
        pattern = move(pattern, frame, lowered, frame.at_darts("side"), parts=PARTS)
    for frame in frames(pattern, size):
        bicep, cap = frame.level("bicep"), frame.edge("cap")
        if frame.panel is Panel.SLEEVE and bicep is not None and cap is not None:
            top = min(q[0] for q in flatten(cap, 1.0))
            if by < 0 and bicep - top < SHALLOW:
                # A dropped sleeve has no cap to give: it is made as wide as its armhole.
                continue
            pattern = move(pattern, frame, _sleeve_lowered(top, bicep, frame.bounds()[2], by), parts=PARTS)
    return pattern


def _body_lowered(frame: Frame, under: Point, reach: float, waist: float, by: float) -> Field:
    centre, level = frame.centre_y(), frame.without_darts()

    def field(p: Point) -> Point:
        up, down = (under[0] - p[0]) / reach, (level(p[0]) - under[0]) / (level(waist) - under[0])
        across = smooth(((p[1] - centre) / (under[1] - centre) - 0.4) / 0.25)
        return (p[0] + by * (1 - smooth(max(up, down))) * across, p[1])

    return field


def _sleeve_lowered(top: float, bicep: float, wrist: float, by: float) -> Field:
    """The cap's top and the wrist stay: the sleeve keeps its length, its underarm goes down with the body's."""

    def field(p: Point) -> Point:
        share = smooth((p[0] - top) / (bicep - top)) if p[0] < bicep else 1 - smooth((p[0] - bicep) / (wrist - bicep))
        return (p[0] + by * share, p[1])

    return field


def change_back_width(pattern: Pattern, size: str, by: float) -> Pattern:
    """Make the back broader (`by` > 0) or narrower across the shoulder blades, half of it at each armhole.

    Shoulder tip and underarm stay; between them the armhole is moved.
    """
    found = _armholes(pattern, size, Panel.BACK)
    if not found:
        raise NoPlaceFor("No back of this pattern has an armhole.")
    for frame, top, under in found:
        pattern = move(pattern, frame, _across_blades(top, under, frame.centre_y(), by / 2), parts=PARTS)
    return pattern


def _across_blades(top: float, under: Point, centre: float, each: float) -> Field:
    blades, half = (top + under[0]) / 2, (under[0] - top) / 2
    out = 1.0 if under[1] > centre else -1.0

    def field(p: Point) -> Point:
        along = smooth(1 - abs(p[0] - blades) / half)
        return (p[0], p[1] + out * each * along * smooth(((p[1] - centre) / (under[1] - centre) - 0.2) / 0.3))

    return field
