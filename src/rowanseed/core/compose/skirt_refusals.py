"""What cannot be said of a skirt and of a hem: each by its field and the reason."""

from __future__ import annotations

from rowanseed.core.base.words import upper_first
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Found
from rowanseed.core.compose.hems import DEEP_HEM
from rowanseed.core.compose.skirts import SHAPED as SHAPED_SKIRTS
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, HemKind, Shaping, SkirtKind, Waist

CARTRIDGE = 2.0
"""Cartridge pleats are at least so many times as full as their band."""
NARROW_HEM, ROLLED_HEM = 16.0, 10.0
"""So deep a hem is at most that is folded narrow, and one that is rolled, in mm."""


def skirt_refused(d: Description) -> Found:
    f, skirt = d.features, d.features.skirt
    if skirt is None:
        return
    if d.garment is GarmentKind.APRON and not skirt.kind.is_full and skirt.kind not in SHAPED_SKIRTS:
        yield "features.skirt.kind", "An apron is a straight length, gathered or pleated to its band."
    if d.garment.has_bodice and not d.has_waist_seam and skirt.kind not in SHAPED_SKIRTS:
        yield "features.waist", f"{upper_first(skirt.kind.one)} is joined by a waist seam: say that there is one."
    if d.garment.has_bodice and skirt.kind is SkirtKind.CARTRIDGE_PLEATS:
        yield (
            "features.skirt.kind",
            "Cartridge pleats are whipped to the finished edge of a band here, not sewn into a bodice's waist seam: "
            "choose gathers or other pleats.",
        )
    in_panels = skirt.kind in (SkirtKind.GORED, SkirtKind.POINTED_PANELS)
    if in_panels and skirt.panels is not None and skirt.panels not in (4, 6, 8):
        yield "features.skirt.panels", "Gores and panels come in four, six or eight."
    pointed = skirt.kind is SkirtKind.POINTED_PANELS
    if pointed and (f.hem.depth or 0.0) > NARROW_HEM:
        yield (
            "features.hem.depth",
            "A pointed edge takes a narrow hem, of 16 mm (5/8 in) at most: a deeper one does not turn.",
        )
    if pointed and f.hem.kind in (HemKind.BLIND, HemKind.TWIN_NEEDLE, HemKind.DOUBLE):
        yield "features.hem.kind", "A pointed edge is hemmed narrow, rolled, faced or bound."
    if skirt.kind is SkirtKind.CARTRIDGE_PLEATS and (skirt.fullness or CARTRIDGE) < CARTRIDGE:
        yield "features.skirt.fullness", "Cartridge pleats take at least twice the waist: less is gathered."
    if skirt.coverage is not None and d.garment is not GarmentKind.APRON:
        yield "features.skirt.coverage", "Only an apron covers a part of the waist."
    lapped = Centre.OPEN in (f.front.centre, f.back.centre)
    if (
        lapped
        and (f.waist not in (None, Waist.NONE) or d.garment is GarmentKind.SKIRT)
        and skirt.kind
        in (
            SkirtKind.GORED,
            SkirtKind.POINTED_PANELS,
            SkirtKind.CIRCLE,
            SkirtKind.HALF_CIRCLE,
        )
    ):
        yield (
            "features.skirt.kind",
            "A skirt that is open all the way is drafted straight, A-line, gathered or pleated.",
        )
    darted = d.garment is GarmentKind.SKIRT and any(side.has(Shaping.WAIST_DART) for _, side in f.sides)
    if darted and skirt.darts is False:
        yield "features.skirt.darts", "A dart is said to be at its waist, and that it has none."
    if skirt.kind in (SkirtKind.CIRCLE, SkirtKind.HALF_CIRCLE) and skirt.darts:
        yield "features.skirt.darts", "A circle fits the waist by itself, without darts."


def hem_refused(d: Description) -> Found:
    hem = d.features.hem
    if hem.depth is None:
        return
    match hem.kind:
        case HemKind.BOUND if hem.depth < DEEP_HEM:
            yield (
                "features.hem.depth",
                "A hem with a bound edge is turned up and held inside, at least 2 cm (3/4 in) deep: choose a narrow "
                "one, or make it deeper.",
            )
        case HemKind.NARROW if hem.depth > NARROW_HEM:
            yield (
                "features.hem.depth",
                "A narrow hem is 16 mm (5/8 in) deep at most: a deeper one is turned up, or double.",
            )
        case HemKind.ROLLED if hem.depth > ROLLED_HEM:
            yield (
                "features.hem.depth",
                "A rolled hem takes 6 mm (1/4 in) in all: leave its depth out, or choose another hem.",
            )
