"""A band at the top of a skirt or of trousers; what is full is drawn in to it."""

from __future__ import annotations

from rowanseed.core.compose.bands import waistband
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Interfaced, Waist, Where
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.waists import fullness, tell_waist, waist_finish, waist_parts
from rowanseed.core.pattern.making import Closure, ClosureKind

OPENS = {Where.BACK: "back", Where.FRONT: "front", Where.LEFT_SIDE: "side", Where.NONE: ""}


def finish(build: Build, body: Body) -> None:
    tell_waist(build)
    description = build.description
    opening = description.features.opening
    if waist_finish(description) is Waist.FACING:
        build.assumed["features.waist"] = "a full skirt is held by a band, not by a facing"
    ratio = fullness(description)
    waistband(build, waist_parts(body.front, body.back), opening=OPENS[opening.where], ratio=ratio)
    build.interface("waistband", Interfaced.WAISTBAND)
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
