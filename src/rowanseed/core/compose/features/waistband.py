"""A band at the top of a skirt or of trousers; what is full is drawn in to it."""

from __future__ import annotations

from rowanseed.core.compose.bands import is_halved, lies_under_first, waistband
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.fastenings import fastening_mark
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.laps import EXTENSION
from rowanseed.core.compose.openings import is_open_skirt
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Interfaced, Waist, Where
from rowanseed.core.compose.waists import fullness, tell_waist, waist_finish, waist_parts
from rowanseed.core.geometry.outline import Point, chain_length
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import Closure, ClosureKind
from rowanseed.core.pattern.pieces import InnerPoint

OPENS = {Where.BACK: "back", Where.FRONT: "front", Where.LEFT_SIDE: "side", Where.NONE: ""}


def finish(build: Build, body: Body) -> None:
    tell_waist(build)
    description = build.description
    opening = description.features.opening
    if waist_finish(description) is Waist.FACING:
        build.assumed["features.waist"] = "a full skirt is held by a band, not by a facing"
    ratio = fullness(description)
    # Where the skirt is open all the way its own lap is the band's, and nothing lies beneath besides.
    opens = "" if is_open_skirt(description) else OPENS[opening.where]
    waistband(build, waist_parts(body.front, body.back), opening=opens, ratio=ratio)
    build.interface("waistband", Interfaced.WAISTBAND)
    fastening = fastening_mark(description)
    if fastening is not None:
        band = description.features.band
        # In the end that laps over: in both halves the underlap is drawn, which is cut off there.
        under_first = lies_under_first(build, opens) if opens else description.figure is not Figure.MEN
        at_far_end = not is_halved(build, opens) and not under_first

        def at(size: Size) -> Point:
            if at_far_end:
                return (chain_length(build.edge("waistband", "inner", size)) - EXTENSION, 1.5 * band.width)
            beside = band.underlap if opens and is_halved(build, opens) else 0.0
            return (beside + EXTENSION, 1.5 * band.width)

        places = {size.name: at(size) for size in build.figures.sizes}
        build.point("waistband", InnerPoint("waistband-button", fastening, places))
    if opening.kind is not None and opening.kind.zips_a_seam:
        build.closures.append(Closure("band-hook", ClosureKind.HOOK_AND_EYE, "waist"))


FEATURES = (
    Feature(
        "waistband",
        # Whatever else was said of a waist comes after the other ways of ending it.
        asked=lambda d: waist_finish(d) is not None,
        ends=frozenset({Ended.WAIST}),
        finish=finish,
        rank=95,
    ),
)
