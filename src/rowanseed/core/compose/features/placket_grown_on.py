"""An open edge folded on itself twice, and closed along it."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.fastenings import closing
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.laps import extension
from rowanseed.core.compose.openings import opening_half, placket, tell_placket
from rowanseed.core.compose.vocabulary import Placket
from rowanseed.core.pattern.making import FinishKind


def finish(build: Build, body: Body) -> None:
    half = opening_half(body, build.description)
    tell_placket(build)
    wide = 2 * extension(build.description)
    for p in half.centre:
        build.allow(p.piece, p.edge, 2 * wide)
    build.finish(
        "front-edges",
        f"{half.name.capitalize()} edges",
        FinishKind.TURNED,
        tuple(half.centre),
        (wide, wide),
    )
    build.along["front"] = ("front-edges",)
    closing(build, half, "front-edges")


FEATURES = (
    Feature(
        "placket-grown-on",
        asked=lambda d: placket(d) is Placket.GROWN_ON,
        ends=frozenset({Ended.OPENING}),
        finish=finish,
    ),
)
