"""Pieces taken to another stretch of the cloth or off it, stretches exchanged, cloth opened out behind."""

from __future__ import annotations

from dataclasses import dataclass, replace

from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.edit.placements import ids, lay_down, measured, placement, stretch_of
from rowanseed.core.lay.edit.rules import NotAllowed, Rule
from rowanseed.core.lay.folding import regions
from rowanseed.core.lay.problem import LayKind, LayPiece, Placement, Plan, Problem, Stretch

GAP_BEHIND = 3.0
"""How far behind the last piece another comes to lie, in mm."""


@dataclass(frozen=True)
class Parked:
    """A piece that lies beside the cloth, turned as it was."""

    piece: str
    turn: float = 0.0
    mirrored: bool = False


def take_off(plan: Plan, id: str) -> tuple[Plan, Parked]:
    """The plan without a piece, and the piece. A stretch on which nothing is left is gone."""
    laid = placement(plan, id)
    gone = Parked(laid.piece, laid.turn, laid.mirrored)
    n, _, k = id.partition(".")
    left = tuple(p for j, p in enumerate(plan.stretches[int(n)].placements) if j != int(k))
    if left or len(plan.stretches) == 1:
        return measured(plan, int(n), left), gone
    stretches = tuple(s for j, s in enumerate(plan.stretches) if j != int(n))
    return measured(Plan(plan.length, stretches), 0, stretches[0].placements), gone


def put_on(problem: Problem, plan: Plan, parked: Parked) -> tuple[Plan, str]:
    """A parked piece behind everything on the last stretch; the plan and the piece's id on it."""
    n = len(plan.stretches) - 1
    return _behind(problem, plan, n, parked)


def to_stretch(problem: Problem, plan: Plan, id: str, n: int) -> tuple[Plan, str]:
    """A piece to another stretch, behind what lies there; one further than the last: the cloth is opened out there.

    Raises NotAllowed where the cloth may not be laid open, or where it matters how far along the cloth a piece lies.
    """
    if n == len(plan.stretches):
        plan = opened_behind(problem, plan)
    if not 0 <= n < len(plan.stretches):
        raise KeyError(n)
    here = int(id.partition(".")[0])
    stretch = stretch_of(plan, id)
    if n == here:
        return plan, id
    gone = len(stretch.placements) == 1
    plan, piece = take_off(plan, id)
    return _behind(problem, plan, n - 1 if gone and n > here else n, piece)


def opened_behind(problem: Problem, plan: Plan) -> Plan:
    """The plan with an open stretch behind, empty as yet. Raises NotAllowed where that may not be."""
    if problem.is_bound_along:
        raise NotAllowed(Rule.BOUND)
    if LayKind.OPEN not in problem.lays:
        raise NotAllowed(Rule.NOT_OPEN)
    if plan.stretches[-1].lay is LayKind.OPEN:
        raise NotAllowed(Rule.OPEN_ALREADY)
    behind = Stretch(LayKind.OPEN, None, plan.length, plan.length + 1.0, ())
    return Plan(plan.length + 1.0, (*plan.stretches, behind))


def exchange(problem: Problem, plan: Plan, n: int) -> Plan:
    """The n-th stretch and the one behind it exchanged. Raises NotAllowed where places along the cloth count."""
    if problem.is_bound_along:
        raise NotAllowed(Rule.BOUND)
    if not 0 <= n < len(plan.stretches) - 1:
        raise KeyError(n)
    stretches = list(plan.stretches)
    stretches[n], stretches[n + 1] = stretches[n + 1], stretches[n]
    return measured(Plan(plan.length, tuple(stretches)), 0, stretches[0].placements)


def without_empty(plan: Plan) -> Plan:
    """The plan without stretches on which nothing lies."""
    full = tuple(stretch for stretch in plan.stretches if stretch.placements)
    return plan if len(full) == len(plan.stretches) else measured(Plan(0.0, full), 0, full[0].placements)


def beyond(plan: Plan, length: float) -> tuple[str, ...]:
    """The placements that no longer fit on cloth of this length, in mm."""
    starts = [stretch.start for stretch in plan.stretches]
    return tuple(id for id, p in ids(plan) if starts[int(id.partition(".")[0])] + p.box[2] > length + 0.1)


def _behind(problem: Problem, plan: Plan, n: int, parked: Parked) -> tuple[Plan, str]:
    stretch, piece = plan.stretches[n], problem.piece(parked.piece)
    strip = regions(stretch.lay, stretch.depth, problem.cloth)[0]
    whole = piece.fold is not None and not strip.folds
    bare = lay_down(piece, parked.turn, parked.mirrored and strip.layers == 1, whole, (0.0, 0.0))
    left, low, _, _ = bare.box
    far = max((p.box[2] + max(problem.gap, GAP_BEHIND) for p in stretch.placements), default=0.0)
    y = _on_fold(piece, bare, strip.folds) if piece.fold is not None and strip.folds else strip.low - low
    laid = lay_down(piece, bare.turn, bare.mirrored, whole, (far - left, y))
    return measured(plan, n, (*stretch.placements, laid)), f"{n}.{len(stretch.placements)}"


def _on_fold(piece: LayPiece, bare: Placement, folds: tuple[float, ...]) -> float:
    """How far a piece has to move across the cloth to lie on its fold, its cloth on the right side of it."""
    low, high = bare.box[1], bare.box[3]
    return folds[0] - low if folds[0] <= 0.0 else folds[0] - high


def carried_over(problem: Problem, plan: Plan) -> tuple[Plan, tuple[Parked, ...]]:
    """A lay made for other pieces or another cloth, with this problem's pieces at the same places.

    Pieces that are no longer wanted are left out; those that lay where the cloth may not be laid any more, or that have
    no place yet, are parked.
    """
    known = {piece.id for piece in problem.pieces}
    stretches: list[Stretch] = []
    parked: list[Parked] = []
    for stretch in plan.stretches:
        laid = [p for p in stretch.placements if p.piece in known]
        if stretch.lay in problem.lays:
            stretches.append(replace(stretch, placements=tuple(_again(problem, p) for p in laid)))
        else:
            parked += [Parked(p.piece, p.turn, p.mirrored) for p in laid]
    stretches = stretches or [Stretch(problem.lays[0], None, 0.0, 1.0, ())]
    found = measured(Plan(0.0, tuple(stretches)), 0, stretches[0].placements)
    there = {p.piece for _, p in ids(found)} | {p.piece for p in parked}
    parked += [Parked(piece.id) for piece in problem.pieces if piece.id not in there]
    return found, tuple(parked)


def changed_pieces(problem: Problem, plan: Plan) -> tuple[tuple[str, ...], tuple[str, ...], tuple[str, ...]]:
    """Ids of the pieces with another outline than in a plan, of those it has not, and of those that are gone."""
    known = {piece.id: piece for piece in problem.pieces}
    laid = {p.piece: p for _, p in ids(plan)}
    other = [id for id, p in laid.items() if id in known and _differs(_again(problem, p).outline, p.outline)]
    return tuple(other), tuple(id for id in known if id not in laid), tuple(id for id in laid if id not in known)


def _differs(one: tuple[Point, ...], other: tuple[Point, ...]) -> bool:
    return len(one) != len(other) or any(
        abs(a[0] - b[0]) + abs(a[1] - b[1]) > 0.2 for a, b in zip(one, other, strict=True)
    )


def _again(problem: Problem, laid: Placement) -> Placement:
    """This problem's piece where another's lay."""
    piece = problem.piece(laid.piece)
    return lay_down(piece, laid.turn, laid.mirrored, laid.whole and piece.fold is not None, laid.at)
