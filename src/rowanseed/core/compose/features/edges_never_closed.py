"""Edges that are open all the way and never closed: faced where that is asked for, met by a lining, else turned in."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.facing import face
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.lapels import tell_wrap
from rowanseed.core.compose.necks import faced_neck
from rowanseed.core.compose.openings import closes
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.vocabulary import FacedEdge
from rowanseed.core.pattern.making import EdgePart, FinishKind


def finish(build: Build, body: Body) -> None:
    if build.description.features.wraps:
        tell_wrap(build)
    for half in (body.front, body.back):
        _edges(build, half, faced_neck(build, body))


def _edges(build: Build, half: Half, neck: tuple[EdgePart, ...]) -> None:
    edges = tuple(p for p in half.centre if p.edge == "opening")
    features = build.description.features
    if not edges or features.is_bagged:
        return
    if FacedEdge.FRONT in features.facing:
        face(build, "opening", f"{half.name} edges", edges, neck)
        build.along["front"] = ("opening-facing",)
        return
    build.finish("front-edges", f"{half.name.capitalize()} edges", FinishKind.TURNED, edges)
    build.along["front"] = ("front-edges",)


FEATURES = (
    Feature(
        "edges-never-closed",
        asked=lambda d: d.garment.has_bodice and closes(d) is None,
        ends=frozenset({Ended.OPENING}),
        finish=finish,
    ),
)
