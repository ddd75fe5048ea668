"""A pleated band mounted on the flat waistband of a skirt or trousers, which sets its length."""

from __future__ import annotations

from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature
from rowanseed.core.compose.figures import Size
from rowanseed.core.compose.vocabulary import Waist
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import Panel

SHOWS = 10.0
"""Each pleat shows so much, in mm, and twice as much lies under it (common practice, no source)."""


def joins(build: Build, body: Body) -> None:
    band = build.pieces.get("waistband")
    if band is None:
        return
    depth = build.description.features.band.width
    edges = ("upper", "far-end", "lower", "near-end")

    def draw(size: Size) -> Edges:
        return band_draw(chain_length(build.edge("waistband", "inner", size)), 3 * depth, edges)

    cut = band.cuts[0]
    build.piece("pleated-band", "Pleated band", draw, panel=Panel.OTHER, count=cut.count, pair=cut.pair)
    build.finish(
        "pleated-band-edges", "Edges of the pleated band", FinishKind.CAUGHT, (part("pleated-band", e) for e in edges)
    )
    build.details.append(
        Detail(
            "pleated-band",
            "Pleated band",
            DetailKind.PLEATED_BAND,
            pieces=("pleated-band",),
            on=("waistband",),
            count=max(2, round(depth / SHOWS)),
            width=SHOWS,
        )
    )


def asked(d: Description) -> bool:
    return d.features.waist is Waist.PLEATED_BAND


FEATURES = (Feature("pleated-band", asked=asked, joins=joins, rank=30),)
