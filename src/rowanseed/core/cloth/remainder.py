"""What is left of a cloth when a garment is cut from it: its real outline, and the off-cuts between the pieces.

The cloth frame has x along the cloth and y across, from the lower selvedge of the open cloth; mm throughout.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from shapely import difference, make_valid, set_precision, union_all
from shapely.affinity import translate
from shapely.geometry import MultiPolygon, Polygon, box
from shapely.geometry.base import BaseGeometry

from rowanseed.core.cloth.cloth import Cloth, PrintBorder
from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.folding import layers_of, regions
from rowanseed.core.lay.problem import LayCloth, Plan, Stretch

CUT_OFF = 3.0
"""What the shears take round a piece."""
SMOOTH = 2.0
"""How much of an outline may be given up so that it has fewer corners."""
NARROWEST = 60.0
"""Strips narrower than this are snippets."""
LEAST_AREA = 25_000.0
"""The least area kept, in mm²: about 16 cm square."""
GRID = 1e-3
"""What is cut out is put together to this, in mm: without a grid GEOS loses a polygon now and then where edges lie
along each other but for rounding, and cloth that is cut would count as free."""


@dataclass(frozen=True)
class Left:
    """One part of what is left: its outline on the cloth, and as a cloth of its own for the shelf."""

    outline: tuple[Point, ...]
    cloth: Cloth
    is_end: bool
    """Whether it is the uncut end, from selvedge to selvedge."""

    @property
    def area(self) -> float:
        return float(Polygon(self.outline).area)


def cut_from(plan: Plan, cloth: LayCloth) -> tuple[Polygon, ...]:
    """The pieces on the open cloth, both layers of what was cut double."""
    return tuple(polygon for stretch in plan.stretches for polygon in _of_stretch(stretch, cloth))


def _of_stretch(stretch: Stretch, cloth: LayCloth) -> Iterator[Polygon]:
    strips = regions(stretch.lay, stretch.depth, cloth)
    for placement in stretch.placements:
        ys = [p[1] for p in placement.outline]
        region = min(strips, key=lambda strip: max(strip.low - min(ys), max(ys) - strip.high))
        for layer in layers_of(stretch.lay, stretch.depth, region, cloth.width):
            yield Polygon([(stretch.start + x, layer.on_cloth(y)) for x, y in placement.outline])


def remainders(plans: Sequence[Plan], lay_cloth: LayCloth, cloth: Cloth) -> tuple[Left, ...]:
    """What is left of `cloth` after cutting plans from its beginning, one after the other; the biggest part first.

    The cloth counts as made ready (washed). Snippets are left out. Empty where none of it was in hand.
    """
    length = cloth.ready_length
    if length is None:
        return ()
    whole: BaseGeometry = box(0, 0, length, lay_cloth.width)
    for patch in cloth.ready_gone:
        whole = whole.difference(make_valid(Polygon(patch)))
    grown, start = [], 0.0
    for plan in plans:
        pieces = (translate(p, start) for p in cut_from(plan, lay_cloth))
        grown += [p.buffer(CUT_OFF + SMOOTH / 2, join_style="mitre") for p in pieces]
        start += plan.length
    rest = difference(whole, union_all(grown, grid_size=GRID), grid_size=GRID)
    # Narrow necks are cut through: what hangs together by a thread is two off-cuts.
    wide = rest.buffer(-NARROWEST / 2).buffer(NARROWEST / 2, join_style="mitre").intersection(rest)
    parts = [p for p in _polygons(wide) if p.area >= LEAST_AREA]
    parts.sort(key=lambda p: -p.area)
    names = _names(cloth.name)
    return tuple(_left(part, lay_cloth, cloth, next(names)) for part in parts)


def _names(name: str) -> Iterator[str]:
    base = name.removesuffix(", what is left")
    yield f"{base}, what is left"
    number = 1
    while True:
        yield f"{base}, off-cut {number}"
        number += 1


def _polygons(shape: BaseGeometry) -> list[Polygon]:
    if isinstance(shape, Polygon):
        return [] if shape.is_empty else [shape]
    return [p for p in getattr(shape, "geoms", []) if isinstance(p, Polygon)]


def _left(part: Polygon, lay_cloth: LayCloth, cloth: Cloth, name: str) -> Left:
    simple = part.simplify(SMOOTH / 2)
    shape = simple if isinstance(simple, Polygon) and not simple.is_empty else part
    left, low, right, high = shape.bounds
    is_end = low < lay_cloth.selvedge + SMOOTH and high > lay_cloth.width - lay_cloth.selvedge - SMOOTH
    if is_end:
        low, high = 0.0, lay_cloth.width
    frame = box(left, low, right, high)
    patches = _polygons(_without_spikes(frame.difference(shape)))
    gone = tuple(_ring(p, left, low) for patch in patches if patch.area > 400 for p in _without_holes(patch))
    outline = tuple((round(x, 1), round(y, 1)) for x, y in shape.exterior.coords[:-1])
    border = cloth.border if is_end else PrintBorder.NONE
    rest = replace(
        cloth,
        name=name,
        width=round(high - low, 1),
        length=round(right - left, 1),
        selvedge=lay_cloth.selvedge if is_end else 0.0,
        washed=True,
        gone=gone,
        border=border,
    )
    return Left(outline, rest, is_end)


def _without_spikes(shape: BaseGeometry) -> BaseGeometry:
    """Patches without the slivers that a difference leaves; they lose less than a millimetre."""
    opened = shape.buffer(-SMOOTH / 2, join_style="mitre").buffer(SMOOTH / 2, join_style="mitre").simplify(SMOOTH / 4)
    return set_precision(opened, 0.1)


def _without_holes(patch: Polygon) -> Iterator[Polygon]:
    """A patch round an island, cut apart through it, since a patch is one ring."""
    if not patch.interiors:
        yield patch
        return
    left, low, right, high = patch.bounds
    at = Polygon(patch.interiors[0]).centroid.x
    for side in (box(left - 1, low - 1, at, high + 1), box(at, low - 1, right + 1, high + 1)):
        for part in _polygons(patch.intersection(side)):
            yield from _without_holes(part)


def _ring(patch: Polygon, left: float, low: float) -> tuple[Point, ...]:
    return tuple((round(x - left, 1), round(y - low, 1)) for x, y in patch.exterior.coords[:-1])


def outline_of(cloth: Cloth) -> tuple[tuple[Point, ...], ...]:
    """The outlines of a cloth in hand, what is gone taken out; empty where none is in hand."""
    if cloth.length is None:
        return ()
    shape: BaseGeometry = box(0, 0, cloth.length, cloth.width)
    for patch in cloth.gone:
        shape = shape.difference(make_valid(Polygon(patch)))
    parts = shape if isinstance(shape, MultiPolygon) else MultiPolygon(_polygons(shape))
    return tuple(tuple(ring.coords[:-1]) for p in parts.geoms for ring in (p.exterior, *p.interiors))


def area_in_hand(cloth: Cloth) -> float:
    """Usable area of a cloth in hand, ready to cut, in mm²; what is gone and the selvedges taken off."""
    if cloth.ready_length is None:
        return 0.0
    shape: BaseGeometry = box(0, cloth.selvedge, cloth.ready_length, cloth.ready_width - cloth.selvedge)
    for patch in cloth.ready_gone:
        shape = shape.difference(make_valid(Polygon(patch)))
    return float(shape.area)
