"""A second yoke inside the back's: both are sewn to what is between them, and no raw edge is left."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.necks import armhole_finish, neck_finish
from rowanseed.core.compose.vocabulary import ArmholeFinish, Centre, FacedEdge, NeckFinish, Shaping
from rowanseed.core.pattern.making import Press
from rowanseed.core.pattern.pieces import Panel, Role

WHERE = "features.facing"
YOKE, INNER, SHOULDERS = "back-yoke", "yoke-inner", "shoulders"


def asked(d: Description) -> bool:
    return FacedEdge.YOKE in d.features.facing


def forbids(d: Description) -> Found:
    f = d.features
    if not f.back.has(Shaping.YOKE):
        yield WHERE, "A second yoke lies inside the back's: say that the back has a yoke."
        return
    if f.back.centre is not Centre.FOLD:
        yield WHERE, "A doubled yoke is drafted for a back on the fold only."
    if f.lining is not None:
        yield WHERE, "The lining covers the yoke: it needs no second one."
    faced = (NeckFinish.FACING, NeckFinish.LINING, NeckFinish.BIAS_FACING)
    if neck_finish(d) in faced:
        yield WHERE, "The neck's facing lies where the second yoke would: finish the neck otherwise, or face no yoke."
    if f.sleeve is None and armhole_finish(d) is not ArmholeFinish.BIAS_BINDING:
        yield WHERE, "The armhole's facing lies where the second yoke would: bind the armholes, or face no yoke."


def joins(build: Build, body: Body) -> None:
    build.copy_of(INNER, YOKE, "Inner yoke", role=Role.MAIN, panel=Panel.OTHER)
    for id, name in ((body.back.yoke, "Inner yoke to back"), (SHOULDERS, "Inner yoke to fronts")):
        k = next(k for k, join in enumerate(build.joins) if join.id == id)
        # Both layers of the yoke take the allowances between them.
        outer = replace(build.joins[k], press=Press.BACK if id == SHOULDERS else Press.UP)
        inner = tuple(replace(p, piece=INNER) for p in outer.b)
        build.joins[k : k + 1] = [outer, replace(outer, id=f"{id}-inside", name=name, b=inner)]
    edges = ("armhole", "neck")
    build.join(
        "yoke-layers",
        "Inner yoke to yoke, at armholes and neck",
        (part(YOKE, edge) for edge in edges),
        (part(INNER, edge) for edge in edges),
        press=Press.UP,
        each_hand=True,
    )


FEATURES = (Feature("doubled-yoke", asked=asked, forbids=forbids, joins=joins, rank=20),)
