"""Double-breasted fronts: they lap far over each other, with a column of buttons to each side of the centre.

How far they lap and where the columns stand is in `laps`; here is what they do not go with, and what is told of them.
"""

from __future__ import annotations

from rowanseed.core.base.units import in_both
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.laps import column, extension
from rowanseed.core.compose.openings import opening_side
from rowanseed.core.compose.skirts import SHAPED
from rowanseed.core.compose.vocabulary import Centre, OpeningKind, Placket, Shaping, Waist, Where

WHERE = "features.opening.double_breasted"
FOLDS = (Shaping.GATHERS_UNDER_YOKE, Shaping.PLEAT_UNDER_YOKE, Shaping.TUCKS, Shaping.PLEATS)


def forbids(d: Description) -> Found:
    f = d.features
    is_open = d.garment.has_bodice and opening_side(d).centre is Centre.OPEN and f.opening.where is Where.FRONT
    if not is_open or f.opening.kind is not OpeningKind.BUTTONS:
        yield WHERE, "A double-breasted front is open all the way and closed by buttons."
        return
    if f.opening.placket not in (None, Placket.FACING):
        yield (
            "features.opening.placket",
            "Behind both columns of a double-breasted front lies a facing: it has no other placket.",
        )
    folded = next((one for one in f.front.shaping if one in FOLDS), None)
    if folded is not None:
        yield "features.front.shaping", f"Of a double-breasted front one column would stand on {folded.words}."
    if f.waist not in (None, Waist.NONE, Waist.SEAM):
        yield "features.waist", "A double-breasted front is whole, or has a plain seam at the waist."
    if d.has_waist_seam and f.skirt is not None and f.skirt.kind not in SHAPED:
        yield "features.skirt.kind", "Below a double-breasted front the skirt is straight or A-line."
    if f.opening.count is not None and f.opening.count < 2:
        yield "features.opening.count", "A double-breasted front has two buttons at least, one in each column."


def adds(build: Build) -> None:
    d = build.description
    laps, apart = (in_both(round(2 * mm)) for mm in (extension(d), column(d)))
    build.assumed["features.opening"] = (
        f"the fronts lap by {laps}, the columns of buttons stand {apart} apart; one button more closes inside"
    )


FEATURES = (
    Feature(
        "double-breasted",
        asked=lambda d: d.features.opening.double_breasted,
        forbids=forbids,
        adds=adds,
        rank=10,
    ),
)
