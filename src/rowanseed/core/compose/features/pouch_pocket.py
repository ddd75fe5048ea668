"""A pouch pocket: one across the front, which both hands go into from its slanting sides."""

from __future__ import annotations

from itertools import pairwise

from rowanseed.core.base.units import in_both
from rowanseed.core.base.words import lower_first, upper_first
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.feature import Feature, Found
from rowanseed.core.compose.pocket_places import APART, asks_for, pockets_of, rings, room_at
from rowanseed.core.compose.proportion import in_proportion
from rowanseed.core.compose.sizes import Size
from rowanseed.core.compose.vocabulary import Centre, GarmentKind, PocketKind, PocketPlace
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import SLANTING, InnerPoint, Panel, PointKind

ID = "pouch-pocket"
TOP, LOW, DEEP, SIDE = 95.0, 165.0, 190.0, 55.0
"""Half its upper edge and half its lower one, how deep it is, and how long its upright sides are below the slanting
mouths, in mm (common practice, no source)."""
MOUTH = 25.0
"""The hem of a mouth, in mm."""
ABOVE_THE_EDGE, ABOVE_A_HEM, BELOW_THE_HIP = 20.0, 10.0, 40.0
"""It ends so far above a band, or above what is turned up as a hem, in mm; on what is longer so far below the hip."""
BELOW_UNDERARM = 70.0
"""Its upper edge lies at least so far below the underarm, in mm."""


def forbids(d: Description) -> Found:
    for k, pocket in enumerate(d.features.pockets):
        where = f"features.pockets.{k}"
        if pocket.kind is not PocketKind.POUCH:
            continue
        front = d.features.front
        if pocket.on is not PocketPlace.FRONT:
            yield f"{where}.on", "A pouch pocket lies across the front: leave out where it is."
        if pocket.hand is not None:
            yield f"{where}.hand", "A pouch pocket is one for both hands: leave out on which side it is."
        if not d.garment.has_bodice or d.garment in (GarmentKind.JUMPSUIT, GarmentKind.ROBE) or d.has_waist_seam:
            whose = "this has a seam at the waist" if d.has_waist_seam else f"{d.garment.one} does not"
            yield where, f"A pouch pocket is sewn to a front that hangs whole from the shoulders: {whose}."
        elif front.centre is not Centre.FOLD or d.features.wraps:
            yield where, "A pouch pocket lies across a front that is cut on the fold: choose patch pockets here."
        elif front.princess is not None:
            yield where, "A pouch pocket would lie across princess seams, which is not drafted: choose patch pockets."


def adds(build: Build) -> None:
    for pocket, _ in pockets_of(build, PocketKind.POUCH):
        k = build.description.features.pockets.index(pocket)
        _pouch(build, f"features.pockets.{k}")


def _pouch(build: Build, where: str) -> None:
    top, low, deep, side, mouth = (in_proportion(build.description, mm) for mm in (TOP, LOW, DEEP, SIDE, MOUTH))
    at = {size.name: _upper_edge(build, size, deep=deep, low=low) for size in build.figures.sizes}
    if not _has_room(build, at, deep=deep, low=low):
        name = lower_first(build.pieces["front"].name)
        said = f"A pouch pocket {in_both(2 * low)} wide and {in_both(deep)} deep has no room on the {name}"
        build.refused.append((where, f"{upper_first(said)}: choose patch pockets, or make the garment longer."))
        return

    def draw(size: Size) -> Edges:
        corners = ((deep, 0.0), (deep, low), (deep - side, low), (0.0, top), (0.0, 0.0), (deep, 0.0))
        names = ("bottom", "side", SLANTING, "top", "centre")
        return {name: straight(*ends) for name, ends in zip(names, pairwise(corners), strict=True)}

    build.piece(ID, "Pouch pocket", draw, panel=Panel.OTHER, fold="centre", allowances={SLANTING: mouth})
    edges = (part(ID, name) for name in ("bottom", "side", "top"))
    build.finish(f"{ID}-edges", "Edges of the pouch pocket", FinishKind.TURNED, edges)
    build.finish(f"{ID}-mouths", "Mouths of the pouch pocket", FinishKind.TURNED, (part(ID, SLANTING),))
    for name, y in (("inner", 0.0), ("outer", top)):
        points = {size: (x, y) for size, x in at.items()}
        build.point("front", InnerPoint(f"{ID}-{name}", PointKind.POCKET, points))
    own = (f"{ID}-edges", f"{ID}-mouths")
    build.details.append(
        Detail(ID, "Pouch pocket", DetailKind.POUCH, pieces=(ID,), on=("front",), along=own, width=mouth)
    )


def _upper_edge(build: Build, size: Size, *, deep: float, low: float) -> float:
    """How far down its upper edge lies: above the lower edge of the front, or about the hip."""
    front = build.pieces["front"].shapes[size.name]
    ends = min(s.end[0] for s in front.edges["hem"] if s.end[1] <= low + APART or s.start[1] <= low + APART)
    block = build.block(size, is_front=True)
    hem = next((one for one in build.finishes if one.id == "hem" and one.kind is FinishKind.HEM), None)
    clear = ABOVE_THE_EDGE if hem is None else ABOVE_A_HEM + build.pieces["front"].edge("hem").allowance
    return min(ends - clear, block.hip + BELOW_THE_HIP) - deep


def _has_room(build: Build, at: dict[str, float], *, deep: float, low: float) -> bool:
    """Whether it lies within the front in every size; over darts, which are sewn before."""
    found = rings(build, "front")
    for size in build.figures.sizes:
        room = room_at(found[size.name], at[size.name], deep)
        if at[size.name] < size.underarm + BELOW_UNDERARM or room is None or room[1] < low:
            return False
    return True


FEATURES = (Feature("pouch-pocket", asked=asks_for(PocketKind.POUCH), forbids=forbids, adds=adds, rank=10),)
