"""How wide the bodice block is in one size, and what its sides, darts and princess seams take in at the waist."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from rowanseed.core.compose.bodice_levels import Levels
from rowanseed.core.compose.description import Side
from rowanseed.core.compose.vocabulary import Shaping

FORWARD = 5.0
"""The front is so much wider than a quarter of the garment, the back so much narrower, in mm."""
LEAST_DART = 4.0
"""A waist dart that would take in less in the middle size, in mm, is left out."""


@dataclass(frozen=True)
class Widths(Levels):
    """Front or back of a bodice in one size: its quarters, y from the centre, in mm."""

    @property
    def quarter(self) -> float:
        return self.size.bust / 4 + (FORWARD if self.is_front else -FORWARD)

    @property
    def side_in(self) -> float:
        """What the side takes in at the waist; the rest is taken by darts or a princess seam, alike front and back."""
        if self.size.waist is None:
            return 0.0
        whole = (self.size.bust - self.size.waist) / 4
        if self.model.is_barely_shaped:
            return whole
        return _at_the_side(whole, self.halves_shaped)

    @cached_property
    def halves_shaped(self) -> int:
        """How many of front and back are shaped at the waist by a dart or a princess seam."""
        return sum(_takes_in(side) for _, side in self.description.features.sides)

    @cached_property
    def is_barely_shaped(self) -> bool:
        """Whether darts would take in next to nothing, so that the sides take in all of it."""
        if (
            self.size.waist is None
            or not self.halves_shaped
            or any(s.princess for _, s in self.description.features.sides)
        ):
            return self.halves_shaped == 0
        whole = (self.size.bust - self.size.waist) / 4
        left = 2 * (whole - _at_the_side(whole, self.halves_shaped))
        return left / self.halves_shaped < LEAST_DART

    @property
    def intake(self) -> float:
        """What darts or a princess seam take in at the waist of this half, in mm."""
        if self.size.waist is None or not _takes_in(self.side_of):
            return 0.0
        if self.model.is_barely_shaped:
            return 0.0
        both = (self.size.bust - self.size.waist) / 2 - 2 * self.side_in
        features = self.description.features
        shares = _takes_in(features.front) + _takes_in(features.back)
        return max(0.0, both / shares)

    @property
    def hip_out(self) -> float:
        return (self.size.hip - self.size.bust) / 4


def _at_the_side(whole: float, shaped: int) -> float:
    """What the side takes in of a quarter's excess, where so many halves are shaped besides."""
    if shaped == 0 or whole <= 0:
        return whole
    return min(whole, 12.0 + 0.35 * whole) if shaped == 2 else whole * 0.6


def _takes_in(side: Side) -> int:
    """Whether a half is shaped at the waist by more than its side seam."""
    return int(side.has(Shaping.WAIST_DART) or side.princess is not None)
