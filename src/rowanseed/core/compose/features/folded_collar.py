"""A collar or standing band cut in one straight strip and folded on itself, sewn on like a band."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.bands import along, band_draw, folded
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.collars import FALL, STAND, has_collar, neck_parts, to_the_centre
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import CollarKind, Interfaced
from rowanseed.core.pattern.making import EdgePart, FinishKind, Press
from rowanseed.core.pattern.pieces import Panel


def finish(build: Build, body: Body) -> None:
    parts, beyond = neck_parts(body), tuple[EdgePart, ...]()
    depth = in_proportion(build.description, STAND)
    falls = build.description.features.collar is CollarKind.ONE_PIECE
    if falls:
        depth += in_proportion(build.description, FALL)
    if falls or build.description.features.opening.double_breasted:
        # Its ends meet at the centre; one that stands laps with the edges, where these lap by a single row of buttons.
        parts, beyond = to_the_centre(build, parts)
    build.finish("lap-ends", "Upper ends of the edges that lap", FinishKind.TURNED, beyond)
    whole = tuple(replace(p, hand=hand) for hand in ("left", "right") for p in parts)

    def draw(size: Size) -> Edges:
        return band_draw(2 * along(build, parts, size), 2 * depth, ("inner", "far-end", "neck", "near-end"))

    build.piece("collar", "Collar", draw, panel=Panel.BAND, collar=True)
    folded(build, "collar", depth)
    build.interface("collar", Interfaced.COLLAR)
    build.join("neck", "Collar to neck", whole, (part("collar", "neck"),), press=Press.BAND)
    build.finish(
        "collar-inside",
        "Inside of the collar",
        FinishKind.TURNED,
        (part("collar", "inner"), part("collar", "far-end"), part("collar", "near-end")),
    )
    build.along |= {"neck": ("neck",), "collar": ("neck",)}


FEATURES = (
    Feature(
        "folded-collar",
        asked=lambda d: has_collar(d, CollarKind.STAND, CollarKind.ONE_PIECE),
        ends=frozenset({Ended.NECK}),
        finish=finish,
    ),
)
