"""A slit or keyhole cut into the fold below the neck, faced."""

from __future__ import annotations

from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import OpeningKind
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.figures import Size
from rowanseed.core.compose.openings import closes, closes_an_edge, opening_half
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import LineKind, Panel

SLIT = 140.0
"""The usual length of a slit at the neck, in mm."""


def finish(build: Build, body: Body) -> None:
    half = opening_half(body, build.description)
    long = build.description.features.opening.length or SLIT
    piece = half.neck[0].piece

    def draw(size: Size) -> Edges:
        top = build.edge(piece, "neck", size)[-1].end[0]
        return {
            "centre": straight((top, 0.0), (top + long + 40.0, 0.0)),
            "lower": straight((top + long + 40.0, 0.0), (top + long + 40.0, 40.0)),
            "outer": straight((top + long + 40.0, 40.0), (top, 40.0)),
            "top": straight((top, 40.0), (top, 0.0)),
        }

    build.piece("slit-facing", "Facing of the slit", draw, panel=Panel.OTHER, fold="centre")
    build.line(
        piece,
        LineKind.PLACEMENT,
        "slit",
        lambda size: ((x := build.edge(piece, "neck", size)[-1].end[0], 0.0), (x + long, 0.0)),
    )
    build.finish(
        "slit-facing-edge",
        "Edges of the slit's facing",
        FinishKind.NEATENED,
        (part("slit-facing", "lower"), part("slit-facing", "outer")),
    )
    build.finish("slit-facing-top", "Upper edge of the slit's facing", FinishKind.RAW, (part("slit-facing", "top"),))
    kind = build.description.features.opening.kind
    assert kind is not None
    build.details.append(
        Detail(
            "slit",
            f"{kind.words.capitalize()} at the neck",
            DetailKind.FACED_SLIT,
            pieces=("slit-facing",),
            on=(piece,),
        )
    )


FEATURES = (
    Feature(
        "slit-at-neck",
        asked=lambda d: closes(d) in (OpeningKind.SLIT, OpeningKind.KEYHOLE) and not closes_an_edge(d),
        ends=frozenset({Ended.OPENING}),
        finish=finish,
    ),
)
