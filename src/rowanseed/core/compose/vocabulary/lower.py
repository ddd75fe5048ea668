"""Waists, skirts, legs and hems."""

from __future__ import annotations

from rowanseed.core.base.words import Worded, with_article
from rowanseed.core.pattern.pieces import SEAM_LEVEL, WAIST


class Waist(Worded):
    NONE = "none"
    SEAM = "seam"
    WAISTBAND = "waistband"
    FACING = "facing"
    ELASTIC_CASING = "elastic casing"
    DRAWSTRING = "drawstring"
    PLAIN_BAND = "plain band"
    PLEATED_BAND = "pleated band"
    SHIRRED = "shirred"


class WaistLevel(Worded):
    """Where a waist seam lies."""

    NATURAL = "natural", "at the waist"
    HIGH = "high", "high, below the bust"
    DROPPED = "dropped", "dropped to the hips"

    @property
    def level(self) -> str:
        """What the level of such a seam is called on the pieces: the waist only where it lies there."""
        return WAIST if self is WaistLevel.NATURAL else SEAM_LEVEL


class SkirtKind(Worded):
    STRAIGHT = "straight"
    A_LINE = "a-line", "A-line"
    GORED = "gored"
    GATHERED = "gathered"
    CIRCLE = "circle"
    HALF_CIRCLE = "half circle"
    KNIFE_PLEATS = "knife pleats"
    BOX_PLEATS = "box pleats"
    CARTRIDGE_PLEATS = "cartridge pleats"
    POINTED_PANELS = "pointed panels"
    TIERED = "tiered"

    @property
    def one(self) -> str:
        """A skirt of this kind, as a sentence names it."""
        match self:
            case SkirtKind.KNIFE_PLEATS | SkirtKind.BOX_PLEATS | SkirtKind.CARTRIDGE_PLEATS:
                return f"a skirt in {self.words}"
            case SkirtKind.POINTED_PANELS:
                return "a skirt of pointed panels"
            case SkirtKind.HALF_CIRCLE:
                return "a half-circle skirt"
            case _:
                return f"{with_article(self.words)} skirt"

    @property
    def is_full(self) -> bool:
        """Whether a straight length of cloth is drawn in to the waist."""
        pleats = (SkirtKind.KNIFE_PLEATS, SkirtKind.BOX_PLEATS, SkirtKind.CARTRIDGE_PLEATS)
        return self in (SkirtKind.GATHERED, SkirtKind.TIERED, *pleats)


class Slit(Worded):
    NONE = "none"
    BACK = "back"
    SIDES = "sides"


class SkirtGrain(Worded):
    """How the panels of a skirt lie to the grain."""

    LENGTHWISE = "lengthwise", "along the grain"
    BIAS = "bias", "on the bias"


class LegKind(Worded):
    STRAIGHT = "straight"
    WIDE = "wide"
    TAPERED = "tapered"
    SHORTS = "shorts"


class LegEnd(Worded):
    HEM = "hem"
    CUFF = "cuff"
    ELASTIC_CASING = "elastic casing"
    TURN_UP = "turn-up"


class HemKind(Worded):
    TURNED = "turned"
    DOUBLE = "double"
    NARROW = "narrow"
    BLIND = "blind"
    ROLLED = "rolled"
    TWIN_NEEDLE = "twin needle"
    FACED = "faced"
    BOUND = "bound"
    BY_HAND = "by hand"
    BAND = "band", "none: it ends in a band"


class HemShape(Worded):
    """How the lower edge runs round the body."""

    LEVEL = "level"
    CURVED = "curved", "curved up at the sides"
