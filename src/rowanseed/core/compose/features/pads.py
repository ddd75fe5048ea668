"""Shoulder pads: the shoulders are drafted with room for usual ones, and a lining begins with less."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.vocabulary import SleeveKind


def adds(build: Build) -> None:
    sleeve = build.description.features.sleeve
    if sleeve is not None and sleeve.kind is SleeveKind.RAGLAN:
        build.assumed["features.pads"] = (
            "raglan sleeves have no shoulder seam to sew pads to: shape and place them by your booklet"
        )
        return
    build.assumed["features.pads"] = (
        "usual thin ones: the shoulders have room for them, a lining has less by their thickness, changed at Cloth"
    )


def forbids(d: Description) -> Found:
    if not d.garment.has_bodice:
        yield "features.pads", "Pads lie on shoulders: this garment has none."
    elif d.features.straps is not None:
        yield "features.pads", "Pads lie on shoulders: this garment hangs from straps."


FEATURES = (Feature("pads", asked=lambda d: d.features.pads, forbids=forbids, adds=adds),)
