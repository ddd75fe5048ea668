"""A plan of a stricter problem taken over to a looser one: the same places, the looser problem's own outlines.

What makes pieces smaller, fewer or freer leaves every place as good as it was. A short search of the looser problem
may still miss what the stricter one's has found; taken over, the looser never needs more.
"""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.lay.check import check
from rowanseed.core.lay.problem import (
    LayKind,
    Placement,
    Plan,
    Problem,
    Stretch,
    is_own_mirror_image,
    moved,
    wanted_hands,
)


def carried(plan: Plan, problem: Problem) -> Plan | None:
    """`plan`, of another problem, with the pieces of this one; None where it does not hold there.

    Pieces the problem has not are left out, spare ones too, and the stretches drawn together. The exact check decides.
    """
    known = {piece.id: piece for piece in problem.pieces}
    stretches, at = [], 0.0
    for stretch in plan.stretches:
        placements = []
        for p in stretch.placements:
            piece = known.get(p.piece)
            if piece is None:
                continue
            if p.whole and piece.fold is None:
                return None
            outline = piece.whole() if p.whole else piece.outline
            placements.append(replace(p, outline=moved(outline, p.turn, p.mirrored, p.at)))
        if placements:
            stretches.append(replace(stretch, placements=tuple(placements)))
    stretches = without_spares(stretches, problem)
    out = []
    for stretch in stretches:
        end = at + reach(stretch.placements)
        out.append(replace(stretch, start=at, end=end))
        at = end
    found = Plan(at, tuple(out))
    free = replace(problem, cloth=replace(problem.cloth, length=None))
    return found if out and not check(free, found) else None


def reach(placements: tuple[Placement, ...]) -> float:
    """How far from the start the placements come, in mm."""
    return max(x for p in placements for x, _ in p.outline)


def without_spares(stretches: list[Stretch], problem: Problem) -> list[Stretch]:
    """Where fewer of a piece are wanted now, those farthest along open cloth are left out.

    Doubled cloth is left as it is: what is cut there may be needed for its other hand.
    """
    if any(stretch.lay is not LayKind.OPEN for stretch in stretches):
        return stretches
    left = {}
    for piece in problem.pieces:
        as_drawn, mirrored = wanted_hands(piece)
        left[piece.id] = [as_drawn, mirrored]
    out = []
    for stretch in stretches:
        kept = []
        for p in sorted(stretch.placements, key=lambda p: reach((p,))):
            hand = int(p.mirrored and not is_own_mirror_image(problem.piece(p.piece)))
            if left[p.piece][hand] > 0:
                left[p.piece][hand] -= 1
                kept.append(p)
        if kept:
            out.append(replace(stretch, placements=tuple(kept)))
    return out
