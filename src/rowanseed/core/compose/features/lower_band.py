"""A lower edge that ends in a band, as of a sweatshirt or a blouson: where it goes, and what its cloth has to be.

It is drafted in `hems`: with `stretched_bands` where it is closed to a ring, with `open_bands` where the front opens.
"""

from __future__ import annotations

from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, HemKind, HemShape, Slit

WHERE = "features.hem.kind"


def forbids(d: Description) -> Found:
    f = d.features
    if d.garment in (GarmentKind.TROUSERS, GarmentKind.JUMPSUIT):
        yield WHERE, "Legs that end in bands have cuffs: say so of the legs, and how else they would be hemmed here."
        return
    if not d.ends_in_band or d.garment is GarmentKind.ROBE:
        why = "this has a seam at the waist" if d.has_waist_seam else f"{d.garment.one} does not"
        yield WHERE, f"Only what hangs whole from the shoulders ends in a band here: {why}. Choose a hem."
        return
    opened = f.front.centre is Centre.OPEN
    if not d.bands_stretch and not opened:
        yield WHERE, "A band is stretched on, and woven cloth does not stretch: say that the bands are of ribbing."
    if f.back.centre is Centre.OPEN:
        yield (
            WHERE,
            "The back is open all the way: a band whose ends meet behind is not drafted here. Hem it, or sew the band "
            "by your booklet.",
        )
    if opened:
        yield from _ends(d)
    if f.hem.shape is HemShape.CURVED:
        yield "features.hem.shape", "A band is stretched on to a level edge, not to one that is curved up."
    if f.vent or (f.skirt is not None and f.skirt.slit is not Slit.NONE):
        yield WHERE, "A band goes all round: it needs no slit or vent above it. Say the one or the other."
    if d.has_hem_ruffle:
        yield WHERE, "The lower edge ends in a ruffle or in a band: say the one or the other."
    if f.has_bagged_lining:
        yield (
            "features.lining.method",
            "Above a band at the lower edge no bagged lining is drafted: say that it is sewn in, by hand, or hangs "
            "free.",
        )


def _ends(d: Description) -> Found:
    """What the ends of a band at the lower edge of a front that opens do not go with."""
    f = d.features
    if f.wraps or f.opening.double_breasted:
        how = "laps far over" if f.wraps else "is double-breasted"
        yield WHERE, f"The front {how}: a band below such a front is not drafted here. Hem it."


FEATURES = (Feature("lower-band", asked=lambda d: d.features.hem.kind is HemKind.BAND, forbids=forbids),)
