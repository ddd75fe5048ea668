"""The top of a skirt or of trousers: how full it is, and what finishes it, as is said or as is usual."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.ease import is_yoked_at_waist
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.vocabulary import FacedEdge, GarmentKind, SkirtKind, Waist, WaistLevel
from rowanseed.core.pattern.making import EdgePart

GATHERED, PLEATED, TIERED = 2.0, 3.0, 1.5
"""How many times the waist a gathered skirt and a pleated one usually are, and a tier what it is sewn to."""


def waist_parts(front: Half, back: Half) -> tuple[EdgePart, ...]:
    """One half of the waist, from the centre front to the centre back."""
    return (*front.neck, *reversed(back.neck))


def skirt_fullness(description: Description) -> float:
    """How many times what it is sewn to a full skirt is wide; 1 for any other."""
    skirt = description.features.skirt
    if skirt is None or not skirt.kind.is_full:
        return 1.0
    if skirt.fullness is not None:
        return skirt.fullness
    match skirt.kind:
        case SkirtKind.GATHERED:
            return GATHERED
        case SkirtKind.TIERED:
            return TIERED
        case _:
            return PLEATED


def fullness(description: Description) -> float:
    """How many times the waist is drawn in to what is sewn there: below a yoke a skirt is full, and its waist fits."""
    return 1.0 if is_yoked_at_waist(description) else skirt_fullness(description)


def tell_fullness(build: Build) -> None:
    """Say how full the skirt was made, where nothing was said."""
    skirt = build.description.features.skirt
    if skirt is None or skirt.fullness is not None:
        return
    ratio = skirt_fullness(build.description)
    if skirt.kind is SkirtKind.TIERED:
        build.assumed["features.skirt.fullness"] = f"each tier {ratio:g} times what it is sewn to"
    elif skirt.kind.is_full:
        moved = build.description.seam_level is not WaistLevel.NATURAL
        what = "its yoke" if is_yoked_at_waist(build.description) else "its seam" if moved else "the waist"
        build.assumed["features.skirt.fullness"] = f"{ratio:g} times {what}"


def waist_finish(description: Description) -> Waist | None:
    """What finishes it; None for a garment that has no such top."""
    features = description.features
    if description.garment not in (GarmentKind.SKIRT, GarmentKind.TROUSERS):
        return None
    if features.waist is not None:
        return features.waist
    if description.is_drawn_in:
        return Waist.ELASTIC_CASING
    return Waist.FACING if FacedEdge.WAIST in features.facing else Waist.WAISTBAND


def tell_waist(build: Build) -> None:
    """Say what finishes it, where nothing was said."""
    found = waist_finish(build.description)
    if build.description.features.waist is None and found is not None:
        build.assumed["features.waist"] = found.words
