"""Admissible places: from the rules of the cutting table to the ways each placement may lie.

A *demand* says how often a piece is laid doubled (on the fold, if it is a fold piece) in a stretch, and how
often singly, as drawn and mirrored. Every rule only says where a placement may lie: in which strip, at
which heights, with which turns.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from rowanseed.core.errors import LayError
from rowanseed.core.lay.packing import Option
from rowanseed.core.lay.problem import (
    LayKind,
    LayPiece,
    Placement,
    Problem,
    Region,
    Stretch,
    is_own_mirror_image,
    moved,
    regions,
    turns,
    wanted_hands,
)
from rowanseed.core.lay.shapes import Lying, ShapeSet
from rowanseed.core.outline import Point, bounds

ROUNDING = 1e-6


@dataclass(frozen=True)
class Demand:
    """How often a piece is laid in a stretch: doubled or on the fold, singly as drawn, singly mirrored."""

    doubled: int = 0
    as_drawn: int = 0
    mirrored: int = 0


Demands = Mapping[str, Demand]


@dataclass(frozen=True)
class Way:
    """How a placement gets to lie as it does."""

    turn: int
    mirrored: bool
    whole: bool
    option: Option


@dataclass(frozen=True)
class Item:
    """One placement to be made, with the ways it may lie."""

    piece: LayPiece
    ways: tuple[Way, ...]


def split(piece: LayPiece, doubled: int) -> Demand:
    """What is laid singly when so many are laid doubled."""
    as_drawn, mirrored = wanted_hands(piece)
    if piece.fold is not None:
        return Demand(doubled, as_drawn - doubled, 0)
    if is_own_mirror_image(piece):
        return Demand(doubled, max(0, as_drawn - 2 * doubled), 0)
    return Demand(doubled, max(0, as_drawn - doubled), max(0, mirrored - doubled))


def most_doubled(piece: LayPiece) -> int:
    """How many doubled placements give all that is needed."""
    as_drawn, mirrored = wanted_hands(piece)
    if piece.fold is not None:
        return as_drawn
    return -(-as_drawn // 2) if is_own_mirror_image(piece) else max(as_drawn, mirrored)


def doubled_without_spare(piece: LayPiece) -> int:
    """How many may be laid doubled without cutting anything twice in vain."""
    as_drawn, mirrored = wanted_hands(piece)
    if piece.fold is not None:
        return as_drawn
    return as_drawn // 2 if is_own_mirror_image(piece) else min(as_drawn, mirrored)


def fold_depth(problem: Problem) -> float:
    """How far to fold a part-folded cloth: to the widest fold piece, or half the cloth without one."""
    widest = [bounds(p.outline)[3] - bounds(p.outline)[1] for p in problem.pieces if p.fold is not None]
    depth = max(widest) + problem.cloth.selvedge + ROUNDING if widest else problem.cloth.width / 2
    return min(depth, problem.cloth.width / 2)


def items_of(problem: Problem, lay: LayKind, depth: float | None, demands: Demands, shapes: ShapeSet) -> list[Item]:
    """Every placement of a stretch with the ways it may lie. Raises LayError for what fits nowhere."""
    strips = regions(lay, depth, problem.cloth)
    single = [(k, strip) for k, strip in enumerate(strips) if strip.layers == 1]
    double = [(k, strip) for k, strip in enumerate(strips) if strip.layers == 2]
    out: list[Item] = []
    for piece in problem.pieces:
        demand = demands.get(piece.id, Demand())
        folded = piece.fold is not None
        groups = (
            (demand.doubled, _on_fold(problem, piece, double, shapes) if folded else
             _free(problem, piece, double, (False, True), False, shapes)),
            (demand.as_drawn, _free(problem, piece, single, (False,), folded, shapes)),
            (demand.mirrored, _free(problem, piece, single, (True,), False, shapes)),
        )  # fmt: skip
        for number, ways in groups:
            if number:
                found = tuple(ways)
                if not found:
                    raise _does_not_fit(problem, piece, strips)
                out += [Item(piece, found)] * number
    return out


def _does_not_fit(problem: Problem, piece: LayPiece, strips: tuple[Region, ...]) -> LayError:
    room = max((strip.high - strip.low for strip in strips), default=0.0)
    whole = piece.whole() if all(strip.layers == 1 for strip in strips) else piece.outline
    extents = (bounds(moved(whole, turn, False)) for turn in turns(piece.grain, problem.cloth.one_way))
    across = min(extent[3] - extent[1] for extent in extents)
    return LayError(f"“{piece.id}” is {across:.0f} mm wide across the cloth and there are {room:.0f} mm to lay it on.",
                    "Lay the cloth open, take a wider cloth, or cut the piece in parts.", piece.id)  # fmt: skip


def _free(
    problem: Problem,
    piece: LayPiece,
    strips: list[tuple[int, Region]],
    hands: tuple[bool, ...],
    whole: bool,
    shapes: ShapeSet,
) -> Iterator[Way]:
    """Anywhere in a strip, turned as grain and direction allow."""
    outline = piece.whole() if whole else piece.outline
    seen: set[tuple[int, int, int, int]] = set()
    for turn in turns(piece.grain, problem.cloth.one_way):
        for mirrored in hands:
            lying = shapes.add(outline, turn, mirrored)
            for k, strip in strips:
                low, high = strip.low + lying.half[1], strip.high - lying.half[1]
                # A shape that is its own mirror image or half turn need not be tried twice.
                key = (k, lying.base, lying.sx, lying.sy)
                if low <= high + ROUNDING and key not in seen:
                    seen.add(key)
                    yield Way(turn, mirrored, whole, Option(lying, k, low, max(low, high)))


def _on_fold(problem: Problem, piece: LayPiece, strips: list[tuple[int, Region]], shapes: ShapeSet) -> Iterator[Way]:
    """With the fold edge on a fold: at one height only."""
    if piece.fold is None:
        return
    for turn in turns(piece.grain, problem.cloth.one_way):
        for mirrored in (False, True):
            (_, fold_y), (_, other_y) = moved(piece.fold, turn, mirrored)
            if abs(fold_y - other_y) > ROUNDING:
                continue
            lying = shapes.add(piece.outline, turn, mirrored)
            for k, strip in strips:
                for fold in strip.folds:
                    y = fold - fold_y + lying.centre[1]
                    if y - lying.half[1] >= strip.low - ROUNDING and y + lying.half[1] <= strip.high + 2 * ROUNDING:
                        yield Way(turn, mirrored, False, Option(lying, k, y, y))


def placement(item: Item, way: Way, x: float, y: float) -> Placement:
    """The placement of the plan for an item whose centre lies at (x, y)."""
    lying: Lying = way.option.lying
    at: Point = (x - lying.centre[0], y - lying.centre[1])
    outline = item.piece.whole() if way.whole else item.piece.outline
    return Placement(item.piece.id, way.turn, way.mirrored, way.whole, at, moved(outline, way.turn, way.mirrored, at))


def stretch(
    lay: LayKind, depth: float | None, start: float, length: float, placements: tuple[Placement, ...]
) -> Stretch:
    return Stretch(lay, depth, start, start + length, placements)
