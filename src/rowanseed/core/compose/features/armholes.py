"""Armholes without a sleeve: faced, bound, or finished by a bagged lining, which is sewn on where it is drafted."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.facing import face
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.necks import armhole_finish, tell_armholes
from rowanseed.core.compose.vocabulary import ArmholeFinish
from rowanseed.core.pattern.making import EdgePart, FinishKind


def _parts(body: Body) -> tuple[EdgePart, ...]:
    return (*body.front.armhole, *reversed(body.back.armhole))


def _faced(build: Build, body: Body) -> None:
    face(build, "armhole", "armholes", _parts(body))


def _bound(build: Build, body: Body) -> None:
    tell_armholes(build, "the armholes are bound")
    build.finish("armhole", "Armholes", FinishKind.BINDING, _parts(body))
    build.along["armhole"] = ("armhole",)


def _lined(build: Build, body: Body) -> None:
    tell_armholes(build, "the lining finishes the armholes")
    build.along["armhole"] = ("armhole",)


ENDS = frozenset({Ended.ARMHOLE})
FEATURES = (
    Feature("armhole-facing", asked=lambda d: armhole_finish(d) is ArmholeFinish.FACING, ends=ENDS, finish=_faced),
    Feature(
        "armhole-binding", asked=lambda d: armhole_finish(d) is ArmholeFinish.BIAS_BINDING, ends=ENDS, finish=_bound
    ),
    Feature("armhole-lining", asked=lambda d: armhole_finish(d) is ArmholeFinish.LINING, ends=ENDS, finish=_lined),
)
