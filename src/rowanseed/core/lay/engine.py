"""A first engine for lays: bottom-left fill over exact no-fit regions, in many orders.

Simple and always valid: every piece is put at the admissible place that reaches least far along the
cloth, one after another; orders are shuffled for as long as the budget lasts and the shortest lay kept.
Each lay kind is tried by itself as one stretch.
"""

from __future__ import annotations

import random
import time
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass

import shapely
from shapely.geometry import LineString, box
from shapely.geometry.base import BaseGeometry

from rowanseed.core.errors import LayError
from rowanseed.core.lay.checks import check
from rowanseed.core.lay.nofit import no_fit
from rowanseed.core.lay.problem import (
    LayKind,
    LayPiece,
    Placement,
    Plan,
    Problem,
    Region,
    Stretch,
    is_own_mirror_image,
    moved,
    regions,
    turns,
    wanted_hands,
)
from rowanseed.core.outline import Point, bounds


@dataclass(frozen=True)
class Budget:
    """How long to search: by the clock, or for a repeatable answer by `sweeps` (orders tried a lay)."""

    seconds: float | None = None
    sweeps: int | None = None
    seed: int = 1


@dataclass(frozen=True)
class Progress:
    """The shortest lay so far, in mm, and the seconds it has taken."""

    lay: LayKind
    length: float
    elapsed: float


OnProgress = Callable[[Progress], None]
ShouldStop = Callable[[], bool]


def solve(
    problem: Problem,
    budget: Budget,
    on_progress: OnProgress = lambda _: None,
    should_stop: ShouldStop = lambda: False,
) -> Plan:
    """The shortest plan over all lays the problem allows.

    Raises LayError if nothing can be laid, or the cloth in hand is too short.
    """
    outcomes = solve_each(problem, budget, on_progress, should_stop)
    plans = [outcome for outcome in outcomes.values() if isinstance(outcome, Plan)]
    if not plans:
        raise refusal(outcomes)
    best = min(plans, key=lambda plan: plan.length)
    in_hand = problem.cloth.length
    if in_hand is not None and best.length > in_hand:
        raise LayError(f"The cloth is too short by {best.length - in_hand:.0f} mm: {best.length:.0f} mm are needed and "
                       f"{in_hand:.0f} mm are in hand.", "Try another lay, a smaller size or more cloth.")  # fmt: skip
    return best


def refusal(outcomes: Mapping[LayKind, Plan | LayError]) -> LayError:
    """Why nothing can be laid: what the lay with the most room says."""
    refusals = {kind: outcome for kind, outcome in outcomes.items() if isinstance(outcome, LayError)}
    return refusals.get(LayKind.OPEN) or next(iter(refusals.values()))


def solve_each(
    problem: Problem,
    budget: Budget,
    on_progress: OnProgress = lambda _: None,
    should_stop: ShouldStop = lambda: False,
) -> dict[LayKind, Plan | LayError]:
    """The shortest plan of every lay kind by itself, or why there is none."""
    for match in problem.matches:
        if (problem.cloth.repeat_x if match.axis == "x" else problem.cloth.repeat_y) is not None:
            raise LayError("This engine cannot match a print yet.", "Leave the repeat out to lay without matching.")
    started, out = time.monotonic(), dict[LayKind, Plan | LayError]()
    lays = tuple(dict.fromkeys(problem.lays))
    for n, lay in enumerate(lays):
        until = None if budget.seconds is None else started + budget.seconds * (n + 1) / len(lays)

        def report(length: float, lay: LayKind = lay) -> None:
            on_progress(Progress(lay, length, time.monotonic() - started))

        try:
            plan = _solve_lay(problem, lay, budget, until, report, should_stop)
        except LayError as error:
            out[lay] = error
            continue
        faults = check(problem, plan) if problem.cloth.length is None else []
        if faults:
            raise AssertionError(f"a plan failed its check: {faults[0]}")
        out[lay] = plan
    return out


# ---------------------------------------------------------------- what has to be placed


@dataclass(frozen=True)
class _Variant:
    """A piece as it may lie: its outline about its own origin, and how it got there."""

    turn: int
    mirrored: bool
    whole: bool
    outline: tuple[Point, ...]
    box: tuple[float, float, float, float]
    region: Region
    pinned_y: float | None


@dataclass(frozen=True)
class _Item:
    piece: LayPiece
    variants: tuple[_Variant, ...]


