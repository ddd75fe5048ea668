"""Bands of ribbing: which of a garment's bands are cut of it is told, for not every band can be stretched on."""

from __future__ import annotations

from rowanseed.core.base.words import lower_first
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.feature import Feature
from rowanseed.core.pattern.pieces import Role


def adds(build: Build) -> None:
    ribbed = [p.name for p in build.pieces.values() if any(cut.role is Role.CONTRAST for cut in p.cuts)]
    if ribbed:
        names = ", ".join(dict.fromkeys(map(lower_first, ribbed)))
        build.assumed["features.ribbing"] = f"cut of ribbing: {names}; any other band of the garment's own cloth"


FEATURES = (Feature("ribbing", asked=lambda d: d.features.ribbing, adds=adds, rank=90),)
