"""The kinds of garment, how front and back are cut at their centre, and what shapes them."""

from __future__ import annotations

from rowanseed.core.base.words import Worded, with_article


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
