"""How large what is small about a garment is drafted: collars, cuffs, pockets."""

from __future__ import annotations

from rowanseed.core.compose.description import Description
from rowanseed.core.pattern.envelope import Figure

OF_A_CHILD = 0.75
"""On a child's garment they are so large beside an adult's (common practice, no source)."""


def in_proportion(description: Description, mm: float) -> float:
    """A measure of such a part, in mm, in proportion to the figure; `mm` is an adult's."""
    return mm * OF_A_CHILD if description.figure is Figure.CHILDREN else mm
