"""Where a front with lapels ends at the neck: the gorge, from the shoulder to the notch that the collar ends at."""

from __future__ import annotations

from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.drafting import curve
from rowanseed.core.geometry.outline import Chain, Point


def notch(block: Upper) -> Point:
    return (block.up + block.size.neck / 6 - 4.0, block.neck_width * 0.22)


def gorge(block: Upper) -> Chain:
    """From the shoulder's neck point to the notch."""
    return (curve(block.neck_point, (1.0, -0.1), notch(block), (0.25, -1.0), 0.4),)
