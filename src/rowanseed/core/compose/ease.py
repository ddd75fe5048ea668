"""How a garment is fitted by its description, and the usual ease of it at every level (common practice, no source)."""

from __future__ import annotations

from rowanseed.core.compose.description import Description
from rowanseed.core.compose.folds import folds_in
from rowanseed.core.compose.vocabulary import PRINCESS, GarmentKind, Shaping, SkirtKind, Waist
from rowanseed.core.pattern.envelope import Runs, Structure


def is_full(description: Description) -> bool:
    """Whether a straight length of cloth is drawn in to the waist."""
    skirt = description.features.skirt
    drawn_in = not description.garment.has_bodice and not is_yoked_at_waist(description)
    return drawn_in and skirt is not None and skirt.kind.is_full


def is_free_at_the_hip(description: Description) -> bool:
    """Whether its fullness says how wide it is at the hip, and no finished measure does."""
    skirt = description.features.skirt
    if description.garment is GarmentKind.APRON:
        return True
    return skirt is not None and (skirt.kind.is_full or skirt.kind in (SkirtKind.CIRCLE, SkirtKind.HALF_CIRCLE))


def is_yoked_at_waist(description: Description) -> bool:
    """Whether a yoke lies at the waist of a skirt or of trousers."""
    at_waist = description.garment in (GarmentKind.SKIRT, GarmentKind.TROUSERS)
    return at_waist and any(side.has(Shaping.YOKE) for _, side in description.features.sides)


def goes_in(description: Description) -> bool:
    """Whether the garment is shaped to the waist: by darts or seams, or because it begins there."""
    features = description.features
    shaped = (Shaping.WAIST_DART, *PRINCESS)
    return (
        not description.garment.hangs_from_the_shoulders
        or features.front.has(*shaped)
        or features.back.has(*shaped)
        or description.has_waist_seam
        or features.waist is Waist.SHIRRED
    )


PLEATED = 30.0
"""What each pleat at a waist adds to the usual ease at the hip, left and right together, in mm."""


def _let_in(description: Description) -> float:
    features = description.features
    if description.garment.has_legs:
        return 2 * PLEATED * features.legs.pleats
    folds = (folds_in(side.shaping) for side in (features.front, features.back))
    return sum(2 * PLEATED * one.count for one in folds if one)


STRAPLESS_EASE = {"bust": 10.0, "waist": 15.0, "hip": 60.0}
"""What stands by itself sits close, in mm (common practice, no source)."""
ROBE_EASE = {"bust": 320.0, "waist": 400.0, "hip": 300.0}
RUNS = {Runs.TRUE: 0.0, Runs.LARGE: 30.0, Runs.SMALL: -20.0}
"""What a house that runs so has more ease than is usual, in mm (common practice, no source)."""


def ease(description: Description, name: str) -> float:
    """The usual ease of a garment at a level, in mm; more or less of it where the house runs large or small."""
    usual = _usual_ease(description, name)
    return max(min(usual, 10.0), usual + RUNS[description.runs])


def _usual_ease(description: Description, name: str) -> float:
    garment, knit = description.garment, description.cloth is Structure.KNIT
    if description.is_strapless:
        return {"bust": 0.0, "waist": 10.0, "hip": 20.0}[name] if knit else STRAPLESS_EASE[name]
    fitted = goes_in(description)
    match garment:
        case GarmentKind.SKIRT | GarmentKind.APRON:
            return {"bust": 60.0, "waist": 20.0, "hip": 60.0 + _let_in(description)}[name]
        case GarmentKind.TROUSERS:
            return {"bust": 60.0, "waist": 20.0, "hip": 70.0 + _let_in(description)}[name]
        case GarmentKind.JUMPSUIT if not knit:
            return {"bust": 60.0, "waist": 40.0, "hip": 70.0 + _let_in(description)}[name]
        case GarmentKind.COAT:
            return {"bust": 180.0, "waist": 200.0, "hip": 160.0}[name]
        case GarmentKind.JACKET:
            return {"bust": 130.0, "waist": 140.0, "hip": 110.0}[name]
        case GarmentKind.ROBE:
            return ROBE_EASE[name]
        case GarmentKind.NIGHTDRESS:
            return {"bust": 140.0, "waist": 160.0, "hip": 140.0}[name]
        case GarmentKind.WAISTCOAT:
            return {"bust": 80.0, "waist": 90.0, "hip": 80.0}[name]
        case _ if knit:
            return {"bust": 20.0, "waist": 40.0, "hip": 20.0}[name]
        case _ if fitted:
            return {"bust": 60.0, "waist": 40.0, "hip": 60.0}[name]
        case _:
            return {"bust": 110.0, "waist": 150.0, "hip": 90.0}[name]
