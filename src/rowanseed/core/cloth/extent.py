"""How much of a cloth there is, in words: what is cut into is never told by the box round it."""

from __future__ import annotations

from rowanseed.core.base.units import Units, format_cloth, format_length
from rowanseed.core.cloth.cloth import Cloth

HARDLY = 50.0
"""A length at full width below this, in mm, is of no use and is not told."""


def extent(cloth: Cloth, units: Units) -> str:
    """“1.01 m at full width and 0.73 m more between what is cut away”; empty where none is in hand."""
    length, free = cloth.length, cloth.free_length
    if length is None or free is None:
        return ""
    wide = format_length(cloth.width, units)
    if not cloth.gone:
        return f"{format_cloth(length, units)}, {wide} wide"
    more = f"{format_cloth(length - free, units)} more between what is cut away"
    if free < HARDLY:
        return f"cut into all over; {format_cloth(length, units)} by {wide} at most"
    return f"{format_cloth(free, units)} at the full width of {wide}" + (f" and {more}" if length > free else "")
