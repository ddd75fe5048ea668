"""Admissible places: from the rules of the cutting table to the ways each placement may lie.

A *demand* says how often a piece is laid doubled (on the fold, if it is a fold piece) in a stretch, and how
often singly, as drawn and mirrored. Every rule only says where a placement may lie: in which strip, at
which heights, with which turns.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace

from rowanseed.core.base.lay_errors import LayRefusal, NotWhereAsked, OnTheBias, PinnedTooOften, TooWide
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.folding import ClothLayer, Region, layers_of, regions
from rowanseed.core.lay.problem import (
    LayKind,
    LayPiece,
    Placement,
    Problem,
    is_own_mirror_image,
    moved,
    turns,
    wanted_hands,
)
from rowanseed.core.lay.search.packing import Slot
from rowanseed.core.lay.search.shapes import Pose, ShapeSet
from rowanseed.core.pattern.pieces import Grain

ROUNDING = 1e-6
MATCHED = 0.04
"""How far, in mm, two matches of a piece may be from holding together."""


@dataclass(frozen=True)
class Count:
    """How often a piece is laid in a stretch: doubled or on the fold, singly as drawn, singly mirrored."""

    doubled: int = 0
    as_drawn: int = 0
    mirrored: int = 0


Counts = Mapping[str, Count]


@dataclass(frozen=True)
class PlacedWay:
    """How a placement gets to lie as it does."""

    turn: int
    mirrored: bool
    whole: bool
    option: Slot


@dataclass(frozen=True)
class ToPlace:
    """One placement to be made, with the ways it may lie."""

    piece: LayPiece
    ways: tuple[PlacedWay, ...]


def split(piece: LayPiece, doubled: int) -> Count:
    """What is laid singly when so many are laid doubled."""
    as_drawn, mirrored = wanted_hands(piece)
    if piece.fold is not None:
        return Count(doubled, as_drawn - doubled, 0)
    if is_own_mirror_image(piece):
        return Count(doubled, max(0, as_drawn - 2 * doubled), 0)
    return Count(doubled, max(0, as_drawn - doubled), max(0, mirrored - doubled))


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


@dataclass(frozen=True)
class StretchSetup:
    """What the ways of a stretch are worked out from; `phases` are the places of the print chosen for each match."""

    problem: Problem
    lay: LayKind
    depth: float | None
    phases: tuple[float, ...]
    shapes: ShapeSet


def items_of(laying: StretchSetup, demands: Counts) -> list[ToPlace]:
    """Every placement of a stretch with the ways it may lie. Raises LayRefusal for what fits nowhere.

    Pinned placements come first, and each takes one off the demand for its piece.
    """
    strips = regions(laying.lay, laying.depth, laying.problem.cloth, laying.problem.gap)
    single = [(k, strip) for k, strip in enumerate(strips) if strip.layers == 1]
    double = [(k, strip) for k, strip in enumerate(strips) if strip.layers == 2]
    out, left = _pinned(laying, strips, demands)
    for piece in laying.problem.pieces:
        demand = left.get(piece.id, Count())
        folded = piece.fold is not None
        groups = (
            (
                demand.doubled,
                _on_fold(laying, piece, double) if folded else _free(laying, piece, double, (False, True), False),
            ),
            (demand.as_drawn, _free(laying, piece, single, (False,), folded)),
            (demand.mirrored, _free(laying, piece, single, (True,), False)),
        )
        for number, ways in groups:
            if number > 0:
                found = tuple(ways)
                if not found:
                    raise _does_not_fit(laying, piece, strips)
                out += [ToPlace(piece, found)] * number
    return out


def _pinned(
    laying: StretchSetup, strips: tuple[Region, ...], demands: Counts
) -> tuple[list[ToPlace], dict[str, Count]]:
    """The pinned placements of this lay as items with one way each, and what is left to be laid."""
    left, out = dict(demands), []
    for pin in laying.problem.pins:
        if pin.lay is not laying.lay:
            continue
        piece = laying.problem.piece(pin.piece)
        lying = laying.shapes.add(piece.whole() if pin.whole else piece.outline, pin.turn, pin.mirrored)
        x, y = pin.at[0] + lying.centre[0], pin.at[1] + lying.centre[1]
        k = min(range(len(strips)), key=lambda n: max(strips[n].low - y, y - strips[n].high))
        option = Slot(lying=lying, region=k, low=y, high=y, fixed_x=x)
        out.append(
            ToPlace(piece, (PlacedWay(turn=round(pin.turn), mirrored=pin.mirrored, whole=pin.whole, option=option),))
        )
        demand = left.get(piece.id, Count())
        if strips[k].layers == 2:
            left[piece.id] = replace(demand, doubled=demand.doubled - 1)
        elif pin.mirrored and demand.mirrored > 0:
            left[piece.id] = replace(demand, mirrored=demand.mirrored - 1)
        else:
            left[piece.id] = replace(demand, as_drawn=demand.as_drawn - 1)
        now = left[piece.id]
        if min(now.doubled, now.as_drawn, now.mirrored) < 0:
            raise PinnedTooOften(piece.id)
    return out, left


def _does_not_fit(laying: StretchSetup, piece: LayPiece, strips: tuple[Region, ...]) -> LayRefusal:
    problem = laying.problem
    if piece.fold is not None and piece.grain is Grain.BIAS and all(strip.layers > 1 for strip in strips):
        return OnTheBias(piece.id)
    room = max((strip.high - strip.low for strip in strips), default=0.0)
    whole = piece.whole() if all(strip.layers == 1 for strip in strips) else piece.outline
    extents = (bounds(moved(whole, turn, False)) for turn in turns(piece.grain, problem.cloth.one_way or piece.one_way))
    across = min(extent[3] - extent[1] for extent in extents)
    if across <= room:
        return NotWhereAsked(piece.id)
    return TooWide(piece=piece.id, needed=across, room=room, open=laying.lay is LayKind.OPEN)


def _ways(laying: StretchSetup, piece: LayPiece, hands: tuple[bool, ...]) -> Iterator[tuple[int, bool]]:
    """How a piece may be turned, and with which side up, by its grain, its cloth and what it is matched to."""
    cloth = laying.problem.cloth
    allowed = {mirrored: piece.turns(cloth, mirrored=mirrored) for mirrored in hands}
    for turn in turns(piece.grain, cloth.one_way or piece.one_way):
        yield from ((turn, mirrored) for mirrored in hands if turn in allowed[mirrored])


def _free(
    laying: StretchSetup, piece: LayPiece, strips: list[tuple[int, Region]], hands: tuple[bool, ...], whole: bool
) -> Iterator[PlacedWay]:
    """Anywhere in a strip, turned as grain and direction allow, where the print and the edges allow it."""
    outline = piece.whole() if whole else piece.outline
    seen: set[tuple[object, ...]] = set()
    for turn, mirrored in _ways(laying, piece, hands):
        lying = laying.shapes.add(outline, turn, mirrored)
        for k, strip in strips:
            low, high = strip.low + lying.half[1], strip.high - lying.half[1]
            if low > high + ROUNDING:
                continue
            for option in _admitted(
                laying=laying,
                piece=piece,
                option=Slot(lying=lying, region=k, low=low, high=max(low, high)),
                turn=turn,
                mirrored=mirrored,
                strip=strip,
            ):
                # A shape that is its own mirror image or half turn need not be tried twice.
                key = (k, lying.base, lying.sx, lying.sy, option.low, option.high, option.lattice, option.fixed_x)
                if key not in seen:
                    seen.add(key)
                    yield PlacedWay(turn=turn, mirrored=mirrored, whole=whole, option=option)


def _on_fold(laying: StretchSetup, piece: LayPiece, strips: list[tuple[int, Region]]) -> Iterator[PlacedWay]:
    """With the fold edge on a fold: at one height only."""
    if piece.fold is None:
        return
    for turn, mirrored in _ways(laying, piece, (False, True)):
        (_, fold_y), (_, other_y) = moved(piece.fold, turn, mirrored)
        if abs(fold_y - other_y) > ROUNDING:
            continue
        lying = laying.shapes.add(piece.outline, turn, mirrored)
        for k, strip in strips:
            for fold in strip.folds:
                y = fold - fold_y + lying.centre[1]
                if y - lying.half[1] >= strip.low - ROUNDING and y + lying.half[1] <= strip.high + 2 * ROUNDING:
                    option = Slot(lying=lying, region=k, low=y, high=y)
                    for admitted in _admitted(
                        laying=laying, piece=piece, option=option, turn=turn, mirrored=mirrored, strip=strip
                    ):
                        yield PlacedWay(turn=turn, mirrored=mirrored, whole=False, option=admitted)


# ---------------------------------------------------------------- where print, border, selvedge and motif allow


def _admitted(
    laying: StretchSetup, piece: LayPiece, option: Slot, turn: float, mirrored: bool, strip: Region
) -> Iterator[Slot]:
    """Narrow an option to where the rules let the piece lie; nothing where they cannot hold."""
    heights = _heights(laying=laying, piece=piece, option=option, turn=turn, mirrored=mirrored, strip=strip)
    for low, high in heights:
        narrowed = replace(option, low=low, high=high)
        for placed in _at_motif(laying=laying, piece=piece, option=narrowed, turn=turn, mirrored=mirrored, strip=strip):
            matched = _matched(laying=laying, piece=piece, option=placed, turn=turn, mirrored=mirrored, strip=strip)
            if matched is not None:
                yield matched


def _offset(option: Slot, at: Point, turn: float, mirrored: bool) -> Point:
    """A point of the piece frame, seen from the centre of the lying piece."""
    ((x, y),) = moved([at], turn, mirrored)
    return (x - option.lying.centre[0], y - option.lying.centre[1])


def _layers(laying: StretchSetup, strip: Region) -> tuple[ClothLayer, ...]:
    return layers_of(laying.lay, laying.depth, strip, laying.problem.cloth.width)


def _heights(
    laying: StretchSetup, piece: LayPiece, option: Slot, turn: float, mirrored: bool, strip: Region
) -> list[tuple[float, float]]:
    """The heights of the centre that selvedge and border leave."""
    heights = [(option.low, option.high)]
    if piece.selvedge is not None:
        _, y = _offset(option, piece.selvedge[0], turn, mirrored)
        _, other = _offset(option, piece.selvedge[1], turn, mirrored)
        sides = [side for side in (strip.low, strip.high) if side not in strip.folds and abs(y - other) < ROUNDING]
        heights = [(side - y, side - y) for side in sides]
    if piece.border is not None:
        _, y = _offset(option, piece.border.at, turn, mirrored)
        layers = _layers(laying, strip)
        on_line = {layer.in_strip(piece.border.y) - y for layer in layers}
        heights = [
            (at, at) for low, high in heights for at in on_line if low - 0.01 <= at <= high + 0.01 and len(on_line) == 1
        ]
    return [(low, high) for low, high in heights if option.low - 0.01 <= low and high <= option.high + 0.01]


def _at_motif(
    laying: StretchSetup, piece: LayPiece, option: Slot, turn: float, mirrored: bool, strip: Region
) -> Iterator[Slot]:
    """One option for each place a motif may be taken from; on doubled cloth it cannot be seen to."""
    if piece.motif is None:
        yield option
        return
    layers = _layers(laying, strip)
    if len(layers) > 1:
        return
    dx, dy = _offset(option, piece.motif.at, turn, mirrored)
    for x, y in piece.motif.places:
        height = layers[0].in_strip(y) - dy
        if option.low - 0.01 <= height <= option.high + 0.01 and x - dx >= option.lying.half[0] - 0.01:
            yield replace(option, low=height, high=height, fixed_x=x - dx)


def _matched(
    laying: StretchSetup, piece: LayPiece, option: Slot, turn: float, mirrored: bool, strip: Region
) -> Slot | None:
    """The option on the lattice that its matches leave, or None where they cannot hold together."""
    cloth = laying.problem.cloth
    along: float | None = None
    across: float | None = None
    for match, phase in zip(laying.problem.matches, laying.phases, strict=True):
        for point in match.points:
            if point.piece != piece.id:
                continue
            dx, dy = _offset(option, point.at, turn, mirrored)
            if match.axis == "x" and cloth.repeat_x is not None:
                wanted = (phase - dx) % cloth.repeat_x
                if along is not None and _apart(along, wanted, cloth.repeat_x) > MATCHED:
                    return None
                along = wanted if along is None else along
            elif match.axis == "y" and cloth.repeat_y is not None:
                for layer in _layers(laying, strip):
                    wanted = (layer.in_strip(phase) - dy) % cloth.repeat_y
                    if across is not None and _apart(across, wanted, cloth.repeat_y) > MATCHED:
                        return None
                    across = wanted if across is None else across
    step_x, step_y = cloth.repeat_x or 0.0, cloth.repeat_y or 0.0
    if across is not None:
        first = across + math.ceil((option.low - 0.01 - across) / step_y) * step_y
        if first > option.high + 0.01:
            return None
    if along is not None and option.fixed_x is not None and _apart(along, option.fixed_x, step_x) > MATCHED:
        return None
    return replace(
        option,
        lattice=(
            along or 0.0,
            step_x if along is not None else 0.0,
            across or 0.0,
            step_y if across is not None else 0.0,
        ),
    )


def _apart(a: float, b: float, step: float) -> float:
    off = (a - b) % step
    return min(off, step - off)


def patches(laying: StretchSetup) -> list[tuple[Pose, int, float, float]]:
    """Forbidden patches as they lie in a stretch: shape, strip, and centre; on doubled cloth from both layers."""
    out = []
    for patch in laying.problem.forbidden:
        for k, strip in enumerate(regions(laying.lay, laying.depth, laying.problem.cloth, laying.problem.gap)):
            for layer in _layers(laying, strip):
                here = tuple((x, layer.in_strip(y)) for x, y in patch)
                _, low, _, high = bounds(here)
                if high > strip.low and low < strip.high:
                    lying = laying.shapes.add(here, 0, False)
                    out.append((lying, k, lying.centre[0], lying.centre[1]))
    return out


def placement(item: ToPlace, way: PlacedWay, x: float, y: float) -> Placement:
    """The placement of the plan for an item whose centre lies at (x, y)."""
    lying: Pose = way.option.lying
    at: Point = (x - lying.centre[0], y - lying.centre[1])
    outline = item.piece.whole() if way.whole else item.piece.outline
    return Placement(
        piece=item.piece.id,
        turn=way.turn,
        mirrored=way.mirrored,
        whole=way.whole,
        at=at,
        outline=moved(outline, way.turn, way.mirrored, at),
    )
