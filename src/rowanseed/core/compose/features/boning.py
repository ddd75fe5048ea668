"""Boning along seams."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Boned
from rowanseed.core.compose.feature import Body, Feature
from rowanseed.core.pattern.making import Detail, DetailKind


def joins(build: Build, body: Body) -> None:
    ids = {j.id for j in build.joins}
    wanted = {
        Boned.SIDE: ("sides",),
        Boned.PRINCESS: tuple(half.princess for half in (body.front, body.back) if half.princess),
        Boned.CENTRE_BACK: ("centre-back",),
    }
    along = tuple(id for boned in build.description.features.boning for id in wanted[boned] if id in ids)
    if along:
        build.details.append(Detail("boning", "Boning", DetailKind.BONING, along=along))


FEATURES = (Feature("boning", asked=lambda d: bool(d.features.boning), joins=joins, rank=90),)
