"""The closed vocabulary of a description: every choice that an envelope or its line drawing gives, by its words.

Its values are those of `docs/formats/description.md`.
"""

from __future__ import annotations

from typing import assert_never

from rowanseed.core.base.words import Worded, with_article
from rowanseed.core.pattern.pieces import SEAM_LEVEL, WAIST


class GarmentKind(Worded):
    SKIRT = "skirt"
    TROUSERS = "trousers"
    TOP = "top"
    DRESS = "dress"
    JUMPSUIT = "jumpsuit"
    JACKET = "jacket"
    COAT = "coat"
    WAISTCOAT = "waistcoat"
    PINAFORE = "pinafore"
    APRON = "apron"
    NIGHTDRESS = "nightdress"
    ROBE = "robe", "robe of rectangles"

    @property
    def has_bodice(self) -> bool:
        """Whether it has shaped panels over the chest; a robe of rectangles has straight ones."""
        return self not in (GarmentKind.SKIRT, GarmentKind.TROUSERS, GarmentKind.APRON, GarmentKind.ROBE)

    @property
    def hangs_from_the_shoulders(self) -> bool:
        return self.has_bodice or self is GarmentKind.ROBE

    @property
    def has_legs(self) -> bool:
        return self in (GarmentKind.TROUSERS, GarmentKind.JUMPSUIT)

    @property
    def is_outer(self) -> bool:
        return self in (GarmentKind.JACKET, GarmentKind.COAT)

    @property
    def one(self) -> str:
        """One of its kind, within a sentence: a dress, an apron, trousers."""
        if self is GarmentKind.TROUSERS:
            return self.words
        return with_article(self.words)

    @property
    def has(self) -> str:
        """How a sentence says that it has something: a dress has, trousers have."""
        return f"{self.one} {'have' if self is GarmentKind.TROUSERS else 'has'}"


class Centre(Worded):
    FOLD = "fold", "on the fold"
    SEAM = "seam", "with a seam"
    OPEN = "open"


class Shaping(Worded):
    BUST_DART = "bust dart"
    WAIST_DART = "waist dart"
    SHOULDER_DART = "shoulder dart"
    PRINCESS_ARMHOLE = "princess from armhole", "princess seam from the armhole"
    PRINCESS_SHOULDER = "princess from shoulder", "princess seam from the shoulder"
    YOKE = "yoke"
    SQUARE_YOKE = "square yoke"
    GATHERS_UNDER_YOKE = "gathers under yoke", "gathers under the yoke"
    PLEAT_UNDER_YOKE = "pleat under yoke", "pleat under the yoke"
    TUCKS = "tucks"
    PLEATS = "pleats"
    SHOULDER_TUCK_LEFT = "shoulder tuck left", "tuck on the left shoulder"
    SHIRRED_PANEL = "shirred panel"


PRINCESS = (Shaping.PRINCESS_ARMHOLE, Shaping.PRINCESS_SHOULDER)


class Where(Worded):
    FRONT = "front"
    BACK = "back"
    LEFT_SIDE = "left side"
    NONE = "none"


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


class NeckShape(Worded):
    ROUND = "round"
    V = "v", "V"
    SQUARE = "square"
    SCOOP = "scoop"
    BOAT = "boat"
    HIGH = "high"
    STRAPLESS = "strapless"


class NeckFinish(Worded):
    FACING = "facing"
    BIAS_BINDING = "bias binding"
    BIAS_FACING = "bias facing"
    BAND = "band"
    LINING = "lining"
    COLLAR = "collar"


class CollarKind(Worded):
    FLAT = "flat"
    STAND = "stand"
    SHIRT = "shirt with stand"
    ONE_PIECE = "one-piece"
    NOTCHED = "notched"
    SHAWL = "shawl"
    HOOD = "hood"

    @property
    def one(self) -> str:
        """A collar of this kind, as a sentence names it."""
        match self:
            case CollarKind.STAND:
                return "a stand collar"
            case CollarKind.SHIRT:
                return "a shirt collar with stand"
            case CollarKind.ONE_PIECE:
                return "a collar in one piece"
            case CollarKind.HOOD:
                return "a hood"
            case CollarKind.FLAT | CollarKind.NOTCHED | CollarKind.SHAWL:
                return f"a {self.words} collar"
            case _:
                assert_never(self)


