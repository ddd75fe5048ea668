"""A bodice shirred round the waist: rows of elastic thread over what crosses it, which is cut as wide as the bust."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.vocabulary import Shaping, Waist
from rowanseed.core.pattern.making import Detail, DetailKind


def joins(build: Build, body: Body) -> None:
    on = tuple(dict.fromkeys(p.piece for half in (body.front, body.back) for p in half.side))
    build.details.append(Detail("shirred-waist", "Shirring round the waist", DetailKind.SHIRRED_PANEL, on=on))


def asked(d: Description) -> bool:
    return d.garment.has_bodice and d.features.waist is Waist.SHIRRED


def forbids(d: Description) -> Found:
    if d.features.back.has(Shaping.SHIRRED_PANEL):
        yield "features.back.shaping", "Shirring goes round the waist already: leave the shirred panel out."


FEATURES = (Feature("shirred-waist", asked=asked, forbids=forbids, joins=joins, rank=12),)
