"""A tuck on the left shoulder only: refused, since a front unlike left and right is not drafted."""

from __future__ import annotations

from rowanseed.core.compose.description import Description, Shaping
from rowanseed.core.compose.feature import Feature, Found


def asked(d: Description) -> bool:
    return any(side.has(Shaping.SHOULDER_TUCK_LEFT) for _, side in d.features.sides)


def forbids(d: Description) -> Found:
    for name, side in d.features.sides:
        if side.has(Shaping.SHOULDER_TUCK_LEFT):
            yield (
                f"features.{name}.shaping",
                "A tuck on the left shoulder makes left and right unlike, which is not drafted here yet: describe the "
                "garment without it, and bring your tissue's drawing of that piece.",
            )


FEATURES = (Feature("shoulder-tuck", asked=asked, forbids=forbids),)
