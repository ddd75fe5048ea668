"""A vent at the end of the centre back seam: of a skirt, or of a garment without a waist seam."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.slits import may_be_slit, open_from_the_hem
from rowanseed.core.compose.vocabulary import Centre, OpeningKind, Slit, Where
from rowanseed.core.pattern.making import DetailKind

LONG = 150.0
"""A vent in a garment without a skirt is so long, in mm."""


def carves(build: Build, body: Body) -> None:
    if body.below is None and build.description.garment.has_bodice:
        open_from_the_hem(build, body, "centre-back", DetailKind.VENT, LONG)
    else:
        open_from_the_hem(build, body, "centre-back", DetailKind.VENT)


def forbids(d: Description) -> Found:
    f = d.features
    pulled = f.opening.kind in (OpeningKind.TIES, OpeningKind.HOOK_AND_EYE)
    if pulled and f.opening.where is Where.BACK:
        yield "features.vent", "One seam is not opened at both ends here: leave the vent or the opening out."
    if d.features.back.centre is not Centre.SEAM:
        yield "features.vent", "A vent at the back needs a seam there: the back is cut on the fold."
    if not may_be_slit(d):
        yield "features.vent", "A vent belongs to a straight or A-line skirt."
    if f.skirt is not None and f.skirt.slit is not Slit.NONE:
        yield "features.vent", "A skirt has a vent or a slit, not both."


FEATURES = (Feature("vent", asked=lambda d: d.features.vent, forbids=forbids, carves=carves, rank=10),)
