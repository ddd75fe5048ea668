"""A sleeve that gets wider down to its end: how wide, and the curve of its lower edge.

How far it flares is common practice, no source; that its edge meets the seam at a right angle is plain geometry.
"""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.compose.drafting import OUT, backwards, curve, mirrored
from rowanseed.core.geometry.outline import Chain

SHORT, LONG = 1.15, 1.5
"""A sleeve without length and one to the wrist are so many times as wide at the end as under the arm."""
STEEPEST = 0.35
"""Its seam leans outwards by no more than this, for each mm of length."""
SHORTER = 0.4
"""Its seam is shorter than its middle by no more than this share of it."""


@dataclass(frozen=True)
class Flared:
    """The lower part of a sleeve that is `wide` under the arm, where its seam begins at `top`, and ends at `foot` in
    its middle; x down, y across, in mm. `share`: how far down the arm it reaches."""

    wide: float
    top: float
    foot: float
    share: float

    @property
    def end(self) -> float:
        """How wide it is at its end."""
        asked = self.wide * (SHORT + (LONG - SHORT) * self.share)
        return min(asked, self.wide + 2 * STEEPEST * (self.foot - self.top))

    @property
    def inset(self) -> float:
        """Where the seam ends across: outside the line it begins on."""
        return (self.wide - self.end) / 2

    @property
    def leaning(self) -> float:
        return -self.inset / (self.foot - self.top)

    @property
    def side(self) -> float:
        """Where the seam ends, down the sleeve: above the middle, as the edge of an arc does."""
        return self.foot - min(self.leaning * self.end / 4, SHORTER * (self.foot - self.top))

    @property
    def wrist(self) -> Chain:
        """The lower edge, from one end of the seam to the other, at right angles to both."""
        square = -self.inset / (self.side - self.top)
        first = (curve((self.side, self.inset), (square, 1.0), (self.foot, self.wide / 2), OUT),)
        return (*first, *mirrored(backwards(first), self.wide / 2))
