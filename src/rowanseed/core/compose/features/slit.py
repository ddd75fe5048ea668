"""A slit at the back or the sides of what hangs straight or in an A-line."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.slits import may_be_slit, open_from_the_hem
from rowanseed.core.compose.vocabulary import Centre, Slit
from rowanseed.core.pattern.making import DetailKind


def carves(build: Build, body: Body) -> None:
    skirt = build.description.features.skirt
    at_the_back = skirt is not None and skirt.slit is Slit.BACK
    open_from_the_hem(build, body, "centre-back" if at_the_back else "sides", DetailKind.SLIT)


def asked(d: Description) -> bool:
    return d.features.skirt is not None and d.features.skirt.slit is not Slit.NONE


def forbids(d: Description) -> Found:
    skirt = d.features.skirt
    if not may_be_slit(d):
        yield "features.skirt.slit", "A slit belongs to a straight or A-line skirt."
    if skirt is not None and skirt.slit is Slit.BACK and d.features.back.centre is not Centre.SEAM:
        yield "features.skirt.slit", "A slit at the back needs a seam there: the back is cut on the fold."


FEATURES = (Feature("slit", asked=asked, forbids=forbids, carves=carves, rank=5),)
