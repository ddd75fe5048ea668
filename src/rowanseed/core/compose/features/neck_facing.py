"""A neck with a shaped facing."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.collars import neck_parts
from rowanseed.core.compose.facing import face
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.necks import neck_finish, neck_words, tell_neck
from rowanseed.core.compose.vocabulary import NeckFinish


def finish(build: Build, body: Body) -> None:
    tell_neck(build, "faced")
    face(build, "neck", neck_words(build.description), neck_parts(body))


FEATURES = (
    Feature(
        "neck-facing",
        asked=lambda d: neck_finish(d) in (NeckFinish.FACING, NeckFinish.COLLAR),
        ends=frozenset({Ended.NECK}),
        finish=finish,
    ),
)
