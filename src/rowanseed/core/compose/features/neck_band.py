"""A neck that ends in a band of a knit or of ribbing, stretched on all round."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.collars import neck_parts
from rowanseed.core.compose.feature import Body, Ended, Feature
from rowanseed.core.compose.necks import is_neck_stretched
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.stretched_bands import Sewn, stretched_on
from rowanseed.core.pattern.making import Press

DEPTH = 25.0
"""How wide it is when it is folded, in mm (common practice, no source)."""


def finish(build: Build, body: Body) -> None:
    parts = tuple(replace(p, hand=hand) for hand in ("left", "right") for p in neck_parts(body))
    sewn = Sewn("neck-band", "Neck band", "neck", "Neck band to the neck", Press.DOWN)
    stretched_on(build, parts, sewn=sewn, depth=in_proportion(build.description, DEPTH))
    build.along["neck"] = ("neck",)


FEATURES = (Feature("neck-band", asked=is_neck_stretched, ends=frozenset({Ended.NECK}), finish=finish),)
