"""A circle skirt or half a circle: a ring, a quarter of it for each half of front and back.

Its radius is the waist, or the lower edge of the yoke above, over 2π and the share of a circle: a geometric fact.
"""

from __future__ import annotations

import math

from rowanseed.core.compose.build import Build, Edges
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.panels import Half
from rowanseed.core.compose.shaped_skirts import Above, above_skirt, sew_below
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.skirts import centre_cut, length_of, sew_skirt, skirt_ids, skirt_panel
from rowanseed.core.compose.vocabulary import SkirtKind
from rowanseed.core.geometry.outline import arc_chain

TURN = {SkirtKind.CIRCLE: 1.0, SkirtKind.HALF_CIRCLE: 0.5}
"""The share of a whole circle that the skirt makes."""


def circle_skirt(build: Build) -> tuple[Half, Half]:
    skirt = build.description.features.skirt
    assert skirt is not None
    turn = TURN[skirt.kind]
    halves = (Half(True), Half(False))
    for half, id in zip(halves, skirt_ids(build), strict=True):
        edge, above = centre_cut(build, half)[0], above_skirt(build, half)

        def draw(size: Size, edge: str = edge, above: Above = above) -> Edges:
            radius = above.long(size) / (math.pi / 2 * turn)
            outer, angle = radius + length_of(build, size) - above.deep(size), math.pi / 2 * turn
            rim = (outer * math.cos(angle), outer * math.sin(angle))
            mouth = (radius * math.cos(angle), radius * math.sin(angle))
            return {
                edge: straight((radius, 0.0), (outer, 0.0)),
                "hem": arc_chain((0.0, 0.0), outer, 0.0, angle),
                "side": straight(rim, mouth),
                above.edge: arc_chain((0.0, 0.0), radius, angle, 0.0),
            }

        skirt_panel(build, half, id, draw, above.edge)
        sew_below(build, half, above)
    sew_skirt(build, halves)
    return halves


def asked(d: Description) -> bool:
    return d.features.skirt is not None and d.features.skirt.kind in TURN


FEATURES = (Feature("circle-skirt", asked=asked, skirt=circle_skirt),)
