"""A lower edge that ends in a band, as of a sweatshirt: where it goes, and what its cloth has to be.

It is drafted in `hems`, with `stretched_bands`.
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
    if not d.bands_stretch:
        yield WHERE, "A band is stretched on, and woven cloth does not stretch: say that the bands are of ribbing."
    open_ = next((name for name, side in f.sides if side.centre is Centre.OPEN), None)
    if open_ is not None:
        yield (
            WHERE,
            f"The {open_} is open all the way: a band whose ends meet in an opening is not drafted here. Hem it, or "
            "sew the band by your booklet.",
        )
    if f.hem.shape is HemShape.CURVED:
        yield "features.hem.shape", "A band is stretched on to a level edge, not to one that is curved up."
    if f.vent or (f.skirt is not None and f.skirt.slit is not Slit.NONE):
        yield WHERE, "A band goes all round: it needs no slit or vent above it. Say the one or the other."
    if d.has_hem_ruffle:
        yield WHERE, "The lower edge ends in a ruffle or in a band: say the one or the other."
    if f.lining is not None:
        yield "features.lining", "What ends in a band that is stretched on is not lined here: leave the lining out."


FEATURES = (Feature("lower-band", asked=lambda d: d.features.hem.kind is HemKind.BAND, forbids=forbids),)
