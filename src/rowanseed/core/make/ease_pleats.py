"""The ease pleat down the middle of a lining's back: where it is, and the edges it runs out on."""

from __future__ import annotations

from rowanseed.core.make.graph import Graph, pieces_of
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import EASE_PLEAT, LineKind, Piece


def has_pleat(piece: Piece) -> bool:
    return piece.line(LineKind.PLEAT, EASE_PLEAT) is not None


def halves_of(graph: Graph, piece: str) -> tuple[str, ...]:
    """The seams that sew the two hands of a piece to each other."""
    return tuple(
        join.id for join in graph.joins.values() if join.a[0].hand and piece in pieces_of(join.a) & pieces_of(join.b)
    )


def ends_of_pleat(graph: Graph, piece: Piece) -> tuple[str, str]:
    """The edges that the pleat of a piece that has one runs out on, the upper one first."""
    seams = (part.edge for id in halves_of(graph, piece.id) for part in graph.joins[id].a if part.piece == piece.id)
    centre = next(iter(graph.folds(piece.id)), None) or next(seams)
    before, after = graph.neighbours(EdgePart(piece.id, centre))
    run = piece.shapes[graph.size].edges[centre]
    return (before, after) if run[0].start[0] < run[-1].end[0] else (after, before)
