"""A neck that is turned to a tunnel and drawn in by elastic."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.collars import neck_parts
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Ended, Feature, Found
from rowanseed.core.compose.necks import is_neck_drawn_in
from rowanseed.core.compose.tunnels import casing_depth, elastic_at
from rowanseed.core.compose.vocabulary import Centre, ElasticPlace, NeckShape
from rowanseed.core.pattern.making import Closure, ClosureKind, FinishKind
from rowanseed.core.pattern.pieces import Corner

CASING = 20.0
"""The allowance of a neck that is a tunnel, in mm: a curve turns a narrow one only."""
NARROW = 10.0
"""Elastic up to so wide, in mm, lies well in a tunnel that is turned on a curve (common practice, no source)."""
ROUNDED = (NeckShape.ROUND, NeckShape.SCOOP, NeckShape.BOAT)


def finish(build: Build, body: Body) -> None:
    parts = neck_parts(body)
    depth = casing_depth(build.description, ElasticPlace.NECK, CASING)
    for p in parts:
        build.allow(p.piece, p.edge, depth, Corner.TURNED)
    build.finish("neck", "Neck", FinishKind.CASING, parts)
    pieces = {p.piece for p in parts}
    at = next(j.id for j in build.joins if {p.piece for p in (*j.a, *j.b)} & pieces)
    build.closures.append(Closure("neck-drawn", ClosureKind.ELASTIC, at))
    build.along["neck"] = ("neck",)
    wide = elastic_at(build.description, ElasticPlace.NECK)
    turns = "" if wide is None or wide.width <= NARROW else "; a tunnel so wide turns badly on a curve"
    build.assumed["features.neck.finish"] = f"the neck is drafted as its shape says, and drawn in by elastic{turns}"


def forbids(d: Description) -> Found:
    f = d.features
    if f.collar is not None:
        yield "features.collar", "A neck that elastic draws in has no collar."
    if f.neck.finish is not None:
        yield "features.neck.finish", "A neck that elastic draws in is turned to a tunnel for it: leave its finish out."
    if f.neck.shape not in ROUNDED:
        yield "features.neck.shape", "A tunnel for elastic runs round a neck without corners: round, scoop or boat."
    if f.opening.kind is not None and d.garment.has_bodice and _opens_at_neck(d):
        yield "features.opening.where", "A neck that elastic draws in goes over the head: it opens at a side, or not."
    if d.is_without_shoulders:
        yield "features.straps", "Elastic in an upper edge that straps hold is not drafted here."
    if f.has_bagged_lining:
        yield "features.lining.method", "A bagged lining is sewn to the neck: with elastic there choose another method."


def _opens_at_neck(d: Description) -> bool:
    features = d.features
    halves = {"front": features.front, "back": features.back}
    open_ = any(side.centre is Centre.OPEN for side in halves.values())
    return open_ or features.opening.where.value in halves


FEATURES = (
    Feature(
        "neck-casing",
        asked=is_neck_drawn_in,
        forbids=forbids,
        ends=frozenset({Ended.NECK}),
        finish=finish,
    ),
)
