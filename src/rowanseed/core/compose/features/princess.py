"""Princess seams: each half in a centre and a side panel, from the armhole or the shoulder over the bust point."""

from __future__ import annotations

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.princess_line import cut_in_two
from rowanseed.core.compose.vocabulary import PRINCESS, Shaping


def panel(build: Build, half: Half) -> None:
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
        if side.has(Shaping.YOKE, Shaping.SQUARE_YOKE):
            yield where, "A yoke across a princess seam is not drafted here: choose one of them."


FEATURES = (Feature("princess", asked=asked, forbids=forbids, takes=takes, panel=panel, rank=20),)
