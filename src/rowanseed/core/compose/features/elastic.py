"""Elastic sewn on; one in a casing is the casing's."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Elastic, ElasticPlace
from rowanseed.core.compose.feature import Feature
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind


def adds(build: Build) -> None:
    for k, one in enumerate(build.description.features.elastic):
        cased = _is_cased(build, one)
        if cased:
            continue
        on = {
            ElasticPlace.SLEEVE: "sleeve",
            ElasticPlace.BACK: "back",
            ElasticPlace.WAIST: "back",
            ElasticPlace.NECK: "front",
        }[one.where]
        if on in build.pieces:
            build.details.append(
                Detail(
                    f"elastic-{k + 1}",
                    f"Elastic at the {one.where.words}",
                    DetailKind.ELASTIC,
                    on=(on,),
                    width=one.width,
                )
            )


def _is_cased(build: Build, one: Elastic) -> bool:
    where = {ElasticPlace.WAIST: "waist", ElasticPlace.SLEEVE: "wrist", ElasticPlace.NECK: "neck"}.get(one.where)
    return any(f.id == where and f.kind is FinishKind.CASING for f in build.finishes)


FEATURES = (Feature("elastic", asked=lambda d: bool(d.features.elastic), adds=adds, rank=20),)
