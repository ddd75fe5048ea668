"""Sleeves that get wider down to their end: which sleeves these are, and how they end.

They are drafted in `sleeves` and `flared_sleeves`.
"""

from __future__ import annotations

from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.vocabulary import HemKind, LiningOf, SleeveEnd, SleeveKind, SleeveLength, SleeveShape
from rowanseed.core.pattern.envelope import Structure

DRAFTED = (SleeveKind.SET_IN, SleeveKind.GATHERED_CAP, SleeveKind.DROPPED)
ENDS = (SleeveEnd.HEM, SleeveEnd.FACING, SleeveEnd.BINDING)
HELD_FLAT = (HemKind.BLIND, HemKind.BOUND)
"""Hems that lie flat along a straight edge only; on woven cloth one with a twin needle, too."""


def asked(d: Description) -> bool:
    return d.features.sleeve is not None and d.features.sleeve.shape is SleeveShape.FLARED


def forbids(d: Description) -> Found:
    sleeve, hem = d.features.sleeve, d.features.hem
    if sleeve is None:
        return
    if sleeve.kind not in DRAFTED or sleeve.pieces != 1:
        yield (
            "features.sleeve.shape",
            "A flared sleeve is one piece here, set into its armhole: choose another shape, or another sleeve.",
        )
    if sleeve.length is SleeveLength.CAP:
        yield "features.sleeve.shape", "A cap sleeve is too short to flare: say that it is short."
    if sleeve.end not in ENDS:
        yield "features.sleeve.end", "A flared sleeve hangs free at its end: it is hemmed, faced or bound."
    stiff = hem.kind is HemKind.TWIN_NEEDLE and d.cloth is Structure.WOVEN
    if sleeve.end is SleeveEnd.HEM and (hem.kind in HELD_FLAT or stiff):
        yield (
            "features.sleeve.end",
            f"A hem that is {hem.kind.words} does not lie flat round a flared end: have it faced or bound.",
        )
    if d.features.lining is not None and d.features.lining.of is LiningOf.ALL:
        yield "features.lining.of", "In a flared sleeve no lining is drafted: say that all but the sleeves is lined."


FEATURES = (Feature("flared-sleeve", asked=asked, forbids=forbids),)
