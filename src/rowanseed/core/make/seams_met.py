"""Seams that meet across another one: which stands on which when it is sewn, by where they cross its two sides."""

from __future__ import annotations

from itertools import pairwise

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import Graph
from rowanseed.core.make.operation import Operation
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.walk import part_length

NEAR = 6.0
"""Two seams meet where they cross the two sides of a third no further apart than this, in mm (common practice, no
source): ease and pins bring them together."""


def seams_met(graph: Graph, join: Join) -> tuple[tuple[Join, Join], ...]:
    """The seams that end on both sides of a seam at one place: of its first side, of its second."""
    one, other = (_crossed(graph, side) for side in (join.a, join.b))
    if join.difference.kind is DifferenceKind.GATHERS:
        # Gathers are shared out between its seams, however wide each piece is.
        return tuple((a, b) for (_, a), (_, b) in zip(one, other, strict=True)) if len(one) == len(other) else ()
    return tuple((a, b) for at, a in one for there, b in other if abs(at - there) <= NEAR)


def met_at(graph: Graph, op: Operation, join: Join) -> tuple[tuple[Join, Join], ...]:
    """The same of those that are sewn and pressed by then, since the operation waits for them."""
    done = {need.state for need in op.requires}
    return tuple(
        pair for pair in seams_met(graph, join) if all(facts.join(Fact.PRESSED, each.id) in done for each in pair)
    )


def _crossed(graph: Graph, side: tuple[EdgePart, ...]) -> list[tuple[float, Join]]:
    """Where seams end on a side of several edges: so far along it, in mm."""
    out, at = [], 0.0
    for before, after in pairwise(side):
        at += part_length(graph.pattern, graph.size, before)
        here = _between(graph, before, after)
        if here is not None:
            out.append((at, here))
    return out


def _between(graph: Graph, before: EdgePart, after: EdgePart) -> Join | None:
    """The seam that sews the pieces of two edges to each other where one goes on in the other; None where there are
    two, as on a ring of two edges: which of them it is the edges alone do not tell."""
    if before.piece == after.piece:
        return None
    first, second = ({(p.piece, edge) for edge in graph.neighbours(p)} for p in (before, after))
    found = [
        join
        for join in graph.joins.values()
        for one, other in ((join.a, join.b), (join.b, join.a))
        if first & {(p.piece, p.edge) for p in one} and second & {(p.piece, p.edge) for p in other}
    ]
    return found[0] if len(found) == 1 else None
