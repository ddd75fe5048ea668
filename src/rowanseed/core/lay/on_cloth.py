"""Where on the open cloth the pieces of a lay come from, however the cloth was folded when they were cut."""

from __future__ import annotations

from collections.abc import Collection, Iterable
from dataclasses import dataclass

from shapely import difference, union_all
from shapely.geometry import Polygon, box

from rowanseed.core.cloth.remainder import GRID
from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.edit.placements import ids, placement, region, stretch_of, strips
from rowanseed.core.lay.folding import layers_of
from rowanseed.core.lay.problem import Plan, Problem, Stretch

SLIVER = 100.0
"""The least area, in mm², that is worth going round."""
SAME = 1.0
"""Places no further apart than this, in mm, are one: a piece that was opened out may have moved by half a gap."""


@dataclass(frozen=True)
class Spot:
    """The middle of a piece that is cut on one layer, on the open cloth."""

    piece: str
    at: Point

    def is_at(self, other: Spot, within: float) -> bool:
        apart = max(abs(self.at[0] - other.at[0]), abs(self.at[1] - other.at[1]))
        return self.piece == other.piece and apart <= within


def spots(problem: Problem, plan: Plan, id: str) -> tuple[Spot, ...]:
    """Where a placement is cut: once for each layer, or once where it lies on the fold."""
    laid, stretch = placement(plan, id), stretch_of(plan, id)
    middle = Polygon(laid.outline).centroid
    layers = layers_of(stretch.lay, stretch.depth, region(problem, stretch, laid), problem.cloth.width)
    heights = [layer.on_cloth(middle.y) for layer in layers]
    if problem.piece(laid.piece).fold is not None and not laid.whole:
        heights = [sum(heights) / len(heights)]
    return tuple(Spot(laid.piece, (stretch.start + middle.x, y)) for y in heights)


def outlines(problem: Problem, plan: Plan, id: str) -> tuple[Polygon, ...]:
    """What a placement takes of the open cloth, on each layer."""
    laid, stretch = placement(plan, id), stretch_of(plan, id)
    layers = layers_of(stretch.lay, stretch.depth, region(problem, stretch, laid), problem.cloth.width)
    return tuple(
        Polygon([(stretch.start + x, layer.on_cloth(y)) for x, y in laid.outline]).buffer(0) for layer in layers
    )


def on_upper_layer(problem: Problem, stretch: Stretch, a: Point, b: Point) -> Polygon:
    """The rectangle between two points of a stretch, on the open cloth: that of the layer that is seen."""
    low, high = sorted((a[1], b[1]))
    strip = min(strips(problem, stretch), key=lambda one: max(one.low - low, high - one.high))
    layer = layers_of(stretch.lay, stretch.depth, strip, problem.cloth.width)[-1]
    left, right = sorted((stretch.start + a[0], stretch.start + b[0]))
    bottom, top = sorted((layer.on_cloth(low), layer.on_cloth(high)))
    return box(left, bottom, right, top)


def at_least(patch: Polygon, size: float) -> Polygon:
    """A rectangle that is no smaller than so many mm either way, about the same middle."""
    left, low, right, high = patch.bounds
    (x, wide), (y, tall) = (((a + b) / 2, max(b - a, size)) for a, b in ((left, right), (low, high)))
    return box(x - wide / 2, y - tall / 2, x + wide / 2, y + tall / 2)


def uncut(problem: Problem, plan: Plan, cut: Iterable[str], patch: Polygon) -> tuple[Polygon, ...]:
    """What of a patch of the open cloth has not been cut out of it with a piece; slivers are left out."""
    grown = [outline.buffer(SAME) for id in cut for outline in outlines(problem, plan, id)]
    left = difference(patch, union_all(grown, grid_size=GRID), grid_size=GRID)
    parts = getattr(left, "geoms", [left])
    return tuple(Polygon(p.exterior) for p in parts if isinstance(p, Polygon) and p.area > SLIVER)


def every_spot(problem: Problem, plan: Plan, of: Iterable[str]) -> tuple[Spot, ...]:
    return tuple(spot for id in of for spot in spots(problem, plan, id))


def still_there(problem: Problem, plan: Plan, cut: Collection[Spot]) -> frozenset[str]:
    """The placements of another lay of the same cloth that lie where pieces were cut."""
    near = SAME + problem.gap
    return frozenset(
        id for id, _ in ids(plan) if all(any(spot.is_at(one, near) for one in cut) for spot in spots(problem, plan, id))
    )
