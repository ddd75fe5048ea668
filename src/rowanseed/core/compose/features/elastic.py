"""Elastic sewn on; one in a casing is the casing's."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description, Elastic
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.vocabulary import ElasticPlace, GarmentKind, SleeveKind
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


def forbids(d: Description) -> Found:
    f = d.features
    for k, one in enumerate(f.elastic):
        where = f"features.elastic.{k}"
        if one.where is ElasticPlace.SLEEVE and (not d.garment.has_bodice or f.sleeve is None):
            yield where, "There is no sleeve for the elastic."
        if one.where is ElasticPlace.SLEEVE and f.sleeve and f.sleeve.kind is SleeveKind.CUT_IN_ONE:
            yield where, "Elastic at a sleeve cut in one goes into a casing: say so at the sleeve's end."
        if one.where is ElasticPlace.NECK and not d.garment.has_bodice:
            yield where, f"A {d.garment.words} has no neck for elastic."
        if d.garment in (GarmentKind.APRON, GarmentKind.ROBE) and one.where is not ElasticPlace.SLEEVE:
            yield where, f"Elastic in {d.garment.words} is not drafted here."


FEATURES = (Feature("elastic", asked=lambda d: bool(d.features.elastic), forbids=forbids, adds=adds, rank=20),)
