"""Pleats and tucks that shape a half: how many, how deep, how far they are held."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.compose.vocabulary import Shaping
from rowanseed.core.pattern.pieces import Taken


@dataclass(frozen=True)
class Folds:
    """How a shaping takes in: how many folds on each half, how much each takes in, how far it is held, in mm."""

    taken: Taken
    count: int
    each: float
    long: float

    @property
    def whole(self) -> float:
        return self.count * self.each


SHAPED = {
    Shaping.TUCKS: Folds(Taken.TUCK, 3, 12.0, 90.0),
    Shaping.PLEATS: Folds(Taken.PLEAT, 2, 20.0, 60.0),
}


def folds_in(shaping: tuple[Shaping, ...]) -> Folds | None:
    """The pleats or tucks that a half is shaped by, if any."""
    return next((SHAPED[one] for one in shaping if one in SHAPED), None)
