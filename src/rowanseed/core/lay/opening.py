"""A doubled lay opened out: the same pieces at the same places of the cloth, on one layer.

What lies on two layers lies twice on the open cloth, mirrored at the fold; what lies on the fold lies there whole. So
the open lay is never longer than a folded one that it can be opened from, on matched cloth too: every piece stays on
the same print. Only the gap that is asked between two pieces and not between a piece and the fold may stand in the
way; then what lies at the fold moves out by half of it, and pushes its neighbours where there is room.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

from shapely import Polygon
from shapely.affinity import translate

from rowanseed.core.lay.check import check
from rowanseed.core.lay.folding import Region, layers_of, regions
from rowanseed.core.lay.problem import LayKind, Placement, Plan, Problem, Stretch, moved
from rowanseed.core.lay.transfer import reach, without_spares

ROUNDING = 1e-6


@dataclass(frozen=True)
class _Lying:
    """A placement with the strip it lies in; `out` is the way from the strip's fold (1 or -1), 0 where it stays."""

    placement: Placement
    strip: Region
    on_fold: bool
    out: int


def opened(plan: Plan, problem: Problem) -> Plan | None:
    """`plan` as one open stretch; None where the exact check of `problem` refuses it."""
    if LayKind.OPEN not in problem.lays:
        return None
    free = replace(problem, cloth=replace(problem.cloth, length=None), lays=(LayKind.OPEN,))
    for apart in (0.0, problem.gap / 2):
        placements: list[Placement] = []
        for number, stretch in enumerate(plan.stretches):
            ahead = stretch.start + 2 * apart * number
            placements += (_moved(p, ahead) for p in _on_open_cloth(stretch, problem, apart))
        one = Stretch(lay=LayKind.OPEN, depth=None, start=0.0, end=0.0, placements=tuple(placements))
        (whole,) = without_spares([one], problem)
        found = Plan(reach(whole.placements), (replace(whole, end=reach(whole.placements)),))
        if not check(free, found):
            return found
    return None


def _on_open_cloth(stretch: Stretch, problem: Problem, apart: float) -> Iterator[Placement]:
    """Where everything that is cut in a stretch lies on the open cloth, mm from its start and its lower edge.

    What lies doubled nearer than `apart` to its fold moves out by as much, and what it then comes too near to.
    """
    lying = [_lying(placed, stretch, problem) for placed in stretch.placements]
    pushed = _pushed(lying, problem.gap, apart) if apart else frozenset()
    for number, here in enumerate(lying):
        placed, piece = here.placement, problem.piece(here.placement.piece)
        layers = layers_of(stretch.lay, stretch.depth, here.strip, problem.cloth.width)
        by = here.out * apart if number in pushed else 0.0
        for layer in layers[:1] if here.on_fold else layers:
            turn, mirrored = placed.turn, placed.mirrored
            if layer.way < 0:
                turn, mirrored = -turn % 360, not mirrored
            at = (placed.at[0], layer.start + layer.way * (placed.at[1] + by))
            whole = placed.whole or here.on_fold
            outline = piece.whole() if whole else piece.outline
            yield Placement(placed.piece, turn, mirrored, whole, at, moved(outline, turn, mirrored, at))


def _lying(placed: Placement, stretch: Stretch, problem: Problem) -> _Lying:
    _, low, _, high = placed.box
    strips = regions(stretch.lay, stretch.depth, problem.cloth)
    strip = min(strips, key=lambda s: max(s.low - low, high - s.high))
    doubled = strip.layers == 2
    on_fold = doubled and problem.piece(placed.piece).fold is not None and not placed.whole
    out = 0 if on_fold or not doubled else (1 if strip.folds[0] <= (strip.low + strip.high) / 2 else -1)
    return _Lying(placed, strip, on_fold, out)


def _pushed(lying: list[_Lying], gap: float, apart: float) -> frozenset[int]:
    """The placements that move out from their fold, by number: those beside it, and whom they push in turn."""
    shapes = [Polygon(here.placement.outline) for here in lying]
    found: set[int] = set()
    for number, here in enumerate(lying):
        if here.out:
            _, low, _, high = shapes[number].bounds
            fold = here.strip.folds[0]
            if (low - fold if here.out > 0 else fold - high) < apart - ROUNDING:
                found.add(number)
    to_try = sorted(found)
    while to_try:
        number = to_try.pop()
        here = lying[number]
        moved_out = translate(shapes[number], 0, here.out * apart)
        for other, beside in enumerate(lying):
            same = beside.strip == here.strip and beside.out == here.out
            if same and other not in found and moved_out.distance(shapes[other]) < gap - ROUNDING:
                found.add(other)
                to_try.append(other)
    return frozenset(found)


def _moved(placed: Placement, by: float) -> Placement:
    x, y = placed.at
    return replace(placed, at=(x + by, y), outline=tuple((px + by, py) for px, py in placed.outline))
