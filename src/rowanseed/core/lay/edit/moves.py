"""Pieces moved, turned and turned over; they stay on grain and fold, and go to what is near."""

from __future__ import annotations

from dataclasses import replace

from shapely import affinity
from shapely.geometry import Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.edit.placements import ids, lay_down, others, placement, put, region, shift, stretch_of
from rowanseed.core.lay.edit.rules import NotAllowed, Rule
from rowanseed.core.lay.folding import layers_of
from rowanseed.core.lay.problem import (
    LayPiece,
    Placement,
    Plan,
    Problem,
    Stretch,
    is_own_mirror_image,
    moved,
    turns,
)

SNAP = 12.0
"""Within so many mm a piece goes to the fold, the selvedge, the start, or up to its neighbour."""
COARSE = 6
FINE = 0.1
NEAR = 0.02
"""How near a piece is pushed to its neighbour beyond the gap, in mm."""


def move(problem: Problem, plan: Plan, id: str, at: Point, *, snap: bool = True) -> Plan:
    """Move a piece; it stays on its fold or selvedge, and goes to what is near: edges, the start, a neighbour."""
    old = placement(plan, id)
    piece, stretch = problem.piece(old.piece), stretch_of(plan, id)
    new = lay_down(piece, old.turn, old.mirrored, old.whole, at)
    new = snapped(problem, plan, id, piece, stretch, new) if snap else held(problem, piece, stretch, new)[0]
    return put(plan, id, new)


def turn(problem: Problem, plan: Plan, id: str) -> Plan:
    """Turn a piece to the next place its grain and the cloth allow, about its middle. Raises NotAllowed."""
    old = placement(plan, id)
    piece = problem.piece(old.piece)
    one_way = problem.cloth.one_way or piece.one_way
    every = piece.turns(problem.cloth, mirrored=old.mirrored)
    if piece.fold is not None and not old.whole:
        every = tuple(t for t in every if t % 180 == old.turn % 180)
    if len(every) < 2:
        if piece.slants:
            raise NotAllowed(Rule.SLANT)
        raise NotAllowed(Rule.ONE_WAY if one_way and len(turns(piece.grain, False)) > 1 else Rule.GRAIN)
    k = every.index(int(old.turn) % 360) if int(old.turn) % 360 in every else -1
    return about_its_middle(problem, plan, id, replace(old, turn=float(every[(k + 1) % len(every)])))


def mirror(problem: Problem, plan: Plan, id: str) -> Plan:
    """Lay a piece with its other side up. Raises NotAllowed where that is nothing or not its own."""
    old = placement(plan, id)
    piece, stretch = problem.piece(old.piece), stretch_of(plan, id)
    if piece.fold is not None and not old.whole:
        raise NotAllowed(Rule.FOLD)
    if is_own_mirror_image(piece):
        raise NotAllowed(Rule.ALIKE)
    if region(problem, stretch, old).layers == 2:
        raise NotAllowed(Rule.DOUBLE)
    every = piece.turns(problem.cloth, mirrored=not old.mirrored)
    # What is matched on the bias slants the other way with its other side up.
    new = old.turn if int(old.turn) % 360 in every or not piece.slants else float(every[0])
    return about_its_middle(problem, plan, id, replace(old, mirrored=not old.mirrored, turn=new))


def about_its_middle(problem: Problem, plan: Plan, id: str, wanted: Placement) -> Plan:
    old = placement(plan, id)
    piece = problem.piece(old.piece)
    bare = lay_down(piece, wanted.turn, wanted.mirrored, wanted.whole, (0.0, 0.0))
    a, b = old.box, bare.box
    at = ((a[0] + a[2] - b[0] - b[2]) / 2, (a[1] + a[3] - b[1] - b[3]) / 2)
    new = lay_down(piece, wanted.turn, wanted.mirrored, wanted.whole, at)
    return put(plan, id, snapped(problem, plan, id, piece, stretch_of(plan, id), new))


def snapped(problem: Problem, plan: Plan, id: str, piece: LayPiece, stretch: Stretch, new: Placement) -> Placement:
    """To the fold or selvedge it has to lie on, the print it has to match; then to what is near."""
    strip = region(problem, stretch, new)
    new, held_y = held(problem, piece, stretch, new)
    left, low, _, high = new.box
    if not held_y and low < strip.low + SNAP:
        new = shift(problem, new, 0.0, strip.low - low)
    elif not held_y and high > strip.high - SNAP:
        new = shift(problem, new, 0.0, strip.high - high)
    if left < SNAP:
        new = shift(problem, new, -left, 0.0)
    matched_x, new = matched(problem, plan, id, new, held_y=held_y)
    return new if matched_x else _beside(problem, plan, id, new)


