"""Shorten it at the hem."""

from __future__ import annotations

from rowanseed.core.alter.hem import bears, change_length_at_hem
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.saving.pieces import is_hemmed
from rowanseed.core.saving.tactic import Cost, Garment, Tactic

SHORTER = 30.0


def _shortened(pattern: Pattern, size: str) -> Pattern:
    try:
        return change_length_at_hem(pattern, size, -SHORTER)
    except AlterationError:
        return pattern


def _offered(garment: Garment) -> bool:
    return is_hemmed(garment) and bears(garment.pattern, -SHORTER)


TACTIC = Tactic(
    id="shorten",
    words="shorten it by {by}",
    by=SHORTER,
    cost=Cost(8, "the garment is shorter", "none"),
    offered=_offered,
    loosens=True,
    first=True,
    reshape=_shortened,
)
