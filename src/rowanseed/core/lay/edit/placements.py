"""Placements by their ids, and plans with one of them changed. `0.3` is the fourth placement of the first stretch."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from shapely.geometry import Polygon

from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.folding import Region, region_of, regions
from rowanseed.core.lay.problem import LayPiece, Placement, Plan, Problem, Stretch, moved


def ids(plan: Plan) -> Iterator[tuple[str, Placement]]:
    for n, stretch in enumerate(plan.stretches):
        for k, placement in enumerate(stretch.placements):
            yield f"{n}.{k}", placement


def placement(plan: Plan, id: str) -> Placement:
    """Raises KeyError for an id that is not in the plan."""
    n, dot, k = id.partition(".")
    try:
        found = plan.stretches[int(n)].placements[int(k)]
    except (IndexError, ValueError):
        raise KeyError(id) from None
    if not dot or f"{int(n)}.{int(k)}" != id or int(n) < 0 or int(k) < 0:
        raise KeyError(id)
    return found


def stretch_of(plan: Plan, id: str) -> Stretch:
    return plan.stretches[int(id.partition(".")[0])]


def put(plan: Plan, id: str, new: Placement) -> Plan:
    """The plan with one placement changed, its stretches as long as what lies on them."""
    n, _, k = id.partition(".")
    stretch = plan.stretches[int(n)]
    placements = tuple(new if j == int(k) else old for j, old in enumerate(stretch.placements))
    return measured(plan, int(n), placements)


def measured(plan: Plan, n: int, placements: tuple[Placement, ...]) -> Plan:
    stretches = [replace(s, placements=placements) if j == n else s for j, s in enumerate(plan.stretches)]
    start, out = 0.0, []
    for stretch in stretches:
        long = max((p.box[2] for p in stretch.placements), default=stretch.end - stretch.start)
        out.append(replace(stretch, start=start, end=start + max(long, 1.0)))
        start = out[-1].end
    return Plan(length=start, stretches=tuple(out))


def lay_down(piece: LayPiece, turn: float, mirrored: bool, whole: bool, at: Point) -> Placement:
    outline = piece.whole() if whole else piece.outline
    return Placement(piece.id, turn, mirrored, whole, at, moved(outline, turn, mirrored, at))


def strips(problem: Problem, stretch: Stretch) -> tuple[Region, ...]:
    """The usable strips of a stretch."""
    return regions(stretch.lay, stretch.depth, problem.cloth)


def region(problem: Problem, stretch: Stretch, laid: Placement) -> Region:
    """The strip a placement lies in."""
    return region_of(laid, strips(problem, stretch))


def shift(problem: Problem, laid: Placement, dx: float, dy: float) -> Placement:
    return lay_down(problem.piece(laid.piece), laid.turn, laid.mirrored, laid.whole, (laid.at[0] + dx, laid.at[1] + dy))


def others(plan: Plan, id: str, near: tuple[float, float, float, float] | None = None) -> list[Polygon]:
    """The other pieces of its stretch; only those that a box (left, low, right, high) meets, where one is given."""
    n = id.partition(".")[0]
    found = [p for other, p in ids(plan) if other != id and other.partition(".")[0] == n]
    if near is not None:
        found = [p for p in found if _meet(p.box, near)]
    return [Polygon(p.outline) for p in found]


def _meet(one: tuple[float, float, float, float], other: tuple[float, float, float, float]) -> bool:
    return one[0] <= other[2] and other[0] <= one[2] and one[1] <= other[3] and other[1] <= one[3]
