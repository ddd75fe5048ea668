"""Where a pocket is sewn on, and its corners marked there; the pockets a description asks for, with their ids."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description, GarmentKind, Hand, Pocket, PocketKind, PocketPlace
from rowanseed.core.compose.figures import Size
from rowanseed.core.geometry.outline import bounds, flatten
from rowanseed.core.pattern.pieces import InnerPoint, PointKind

PATCH = (130.0, 150.0)
"""A patch pocket: wide, deep, in mm."""
CHEST = (110.0, 125.0)
SEWN_ON = (PocketKind.PATCH, PocketKind.FLAP, PocketKind.WELT)
"""What is sewn on at one and the same place of its piece."""


def pockets_of(build: Build, *kinds: PocketKind) -> Iterator[tuple[Pocket, str]]:
    """The described pockets of some kinds, each with what tells its ids from those of the others."""
    for k, pocket in enumerate(build.description.features.pockets):
        if pocket.kind in kinds:
            yield pocket, "" if k == 0 else f"-{k + 1}"


def told_apart(build: Build, pocket: Pocket, name: str, *kinds: PocketKind) -> str:
    """A name that says where the pocket is, if there are some of these kinds at other places, or on the other hand."""
    others = [other for other in build.description.features.pockets if other.kind in kinds]
    if len({other.on for other in others}) > 1:
        name = f"{pocket.on.words.capitalize()} {lower_first(name)}"
    if len([other for other in others if other.on is pocket.on]) > 1:
        name = f"{pocket.hands.value.capitalize()} {lower_first(name)}"
    return name


def on_hand(pocket: Pocket, name: str) -> str:
    """The name of what is made there: of one alone it says on which hand, of two it is in the plural."""
    return f"{name}s" if pocket.hands is Hand.BOTH else f"{name}, on the {pocket.hands.value}"


def asks_for(*kinds: PocketKind) -> Callable[[Description], bool]:
    return lambda description: any(pocket.kind in kinds for pocket in description.features.pockets)


def misplaced(d: Description, *kinds: PocketKind) -> Iterator[tuple[str, str]]:
    """What is wrong with where some kinds of pockets are said to be."""
    for k, pocket in enumerate(d.features.pockets):
        where = f"features.pockets.{k}"
        if pocket.kind not in kinds:
            continue
        in_seam = pocket.kind is PocketKind.IN_SEAM
        if d.garment is GarmentKind.APRON and (pocket.on is not PocketPlace.FRONT or in_seam):
            yield where, "An apron has only a front for its pockets."
        if pocket.on is PocketPlace.CHEST and not d.garment.has_bodice:
            yield where, f"A {d.garment.words} has no chest for a pocket."
        if in_seam and pocket.on is not PocketPlace.SIDE:
            yield where, "An in-seam pocket lies in the side seam: say that it is on the side."
        if not in_seam and pocket.on is PocketPlace.SIDE:
            yield where, f"A {pocket.kind.words} pocket lies on the front or the back."
        if any(_stands_at(pocket, other) for other in d.features.pockets[:k]):
            yield (
                where,
                f"There is a pocket on the {pocket.on.words} already: say where else this one is, or leave it out.",
            )


def _stands_at(one: Pocket, other: Pocket) -> bool:
    """Whether two pockets would lie on each other."""
    alike = one.kind is other.kind or (one.kind in SEWN_ON and other.kind in SEWN_ON)
    apart = {one.hands, other.hands} == {Hand.LEFT, Hand.RIGHT}
    return alike and one.on is other.on and not apart


def carrier(build: Build, pocket: Pocket) -> str:
    """The piece that a pocket is sewn on."""
    half = "back" if pocket.on is PocketPlace.BACK else "front"
    below = f"skirt-{half}"
    if pocket.on is not PocketPlace.CHEST and below in build.pieces:
        return below
    return half


def _place(build: Build, carrier: str, size: Size, share: tuple[float, float], wide: float) -> tuple[float, float]:
    """The upper corner nearest the centre: so far down and across the piece, and still upon it."""
    points = [p for chain in build.pieces[carrier].shapes[size.name].edges.values() for p in flatten(chain, 2.0)]
    x0, y0, x1, y1 = bounds(points)
    y0 = max(0.0, y0)
    return x0 + share[0] * (x1 - x0), min(y0 + share[1] * (y1 - y0), y1 - wide - 15.0)


def _share(build: Build, pocket: Pocket, carrier: str) -> tuple[float, float]:
    if pocket.on is PocketPlace.CHEST:
        return 0.3, 0.3
    bodice = build.description.garment.has_bodice and not carrier.startswith("skirt")
    return (0.62 if bodice else 0.16), 0.25


def mark_corners(build: Build, carrier: str, pocket: Pocket, wide: float, id: str) -> None:
    hand = None if pocket.hands is Hand.BOTH else pocket.hands.value
    share = _share(build, pocket, carrier)
    at = {size.name: _place(build, carrier, size, share, wide) for size in build.figures.sizes}
    build.point(
        carrier,
        InnerPoint(f"{id}-inner", PointKind.POCKET, at, hand),
        InnerPoint(f"{id}-outer", PointKind.POCKET, {s: (x, y + wide) for s, (x, y) in at.items()}, hand),
    )
