"""The top of a fitted skirt or of trousers with a shaped facing, or with its yokes a second time; above a zip a hook
holds it."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.ease import is_yoked_at_waist
from rowanseed.core.compose.facing import face, face_with_copies
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.vocabulary import Waist
from rowanseed.core.compose.waists import fullness, waist_finish, waist_parts
from rowanseed.core.pattern.making import Closure, ClosureKind


def finish(build: Build, body: Body) -> None:
    parts = waist_parts(body.front, body.back)
    if is_yoked_at_waist(build.description):
        face_with_copies(build, "waist", "waist", parts)
    else:
        face(build, "waist", "waist", parts)
    zipped = next((c for c in build.closures if c.kind.value.endswith("zip")), None)
    if zipped is not None:
        build.closures.append(Closure("waist-hook", ClosureKind.HOOK_AND_EYE, zipped.join))


def asked(d: Description) -> bool:
    return waist_finish(d) is Waist.FACING and fullness(d) == 1


FEATURES = (Feature("waist-facing", asked=asked, ends=frozenset({Ended.WAIST}), finish=finish),)
