"""How cloth lies folded: which strips there are to lay on, and where a point of them is on the open cloth.

The one place where this is said; only the exact check has its own, so that it does not repeat a mistake made here.
The cloth frame has x along the cloth and y across; the fold of a folded cloth is at y = 0.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, assert_never

from rowanseed.core.lay.problem import LayCloth, LayKind, Placement

Reference = Literal["selvedge", "fold", "turned-in edge"]
"""What a grainline is measured to."""


@dataclass(frozen=True)
class Region:
    """A usable strip of a stretch: y from `low` to `high`, on one or two layers, with its fold lines."""

    low: float
    high: float
    layers: int
    folds: tuple[float, ...] = ()


@dataclass(frozen=True)
class ClothLayer:
    """A layer of a strip: where its y begins on the open cloth, and which way it runs (1 or -1)."""

    start: float
    way: int

    def on_cloth(self, y: float) -> float:
        return self.start + self.way * y

    def in_strip(self, y: float) -> float:
        return (y - self.start) * self.way


def regions(lay: LayKind, depth: float | None, cloth: LayCloth, gap: float = 0.0) -> tuple[Region, ...]:
    """The usable strips of a stretch; strips with no width are left out.

    With a `gap` (mm), strips that are laid apart from each other keep their pieces so far apart: where one edge is
    folded in, only the selvedge lies between the double strip and the single one; where both are, two of them.
    """
    width, selvedge = cloth.width, cloth.selvedge
    match lay:
        case LayKind.OPEN:
            strips = [Region(selvedge, width - selvedge, 1)]
        case LayKind.FOLDED:
            strips = [Region(low=0, high=width / 2 - selvedge, layers=2, folds=(0.0,))]
        case LayKind.TWO_FOLDS:
            beside = max(selvedge, gap / 2)
            strips = [
                Region(low=0, high=width / 4 - beside, layers=2, folds=(0.0,)),
                Region(low=width / 4 + beside, high=width / 2, layers=2, folds=(width / 2,)),
            ]
        case LayKind.PART_FOLDED:
            if depth is None:
                raise ValueError("a part-folded stretch has a depth")
            strips = [
                Region(low=0, high=depth - selvedge, layers=2, folds=(0.0,)),
                Region(depth + max(0.0, gap - selvedge), width - depth - selvedge, 1),
            ]
        case _:
            assert_never(lay)
    return tuple(strip for strip in strips if strip.high > strip.low)


def region_of(placement: Placement, strips: tuple[Region, ...]) -> Region:
    """The strip of cloth a placement lies in."""
    _, low, _, high = placement.box
    return min(strips, key=lambda strip: max(strip.low - low, high - strip.high))


def layers_of(lay: LayKind, depth: float | None, region: Region, width: float) -> tuple[ClothLayer, ...]:
    """Every layer of a strip: the under one, which lies right side up, then the one that is folded over it."""
    match lay:
        case LayKind.OPEN:
            return (ClothLayer(0.0, 1),)
        case LayKind.FOLDED:
            first, second = width / 2, width / 2
        case LayKind.TWO_FOLDS:
            first, second = width / 4, width / 4 if region.low == 0 else width * 5 / 4
        case LayKind.PART_FOLDED:
            first = second = depth or 0.0
        case _:
            assert_never(lay)
    return (ClothLayer(first, 1),) if region.layers == 1 else (ClothLayer(first, 1), ClothLayer(second, -1))


def fold_on_cloth(lay: LayKind, width: float) -> float | None:
    """Where on the open cloth the fold at y = 0 comes to lie, for the kinds that have it at the same place always."""
    return {LayKind.FOLDED: width / 2, LayKind.TWO_FOLDS: width / 4}.get(lay)


def fold_lines(lay: LayKind, width: float) -> tuple[float, ...]:
    """The heights at which a stretch is folded."""
    match lay:
        case LayKind.OPEN:
            return ()
        case LayKind.FOLDED | LayKind.PART_FOLDED:
            return (0.0,)
        case LayKind.TWO_FOLDS:
            return (0.0, width / 2)
        case _:
            assert_never(lay)


def stretch_width(lay: LayKind, depth: float | None, width: float) -> float:
    """How wide the cloth lies in a stretch."""
    match lay:
        case LayKind.OPEN:
            return width
        case LayKind.PART_FOLDED:
            return width - (depth or 0.0)
        case LayKind.FOLDED | LayKind.TWO_FOLDS:
            return width / 2
        case _:
            assert_never(lay)


def references(lay: LayKind, depth: float | None, region: Region, width: float) -> tuple[tuple[float, Reference], ...]:
    """The heights of folds and cloth edges beside a strip, to measure a grainline to."""
    match lay:
        case LayKind.OPEN:
            return ((0.0, "selvedge"), (width, "selvedge"))
        case LayKind.FOLDED:
            return ((0.0, "fold"), (width / 2, "selvedge"))
        case LayKind.TWO_FOLDS:
            return ((0.0 if region.low == 0 else width / 2, "fold"), (width / 4, "selvedge"))
        case LayKind.PART_FOLDED if region.layers == 2:
            return ((0.0, "fold"),)
        case LayKind.PART_FOLDED:
            at = depth or 0.0
            return ((at, "turned-in edge"), (width - at, "selvedge"))
        case _:
            assert_never(lay)
