"""Where the levels of the bodice block lie in one size, and which of them it reaches."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import cached_property
from typing import Self

from rowanseed.core.compose.description import Description, Side
from rowanseed.core.compose.figures import LEAST_BELOW_UNDERARM, PAST_THE_HIP, SHORT_OF_THE_HIP, sewn_below
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.sizes import NAPE, Size
from rowanseed.core.compose.vocabulary import HemShape, Shaping, SleeveKind

RISE = 65.0
"""A lower edge that is curved lies so much higher at the sides than at the centre, in mm (common practice, no
source)."""
BUST_DART = 30.0
"""What a bust dart takes in at the side, in mm."""


@dataclass(frozen=True)
class Levels:
    """Front or back of a bodice in one size: where its levels lie, x down from the neck point, in mm."""

    description: Description
    size: Size
    is_front: bool
    middle: Size
    """The middle size: what it reaches decides for all of them which points the outline has."""
    loosened: float | None = None
    """How much wider the neck is than usual, in mm; None: as much as a head needs."""
    leaning: float | None = None
    """How far the sides lean outwards below the hip, for each mm; None: as is usual, or to the hem that is printed."""

    @property
    def side_of(self) -> Side:
        features = self.description.features
        return features.front if self.is_front else features.back

    @property
    def up(self) -> float:
        """How far all above the bust dart is raised, so that the sides meet when it is folded."""
        return -BUST_DART if self.is_front and self.side_of.has(Shaping.BUST_DART) else 0.0

    @cached_property
    def is_dropped(self) -> bool:
        sleeve = self.description.features.sleeve
        return sleeve is not None and sleeve.kind is SleeveKind.DROPPED

    @property
    def underarm(self) -> float:
        lower = 18.0 if self.description.garment.is_outer else 30.0 if self.is_dropped else 0.0
        return self.size.underarm + lower

    @property
    def waist(self) -> float:
        """The level of the waist, or of a waist seam above or below it."""
        return self.size.seam + NAPE

    @property
    def hip(self) -> float:
        return self.waist + self.size.seam_to_hip

    @cached_property
    def model(self) -> Self:
        """The same piece in the middle size."""
        return self if self.size is self.middle else replace(self, size=self.middle, loosened=None, leaning=None)

    @property
    def reaches_hip(self) -> bool:
        return self.model.foot > self.model.hip + PAST_THE_HIP

    @property
    def ends_about_the_hip(self) -> bool:
        """Whether it ends so near the hip that it is fitted there, or just above its lower edge."""
        near = self.model.foot > self.model.hip - SHORT_OF_THE_HIP
        whole = not self.description.has_waist_seam and not self.description.ends_in_band
        return near and not self.reaches_hip and whole

    @property
    def reaches_waist(self) -> bool:
        return self.model.foot > self.model.waist + 20.0

    @property
    def rise(self) -> float:
        """How much higher the lower edge lies at the sides than at the centre."""
        description = self.description
        if description.features.hem.shape is HemShape.LEVEL or description.has_waist_seam:
            return 0.0
        return in_proportion(description, RISE)

    @property
    def hem(self) -> float:
        """Where the piece ends at the centre: at the waist seam, or at the garment's hem."""
        return self.foot + self.rise

    @property
    def foot(self) -> float:
        """Where it ends at the side."""
        description = self.description
        if description.has_waist_seam:
            return self.waist
        asked = self.size.length + NAPE - sewn_below(description) - self.rise
        long = max(asked, self.underarm + LEAST_BELOW_UNDERARM)
        if self.size is self.middle:
            return long
        # The same points in every size: none ends above a level that the middle size reaches, or below one it does not.
        if self.model.reaches_hip:
            return max(long, self.hip + 25.0)
        return min(max(long, self.waist + 10.0), self.hip + PAST_THE_HIP) if self.model.reaches_waist else long
