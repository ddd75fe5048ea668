"""Room for the thigh: the leg widened below the crotch, dying away to hip and knee."""

from __future__ import annotations

from rowanseed.core.alter.crotch import crotch_point, legs, length_of, moving
from rowanseed.core.alter.deform import smooth
from rowanseed.core.alter.frame import Frame, frame_of, move_some
from rowanseed.core.alter.seam import edge_field, edge_side
from rowanseed.core.base.craft_refusals import NoPlaceFor
from rowanseed.core.pattern.pattern import Pattern

PARTS = 16
BELOW = 45.0
"""The thigh is fullest this far below the crotch point, in mm (common practice, no source)."""
ROUNDS, NEAR = 12, 0.05
OUTER, INNER = "outseam", "inseam"


def thigh_level(pattern: Pattern, size: str) -> float:
    """Where the thigh is measured: below the lower of the crotch points, in mm down the front's frame."""
    return max(crotch_point(frame)[0] for frame in legs(pattern, size)) + BELOW


def change_width(pattern: Pattern, size: str, edge: str, by: float) -> Pattern:
    """Widen each leg (`by` > 0) or narrow it round the thigh, at its outer or inner seam; half on front and back."""
    found = [frame for frame in legs(pattern, size) if frame.edge(edge)]
    if not found:
        raise NoPlaceFor("No leg of this pattern has that seam.", field="at")
    at, before = thigh_level(pattern, size), pattern
    for frame in found:
        hip, knee = frame.level("hip"), frame.level("knee") or (at + frame.bounds()[2]) / 2
        top = crotch_point(frame)[0] if edge == INNER else hip if hip is not None else at - 150.0

        def amount(x: float, top: float = top, knee: float = knee) -> float:
            return smooth((x - top) / (at - top)) if x < at else smooth((knee - x) / (knee - at))

        piece = next(p for p in frame.pieces if p.has_edge(edge))
        here = frame_of(pattern, size, piece.id)
        field = edge_field(edge_side(here, piece, edge), amount, by / 2)
        pattern = move_some(pattern, here.pieces, size, field, parts=PARTS)
    return _inner_legs_alike(before, pattern, size) if edge == INNER else pattern


def _inner_legs_alike(before: Pattern, pattern: Pattern, size: str) -> Pattern:
    """Front and back slant unlike at the inner leg, so that one grows more: its crotch point is lowered by as much."""

    def grown(frame: Frame, now: Pattern) -> float:
        return length_of(now, frame, INNER) - length_of(before, frame, INNER)

    first, *others = legs(pattern, size)
    goal = grown(first, pattern)
    for frame in others:
        _, moved = moving(pattern, frame)
        drop, now = 0.0, pattern
        for _ in range(ROUNDS):
            off = grown(frame, now) - goal
            if abs(off) < NEAR:
                break
            drop += off
            now = moved(0.0, drop)
        pattern = now
    return pattern
