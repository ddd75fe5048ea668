"""Flaps over patch pockets: two layers turned round their edge."""

from __future__ import annotations

from rowanseed.core.compose.bands import band_draw
from rowanseed.core.compose.build import Build, part
from rowanseed.core.compose.description import Pocket
from rowanseed.core.compose.feature import Feature
from rowanseed.core.compose.pocket_places import asks_for, carriers_of, on_hand, patch_size, pockets_of, told_apart
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.vocabulary import PocketKind
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind, Press
from rowanseed.core.pattern.pieces import Panel, Role

DEEP = 50.0
"""How far a flap hangs down, in mm (common practice, no source)."""


def adds(build: Build) -> None:
    for pocket, suffix in pockets_of(build, PocketKind.FLAP):
        _flap(build, pocket, f"flap{suffix}")


def _flap(build: Build, pocket: Pocket, id: str) -> None:
    wide = patch_size(build, pocket)[0] + 6.0
    deep, edges = in_proportion(build.description, DEEP), ("left", "lower", "right", "top")
    name = told_apart(build, pocket, "Pocket flap", PocketKind.FLAP)
    build.piece(
        id,
        name,
        lambda size: band_draw(deep, wide, edges),
        panel=Panel.OTHER,
        count=pocket.count,
        pair=pocket.count > 1,
    )
    lining = told_apart(build, pocket, "Flap lining", PocketKind.FLAP)
    build.copy_of(f"{id}-facing", id, lining, role=Role.MAIN)
    round_ = edges[:3]
    build.join(
        f"{id}-edge",
        "Edge of the flap",
        (part(id, e) for e in round_),
        (part(f"{id}-facing", e) for e in round_),
        press=Press.FACING,
        each_hand=pocket.count > 1,
    )
    both = (part(id, "top"), part(f"{id}-facing", "top"))
    build.finish(f"{id}-top", "Upper edge of the flap", FinishKind.CAUGHT, both)
    build.details.append(
        Detail(
            id,
            name if pocket.count > 1 else on_hand(pocket, name),
            DetailKind.FLAP,
            pieces=(id, f"{id}-facing"),
            on=carriers_of(build, id.replace("flap", "pocket")),
            count=pocket.count,
        )
    )


FEATURES = (Feature("flap", asked=asks_for(PocketKind.FLAP), adds=adds, rank=11),)