def _items(problem: Problem, strips: tuple[Region, ...]) -> list[_Item]:
    """Every placement a lay needs, with the ways it may lie. Raises LayError for what fits nowhere."""
    items = []
    for piece in problem.pieces:
        single = [strip for strip in strips if strip.layers == 1]
        double = [strip for strip in strips if strip.layers == 2]
        hands = wanted_hands(piece)
        alike = is_own_mirror_image(piece)
        if piece.fold is not None:
            variants = [*_fold_variants(problem, piece, double)] or [*_variants(problem, piece, single, (False,), True)]
            groups = [(piece.cut, variants)]
        elif single:
            groups = [(hands[0], [*_variants(problem, piece, single, (False,))]),
                      (hands[1], [*_variants(problem, piece, single, (True,))])]  # fmt: skip
        else:
            groups = []
        if piece.fold is None and (not single or any(n and not v for n, v in groups)):
            placements = -(-piece.cut // 2) if alike else max(hands)
            groups = [(placements, [*_variants(problem, piece, double, (False, True))])]
        for number, variants in groups:
            if number and not variants:
                raise _does_not_fit(problem, piece, strips)
            items += [_Item(piece, tuple(variants))] * number
    return items


def _does_not_fit(problem: Problem, piece: LayPiece, strips: tuple[Region, ...]) -> LayError:
    room = max((strip.high - strip.low for strip in strips), default=0.0)
    across = min(
        b[3] - b[1]
        for turn in turns(piece.grain, problem.cloth.one_way)
        for b in [bounds(moved(piece.outline, turn, False))]
    )
    return LayError(f"“{piece.id}” is {across:.0f} mm wide across the cloth and there are {room:.0f} mm to lay it on.",
                    "Lay the cloth open, take a wider cloth, or cut the piece in parts.", piece.id)  # fmt: skip


def _variants(
    problem: Problem, piece: LayPiece, strips: list[Region], hands: tuple[bool, ...], whole: bool = False
) -> Iterator[_Variant]:
    outline = piece.whole() if whole else piece.outline
    seen: set[tuple[Region, tuple[Point, ...]]] = set()
    for turn in turns(piece.grain, problem.cloth.one_way):
        for mirrored in hands:
            lying = moved(outline, turn, mirrored)
            extent = bounds(lying)
            for strip in strips:
                # A shape that is its own mirror image or half turn need not be tried twice.
                key = (
                    strip,
                    tuple(sorted((round(x - extent[0], 2), round(y - extent[1], 2)) for x, y in lying)),
                )
                if extent[3] - extent[1] <= strip.high - strip.low + 1e-9 and key not in seen:
                    seen.add(key)
                    yield _Variant(turn, mirrored, whole, lying, extent, strip, None)


def _fold_variants(problem: Problem, piece: LayPiece, strips: list[Region]) -> Iterator[_Variant]:
    """A fold piece with its fold edge on a fold, inside the strip."""
    if piece.fold is None:
        return
    for turn in turns(piece.grain, problem.cloth.one_way):
        for mirrored in (False, True):
            lying = moved(piece.outline, turn, mirrored)
            (_, fold_y), (_, other_y) = moved(piece.fold, turn, mirrored)
            if abs(fold_y - other_y) > 1e-6:
                continue
            extent = bounds(lying)
            for strip in strips:
                for fold in strip.folds:
                    shift = fold - fold_y
                    if extent[1] + shift >= strip.low - 1e-6 and extent[3] + shift <= strip.high + 1e-6:
                        yield _Variant(turn, mirrored, False, lying, extent, strip, shift)


# ---------------------------------------------------------------- the search


def _solve_lay(
    problem: Problem,
    lay: LayKind,
    budget: Budget,
    until: float | None,
    report: Callable[[float], None],
    should_stop: ShouldStop,
) -> Plan:
    depth = _fold_depth(problem) if lay is LayKind.PART_FOLDED else None
    items = _items(problem, regions(lay, depth, problem.cloth))
    rng = random.Random(f"{budget.seed}:{lay.value}")
    orders = list(_first_orders(items))
    best: list[tuple[_Item, _Variant, Point]] | None = None
    best_length, best_order, tried = float("inf"), list(range(len(items))), 0
    while best is None or not _spent(budget, until, tried, should_stop):
        order = orders[tried] if tried < len(orders) else _shuffled(best_order, rng)
        tried += 1
        placed = _fill([items[k] for k in order], problem.gap, best_length,
                       (lambda: False) if best is None else (lambda: _out_of_time(until) or should_stop()))  # fmt: skip
        if placed is None:
            continue
        length = max(at[0] + variant.box[2] for _, variant, at in placed)
        if length <= best_length:
            best_order = order
        if length < best_length - 1e-6:
            best, best_length = placed, length
            report(length)
    placements = tuple(
        Placement(
            item.piece.id,
            v.turn,
            v.mirrored,
            v.whole,
            at,
            tuple((x + at[0], y + at[1]) for x, y in v.outline),
        )
        for item, v, at in best
    )
    return Plan(best_length, (Stretch(lay, depth, 0.0, best_length, placements),))


def _spent(budget: Budget, until: float | None, tried: int, should_stop: ShouldStop) -> bool:
    return (budget.sweeps is not None and tried >= budget.sweeps) or _out_of_time(until) or should_stop()


def _out_of_time(until: float | None) -> bool:
    return until is not None and time.monotonic() >= until


def _fold_depth(problem: Problem) -> float:
    """How far to fold a part-folded cloth: to the widest fold piece, or half the cloth without one."""
    widest = [bounds(p.outline)[3] - bounds(p.outline)[1] for p in problem.pieces if p.fold is not None]
    depth = max(widest) + problem.cloth.selvedge if widest else problem.cloth.width / 2
    return min(depth, problem.cloth.width / 2)


def _first_orders(items: list[_Item]) -> Iterator[list[int]]:
    """Big pieces first (common practice, no source): by area, by length, by width, fold pieces leading."""

    def extent(item: _Item, axis: int) -> float:
        return item.variants[0].box[2 + axis] - item.variants[0].box[axis]

    keys: list[Callable[[_Item], tuple[float, ...]]] = [
        lambda item: (-item.piece.area,),
        lambda item: (-extent(item, 0), -extent(item, 1)),
        lambda item: (-extent(item, 1), -extent(item, 0)),
        lambda item: (item.piece.fold is None, -extent(item, 0)),
    ]
    for key in keys:
        yield sorted(range(len(items)), key=lambda k: key(items[k]))


def _shuffled(order: list[int], rng: random.Random) -> list[int]:
    """The best order with a few pieces moved."""
    out = list(order)
    for _ in range(rng.choice((1, 1, 2, 3))):
        out.insert(rng.randrange(len(out)), out.pop(rng.randrange(len(out))))
    return out


def _fill(
    items: list[_Item], gap: float, give_up_at: float, should_stop: ShouldStop
) -> list[tuple[_Item, _Variant, Point]] | None:
    """Put the items down in order; None once the lay is sure to reach `give_up_at`, or if stopped."""
    placed: list[tuple[_Item, _Variant, Point]] = []
    reached = 0.0
    for item in items:
        if should_stop():
            return None
        best: tuple[float, float, float] | None = None
        chosen: _Variant | None = None
        for variant in item.variants:
            spot = _place(variant, placed, gap, reached, best[0] if best else float("inf"))
            if spot is not None:
                key = (spot[0] + variant.box[2], spot[0], spot[1])
                if best is None or key < best:
                    best, chosen = key, variant
        if best is None or chosen is None or best[0] >= give_up_at:
            return None
        placed.append((item, chosen, (best[1], best[2])))
        reached = max(reached, best[0])
    return placed


def _place(
    variant: _Variant, placed: list[tuple[_Item, _Variant, Point]], gap: float, reached: float, beat: float
) -> Point | None:
    """The admissible shift reaching least far along the cloth (then lowest), if it beats `beat`."""
    left, low, right, high = variant.box
    furthest = min(reached + gap + 2 - left, beat - right)
    if furthest < -left:
        return None
    if variant.pinned_y is not None:
        room: BaseGeometry = LineString([(-left, variant.pinned_y), (furthest, variant.pinned_y)])
    elif (lowest := variant.region.low - low) + 1e-6 < (highest := variant.region.high - high):
        room = box(-left, lowest, furthest, highest)
    else:
        room = LineString([(-left, lowest), (furthest, lowest)])
    blocked = [
        shapely.transform(no_fit(other.outline, variant.outline, gap), lambda xy, at=at: xy + at)
        for _, other, at in placed
        if other.region == variant.region
    ]
    free = room.difference(shapely.union_all(blocked)) if blocked else room
    points = shapely.get_coordinates(free)
    if len(points) == 0:
        return None
    x, y = min((float(x), float(y)) for x, y in points)
    if variant.pinned_y is not None:
        y = variant.pinned_y
    return x, y
