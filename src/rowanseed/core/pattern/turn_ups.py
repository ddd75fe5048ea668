"""Turn-ups of legs: how wide they are, and what is cut on for them (common practice, no source)."""

from __future__ import annotations

TURN_UPS = "turn-ups"
"""The way of hemming, as the making order knows it."""
WIDE, OF_A_CHILD = 40.0, 30.0
"""How wide a turn-up is, in mm, and a child's."""
INSIDE = 20.0
"""The hem reaches so far above the turn-up's own depth inside, in mm."""


def turn_up(*, is_child: bool) -> float:
    """How wide a turn-up is, in mm."""
    return OF_A_CHILD if is_child else WIDE


def whole(wide: float) -> float:
    """What is cut on below the line at which a leg ends, in mm: the turn-up, its inside, and the hem."""
    return 2 * wide + INSIDE


def folds(wide: float) -> tuple[float, float]:
    """How much is folded each time, from the raw edge on: to the inside, and up."""
    return wide + INSIDE, wide
