"""A first lay at once: pieces by the rectangles they stand in, loosely, while the search has not begun.

It is long, but right: what can be shown within a blink, and what a better lay is measured against. On matched cloth
every piece goes on to the next place where its print is that of the pieces before it.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import NamedTuple

from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.check import check
from rowanseed.core.lay.folding import ClothLayer, Region, layers_of, regions
from rowanseed.core.lay.prints import Prints, Stands
from rowanseed.core.lay.problem import (
    LayKind,
    LayPiece,
    Placement,
    Plan,
    Problem,
    Stretch,
    moved,
    wanted_hands,
)

Skyline = Sequence[tuple[float, float, float]]
"""From one y to the next, how far along the cloth it is taken."""


class Size(NamedTuple):
    """A piece's rectangle: how far its near side stands from its origin, how wide and how long it is."""

    left: float
    wide: float
    tall: float


def first_lay(problem: Problem) -> Plan | None:
    """The shorter of a folded and an open lay by rectangles; None where neither holds."""
    return min(first_lays(problem).values(), key=lambda plan: plan.length, default=None)


def first_lays(problem: Problem) -> dict[LayKind, Plan]:
    """Folded and open, as far as they are asked for: the lay by rectangles, where it holds."""
    free = replace(problem, cloth=replace(problem.cloth, length=None))
    found = {kind: _laid(free, kind) for kind in (LayKind.FOLDED, LayKind.OPEN) if kind in problem.lays}
    return {kind: plan for kind, plan in found.items() if plan is not None and not check(free, plan)}


def _laid(problem: Problem, kind: LayKind) -> Plan | None:
    (region,) = regions(kind, None, problem.cloth)
    skyline: Skyline = [(region.low, region.high, 0.0)]
    layers = layers_of(kind, None, region, problem.cloth.width)
    gone = [_in_strip(patch, layer) for patch in problem.forbidden for layer in layers]
    prints = Prints(problem, layers[0])
    placements = []
    wanted = sorted(_wanted(problem, region), key=lambda one: (not _is_held(one, region, problem), -_long(one)))
    for bare in wanted:
        left, low, right, high = bare.box
        wide, tall = high - low, right - left
        if wide > region.high - region.low + 1e-6:
            return None
        held = _is_held(bare, region, problem)
        here = prints.of(bare)
        y = region.low if held else _best(skyline, wide, region.high, here, low)
        if y is None:
            return None
        x = _past(gone, _reached(skyline, y, y + wide), y, Size(left, wide, tall), here)
        at = (x - left, y - low)
        placements.append(replace(bare, at=at, outline=tuple((px + at[0], py + at[1]) for px, py in bare.outline)))
        room = min(region.high, y + wide + problem.gap)
        skyline = _taken(skyline, max(region.low, y - problem.gap), room, x + tall + problem.gap)
    long = max((p.box[2] for p in placements), default=0.0)
    return Plan(long, (Stretch(kind, None, 0.0, long, tuple(placements)),)) if placements else None


def _wanted(problem: Problem, region: Region) -> Iterator[Placement]:
    """Every placement there has to be, at the origin."""
    for piece in problem.pieces:
        turn, other = (float(piece.turns(problem.cloth, mirrored=hand)[0]) for hand in (False, True))
        as_drawn, mirrored = wanted_hands(piece)
        if region.layers == 1:
            yield from (_bare(piece, turn, mirrored=False, whole=piece.fold is not None) for _ in range(as_drawn))
            yield from (_bare(piece, other, mirrored=True, whole=False) for _ in range(mirrored))
        elif piece.fold is not None:
            yield from (_on_fold(piece, turn) for _ in range(piece.cut))
        else:
            rounds = max(as_drawn, mirrored) if mirrored else -(-as_drawn // 2)
            yield from (_bare(piece, turn, mirrored=False, whole=False) for _ in range(rounds))


def _bare(piece: LayPiece, turn: float, *, mirrored: bool, whole: bool) -> Placement:
    outline = piece.whole() if whole else piece.outline
    return Placement(piece.id, turn, mirrored, whole, (0.0, 0.0), moved(outline, turn, mirrored))


def _on_fold(piece: LayPiece, turn: float) -> Placement:
    """With its fold edge at the bottom, whichever side it is drawn on."""
    bare = _bare(piece, turn, mirrored=False, whole=False)
    if piece.fold is None:
        return bare
    edge = moved(piece.fold, turn, False)[0][1]
    return bare if edge <= bare.box[1] + 1e-6 else _bare(piece, turn, mirrored=True, whole=False)


def _is_held(bare: Placement, region: Region, problem: Problem) -> bool:
    """Whether it has to lie on the fold."""
    return region.layers == 2 and problem.piece(bare.piece).fold is not None


def _long(bare: Placement) -> float:
    left, _, right, _ = bare.box
    return right - left


def _best(skyline: Skyline, wide: float, high: float, here: Stands, low: float) -> float | None:
    """Where it comes to lie nearest to the start of the cloth, its print where it has to be; None where nowhere.

    `low` is how far its lower side stands from its origin.
    """
    starts = [bottom for bottom, _, _ in skyline]
    starts += [top - wide for _, top, _ in skyline if top - wide >= skyline[0][0] - 1e-6]
    fitting = [y for start in starts if (y := here.y_from(start - low) + low) + wide <= high + 1e-6]
    return min(fitting, key=lambda y: (_reached(skyline, y, y + wide), y), default=None)


def _in_strip(patch: Sequence[Point], layer: ClothLayer) -> tuple[float, float, float, float]:
    """The rectangle that a patch of the open cloth stands in, on one layer of a stretch from its start."""
    return bounds([(x, layer.in_strip(y)) for x, y in patch])


def _past(gone: Sequence[tuple[float, float, float, float]], x: float, y: float, size: Size, here: Stands) -> float:
    """Where a rectangle that may not begin before `x` lies on no patch that is gone, its print where it has to be."""
    x = here.x_from(x - size.left) + size.left
    for left, low, right, high in sorted(gone):
        if low < y + size.wide and high > y and left < x + size.tall and right > x:
            x = here.x_from(right - size.left) + size.left
    return x


def _reached(skyline: Skyline, low: float, high: float) -> float:
    return max(reach for bottom, top, reach in skyline if bottom < high - 1e-6 and top > low + 1e-6)


def _taken(skyline: Skyline, low: float, high: float, reach: float) -> Skyline:
    out = []
    for bottom, top, was in skyline:
        cuts = (
            (bottom, min(top, low), was),
            (max(bottom, low), min(top, high), max(was, reach)),
            (max(bottom, high), top, was),
        )
        out += [(a, b, far) for a, b, far in cuts if b > a + 1e-6]
    return out