class SleeveKind(Worded):
    SET_IN = "set-in"
    GATHERED_CAP = "gathered cap"
    DROPPED = "dropped"
    CUT_IN_ONE = "cut in one"
    RAGLAN = "raglan"

    @property
    def one(self) -> str:
        """A sleeve of this kind, as a sentence names it."""
        match self:
            case SleeveKind.SET_IN:
                return "a set-in sleeve"
            case SleeveKind.GATHERED_CAP:
                return "a sleeve with a gathered cap"
            case SleeveKind.CUT_IN_ONE:
                return "a sleeve cut in one"
            case _:
                return f"{with_article(self.words)} sleeve"


class SleeveLength(Worded):
    CAP = "cap"
    SHORT = "short"
    ELBOW = "elbow"
    THREE_QUARTER = "three-quarter"
    LONG = "long"


class SleeveShape(Worded):
    """How a sleeve runs down from the arm to its end."""

    PLAIN = "plain", "as its end asks for"
    FLARED = "flared", "flared, wider at its end"


class SleeveEnd(Worded):
    HEM = "hem"
    CUFF = "cuff"
    GATHERED_CUFF = "gathered cuff"
    PLEATED_CUFF = "pleated cuff"
    ELASTIC_CASING = "elastic casing"
    BINDING = "binding"
    FACING = "facing"

    @property
    def is_cuff(self) -> bool:
        return self in (SleeveEnd.CUFF, SleeveEnd.GATHERED_CUFF, SleeveEnd.PLEATED_CUFF)


class ArmholeFinish(Worded):
    FACING = "facing"
    BIAS_BINDING = "bias binding"
    LINING = "lining"


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


class HemShape(Worded):
    """How the lower edge runs round the body."""

    LEVEL = "level"
    CURVED = "curved", "curved up at the sides"


class PocketPlace(Worded):
    FRONT = "front"
    BACK = "back"
    SIDE = "side"
    CHEST = "chest"


class PocketKind(Worded):
    PATCH = "patch"
    IN_SEAM = "in-seam"
    SLANT = "slant"
    WELT = "welt"
    FLAP = "flap"

    @property
    def usual_place(self) -> PocketPlace:
        return PocketPlace.SIDE if self is PocketKind.IN_SEAM else PocketPlace.FRONT


class Hand(Worded):
    """On which side of the body, as worn."""

    BOTH = "both", "both sides"
    LEFT = "left", "the left, as worn"
    RIGHT = "right", "the right, as worn"


class LiningOf(Worded):
    ALL = "all", "all of it"
    BODY = "body", "all but the sleeves"
    UPPER = "upper", "above the waist seam"
    LOWER = "lower", "below the waist seam"


class LiningMethod(Worded):
    BAGGED = "bagged"
    SEWN_IN = "sewn in"
    BY_HAND = "by hand"
    HANGING_FREE = "hanging free"


class FacedEdge(Worded):
    NECK = "neck"
    ARMHOLE = "armhole"
    FRONT = "front"
    WAIST = "waist"
    HEM = "hem"
    YOKE = "yoke", "back yoke (doubled)"


class Interfaced(Worded):
    COLLAR = "collar"
    CUFFS = "cuffs"
    FACINGS = "facings"
    FRONT = "front"
    WAISTBAND = "waistband"
    PLACKETS = "plackets"
    ALL = "all"


class InterfacingKind(Worded):
    FUSIBLE = "fusible"
    SEWN_IN = "sewn in"


class Boned(Worded):
    SIDE = "side"
    PRINCESS = "princess"
    CENTRE_BACK = "centre back"


class ElasticPlace(Worded):
    WAIST = "waist"
    SLEEVE = "sleeve"
    NECK = "neck"
    BACK = "back"


class TrimKind(Worded):
    PIPING = "piping"
    RUFFLE = "ruffle"
    LACE = "lace"
    RICKRACK = "rickrack"
    BRAID = "braid"
    TOPSTITCHING = "topstitching"
    EMBROIDERY = "embroidery"


class Along(Worded):
    NECK = "neck"
    HEM = "hem"
    ARMHOLE = "armhole"
    YOKE = "yoke"
    FRONT = "front"
    COLLAR = "collar"
    WAIST = "waist"


class BeltKind(Worded):
    TIE = "tie"
    BACK_BELT = "back belt"


class TapeLine(Worded):
    """Which of its two lines the tissue has."""

    STITCHING = "stitching", "the stitching line"
    CUTTING = "cutting", "the cutting line"


class BibShape(Worded):
    STRAIGHT = "straight"
    TAPERED = "tapered", "wider below"


class StrapsClosed(Worded):
    SEWN_IN = "sewn in"
    BUTTONS = "buttons"
    SNAPS = "snaps"
    TIES = "ties"


class StrapsGo(Worded):
    """Where straps of a top go that has no shoulders."""

    OVER = "over the shoulders"
    ROUND = "round the neck"
