"""Sleeves: width at the upper arm, and a cap that fits its armhole again."""

from __future__ import annotations

from rowanseed.core.alter.deform import Cuts, smooth
from rowanseed.core.alter.frame import Frame, frames, move
from rowanseed.core.base.craft_refusals import NoPlaceFor, TooNarrow
from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel

PARTS = 4
SHALLOW = 60.0
"""A cap lower than this, in mm, is that of a dropped sleeve (common practice, no source)."""


def has_sleeve(pattern: Pattern, size: str) -> bool:
    return any(f.panel is Panel.SLEEVE and f.level("bicep") is not None for f in frames(pattern, size))


def _sleeves(pattern: Pattern, size: str) -> list[tuple[Frame, float]]:
    found = [(f, x) for f in frames(pattern, size) if f.panel is Panel.SLEEVE and (x := f.level("bicep")) is not None]
    if not found:
        raise NoPlaceFor("No sleeve of this pattern says where the upper arm is.")
    return found


def change_width(pattern: Pattern, size: str, by: float) -> Pattern:
    """Widen (`by` > 0) or narrow the sleeve at the upper arm; nothing at the top of the cap nor at the wrist."""
    for frame, bicep in _sleeves(pattern, size):
        low, left, high, right = frame.bounds()
        middle, half = (left + right) / 2, (right - left) / 2
        if by < 0 and -by > half:
            raise TooNarrow("The sleeve is", 2 * half, "Narrow it by less.")

        def field(
            p: Point,
            low: float = low,
            high: float = high,
            bicep: float = bicep,
            middle: float = middle,
            half: float = half,
        ) -> Point:
            down = smooth((p[0] - low) / (bicep - low)) if p[0] < bicep else 1 - smooth((p[0] - bicep) / (high - bicep))
            return (p[0], p[1] + by / 2 * down * max(-1.0, min(1.0, (p[1] - middle) / half)))

        pattern = move(pattern, frame, field, parts=PARTS)
    return pattern


def narrow_underarm(pattern: Pattern, size: str, piece_id: str, each: float, fade: float) -> Pattern:
    """Take `each` mm off a sleeve at both sides of its underarm, as much as the body's side seam moved.

    It dies away up the cap over `fade` mm, as it does up the armhole, and down to the wrist, which keeps its cuff.
    """
    frame = next(f for f in frames(pattern, size) if any(p.id == piece_id for p in f.pieces))
    bicep = frame.level("bicep")
    if bicep is None or not each:
        return pattern
    _, left, high, right = frame.bounds()
    middle, half = (left + right) / 2, (right - left) / 2
    if each > half / 2:
        raise TooNarrow("The sleeve is", 2 * half, "Take the side seams in by less.")

    def field(p: Point) -> Point:
        share = 1 - smooth((p[0] - bicep) / (high - bicep)) if p[0] > bicep else smooth(1 - (bicep - p[0]) / fade)
        across = (p[1] - middle) / half
        # Only what lies near the edge moves, as on the body; the middle of the cap keeps its shape.
        return (p[0], p[1] - each * share * smooth((abs(across) - 0.4) / 0.6) * (1.0 if across > 0 else -1.0))

    return move(pattern, frame, field, parts=PARTS)


def cap_height(pattern: Pattern, size: str, piece_id: str) -> float:
    """How high a sleeve's cap stands above the level of the upper arm, in mm; 0 for one without."""
    frame = next(f for f in frames(pattern, size) if any(p.id == piece_id for p in f.pieces))
    bicep, cap = frame.level("bicep"), frame.edge("cap")
    return 0.0 if bicep is None or cap is None else bicep - min(q[0] for q in flatten(cap, 1.0))


def is_shallow(pattern: Pattern, size: str, piece_id: str, by: float) -> bool:
    """Whether a cap is too shallow to be lowered until it is `by` mm longer (shorter if negative): of a dropped
    sleeve, which is made narrower instead."""
    return cap_height(pattern, size, piece_id) < SHALLOW and by < 0


def raise_cap(pattern: Pattern, size: str, piece_id: str, by: float) -> Pattern:
    """Make a sleeve's cap higher (`by` > 0) or lower above the level of the upper arm, drawn out evenly."""
    frame = next(f for f in frames(pattern, size) if any(p.id == piece_id for p in f.pieces))
    bicep = frame.level("bicep")
    cap = frame.edge("cap")
    if bicep is None or cap is None:
        return pattern
    top = min(p[0] for p in flatten(cap, 1.0))

    def field(p: Point) -> Point:
        return p if p[0] >= bicep else (p[0] - by * (bicep - p[0]) / (bicep - top), p[1])

    return move(pattern, frame, field, Cuts.across((1.0, 0.0), bicep))
