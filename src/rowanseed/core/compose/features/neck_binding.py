"""A neck that is bound: by bias strip on both sides, by a strip turned wholly inside, or by a band of the cloth."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.collars import neck_parts
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.necks import BOUND, is_band_open, is_neck_stretched, neck_finish, neck_words, tell_neck
from rowanseed.core.compose.vocabulary import NeckFinish
from rowanseed.core.pattern.making import FinishKind


def finish(build: Build, body: Body) -> None:
    tell_neck(build, "bound")
    build.finish("neck", neck_words(build.description).capitalize(), FinishKind.BINDING, neck_parts(body))
    if neck_finish(build.description) is NeckFinish.BIAS_FACING:
        build.ways.append(("neck", "bias-facing"))
    build.along["neck"] = ("neck",)


FEATURES = (
    Feature(
        "neck-binding",
        asked=lambda d: neck_finish(d) in BOUND and not is_neck_stretched(d) and not is_band_open(d),
        ends=frozenset({Ended.NECK}),
        finish=finish,
    ),
)
