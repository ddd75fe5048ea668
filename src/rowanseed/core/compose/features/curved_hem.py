"""A lower edge that is curved up at the sides, as of a shirt: where it does not go, and which hems go round it.

Its line is drafted with the bodice, in `bodice` and `bodice_levels`.
"""

from __future__ import annotations

from rowanseed.core.base.units import in_both
from rowanseed.core.compose.bodice_levels import RISE
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.skirt_refusals import NARROW_HEM
from rowanseed.core.compose.vocabulary import GarmentKind, HemKind, HemShape, Slit
from rowanseed.core.pattern.envelope import Structure

WHERE = "features.hem.shape"
GOES_ROUND = (HemKind.TURNED, HemKind.DOUBLE, HemKind.NARROW, HemKind.ROLLED, HemKind.FACED)
"""Hems that can be sewn round a curve; the first two are turned in narrow there."""


def forbids(d: Description) -> Found:
    f = d.features
    if not d.garment.has_bodice or d.garment is GarmentKind.JUMPSUIT or d.has_waist_seam:
        yield WHERE, f"Only what hangs whole from the shoulders is curved up at the sides: {_why_not(d)}."
        return
    if f.lining is not None:
        yield WHERE, "Above a lower edge that is curved no lining is drafted: leave the lining out, or the curve."
    if f.vent or (f.skirt is not None and f.skirt.slit is not Slit.NONE):
        yield WHERE, "An edge that is curved up at the sides needs no slit or vent: say the one or the other."
    if d.has_hem_ruffle:
        yield WHERE, "A ruffle is sewn to a level edge here."
    on_a_knit = f.hem.kind is HemKind.TWIN_NEEDLE and d.cloth is Structure.KNIT
    if f.hem.kind not in GOES_ROUND and not on_a_knit:
        yield (
            "features.hem.kind",
            "A curved edge is hemmed narrow or rolled, a knit's with a twin needle; or it is faced.",
        )
    if f.hem.kind in (HemKind.TURNED, HemKind.DOUBLE, HemKind.TWIN_NEEDLE) and (f.hem.depth or 0.0) > NARROW_HEM:
        yield (
            "features.hem.depth",
            f"Round a curve {in_both(NARROW_HEM)} are turned in at most: a deeper hem does not lie flat.",
        )


def _why_not(d: Description) -> str:
    if d.has_waist_seam:
        return "this has a seam at the waist"
    if d.garment is GarmentKind.JUMPSUIT:
        return "a jumpsuit ends in legs"
    return f"{d.garment.one} does not"


def adds(build: Build) -> None:
    rise = in_both(in_proportion(build.description, RISE))
    build.assumed[WHERE] = f"it lies {rise} higher at the sides than at the centre"


FEATURES = (
    Feature(
        "curved-hem",
        asked=lambda d: d.features.hem.shape is HemShape.CURVED,
        forbids=forbids,
        adds=adds,
    ),
)
