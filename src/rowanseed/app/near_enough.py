"""How far the cloth may be out where the pieces of a described garment are approximate still."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache

from rowanseed.core.compose.tissue import certainty
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.formats.description_json import compose_pattern, read_description

WORTH_SAYING = 0.01
"""Less than this share of the length nobody buys otherwise for."""


@dataclass(frozen=True)
class NearEnough:
    """The share of its length by which a lay may be out, and the figure that would tell most if it were measured."""

    share: float
    piece: str
    """Its name, and in words what to measure on it first."""
    dimension: str

    def least(self, mm: float) -> float:
        return mm * (1 - self.share)

    def most(self, mm: float) -> float:
        return mm * (1 + self.share)


def near_enough(pattern: Pattern) -> NearEnough | None:
    """How near the approximate pieces of a pattern are; None where none is, or nothing is to be said of it."""
    if not pattern.description or not pattern.is_approximate:
        return None
    return _near(pattern.description, frozenset(piece.id for piece in pattern.pieces if piece.approximate))


@lru_cache(maxsize=32)
def _near(description: str, approximate: frozenset[str]) -> NearEnough | None:
    """Reckoned once for a description: what is drawn or measured elsewhere takes no part."""
    pattern = compose_pattern(description)
    unknowns = certainty(pattern, read_description(description).measured).unknowns
    left = [one for one in unknowns if one.piece in approximate]
    share = math.sqrt(sum(one.share**2 for one in left))
    if share < WORTH_SAYING:
        return None
    return NearEnough(share, pattern.piece(left[0].piece).name, left[0].dimension.words.lower())
