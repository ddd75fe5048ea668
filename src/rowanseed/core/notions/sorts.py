"""What sorts of things are bought, and in which part of a shop they stand."""

from __future__ import annotations

from rowanseed.core.base.words import Worded


class Group(Worded):
    """The parts of a shop in the order in which it is walked: cloth first, since all else is matched to it."""

    CLOTH = "cloth"
    LINING = "lining", "lining and interfacing"
    FASTENINGS = "fastenings", "buttons, zips and tapes"
    THREAD = "thread", "thread and needles"

    @property
    def is_cloth(self) -> bool:
        return self in (Group.CLOTH, Group.LINING)


class Sort(Worded):
    """Sorts of notions, as a shop keeps them."""

    BUTTONS = "buttons"
    INVISIBLE_ZIP = "invisible-zip"
    ZIP = "zip"
    HOOKS = "hooks", "hooks and eyes"
    ELASTIC = "elastic"
    BINDING = "binding", "bias binding"
    PIPING = "piping"
    SNAPS = "snaps"
    BONING = "boning"
    PADS = "pads", "shoulder pads"
    CORD = "cord"
    TAPE = "tape", "tapes"
    EYELETS = "eyelets"
    TRIM = "trim", "lace, braid and rickrack"
    THREAD = "sewing-thread"
    OVERLOCK_THREAD = "overlock-thread"
    NEEDLES = "needles", "machine needles"
    OTHER = "other", "what the envelope asks for besides"

    @property
    def group(self) -> Group:
        in_thread = (Sort.THREAD, Sort.OVERLOCK_THREAD, Sort.NEEDLES)
        return Group.THREAD if self in in_thread else Group.FASTENINGS

    @property
    def is_matched(self) -> bool:
        """Whether it has the cloth's colour, so that each garment has its own."""
        return self is Sort.THREAD

    @property
    def serves_several(self) -> bool:
        """Whether one packet serves several garments."""
        return self is Sort.NEEDLES
