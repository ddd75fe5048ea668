"""A pleated band mounted on the flat one of a waist, which sets its length."""

from __future__ import annotations

from rowanseed.core.base.words import lower_first
from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature
from rowanseed.core.compose.inset_band import inset_id
from rowanseed.core.compose.pleats import Pleated, draw_pleats
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Waist
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import INSET_EDGE, Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.pleats import Line

SHOWS = 10.0
"""Each pleat shows about so much, in mm, and twice as much lies under it (common practice, no source)."""


def joins(build: Build, body: Body) -> None:
    if "waistband" in build.pieces:
        _mounted(build, "pleated-band", "Pleated band", on="waistband", edge="inner")
    for half in (body.front, body.back):
        if inset_id(half) in build.pieces:
            _mounted(build, f"pleated-{half.name}", f"Pleated band, {half.name}", on=inset_id(half), edge=INSET_EDGE)


def _mounted(build: Build, id: str, name: str, *, on: str, edge: str) -> None:
    """A strip three times as wide as its flat band, and as long as the longer edge of that."""
    depth, cut = build.description.features.band.width, build.pieces[on].cuts[0]

    def draw(size: Size) -> Edges:
        # Across the grain, so that its half can be cut on the fold as the flat one's is.
        long = chain_length(build.edge(on, edge, size))
        return band_draw(3 * depth, long, (cut.fold or "near-end", "lower", "far-end", "upper"))

    build.piece(id, name, draw, panel=Panel.OTHER, count=cut.count, pair=cut.pair, fold=cut.fold)
    number = max(2, round(depth / SHOWS))
    shows = depth / number
    strip = Pleated(finished=depth, takes=2 * depth)

    def line_at(size: Size, along: float) -> Line:
        return ((along, 0.0), (along, chain_length(build.edge(on, edge, size))))

    draw_pleats(build, id, lambda _: strip.knife(number), line_at)
    loose = (part(id, e.name) for e in build.pieces[id].edges if e.name != cut.fold)
    build.finish(f"{id}-edges", f"Edges of the {lower_first(name)}", FinishKind.CAUGHT, loose)
    build.details.append(
        Detail(
            id,
            name,
            DetailKind.PLEATED_BAND,
            pieces=(id,),
            on=(on,),
            count=number,
            width=shows,
        )
    )


def asked(d: Description) -> bool:
    return d.features.waist is Waist.PLEATED_BAND


FEATURES = (Feature("pleated-band", asked=asked, joins=joins, rank=30),)
