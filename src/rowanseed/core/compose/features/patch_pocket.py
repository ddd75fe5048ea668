"""Patch pockets: a rectangle whose mouth is turned first, then its three sides."""

from __future__ import annotations

from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Description, Pocket, PocketKind, PocketPlace
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.pocket_places import CHEST, PATCH, asks_for, carrier, mark_corners, misplaced, pockets_of
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.pattern.pieces import Panel

MOUTH = 35.0


def adds(build: Build) -> None:
    for pocket, suffix in pockets_of(build, PocketKind.PATCH, PocketKind.FLAP):
        _patch(build, pocket, f"pocket{suffix}")


def _patch(build: Build, pocket: Pocket, id: str) -> None:
    wide, deep = CHEST if pocket.on is PocketPlace.CHEST else PATCH
    on = carrier(build, pocket)
    build.piece(
        id,
        "Patch pocket" if pocket.on is not PocketPlace.CHEST else "Breast pocket",
        lambda size: band_draw(deep, wide, ("left", "bottom", "right", "top")),
        panel=Panel.OTHER,
        count=1 if pocket.on is PocketPlace.CHEST else 2,
        pair=pocket.on is not PocketPlace.CHEST,
        allowances={"top": MOUTH},
    )
    edges = ("left", "bottom", "right", "top")
    build.finish(f"{id}-edges", "Edges of the pocket", FinishKind.TURNED, (part(id, e) for e in edges))
    mark_corners(build, on, pocket, wide, id)


def forbids(d: Description) -> Found:
    yield from misplaced(d, PocketKind.PATCH, PocketKind.FLAP)


FEATURES = (
    Feature("patch-pocket", asked=asks_for(PocketKind.PATCH, PocketKind.FLAP), forbids=forbids, adds=adds, rank=10),
)
