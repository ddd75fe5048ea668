"""How the neck and the armholes of a garment are finished: as is said, or as is usual."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.collars import has_collar, neck_parts
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body
from rowanseed.core.compose.openings import is_half_placket, is_open_skirt
from rowanseed.core.compose.vocabulary import (
    ArmholeFinish,
    Centre,
    CollarKind,
    ElasticPlace,
    FacedEdge,
    GarmentKind,
    NeckFinish,
    NeckShape,
    Placket,
)
from rowanseed.core.pattern.making import EdgePart

BOUND = (NeckFinish.BIAS_BINDING, NeckFinish.BAND, NeckFinish.BIAS_FACING)
"""Finishes that run on over whatever laps at the neck."""


def is_neck_drawn_in(description: Description) -> bool:
    """Whether elastic draws the neck in, so that it ends in a tunnel for it."""
    there = any(one.where is ElasticPlace.NECK for one in description.features.elastic)
    return there and description.garment.has_bodice and description.garment is not GarmentKind.ROBE


def neck_finish(description: Description) -> NeckFinish | None:
    """By what the neck is finished; None where a collar takes it in, elastic draws it in, or there is none."""
    features = description.features
    if not description.garment.has_bodice or features.collar is not None or is_neck_drawn_in(description):
        return None
    if features.neck.finish is not None:
        return features.neck.finish
    if is_half_placket(description):
        return NeckFinish.BIAS_BINDING
    return NeckFinish.LINING if features.is_bagged else NeckFinish.FACING


def is_neck_stretched(description: Description) -> bool:
    """Whether a band of a knit or of ribbing is stretched on to the neck: a ring that nothing opens."""
    return description.has_neck_band and neck_finish(description) is NeckFinish.BAND


def is_band_open(description: Description) -> bool:
    """Whether such a band goes round the neck from one edge of an open front to the other. On a neck that runs to a
    point, and on one that is closed by a placket of its own, it is bound."""
    features = description.features
    goes_round = features.neck.shape in (NeckShape.ROUND, NeckShape.SCOOP, NeckShape.HIGH)
    banded = neck_finish(description) is NeckFinish.BAND and description.bands_stretch
    grown = features.opening.placket is Placket.BAND or features.opening.double_breasted
    return banded and goes_round and features.front.centre is Centre.OPEN and not features.wraps and not grown


def runs_over_bands(description: Description) -> bool:
    """Whether what finishes the neck, or the waist of a skirt, goes on over the bands that lap there; else each band
    closes its own end."""
    collars = (CollarKind.SHIRT, CollarKind.STAND, CollarKind.ONE_PIECE, CollarKind.TIE, CollarKind.HOOD)
    above = has_collar(description, *collars) or neck_finish(description) in BOUND
    return above or is_open_skirt(description)


def faced_neck(build: Build, body: Body) -> tuple[EdgePart, ...]:
    """The neck's parts, where a shaped facing finishes them."""
    description = build.description
    faced = neck_finish(description) is NeckFinish.FACING or has_collar(description, CollarKind.FLAT)
    return neck_parts(body) if faced else ()


def neck_words(description: Description) -> str:
    """What the neck is called: where straps take the place of shoulders the edge runs on under the arms."""
    return "upper edge" if description.is_without_shoulders else "neck"


def tell_neck(build: Build, how: str) -> None:
    """Say how the neck was finished, where that was not said."""
    if build.description.features.neck.finish is None:
        build.assumed["features.neck.finish"] = f"the {neck_words(build.description)} is {how}"


def armhole_finish(description: Description) -> ArmholeFinish | None:
    """By what the armholes are finished; None where a sleeve takes them in, or there are none."""
    features = description.features
    if not description.garment.has_bodice or features.sleeve is not None or description.is_without_shoulders:
        return None
    if features.armhole is not None:
        return features.armhole
    if FacedEdge.ARMHOLE in features.facing:
        return ArmholeFinish.FACING
    return ArmholeFinish.LINING if features.is_bagged else ArmholeFinish.BIAS_BINDING


def tell_armholes(build: Build, words: str) -> None:
    """Say how the armholes were finished, where that was not said."""
    if build.description.features.armhole is None:
        build.assumed["features.armhole"] = words
