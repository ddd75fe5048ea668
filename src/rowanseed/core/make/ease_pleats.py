"""The ease pleat down the middle of a lining's back: where it is, and the edges it runs out on."""

from __future__ import annotations

from rowanseed.core.make.graph import Graph, pieces_of
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import EASE_PLEAT, LineKind, Piece

Ends = tuple[tuple[str, str], tuple[str, str]]


def halves_of(graph: Graph, piece: str) -> tuple[str, ...]:
    """The seams that sew the two hands of a piece to each other."""
    return tuple(
        join.id for join in graph.joins.values() if join.a[0].hand and piece in pieces_of(join.a) & pieces_of(join.b)
    )


def pleats(graph: Graph) -> tuple[tuple[Piece, ...], ...]:
    """The pieces with a pleat, from above; those that one centre seam runs down have one pleat together."""
    groups: dict[tuple[str, ...], list[Piece]] = {}
    for piece in graph.pattern.pieces:
        if piece.line(LineKind.PLEAT, EASE_PLEAT) is not None:
            groups.setdefault(halves_of(graph, piece.id) or (piece.id,), []).append(piece)
    return tuple(tuple(sorted(group, key=lambda p: _pleat_ends(graph, p)[0])) for group in groups.values())


def ends_of(graph: Graph, group: tuple[Piece, ...]) -> Ends:
    """The edges that a pleat runs out on, above and below, each as (piece, edge)."""
    above, below = group[0], group[-1]
    return (above.id, _edges(graph, above)[0]), (below.id, _edges(graph, below)[1])


def _pleat_ends(graph: Graph, piece: Piece) -> tuple[float, float]:
    line = piece.line(LineKind.PLEAT, EASE_PLEAT)
    return (0.0, 0.0) if line is None else line.ends[graph.size][0]


def _edges(graph: Graph, piece: Piece) -> tuple[str, str]:
    """The neighbours of the centre edge of a piece with a pleat, the upper one first."""
    seams = (part.edge for id in halves_of(graph, piece.id) for part in graph.joins[id].a if part.piece == piece.id)
    centre = next(iter(graph.folds(piece.id)), None) or next(seams)
    before, after = graph.neighbours(EdgePart(piece.id, centre))
    run = piece.shapes[graph.size].edges[centre]
    return (before, after) if run[0].start[0] < run[-1].end[0] else (after, before)
