"""A skirt cut on the bias: its panels lie at 45° to the grain, and cling and swing as they give."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.feature import Body, Feature, Found
from rowanseed.core.compose.skirts import SHAPED
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, SkirtGrain
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pieces import Grain, Role


def carves(build: Build, body: Body) -> None:
    halves = body.below or (body.front, body.back)
    for id in dict.fromkeys(part.piece for half in halves for part in half.lower):
        piece = build.pieces[id]
        cuts = (replace(cut, grain=Grain.BIAS) if cut.role is Role.MAIN else cut for cut in piece.cuts)
        build.change(id, cuts=tuple(cuts))


def asked(d: Description) -> bool:
    return d.features.skirt is not None and d.features.skirt.grain is SkirtGrain.BIAS


def forbids(d: Description) -> Found:
    f, field = d.features, "features.skirt.grain"
    if f.skirt is not None and (f.skirt.kind not in SHAPED or d.garment is GarmentKind.APRON):
        yield (
            field,
            "Straight and A-line skirts are cut on the bias: a full one runs through every grain already.",
        )
    if d.garment.has_bodice and not d.has_waist_seam:
        yield (
            field,
            "The skirt is cut in one with the bodice: with a waist seam it can lie on the bias.",
        )
    if Centre.OPEN in (f.front.centre, f.back.centre):
        yield field, "Edges that open from top to bottom would grow on the bias: they lie along the grain."
    if d.cloth is Structure.KNIT:
        yield field, "A knit gives by itself, and is cut along its ribs."


FEATURES = (Feature("bias skirt", asked=asked, forbids=forbids, carves=carves, rank=99),)
