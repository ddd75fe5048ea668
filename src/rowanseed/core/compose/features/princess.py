"""Princess seams: each half in a centre and a side panel, from the armhole or the shoulder over the bust point."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.princess_line import LEAST, cut_in_two
from rowanseed.core.compose.vocabulary import PRINCESS, Shaping
from rowanseed.core.compose.yokes import UNDER_A_YOKE, refuse_under_the_neck


def panel(build: Build, half: Half) -> None:
    if half.side_of(build.description).has(Shaping.YOKE):
        refuse_under_the_neck(build, half, least=LEAST)
    cut_in_two(build, half)


def takes(d: Description, half: Half) -> bool:
    return half.side_of(d).princess is not None


def asked(d: Description) -> bool:
    return d.features.front.princess is not None or d.features.back.princess is not None


def forbids(d: Description) -> Found:
    for name, side in d.features.sides:
        where = f"features.{name}.shaping"
        if side.princess is None:
            continue
        if side.has(Shaping.WAIST_DART, Shaping.BUST_DART, Shaping.SHOULDER_DART):
            yield where, "A princess seam takes up the darts: choose one or the other."
        if all(one in side.shaping for one in PRINCESS):
            yield where, "A princess seam begins at the armhole or at the shoulder, not at both."
        if side.has(Shaping.SQUARE_YOKE) or (side.has(Shaping.YOKE) and side.princess is Shaping.PRINCESS_SHOULDER):
            yield where, "Here a princess seam below a yoke begins at the armhole, and the yoke is a plain one."
        if side.has(Shaping.YOKE) and side.has(*UNDER_A_YOKE):
            yield where, "Below a yoke lie princess seams or fullness, not both."


FEATURES = (Feature("princess", asked=asked, forbids=forbids, takes=takes, panel=panel, rank=20),)