def held(problem: Problem, piece: LayPiece, stretch: Stretch, new: Placement) -> tuple[Placement, bool]:
    """On the fold, along the selvedge or on the border, where it has to lie there; whether it has to."""
    strip = region(problem, stretch, new)
    if piece.fold is not None and not new.whole and strip.folds:
        y = moved(piece.fold, new.turn, new.mirrored, new.at)[0][1]
        return shift(problem, new, 0.0, min(strip.folds, key=lambda fold: abs(fold - y)) - y), True
    if piece.selvedge is not None:
        y = moved(piece.selvedge, new.turn, new.mirrored, new.at)[0][1]
        sides = [side for side in (strip.low, strip.high) if side not in strip.folds]
        return shift(problem, new, 0.0, min(sides, key=lambda side: abs(side - y)) - y), True
    if piece.border is not None:
        here = _spot(problem, stretch, new, piece.border.at, "y")
        return shift(problem, new, 0.0, piece.border.y - here), True
    return new, False


def matched(problem: Problem, plan: Plan, id: str, new: Placement, *, held_y: bool) -> tuple[bool, Placement]:
    """To the nearest place where the print is as at the other points of its matches; whether x is held by it."""
    held = False
    for match in problem.matches:
        repeat = problem.cloth.repeat_x if match.axis == "x" else problem.cloth.repeat_y
        mine = next((point for point in match.points if point.piece == new.piece), None)
        if repeat is None or mine is None or (match.axis == "y" and held_y):
            continue
        target = match.phase if match.phase is not None else _phase(problem, plan, id, match.axis, match.points)
        if target is None:
            continue
        here = _spot(problem, stretch_of(plan, id), new, mine.at, match.axis)
        off = (target - here + repeat / 2) % repeat - repeat / 2
        new = shift(problem, new, off if match.axis == "x" else 0.0, off if match.axis == "y" else 0.0)
        held = held or match.axis == "x"
    return held, new


def _phase(problem: Problem, plan: Plan, id: str, axis: str, points: tuple[object, ...]) -> float | None:
    """Where the print stands at another point of the match."""
    wanted = {getattr(point, "piece", ""): getattr(point, "at", (0.0, 0.0)) for point in points}
    for other, laid in ids(plan):
        if other != id and laid.piece in wanted:
            return _spot(problem, stretch_of(plan, other), laid, wanted[laid.piece], axis)
    return None


def _spot(problem: Problem, stretch: Stretch, laid: Placement, at: Point, axis: str) -> float:
    """Where a point of a piece stands on the open cloth."""
    ((x, y),) = moved((at,), laid.turn, laid.mirrored, laid.at)
    if axis == "x":
        return stretch.start + x
    strip = region(problem, stretch, laid)
    return layers_of(stretch.lay, stretch.depth, strip, problem.cloth.width)[0].on_cloth(y)


def _beside(problem: Problem, plan: Plan, id: str, new: Placement) -> Placement:
    """Up to a neighbour along the cloth, at the gap, where one is near; out of it where it is only just over it."""
    own, wide = Polygon(new.outline), problem.gap + 2 * SNAP
    left, low, right, high = own.bounds
    about = others(plan, id, (left - wide, low - wide, right + wide, high + wide))
    near = [other for other in about if other.distance(own) < problem.gap + SNAP]
    if not near:
        return new
    rest = unary_union(near)
    free = is_free(own, rest, problem.gap, 0.0)
    found = [reach for sign in (-1.0, 1.0) if (reach := _reach(own, rest, problem.gap, sign, free=free)) is not None]
    best = min(found, key=abs, default=None)
    return new if best is None else shift(problem, new, best, 0.0)


def _reach(own: Polygon, rest: BaseGeometry, gap: float, sign: float, *, free: bool) -> float | None:
    """How far it goes one way until it lies at the gap, in mm; None where that is nowhere near.

    From a free place as far as it stays free, from over a neighbour until it is free: the place where that changes is
    halved down to `FINE`.
    """
    steps = [SNAP * k / COARSE for k in range(COARSE + 1)]
    turn = next((k for k in range(1, COARSE + 1) if is_free(own, rest, gap, sign * steps[k]) is not free), None)
    if turn is None:
        return None
    inner, outer = steps[turn - 1], steps[turn]
    while outer - inner > FINE:
        middle = (inner + outer) / 2
        inner, outer = (middle, outer) if is_free(own, rest, gap, sign * middle) is free else (inner, middle)
    reach = inner if free else outer
    return sign * reach if reach >= FINE else None


def is_free(own: Polygon, rest: BaseGeometry, gap: float, dx: float, dy: float = 0.0) -> bool:
    moved_own = affinity.translate(own, dx, dy)
    return bool(moved_own.distance(rest) >= gap - NEAR) and not moved_own.intersects(rest)
