"""A neck that a bagged lining finishes: it is sewn on where the lining is drafted."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.necks import neck_finish, tell_neck
from rowanseed.core.compose.vocabulary import NeckFinish


def finish(build: Build, body: Body) -> None:
    tell_neck(build, "finished by the lining")
    build.along["neck"] = ("neck",)


FEATURES = (
    Feature(
        "neck-lining",
        asked=lambda d: neck_finish(d) is NeckFinish.LINING,
        ends=frozenset({Ended.NECK}),
        finish=finish,
    ),
)
