"""Where on the open cloth the pieces of a lay come from, however the cloth was folded when they were cut."""

from __future__ import annotations

from collections.abc import Collection, Iterable
from dataclasses import dataclass

from shapely.geometry import Polygon

from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.edit.placements import ids, placement, region, stretch_of
from rowanseed.core.lay.folding import layers_of
from rowanseed.core.lay.problem import Plan, Problem

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
    layers = layers_of(stretch.lay, stretch.depth, region(problem, stretch, laid.outline), problem.cloth.width)
    heights = [layer.on_cloth(middle.y) for layer in layers]
    if problem.piece(laid.piece).fold is not None and not laid.whole:
        heights = [sum(heights) / len(heights)]
    return tuple(Spot(laid.piece, (stretch.start + middle.x, y)) for y in heights)


def every_spot(problem: Problem, plan: Plan, of: Iterable[str]) -> tuple[Spot, ...]:
    return tuple(spot for id in of for spot in spots(problem, plan, id))


def still_there(problem: Problem, plan: Plan, cut: Collection[Spot]) -> frozenset[str]:
    """The placements of another lay of the same cloth that lie where pieces were cut."""
    near = SAME + problem.gap
    return frozenset(
        id for id, _ in ids(plan) if all(any(spot.is_at(one, near) for one in cut) for spot in spots(problem, plan, id))
    )
