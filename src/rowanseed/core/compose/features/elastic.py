"""Elastic sewn on; one in a casing is the casing's."""

from __future__ import annotations

from rowanseed.core.base.words import upper_first, with_article
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description, Elastic
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.vocabulary import ElasticPlace, GarmentKind, SleeveKind, Waist
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind

ON = {
    ElasticPlace.SLEEVE: ("sleeve",),
    ElasticPlace.BACK: ("back",),
    ElasticPlace.WAIST: ("front", "back"),
    ElasticPlace.NECK: (),
}
"""The pieces that elastic is sewn to, place by place; a neck is turned to a tunnel for it."""


def adds(build: Build) -> None:
    for k, one in enumerate(build.description.features.elastic):
        on = tuple(id for id in ON[one.where] if id in build.pieces)
        if on and not _is_drawn_through(build, one):
            name = f"Elastic at the {one.where.words}"
            build.details.append(Detail(f"elastic-{k + 1}", name, DetailKind.ELASTIC, on=on, width=one.width))


def _is_drawn_through(build: Build, one: Elastic) -> bool:
    """Whether it lies in a tunnel of the garment: a casing, or the allowances of its waist seam."""
    edge = {ElasticPlace.WAIST: "waist", ElasticPlace.SLEEVE: "wrist"}.get(one.where)
    in_seam = any(d.kind is DetailKind.ELASTIC and d.along == (edge,) for d in build.details)
    return in_seam or any(f.id == edge and f.kind is FinishKind.CASING for f in build.finishes)


def forbids(d: Description) -> Found:
    f = d.features
    for k, one in enumerate(f.elastic):
        where = f"features.elastic.{k}"
        if one.where is ElasticPlace.SLEEVE and (not d.garment.has_bodice or f.sleeve is None):
            yield where, "There is no sleeve for the elastic."
        if one.where is ElasticPlace.SLEEVE and f.sleeve and f.sleeve.kind is SleeveKind.CUT_IN_ONE:
            yield where, "Elastic at a sleeve cut in one goes into a casing: say so at the sleeve's end."
        if one.where is ElasticPlace.NECK and not d.garment.has_bodice:
            yield where, f"{upper_first(d.garment.has)} no neck for elastic."
        if one.where is ElasticPlace.WAIST and d.garment.has_bodice and _has_panels(d):
            yield (
                where,
                "Elastic along the waist is sewn to a front and a back that are one piece each: not across panels "
                "here. In a waist seam it goes into a casing.",
            )
        in_a_seam = f.waist is Waist.SEAM or (d.has_waist_seam and f.waist in (None, Waist.NONE))
        if one.where is ElasticPlace.WAIST and d.garment.has_bodice and in_a_seam:
            yield (
                where,
                "Where a bodice is sewn on at the waist, elastic runs in that seam: say at the waist that it is an "
                "elastic casing.",
            )
        if d.garment in (GarmentKind.APRON, GarmentKind.ROBE) and one.where is not ElasticPlace.SLEEVE:
            yield where, f"Elastic in {with_article(d.garment.words)} is not drafted here."


def _has_panels(d: Description) -> bool:
    in_casing = d.features.waist is Waist.ELASTIC_CASING
    return not in_casing and any(side.princess is not None for _, side in d.features.sides)


FEATURES = (Feature("elastic", asked=lambda d: bool(d.features.elastic), forbids=forbids, adds=adds, rank=20),)
