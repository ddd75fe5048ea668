"""In-seam pockets: two bags a side, sewn into the side seam."""

from __future__ import annotations

from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description, PocketKind
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.figures import Size
from rowanseed.core.compose.pocket_places import asks_for, misplaced, pockets_of
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import Panel

BAG = (160.0, 280.0)


def adds(build: Build) -> None:
    for _, suffix in pockets_of(build, PocketKind.IN_SEAM):
        _bags(build, f"pocket-bag{suffix}")


def _side_join(build: Build) -> str:
    ids = [j.id for j in build.joins]
    wanted = ("skirt-sides", "sides", "outseams")
    return next(id for name in wanted for id in ids if id.startswith(name))


def _bags(build: Build, id: str) -> None:
    """Two bags a side, sewn into the side seam."""
    wide, long = BAG

    def draw(size: Size) -> Edges:
        corners = [(long, 0.0), (long, wide), (0.0, wide * 0.7), (0.0, 0.0)]
        return {
            "opening": straight((0.0, 0.0), corners[0]),
            "lower": straight(corners[0], corners[1]),
            "round": straight(corners[1], corners[2]),
            "top": straight(corners[2], (0.0, 0.0)),
        }

    build.piece(id, "Pocket bag", draw, panel=Panel.OTHER, count=4, pair=True)
    join = next(j for j in build.joins if j.id == _side_join(build))
    build.join(
        f"{id}-round",
        "Round of the pocket bags",
        tuple(part(id, e, "left") for e in ("lower", "round")),
        tuple(part(id, e, "right") for e in ("lower", "round")),
    )
    caught = (part(id, "opening"), part(id, "top"))
    build.finish(f"{id}-opening", "Open edges of the pocket bags", FinishKind.CAUGHT, caught)
    on = tuple(dict.fromkeys(p.piece for p in (*join.a, *join.b)))
    build.details.append(Detail(id, "In-seam pockets", DetailKind.IN_SEAM_POCKET, pieces=(id,), on=on, count=2))


def forbids(d: Description) -> Found:
    yield from misplaced(d, PocketKind.IN_SEAM)


FEATURES = (Feature("in-seam-pocket", asked=asks_for(PocketKind.IN_SEAM), forbids=forbids, adds=adds, rank=12),)
