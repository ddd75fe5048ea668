"""How much of one edge lies on another where a seam has several pieces on one side and one on the other."""

from __future__ import annotations

from collections.abc import Sequence

from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.joined import runs_against
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.walk import part_length
from rowanseed.drawings.steps.placing import WHOLE, Share, Shares


def shares(bench: Workbench, join: Join, one: Sequence[EdgePart], other: Sequence[EdgePart]) -> Shares:
    """How much of each of two drawn edges lies on the other: one piece of several lies on a part of what they are sewn
    to, as a front's armhole on the sleeve. Both as the first of them runs in its ring."""
    a, b = (list(dict.fromkeys(part.piece for part in side)) for side in (join.a, join.b))
    if len(a) == len(b) or min(len(a), len(b)) > 1:
        return WHOLE
    if len(a) == 1:
        return _share(bench, join.b, other, one[0]), (0.0, 1.0)
    first, last = _share(bench, join.a, one, other[0])
    against = runs_against(bench.pattern, one[0], other[0])
    return (0.0, 1.0), (1.0 - last, 1.0 - first) if against else (first, last)


def _share(bench: Workbench, side: Sequence[EdgePart], own: Sequence[EdgePart], whole: EdgePart) -> Share:
    """Where on one edge some of the edges lie that are sewn to all of it, as that runs in its ring."""
    side = _in_a_row(bench, side)
    long = [part_length(bench.pattern, bench.size, part) for part in side]
    places = [k for k, part in enumerate(side) if part in own]
    first, last = sum(long[: places[0]]) / sum(long), sum(long[: places[-1] + 1]) / sum(long)
    return (1.0 - last, 1.0 - first) if _is_listed_backwards(bench, side, whole) else (first, last)


def _in_a_row(bench: Workbench, side: Sequence[EdgePart]) -> list[EdgePart]:
    """Edges in the order in which they lie beside each other, the sides of the garment not counted: a front's armhole,
    the yoke's, the back's. As they are named where they are in no row."""
    beside = {part: [other for other in side if _meet(bench, part, other)] for part in side}
    row = [next((part for part in side if len(beside[part]) == 1), side[0])]
    while following := [part for part in beside[row[-1]] if part not in row]:
        row.append(following[0])
    return row if len(row) == len(side) else list(side)


def _meet(bench: Workbench, one: EdgePart, other: EdgePart) -> bool:
    if one == other:
        return False
    ends = [{(part.piece, edge) for edge in bench.neighbours(part)} for part in (one, other)]
    if one.piece == other.piece:
        return (other.piece, other.edge) in ends[0]
    seams = (join for join in bench.joins.values() if not bench.closes_side(join))
    return any(all(found & {(p.piece, p.edge) for p in (*join.a, *join.b)} for found in ends) for join in seams)


def _is_listed_backwards(bench: Workbench, side: Sequence[EdgePart], whole: EdgePart) -> bool:
    """Whether edges that are sewn to one other are named from the end of that: the first of them runs from the second
    to its own end there, not from its own end to the second."""
    begun = side[0]
    following = next(part for part in side if part.piece != begun.piece)
    before, after = bench.neighbours(begun)
    if runs_against(bench.pattern, whole, begun):
        before, after = after, before
    return any(
        (begun.piece, before) in edges and any(piece == following.piece for piece, _ in edges)
        for edges in ({(p.piece, p.edge) for p in (*join.a, *join.b)} for join in bench.joins.values())
    )
