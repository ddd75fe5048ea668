"""Open edges with a facing, or met by a bagged lining, and closed along them."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.facing import face
from rowanseed.core.compose.fastenings import closing
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.necks import faced_neck
from rowanseed.core.compose.openings import closes_an_edge, opening_half, placket, tell_placket
from rowanseed.core.compose.vocabulary import Placket


def faced(build: Build, body: Body) -> None:
    half = opening_half(body, build.description)
    tell_placket(build)
    face(build, "opening", f"{half.name} edges", half.centre, faced_neck(build, body))
    build.along["front"] = ("opening-facing",)
    closing(build, half, "opening-facing")


def lined(build: Build, body: Body) -> None:
    build.along["front"] = ("front-edges",)
    closing(build, opening_half(body, build.description), "front-edges")


ENDS = frozenset({Ended.OPENING})
FEATURES = (
    Feature("placket-facing", asked=lambda d: placket(d) is Placket.FACING, ends=ENDS, finish=faced),
    Feature("lined-edges", asked=lambda d: closes_an_edge(d) and d.features.is_bagged, ends=ENDS, finish=lined),
)
