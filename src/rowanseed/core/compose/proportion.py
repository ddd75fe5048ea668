"""How large what is small about a garment is drafted: collars, cuffs, pockets."""

from __future__ import annotations

from rowanseed.core.compose.description import Description
from rowanseed.core.pattern.envelope import Figure

OF_A_CHILD = 0.75
"""On a child's garment they are so large beside an adult's (common practice, no source)."""


def in_proportion(description: Description, mm: float) -> float:
    """A measure of such a part, in mm, in proportion to the figure; `mm` is an adult's."""
    return mm * OF_A_CHILD if description.figure is Figure.CHILDREN else mm


KNIT, RIBBING = 0.9, 0.8
"""A band of a knit is so long for the edge that it is stretched on to, and one of ribbing (common practice: a firm knit
takes nine tenths, a ribbing eight)."""


def band_share(description: Description) -> float:
    """How long a band is for the edge that it is stretched on to."""
    return RIBBING if description.features.ribbing else KNIT
