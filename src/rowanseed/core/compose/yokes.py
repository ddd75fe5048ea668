"""What straight and square yokes share."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.compose.description import Description, NeckShape, Shaping

FULLER = 1.35
"""Gathers under a yoke: so much longer than the yoke."""
PLEAT = 30.0
"""A pleat under a yoke takes in so much on each half, in mm."""
YOKE_AT = 0.3
"""Where a yoke's seam meets the armhole: a share of its upper curve."""
UNDER_A_YOKE = (Shaping.GATHERS_UNDER_YOKE, Shaping.PLEAT_UNDER_YOKE)
DEEP_NECKS = (NeckShape.V, NeckShape.SQUARE, NeckShape.SCOOP)


def below_the_neck(d: Description, yoke: Shaping) -> Iterator[tuple[str, str]]:
    """A front yoke lies below a neck that ends above it."""
    if d.features.front.has(yoke) and d.features.neck.shape in DEEP_NECKS:
        yield (
            "features.front.shaping",
            f"A {d.features.neck.shape.words} neck runs below a yoke: choose a round one, or no yoke.",
        )
