"""The front of trousers closed by a fly that buttons: open as far as a zip's would be, with a button in the band."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.features.zip import at_a_waist
from rowanseed.core.compose.openings import is_button_fly
from rowanseed.core.compose.vocabulary import Waist
from rowanseed.core.compose.waists import waist_finish
from rowanseed.core.pattern.making import Closure, ClosureKind


def finish(build: Build, body: Body) -> None:
    at_a_waist(build, body, ClosureKind.BUTTON_FLY)
    if waist_finish(build.description) is Waist.WAISTBAND:
        build.closures.append(Closure("band-button", ClosureKind.BUTTONS, "waist"))
    else:
        build.closures.append(Closure("waist-hook", ClosureKind.HOOK_AND_EYE, build.closures[-1].join))


FEATURES = (Feature("button-fly", asked=is_button_fly, ends=frozenset({Ended.OPENING}), finish=finish, rank=10),)
