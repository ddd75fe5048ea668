"""Welt pockets with two bags."""

from __future__ import annotations

from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Description, Pocket
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.pocket_places import (
    asks_for,
    misplaced,
    on_hand,
    place_pocket,
    pockets_of,
    told_apart,
)
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.vocabulary import Interfaced, PocketKind
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import LineKind, Panel

WELT = (20.0, 130.0)
BELOW = 30.0
"""So far down a welt needs room on its piece, in mm: its bag hangs free."""


def adds(build: Build) -> None:
    for pocket, suffix in pockets_of(build, PocketKind.WELT):
        _welt(build, pocket, f"welt{suffix}")


def _welt(build: Build, pocket: Pocket, id: str) -> None:
    deep, wide = (in_proportion(build.description, mm) for mm in WELT)
    on = place_pocket(build, pocket, wide, BELOW, id)

    def named(name: str) -> str:
        return told_apart(build, pocket, name, PocketKind.WELT)

    build.piece(
        id,
        named("Pocket welt"),
        lambda size: band_draw(2 * deep, wide, ("left", "bottom", "right", "top")),
        panel=Panel.OTHER,
        count=pocket.count,
        pair=pocket.count > 1,
    )
    build.line(id, LineKind.FOLD, "fold", lambda size: ((deep, 0.0), (deep, wide)))
    build.interface(id, Interfaced.FRONT, Interfaced.FACINGS)
    bag = f"{id}-bag"
    build.piece(
        bag,
        named("Bag of the welt pocket"),
        lambda size: band_draw(150.0, wide + 30.0, ("left", "bottom", "right", "top")),
        panel=Panel.OTHER,
        count=2 * pocket.count,
        pair=True,
    )
    edges = ("left", "bottom", "right", "top")
    build.finish(f"{id}-edges", "Edges of the welt", FinishKind.CAUGHT, (part(id, e) for e in edges))
    build.finish(f"{bag}-edges", "Edges of the bags", FinishKind.CAUGHT, (part(bag, e) for e in edges))
    build.details.append(
        Detail(
            id,
            on_hand(pocket, named("Welt pocket")),
            DetailKind.WELT_POCKET,
            pieces=(id, bag),
            on=on,
            count=pocket.count,
            width=deep,
        )
    )


def forbids(d: Description) -> Found:
    yield from misplaced(d, PocketKind.WELT)


FEATURES = (Feature("welt-pocket", asked=asks_for(PocketKind.WELT), forbids=forbids, adds=adds, rank=13),)
