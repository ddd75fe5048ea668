"""A shirt collar: a collar of two layers between an outer and an inner stand."""

from __future__ import annotations

from collections.abc import Callable

from rowanseed.core.compose.bands import along
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.collars import FALL, STAND, has_collar, layers_of, neck_parts, to_the_centre
from rowanseed.core.compose.drafting import curve, straight
from rowanseed.core.compose.fastenings import fastening_mark, fastens_above
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.laps import extension
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import CollarKind
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import FinishKind, Press
from rowanseed.core.pattern.pieces import InnerPoint

ROUNDED = 12.0
"""Where the ends of its stand meet, they are rounded off over so much of their length, in mm."""


def finish(build: Build, body: Body) -> None:
    parts, laps = neck_parts(body), extension(build.description)
    if build.description.features.opening.double_breasted:
        # Its ends meet at the centre line, far from the edges.
        parts, beyond = to_the_centre(build, parts)
        build.finish("lap-ends", "Upper ends of the edges that lap", FinishKind.TURNED, beyond)
        laps = ROUNDED
        build.assumed["features.collar"] = (
            "the stand ends at the centre line and has no button of its own; a hook and eye can hold it"
        )
    high, fall = (in_proportion(build.description, mm) for mm in (STAND, FALL))

    def neck(size: Size) -> float:
        return along(build, parts, size)

    def stand(size: Size) -> Edges:
        long = neck(size)
        end = (4.0, long)
        return {
            "centre": straight((0.0, 0.0), (high, 0.0)),
            "neck": straight((high, 0.0), (high, long)),
            "front": (curve((high, long), (-1.0, 0.0), (end[0], long - laps), (-0.4, -1.0), 0.4),),
            "upper": straight((end[0], long - laps), (0.0, 0.0)),
        }

    def collar(size: Size) -> Edges:
        long = chain_length(stand(size)["upper"])
        return {
            "centre": straight((0.0, 0.0), (fall, 0.0)),
            "stand": straight((fall, 0.0), (fall, long)),
            "end": straight((fall, long), (-12.0, long + 14.0)),
            "outer": straight((-12.0, long + 14.0), (0.0, 0.0)),
        }

    layers_of(build, ("collar", "under-collar"), ("Collar", "Under collar"), collar, "centre")
    layers_of(build, ("stand", "stand-inner"), ("Collar stand", "Inner collar stand"), stand, "centre")
    _fastened(build, neck)
    build.join(
        "collar-edge",
        "Collar to under collar",
        (part("collar", "end"), part("collar", "outer")),
        (part("under-collar", "end"), part("under-collar", "outer")),
    )
    build.join(
        "collar-stand", "Collar to stand", (part("collar", "stand"),), (part("stand", "upper"),), press=Press.DOWN
    )
    build.join(
        "under-stand",
        "Under collar to inner stand",
        (part("under-collar", "stand"),),
        (part("stand-inner", "upper"),),
        press=Press.DOWN,
    )
    build.join(
        "stand-ends", "Ends of the stand", (part("stand", "front"),), (part("stand-inner", "front"),), each_hand=True
    )
    build.join("neck", "Stand to neck", parts, (part("stand", "neck"),), press=Press.UP)
    build.finish("stand-inside", "Inside of the stand", FinishKind.TURNED, (part("stand-inner", "neck"),))
    build.along |= {"neck": ("neck",), "collar": ("collar-edge",)}


def _fastened(build: Build, neck: Callable[[Size], float]) -> None:
    """The uppermost button or snap closes the stand, at the centre line; none where its ends meet there."""
    kind = fastening_mark(build.description) if fastens_above(build.description) else None
    middle = in_proportion(build.description, STAND) / 2
    laps = extension(build.description)
    if kind is not None:
        at = {size.name: (middle, neck(size) - laps) for size in build.figures.sizes}
        build.point("stand", InnerPoint("stand-button", kind, at))


FEATURES = (
    Feature(
        "shirt-collar",
        asked=lambda d: has_collar(d, CollarKind.SHIRT),
        ends=frozenset({Ended.NECK}),
        finish=finish,
    ),
)
