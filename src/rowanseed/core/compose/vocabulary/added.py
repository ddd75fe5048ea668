"""What is put on and into a garment: pockets, linings, facings, interfacing, elastic, trims."""

from __future__ import annotations

from rowanseed.core.base.words import Worded


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
    POUCH = "pouch"

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
