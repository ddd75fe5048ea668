"""The top of a skirt or of trousers turned to a tunnel, and drawn in by elastic or a cord."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.tunnels import casing_depth
from rowanseed.core.compose.vocabulary import ElasticPlace, Waist
from rowanseed.core.compose.waists import tell_waist, waist_finish, waist_parts
from rowanseed.core.pattern.making import Closure, ClosureKind, FinishKind
from rowanseed.core.pattern.pieces import Corner

CASING = 40.0
"""The allowance of a waist that is a tunnel for elastic of no width said, in mm."""
SEAMS = ("sides", "outseams", "skirt-sides", "trouser-outseams")


def finish(build: Build, body: Body) -> None:
    tell_waist(build)
    parts = waist_parts(body.front, body.back)
    depth = casing_depth(build.description, ElasticPlace.WAIST, CASING)
    for p in parts:
        build.allow(p.piece, p.edge, depth, Corner.TURNED)
    build.finish("waist", "Waist", FinishKind.CASING, parts)
    drawstring = waist_finish(build.description) is Waist.DRAWSTRING
    join = next(j.id for j in build.joins if j.id.startswith(SEAMS))
    kind = ClosureKind.TIES if drawstring else ClosureKind.ELASTIC
    build.closures.append(Closure("waist-drawn", kind, join))
    build.along["waist"] = ("waist",)


FEATURES = (
    Feature(
        "waist-casing",
        asked=lambda d: waist_finish(d) in (Waist.ELASTIC_CASING, Waist.DRAWSTRING),
        ends=frozenset({Ended.WAIST}),
        finish=finish,
    ),
)
