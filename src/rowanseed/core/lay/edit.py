"""A lay changed by hand: pieces moved, turned, mirrored, pushed together; what is wrong with it then, in words.

Everything is pure: a plan goes in, a plan comes out, and the exact check says what is wrong with it. A placement is
known by its place in the plan: `0.3` is the fourth of the first stretch.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass, replace

from shapely import affinity
from shapely.geometry import Polygon
from shapely.ops import unary_union

from rowanseed.core.base.words import Worded
from rowanseed.core.geometry.outline import Point, bounds
from rowanseed.core.lay.check import check
from rowanseed.core.lay.folding import Region, layers_of, regions
from rowanseed.core.lay.problem import (
    LayPiece,
    Pin,
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
STEP = 4.0
NEAR = 0.02
"""How near a piece is pushed to its neighbour beyond the gap, in mm."""


class Rule(Worded):
    """A rule of the trade that a change would break."""

    GRAIN = "grain", "its grain allows no other turn"
    ONE_WAY = "one-way", "the cloth has a way up: it may not be turned end for end"
    FOLD = "fold", "it lies on the fold, which halves it: it has no other hand"
    ALIKE = "alike", "it is its own mirror image: turning it over changes nothing"
    DOUBLE = "double", "the cloth lies double here: both hands are cut at once"
    NO_FOLD = "no-fold", "no fold runs through this stretch"
    SINGLE = "single", "only a piece on the fold is laid whole, and only where the cloth lies single"


class NotAllowed(Exception):
    """A change that a rule does not allow; nothing is changed."""

    def __init__(self, rule: Rule) -> None:
        super().__init__(rule.words)
        self.rule = rule


class FaultKind(Worded):
    OVERLAP = "overlap", "lie over each other"
    NEAR = "near", "are nearer than the gap"
    OFF_CLOTH = "off-cloth", "reaches beyond the cloth"
    OFF_FOLD = "off-fold", "is to lie on the fold and does not"
    OFF_GRAIN = "off-grain", "lies against the grain or the way of the cloth"
    UNMATCHED = "unmatched", "does not match the print"
    TOO_FEW = "too-few", "is cut too seldom"
    TOO_MANY = "too-many", "is cut once too often"
    TOO_LONG = "too-long", "the layout is longer than the cloth in hand"
    PLACE = "place", "does not lie where the cloth asks for it"


@dataclass(frozen=True)
class Fault:
    """What is wrong, with the placements (ids) or the piece it is wrong with."""

    kind: FaultKind
    ids: tuple[str, ...]
    piece: str = ""

    @property
    def can_be_mended(self) -> bool:
        """Whether one tap puts it right, if there is room."""
        return self.kind not in (FaultKind.TOO_FEW, FaultKind.TOO_MANY, FaultKind.TOO_LONG) and bool(self.ids)


# ---------------------------------------------------------------- placements by their ids


def ids(plan: Plan) -> Iterator[tuple[str, Placement]]:
    for n, stretch in enumerate(plan.stretches):
        for k, placement in enumerate(stretch.placements):
            yield f"{n}.{k}", placement


def placement(plan: Plan, id: str) -> Placement:
    """Raises KeyError for an id that is not in the plan."""
    return dict(ids(plan))[id]


def _stretch_of(plan: Plan, id: str) -> Stretch:
    return plan.stretches[int(id.partition(".")[0])]


def _put(plan: Plan, id: str, new: Placement) -> Plan:
    """The plan with one placement changed, its stretches as long as what lies on them."""
    n, _, k = id.partition(".")
    stretch = plan.stretches[int(n)]
    placements = tuple(new if j == int(k) else old for j, old in enumerate(stretch.placements))
    return _measured(plan, int(n), placements)


def _measured(plan: Plan, n: int, placements: tuple[Placement, ...]) -> Plan:
    stretches = [replace(s, placements=placements) if j == n else s for j, s in enumerate(plan.stretches)]
    start, out = 0.0, []
    for stretch in stretches:
        long = max((bounds(p.outline)[2] for p in stretch.placements), default=stretch.end - stretch.start)
        out.append(replace(stretch, start=start, end=start + max(long, 1.0)))
        start = out[-1].end
    return Plan(length=start, stretches=tuple(out))


def lay_down(piece: LayPiece, turn: float, mirrored: bool, whole: bool, at: Point) -> Placement:
    outline = piece.whole() if whole else piece.outline
    return Placement(piece.id, turn, mirrored, whole, at, moved(outline, turn, mirrored, at))


def _region(problem: Problem, stretch: Stretch, outline: tuple[Point, ...]) -> Region:
    strips = regions(stretch.lay, stretch.depth, problem.cloth)
    _, low, _, high = bounds(outline)
    return min(strips, key=lambda strip: max(strip.low - low, high - strip.high))


# ---------------------------------------------------------------- changes


def move(problem: Problem, plan: Plan, id: str, at: Point, *, snap: bool = True) -> Plan:
    """Move a piece; it stays on its fold or selvedge, and goes to what is near: edges, the start, a neighbour."""
    old = placement(plan, id)
    piece, stretch = problem.piece(old.piece), _stretch_of(plan, id)
    new = lay_down(piece, old.turn, old.mirrored, old.whole, at)
    new = _snapped(problem, plan, id, piece, stretch, new) if snap else _held(problem, piece, stretch, new)[0]
    return _put(plan, id, new)


def turn(problem: Problem, plan: Plan, id: str) -> Plan:
    """Turn a piece to the next place its grain and the cloth allow, about its middle. Raises NotAllowed."""
    old = placement(plan, id)
    piece = problem.piece(old.piece)
    one_way = problem.cloth.one_way or piece.one_way
    every = turns(piece.grain, one_way)
    if piece.fold is not None and not old.whole:
        every = tuple(t for t in every if t % 180 == old.turn % 180)
    if len(every) < 2:
        raise NotAllowed(Rule.ONE_WAY if one_way and len(turns(piece.grain, False)) > 1 else Rule.GRAIN)
    k = every.index(int(old.turn) % 360) if int(old.turn) % 360 in every else -1
    return _about_its_middle(problem, plan, id, replace(old, turn=float(every[(k + 1) % len(every)])))


def mirror(problem: Problem, plan: Plan, id: str) -> Plan:
    """Lay a piece with its other side up. Raises NotAllowed where that is nothing or not its own."""
    old = placement(plan, id)
    piece, stretch = problem.piece(old.piece), _stretch_of(plan, id)
    if piece.fold is not None and not old.whole:
        raise NotAllowed(Rule.FOLD)
    if is_own_mirror_image(piece):
        raise NotAllowed(Rule.ALIKE)
    if _region(problem, stretch, old.outline).layers == 2:
        raise NotAllowed(Rule.DOUBLE)
    return _about_its_middle(problem, plan, id, replace(old, mirrored=not old.mirrored))


def _about_its_middle(problem: Problem, plan: Plan, id: str, wanted: Placement) -> Plan:
    old = placement(plan, id)
    piece = problem.piece(old.piece)
    bare = lay_down(piece, wanted.turn, wanted.mirrored, wanted.whole, (0.0, 0.0))
    a, b = bounds(old.outline), bounds(bare.outline)
    at = ((a[0] + a[2] - b[0] - b[2]) / 2, (a[1] + a[3] - b[1] - b[3]) / 2)
    new = lay_down(piece, wanted.turn, wanted.mirrored, wanted.whole, at)
    return _put(plan, id, _snapped(problem, plan, id, piece, _stretch_of(plan, id), new))


def _shift(problem: Problem, laid: Placement, dx: float, dy: float) -> Placement:
    return lay_down(problem.piece(laid.piece), laid.turn, laid.mirrored, laid.whole, (laid.at[0] + dx, laid.at[1] + dy))


def _snapped(problem: Problem, plan: Plan, id: str, piece: LayPiece, stretch: Stretch, new: Placement) -> Placement:
    """To the fold or selvedge it has to lie on, the print it has to match; then to what is near."""
    region = _region(problem, stretch, new.outline)
    new, held_y = _held(problem, piece, stretch, new)
    left, low, _, high = bounds(new.outline)
    if not held_y and low < region.low + SNAP:
        new = _shift(problem, new, 0.0, region.low - low)
    elif not held_y and high > region.high - SNAP:
        new = _shift(problem, new, 0.0, region.high - high)
    if left < SNAP:
        new = _shift(problem, new, -left, 0.0)
    matched_x, new = _matched(problem, plan, id, new, held_y=held_y)
    return new if matched_x else _beside(problem, plan, id, new)


def _held(problem: Problem, piece: LayPiece, stretch: Stretch, new: Placement) -> tuple[Placement, bool]:
    """On the fold or along the selvedge, where it has to lie there; whether it has to."""
    region = _region(problem, stretch, new.outline)
    if piece.fold is not None and not new.whole and region.folds:
        y = moved(piece.fold, new.turn, new.mirrored, new.at)[0][1]
        return _shift(problem, new, 0.0, min(region.folds, key=lambda fold: abs(fold - y)) - y), True
    if piece.selvedge is not None:
        y = moved(piece.selvedge, new.turn, new.mirrored, new.at)[0][1]
        sides = [side for side in (region.low, region.high) if side not in region.folds]
        return _shift(problem, new, 0.0, min(sides, key=lambda side: abs(side - y)) - y), True
    return new, False


def _matched(problem: Problem, plan: Plan, id: str, new: Placement, *, held_y: bool) -> tuple[bool, Placement]:
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
        here = _spot(problem, _stretch_of(plan, id), new, mine.at, match.axis)
        off = (target - here + repeat / 2) % repeat - repeat / 2
        new = _shift(problem, new, off if match.axis == "x" else 0.0, off if match.axis == "y" else 0.0)
        held = held or match.axis == "x"
    return held, new


def _phase(problem: Problem, plan: Plan, id: str, axis: str, points: tuple[object, ...]) -> float | None:
    """Where the print stands at another point of the match."""
    wanted = {getattr(point, "piece", ""): getattr(point, "at", (0.0, 0.0)) for point in points}
    for other, laid in ids(plan):
        if other != id and laid.piece in wanted:
            return _spot(problem, _stretch_of(plan, other), laid, wanted[laid.piece], axis)
    return None


def _spot(problem: Problem, stretch: Stretch, laid: Placement, at: Point, axis: str) -> float:
    """Where a point of a piece stands on the open cloth."""
    ((x, y),) = moved((at,), laid.turn, laid.mirrored, laid.at)
    if axis == "x":
        return stretch.start + x
    region = _region(problem, stretch, laid.outline)
    return layers_of(stretch.lay, stretch.depth, region, problem.cloth.width)[0].on_cloth(y)


def _others(plan: Plan, id: str) -> list[Polygon]:
    n = id.partition(".")[0]
    return [Polygon(p.outline) for other, p in ids(plan) if other != id and other.partition(".")[0] == n]


def _beside(problem: Problem, plan: Plan, id: str, new: Placement) -> Placement:
    """Up to a neighbour along the cloth, at the gap, where one is near; out of it where it is only just over it."""
    others = [o for o in _others(plan, id) if o.distance(Polygon(new.outline)) < problem.gap + SNAP]
    if not others:
        return new
    own, rest = Polygon(new.outline), unary_union(others)
    best: float | None = None
    for sign in (-1.0, 1.0):
        if _is_free(own, rest, problem.gap, 0.0):
            reach = 0.0
            while reach < SNAP and _is_free(own, rest, problem.gap, sign * (reach + 0.25)):
                reach += 0.25
            found = sign * reach if 0.25 <= reach < SNAP else None
        else:
            reach = 0.0
            while reach < SNAP and not _is_free(own, rest, problem.gap, sign * reach):
                reach += 0.25
            found = sign * reach if reach < SNAP else None
        if found is not None and (best is None or abs(found) < abs(best)):
            best = found
    return new if best is None else _shift(problem, new, best, 0.0)


def _is_free(own: Polygon, rest: Polygon, gap: float, dx: float, dy: float = 0.0) -> bool:
    moved_own = affinity.translate(own, dx, dy)
    return bool(moved_own.distance(rest) >= gap - NEAR) and not moved_own.intersects(rest)


# ---------------------------------------------------------------- all together


def push_together(problem: Problem, plan: Plan, pinned: frozenset[str] = frozenset()) -> Plan:
    """Every piece pushed towards the start as far as its neighbours let it, the nearest first; pinned ones stay.

    Pieces that are matched along the cloth go by whole repeats.
    """
    order = sorted(
        (id for id, _ in ids(plan)), key=lambda id: (id.partition(".")[0], bounds(placement(plan, id).outline)[0])
    )
    for id in order:
        if id not in pinned:
            plan = _pushed(problem, plan, id)
    return plan


def _pushed(problem: Problem, plan: Plan, id: str) -> Plan:
    laid = placement(plan, id)
    own, rest = Polygon(laid.outline), unary_union(_others(plan, id))
    room = own.bounds[0]
    matched = any(m.axis == "x" and any(p.piece == laid.piece for p in m.points) for m in problem.matches)
    repeat = problem.cloth.repeat_x if matched else None
    step = repeat or STEP
    gone = 0.0
    while gone + step <= room + 1e-9 and _is_free(own, rest, problem.gap, -(gone + step)):
        gone += step
    if repeat is None:
        fine = STEP
        while fine > 0.05:
            fine /= 2
            if gone + fine <= room and _is_free(own, rest, problem.gap, -(gone + fine)):
                gone += fine
        if room - gone < 0.1 and _is_free(own, rest, problem.gap, -room):
            gone = room
    return _put(plan, id, _shift(problem, laid, -gone, 0.0)) if gone else plan


def mend(problem: Problem, plan: Plan, fault: Fault) -> Plan:
    """The nearest way to put a fault right: into the cloth, onto the fold, to the print, along to where it is free."""
    id = fault.ids[-1]
    laid = placement(plan, id)
    piece, stretch = problem.piece(laid.piece), _stretch_of(plan, id)
    if fault.kind is FaultKind.OFF_GRAIN:
        allowed = turns(piece.grain, problem.cloth.one_way or piece.one_way)
        return _about_its_middle(problem, plan, id, replace(laid, turn=float(allowed[0])))
    region = _region(problem, stretch, laid.outline)
    left, low, _, high = bounds(laid.outline)
    dy = max(0.0, region.low - low) - max(0.0, high - region.high)
    inside = _shift(problem, laid, max(0.0, -left), dy)
    put = _snapped(problem, plan, id, piece, stretch, inside)
    own, rest = Polygon(put.outline), unary_union(_others(plan, id))
    far = plan.length + own.bounds[2]
    gone = 0.0
    while gone < far and not _is_free(own, rest, problem.gap, gone):
        gone += STEP
    fine = STEP
    while gone and fine > 0.05:
        fine /= 2
        if _is_free(own, rest, problem.gap, gone - fine):
            gone -= fine
    put = _shift(problem, put, gone, 0.0)
    _, put = _matched(problem, plan, id, put, held_y=True)
    return _put(plan, id, put)


def pins(plan: Plan, pinned: frozenset[str]) -> tuple[Pin, ...]:
    """What stays where it is while the rest is laid again."""
    return tuple(
        Pin(_stretch_of(plan, id).lay, p.piece, p.turn, p.mirrored, p.whole, p.at)
        for id, p in ids(plan)
        if id in pinned
    )


# ---------------------------------------------------------------- what is wrong


_LABEL = re.compile(r"\S+#(\d+)")
_KINDS = (
    ("overlaps", FaultKind.OVERLAP),
    ("nearer than the gap", FaultKind.NEAR),
    ("reaches out", FaultKind.OFF_CLOTH),
    ("the fold edge is not on a fold", FaultKind.OFF_FOLD),
    ("against the grain", FaultKind.OFF_GRAIN),
    ("too few", FaultKind.TOO_FEW),
    ("more than needed", FaultKind.TOO_MANY),
    ("longer than the cloth", FaultKind.TOO_LONG),
)
"""What the exact check says, by a part of its words."""


def faults(problem: Problem, plan: Plan) -> tuple[Fault, ...]:
    """What the exact check finds, with the placements it is about."""
    in_order = [id for id, _ in ids(plan)]
    out = []
    for said in check(replace(problem, pins=()), plan):
        kind = next((kind for words, kind in _KINDS if words in said), FaultKind.PLACE)
        found = re.fullmatch(r"match (\d+) does not hold", said)
        if found is not None:
            pieces = {point.piece for point in problem.matches[int(found.group(1))].points}
            out.append(Fault(FaultKind.UNMATCHED, tuple(id for id, p in ids(plan) if p.piece in pieces)))
            continue
        named = tuple(in_order[int(n)] for n in _LABEL.findall(said))
        piece = "" if named else said.partition(":")[0]
        out.append(Fault(kind, tuple(reversed(named)) if len(named) > 1 else named, piece))
    return tuple(out)
