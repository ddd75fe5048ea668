"""What the describing form begins with for each garment: how such a garment is mostly put on, and what goes with it."""

from __future__ import annotations

from collections.abc import Mapping

from rowanseed.core.compose.vocabulary import Centre, GarmentKind, OpeningKind, SleeveKind, Where

Start = Mapping[str, str]
"""Fields of the form by their path, as they are typed."""

ZIPPED_BEHIND: Start = {
    "features.back.centre": Centre.SEAM.value,
    "features.opening.where": Where.BACK.value,
    "features.opening.kind": OpeningKind.INVISIBLE_ZIP.value,
}
OVER_THE_HEAD: Start = {"features.opening.where": Where.NONE.value}
BUTTONED: Start = {
    "features.front.centre": Centre.OPEN.value,
    "features.opening.where": Where.FRONT.value,
    "features.opening.kind": OpeningKind.BUTTONS.value,
}
BUTTONED_WITH_SLEEVES: Start = {**BUTTONED, "features.sleeve.kind": SleeveKind.SET_IN.value}
FLY: Start = {
    "features.opening.where": Where.FRONT.value,
    "features.opening.kind": OpeningKind.FLY_ZIP.value,
}
TIED_BEHIND: Start = {
    "features.opening.where": Where.BACK.value,
    "features.opening.kind": OpeningKind.TIES.value,
}
STARTS: Mapping[GarmentKind, Start] = {
    GarmentKind.SKIRT: ZIPPED_BEHIND,
    GarmentKind.TROUSERS: FLY,
    GarmentKind.TOP: OVER_THE_HEAD,
    GarmentKind.DRESS: ZIPPED_BEHIND,
    GarmentKind.JUMPSUIT: ZIPPED_BEHIND,
    GarmentKind.JACKET: BUTTONED_WITH_SLEEVES,
    GarmentKind.COAT: BUTTONED_WITH_SLEEVES,
    GarmentKind.WAISTCOAT: BUTTONED,
    GarmentKind.PINAFORE: ZIPPED_BEHIND,
    GarmentKind.APRON: TIED_BEHIND,
    GarmentKind.NIGHTDRESS: OVER_THE_HEAD,
    GarmentKind.ROBE: {},
}
FIRST = GarmentKind.DRESS
"""The garment that a form begins with before one is chosen."""


def by_word() -> dict[str, Start]:
    """The starts by the words that the form has for their garments."""
    return {garment.value: start for garment, start in STARTS.items()}


def start_of(garment: GarmentKind) -> dict[str, str]:
    """A form as it begins with this garment."""
    return {"garment": garment.value, **STARTS[garment]}
