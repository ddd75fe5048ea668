"""Boning along seams."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.vocabulary import Boned, Centre
from rowanseed.core.pattern.making import Detail, DetailKind


def joins(build: Build, body: Body) -> None:
    ids = {j.id for j in build.joins}
    wanted = {
        # Told apart where one of them has a zip.
        Boned.SIDE: ("sides", "sides-left", "sides-right"),
        Boned.PRINCESS: tuple(half.princess for half in (body.front, body.back) if half.princess),
        Boned.CENTRE_BACK: ("centre-back",),
    }
    along = tuple(id for boned in build.description.features.boning for id in wanted[boned] if id in ids)
    if along:
        build.details.append(Detail("boning", "Boning", DetailKind.BONING, along=along))


def forbids(d: Description) -> Found:
    f = d.features
    if not d.garment.has_bodice:
        yield "features.boning", "Boning holds a bodice up: this garment has none."
    if Boned.PRINCESS in f.boning and not (f.front.princess or f.back.princess):
        yield "features.boning", "There is no princess seam to bone."
    if Boned.CENTRE_BACK in f.boning and f.back.centre is not Centre.SEAM:
        yield "features.boning", "There is no centre back seam to bone."


FEATURES = (Feature("boning", asked=lambda d: bool(d.features.boning), forbids=forbids, joins=joins, rank=90),)
