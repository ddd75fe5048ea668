"""What opens a garment and closes it again."""

from __future__ import annotations

from rowanseed.core.base.words import Worded


class OpeningKind(Worded):
    INVISIBLE_ZIP = "invisible zip"
    CENTRED_ZIP = "centred zip"
    LAPPED_ZIP = "lapped zip"
    EXPOSED_ZIP = "exposed zip"
    FLY_ZIP = "fly zip"
    SEPARATING_ZIP = "separating zip"
    BUTTONS = "buttons"
    HOOK_AND_EYE = "hook and eye"
    SNAPS = "snaps"
    TIES = "ties"
    SLIT = "slit"
    KEYHOLE = "keyhole"

    @property
    def zips_a_seam(self) -> bool:
        """Whether it is a zip with a seam below it; a separating one opens edges all the way."""
        return self in ZIPS_A_SEAM


ZIPS_A_SEAM = (
    OpeningKind.INVISIBLE_ZIP,
    OpeningKind.CENTRED_ZIP,
    OpeningKind.LAPPED_ZIP,
    OpeningKind.EXPOSED_ZIP,
    OpeningKind.FLY_ZIP,
)


class Placket(Worded):
    GROWN_ON = "grown on", "grown on, folded twice"
    BAND = "band", "a band of its own"
    FACING = "facing", "a facing"


class SleevePlacket(Worded):
    CONTINUOUS = "continuous", "strip round the slash"
    TOWER = "tower", "tower, with a point"
    FACED = "faced", "faced, its edges meeting"
