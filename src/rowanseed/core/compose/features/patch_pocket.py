"""Patch pockets: a rectangle whose mouth is turned first, then its three sides."""

from __future__ import annotations

from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Description, Pocket
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.pocket_places import (
    asks_for,
    misplaced,
    patch_size,
    place_pocket,
    pockets_of,
    told_apart,
)
from rowanseed.core.compose.vocabulary import PocketKind, PocketPlace
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.pattern.pieces import Panel

MOUTH = 35.0
KINDS = (PocketKind.PATCH, PocketKind.FLAP)


def adds(build: Build) -> None:
    for pocket, suffix in pockets_of(build, *KINDS):
        _patch(build, pocket, f"pocket{suffix}")


def _patch(build: Build, pocket: Pocket, id: str) -> None:
    wide, deep = patch_size(build, pocket)
    at_chest = pocket.on is PocketPlace.CHEST
    build.piece(
        id,
        _called(build, pocket, at_chest),
        lambda size: band_draw(deep, wide, ("left", "bottom", "right", "top")),
        panel=Panel.OTHER,
        count=pocket.count,
        pair=pocket.count > 1,
        allowances={"top": MOUTH},
    )
    edges = ("left", "bottom", "right", "top")
    build.finish(f"{id}-edges", "Edges of the pocket", FinishKind.TURNED, (part(id, e) for e in edges))
    place_pocket(build, pocket, wide, deep, id)


def _called(build: Build, pocket: Pocket, at_chest: bool) -> str:
    """A breast pocket says by its name where it is."""
    alone = sum(other.kind in KINDS and other.on is pocket.on for other in build.description.features.pockets) == 1
    return "Breast pocket" if at_chest and alone else told_apart(build, pocket, "Patch pocket", *KINDS)


def forbids(d: Description) -> Found:
    yield from misplaced(d, *KINDS)


FEATURES = (Feature("patch-pocket", asked=asks_for(*KINDS), forbids=forbids, adds=adds, rank=10),)
