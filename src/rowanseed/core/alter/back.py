"""The back: a sway taken out at the waist, length given over a round back."""

from __future__ import annotations

from rowanseed.core.alter.deform import Field, interpolate, smooth
from rowanseed.core.alter.frame import Frame, frames, move
from rowanseed.core.base.errors import MoreThanItBears, NoPlaceFor
from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel

PARTS = 4
FOLD = 90.0
"""Half the height, in mm, over which the wedge is taken: as a fish-eye fold tapers."""

MOST_WEDGE = 60.0
"""A greater wedge, in mm, bends the centre seam too far (common practice, no source)."""


def _backs(pattern: Pattern, size: str, level: str) -> list[tuple[Frame, float]]:
    found = [(f, x) for f in frames(pattern, size) if _is_centre(f) and (x := f.level(level)) is not None]
    if not found:
        raise NoPlaceFor(f"No back piece says where the {level} is.")
    return found


def has_back(pattern: Pattern, size: str, level: str) -> bool:
    return any(_is_centre(f) and f.level(level) is not None for f in frames(pattern, size))


def _is_centre(frame: Frame) -> bool:
    """Whether a frame is the back at its centre, not one of its side panels."""
    return frame.panel is Panel.BACK and (frame.edge("centre") is not None or frame.edge("crotch") is not None)


def has_round_back(pattern: Pattern, size: str) -> bool:
    return any(f.panel is Panel.BACK and f.edge("armhole") and f.edge("neck") for f in frames(pattern, size))


def _across(frame: Frame, edge: str) -> tuple[float, float]:
    """(y at the centre, y of the outermost point of an edge)."""
    centre = frame.centre_y()
    chains = [p.shapes[frame.size].edges[edge] for p in frame.pieces if p.has_edge(edge)]
    ys = [q[1] for chain in chains for q in flatten(chain, 1.0)] or [frame.bounds()[1], frame.bounds()[3]]
    return centre, max(ys, key=lambda y: abs(y - centre))


def take_out_sway(pattern: Pattern, size: str, by: float) -> Pattern:
    """Take a wedge out of the back at the waist: `by` mm at the centre, nothing at the side seam.

    A back that begins at the waist loses it at its upper edge.
    """
    if by > MOST_WEDGE:
        raise MoreThanItBears(by, MOST_WEDGE, "Take out less: it bends the centre seam too far.")
    for frame, waist in _backs(pattern, size, "waist"):
        pattern = move(pattern, frame, _wedge(frame, waist, by), parts=PARTS)
    return pattern


def _wedge(frame: Frame, waist: float, by: float) -> Field:
    centre, top = frame.centre_y(), frame.bounds()[0]
    xs, ys = _outer_edge(frame)

    def share(p: Point) -> float:
        """1 at the centre, 0 at the side seam."""
        side = interpolate(xs, ys, p[0])
        return min(max(1 - (p[1] - centre) / (side - centre), 0.0), 1.0)

    def lowered(p: Point) -> Point:
        return (p[0] + by * share(p) * (1 - smooth((p[0] - top) / (2 * FOLD))), p[1])

    def folded(p: Point) -> Point:
        return (p[0] - by * share(p) * smooth((p[0] - (waist - FOLD)) / (2 * FOLD)), p[1])

    # A piece that begins at the waist is cut lower there, so that its hem stays level.
    return lowered if waist < top + FOLD else folded


def _outer_edge(frame: Frame) -> tuple[list[float], list[float]]:
    """Where the edge farthest from the centre runs: its levels and how far out it stands there."""
    chain = frame.edge("side") or frame.edge("outseam")
    low, left, high, right = frame.bounds()
    if chain is None:
        return [low, high], [max(left, right, key=lambda y: abs(y - frame.centre_y()))] * 2
    points = sorted(flatten(chain, 1.0))
    return [p[0] for p in points], [p[1] for p in points]


def give_round_back(pattern: Pattern, size: str, by: float) -> Pattern:
    """Give `by` mm of length over the shoulder blades: at the centre back, dying away to the armhole."""
    for frame in frames(pattern, size):
        armhole, neck = frame.edge("armhole"), frame.edge("neck")
        if frame.panel is not Panel.BACK or armhole is None or neck is None:
            continue
        centre, outer = _across(frame, "armhole")
        top = min(p[0] for p in flatten(armhole, 1.0))
        bottom = max(
            q[0] for p in frame.pieces if p.has_edge("armhole") for q in flatten(p.shapes[size].edges["armhole"], 1.0)
        )
        blades = (top + bottom) / 2

        def field(
            p: Point, centre: float = centre, outer: float = outer, blades: float = blades, top: float = top
        ) -> Point:
            share = smooth(1 - abs(p[1] - centre) / abs(outer - centre))
            return (p[0] - by * share * smooth((blades - p[0]) / max(1.0, blades - top)), p[1])

        pattern = move(pattern, frame, field, parts=PARTS)
    return pattern
