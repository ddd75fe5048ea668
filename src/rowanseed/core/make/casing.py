"""A tunnel along an edge: what of its allowance is turned under, how wide it is inside (common practice, no source)."""

from __future__ import annotations

MOST_UNDER, UNDER = 10.0, 0.25
"""The raw edge is turned under by this share of the allowance, by so many mm at most."""
ROWS = 4.0
"""What the two rows beside its folds take of a tunnel, in mm."""
ROOM = 3.0
"""A tunnel is so much wider than the elastic in it, in mm."""


def turned_under(allowance: float) -> float:
    return min(MOST_UNDER, UNDER * allowance)


def width(allowance: float) -> float:
    """How wide the tunnel is inside, in mm."""
    return allowance - turned_under(allowance) - ROWS


def allowance_for(elastic: float) -> float:
    """The allowance of an edge whose tunnel holds elastic so wide, in mm."""
    turned = elastic + ROOM + ROWS
    return min(turned / (1 - UNDER), turned + MOST_UNDER)
