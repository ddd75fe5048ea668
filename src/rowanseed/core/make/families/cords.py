"""Cords that are drawn in: how long they are, and what is to be minded about them."""

from __future__ import annotations

from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.envelope import Figure

BOW = 600.0
"""A cord is so much longer than the body, in mm: the craft's length for its bow."""
SHORT = 140.0
"""Beyond its opening each end of a cord at the waist of a child's garment is so long at most, in mm (EN 14682, from
memory)."""
CAUTION = (
    "A cord can catch and strangle: none at the neck or hood of a child's garment, elsewhere short ends; local rules "
    "may forbid more."
)


BELT = 360.0
"""An end of a belt that a child ties hangs down so far at most, in mm (EN 14682, from memory)."""


def belt_caution(bench: Workbench) -> str:
    """What is minded about a belt that is tied, on a child's garment."""
    if not _is_for_a_child(bench):
        return ""
    return (
        f"On a child the ends of a tied belt catch: {bench.length(BELT)} from the knot at most, and never below the "
        "hem; local rules may forbid more."
    )


def beyond_the_body(bench: Workbench) -> float:
    """How much longer than the body a cord is cut, in mm."""
    return 2 * SHORT if _is_for_a_child(bench) else BOW


def as_long(bench: Workbench) -> str:
    """What a cord is cut to, without an end."""
    if _is_for_a_child(bench):
        return (
            f"As long as the body there, the garment laid out flat, and {bench.length(SHORT)} at most for each free "
            "end: on a child's garment a long bow catches"
        )
    return f"As long as the body there and {bench.length(BOW)} for the bow"


def _is_for_a_child(bench: Workbench) -> bool:
    return bench.pattern.envelope.figure is Figure.CHILDREN
