"""Pieces of several garments on one cloth: their problems as one, and its lay as one for each.

A lay of them all, with the others' pieces left out, is a right lay of each by itself: it is only longer than it need
be. So each garment keeps its own, and those that were laid together still lie together.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from rowanseed.core.lay.check import check
from rowanseed.core.lay.problem import LayKind, Match, Placement, Plan, Problem, Stretch

OF = "~"
"""Joins the name of an owner and the id of a piece of his."""
SAME = 0.01
"""Stretches that begin and end alike to so many mm are one."""


@dataclass(frozen=True)
class Share:
    """One of those that are cut from a cloth: by what name its pieces are told from the others', and its problem."""

    owner: str
    problem: Problem


def owner_of(piece: str) -> str:
    return piece.partition(OF)[0]


def own_id(piece: str) -> str:
    """A piece's id in its own problem."""
    return piece.partition(OF)[2]


def combined(shares: Sequence[Share]) -> Problem:
    """One problem of them all, on the first one's cloth; each is matched by itself."""
    first = shares[0].problem
    # One that has to point one way since its print is matched need not make all the others do so.
    one_way = all(share.problem.cloth.one_way for share in shares)
    matched = [share.problem.cloth for share in shares if share.problem.matches]
    return replace(
        first,
        name=" and ".join(share.problem.name for share in shares),
        cloth=replace(
            first.cloth,
            one_way=one_way,
            repeat_x=next((c.repeat_x for c in matched if c.repeat_x is not None), None),
            repeat_y=next((c.repeat_y for c in matched if c.repeat_y is not None), None),
        ),
        lays=tuple(kind for kind in first.lays if all(kind in share.problem.lays for share in shares)),
        pieces=tuple(
            replace(
                piece,
                id=_id(share.owner, piece.id),
                one_way=piece.one_way or (share.problem.cloth.one_way and not one_way),
            )
            for share in shares
            for piece in share.problem.pieces
        ),
        matches=tuple(_of(share.owner, match) for share in shares for match in share.problem.matches),
        pins=tuple(replace(pin, piece=_id(s.owner, pin.piece)) for s in shares for pin in s.problem.pins),
    )


def _id(owner: str, piece: str) -> str:
    return f"{owner}{OF}{piece}"


def _of(owner: str, match: Match) -> Match:
    return replace(match, points=tuple(replace(point, piece=_id(owner, point.piece)) for point in match.points))


def one_after_the_other(plans: Sequence[tuple[str, Plan]]) -> Plan:
    """What each would take by itself, the one laid behind the other: what laying them together is measured against."""
    stretches: list[Stretch] = []
    begins = 0.0
    for owner, plan in plans:
        for stretch in plan.stretches:
            named = tuple(replace(p, piece=_id(owner, p.piece)) for p in stretch.placements)
            moved = replace(stretch, start=begins + stretch.start, end=begins + stretch.end, placements=named)
            stretches.append(moved)
        begins += plan.length
    return Plan(begins, tuple(stretches))


def share_of(plan: Plan, owner: str) -> Plan:
    """What lies there of one owner, in the same places; the rest of the cloth lies as it does for all."""

    def own(placements: Sequence[Placement]) -> tuple[Placement, ...]:
        return tuple(replace(p, piece=own_id(p.piece)) for p in placements if owner_of(p.piece) == owner)

    return replace(plan, stretches=tuple(replace(s, placements=own(s.placements)) for s in plan.stretches))


def lie_together(shares: Sequence[tuple[Share, Plan]]) -> bool:
    """Whether lays that were kept each by itself are one: on stretches alike, and no piece in another's way."""
    stretches = [[(s.lay, s.start, s.end, s.depth) for s in plan.stretches] for _, plan in shares]
    if any(not _alike(one, stretches[0]) for one in stretches[1:]):
        return False
    problem = replace(combined([share for share, _ in shares]), pins=())
    return not check(replace(problem, cloth=replace(problem.cloth, length=None)), joined(shares))


def joined(shares: Sequence[tuple[Share, Plan]]) -> Plan:
    """Lays on the same stretches as one."""
    first = shares[0][1]
    stretches = []
    for n, stretch in enumerate(first.stretches):
        every = [
            replace(p, piece=_id(share.owner, p.piece)) for share, plan in shares for p in plan.stretches[n].placements
        ]
        stretches.append(replace(stretch, placements=tuple(every)))
    return Plan(first.length, tuple(stretches))


Kind = tuple[LayKind, float, float, float | None]


def _alike(one: Sequence[Kind], other: Sequence[Kind]) -> bool:
    return len(one) == len(other) and all(
        a[0] is b[0] and abs(a[1] - b[1]) < SAME and abs(a[2] - b[2]) < SAME and a[3] == b[3]
        for a, b in zip(one, other, strict=True)
    )
