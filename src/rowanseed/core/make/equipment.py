"""What a household sews with and how it is used to sewing: what techniques ask before they are offered."""

from __future__ import annotations

from dataclasses import dataclass, field

from rowanseed.core.base.words import Worded


class Foot(Worded):
    """Feet that some techniques ask for; an ordinary foot and a zipper foot come with every machine."""

    INVISIBLE_ZIP = "invisible-zip", "invisible-zip foot"
    EDGE = "edge", "edge foot"
    BLIND_HEM = "blind-hem", "blind-hem foot"
    BUTTONHOLE = "buttonhole", "buttonhole foot"
    WALKING = "walking", "walking foot"


class SeamFinish(Worded):
    """How the edges of a plain seam are finished where nothing else is asked for it."""

    NEATENED = "neatened"
    PINKED = "pinked"
    HAND_OVERCAST = "hand-overcast", "overcast by hand"
    RAW = "raw", "left raw"


class StaySchool(Worded):
    """Where staystitching runs."""

    INSIDE = "inside", "just inside the stitching line"
    ON_LINE = "on-line", "on the stitching line"
    EDGE = "edge", "near the edge"


class TryOn(Worded):
    """How a shell is held for its first try-on."""

    USUAL = "usual", "as suits the garment"
    BASTED = "basted", "sides basted first"
    SEWN = "sewn", "sides sewn"


class Holding(Worded):
    """How layers are held for an ordinary seam."""

    PINNED = "pinned", "by pins or clips"
    BASTED = "basted", "basted by hand first"


class Experience(Worded):
    """How used one is to sewing: what the minutes of a step are reckoned by until there are own times."""

    NEW = "new", "new to it"
    PRACTISED = "practised"
    QUICK = "quick", "quick at it"


@dataclass(frozen=True)
class Equipment:
    """A household's machines and helpers. `overlock_threads` 0: no overlocker.

    Without a `machine` everything is sewn by hand.
    """

    machine: bool = True
    zigzag: bool = True
    stretch_stitch: bool = True
    overlock_threads: int = 0
    differential: bool = False
    coverstitch: bool = False
    feet: frozenset[Foot] = frozenset({Foot.INVISIBLE_ZIP, Foot.EDGE, Foot.BUTTONHOLE})
    ham: bool = True

    @property
    def overlocker(self) -> bool:
        return self.machine and self.overlock_threads > 0

    @property
    def sews_zigzag(self) -> bool:
        return self.machine and self.zigzag


@dataclass(frozen=True)
class SewingHabits:
    """What is done where nothing else is asked for a garment or a seam."""

    seam_finish: SeamFinish = SeamFinish.NEATENED
    stay: StaySchool = StaySchool.INSIDE
    try_on: TryOn = TryOn.USUAL
    holding: Holding = Holding.PINNED
    hem_by_hand: bool = False
    experience: Experience = Experience.PRACTISED
    by_booklet: bool = False
    """Whether the booklet's order is kept where a pattern has one, whatever walks it costs."""


@dataclass(frozen=True)
class Workroom:
    """A household's equipment and its habits of sewing."""

    equipment: Equipment = field(default_factory=Equipment)
    habits: SewingHabits = field(default_factory=SewingHabits)
