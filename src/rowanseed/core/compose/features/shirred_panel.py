"""A shirred back: rows of elastic thread over the whole panel."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.vocabulary import Shaping
from rowanseed.core.pattern.making import Detail, DetailKind


def joins(build: Build, body: Body) -> None:
    if not body.back.side:
        return
    on = (body.back.side[0].piece,)
    build.details.append(Detail("shirred-back", "Shirred back", DetailKind.SHIRRED_PANEL, on=on))
    build.assumed["features.back.shaping"] = "the back is as wide as the finished garment before it is shirred"


def forbids(d: Description) -> Found:
    if d.features.front.has(Shaping.SHIRRED_PANEL):
        yield "features.front.shaping", "A shirred panel is drafted for the back only."


def asked(d: Description) -> bool:
    return d.features.front.has(Shaping.SHIRRED_PANEL) or d.features.back.has(Shaping.SHIRRED_PANEL)


FEATURES = (Feature("shirred-panel", asked=asked, forbids=forbids, joins=joins, rank=12),)
