"""A waist seam that lies elsewhere: high, below the bust, or dropped to the hips. The blocks are drafted to it."""

from __future__ import annotations

from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.vocabulary import Shaping, SkirtKind, SleeveKind, Waist, WaistLevel
from rowanseed.core.compose.yokes import UNDER_A_YOKE

IN_PANELS = (SkirtKind.GORED, SkirtKind.POINTED_PANELS)
AT_THE_WAIST = (Waist.PLAIN_BAND, Waist.PLEATED_BAND)


def asked(d: Description) -> bool:
    return d.features.waist_level is not WaistLevel.NATURAL


def forbids(d: Description) -> Found:
    f, level = d.features, d.features.waist_level
    if not d.has_waist_seam:
        yield (
            "features.waist_level",
            "Bodice and skirt are not sewn together: say that there is a waist seam, or that it lies at the waist.",
        )
        return
    if f.waist in AT_THE_WAIST:
        yield "features.waist_level", "A band is let in at the waist here: choose a seam alone, or leave it there."
    if f.skirt is not None and f.skirt.kind in IN_PANELS:
        yield (
            "features.skirt.kind",
            "Gores and panels are drafted from the waist: choose another skirt below this seam.",
        )
    if level is WaistLevel.HIGH and f.sleeve is not None and f.sleeve.kind is SleeveKind.CUT_IN_ONE:
        yield "features.sleeve.kind", "A sleeve cut in one bends where a high waist seam lies: choose another sleeve."
    for name, side in f.sides:
        if level is WaistLevel.HIGH and side.has(*UNDER_A_YOKE):
            yield (
                f"features.{name}.shaping",
                "From a yoke to a high waist seam fullness has too little length to run out: leave it out.",
            )
        if level is WaistLevel.DROPPED and side.has(Shaping.WAIST_DART):
            yield f"features.{name}.shaping", "A bodice with a dropped waist hangs straight: leave its waist darts out."


FEATURES = (Feature("waist-level", asked=asked, forbids=forbids),)
