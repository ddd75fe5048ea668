"""A pattern that was composed some time ago beside what its description comes to today."""

from __future__ import annotations

from collections.abc import Mapping

from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece

SAME = 0.5
"""Edges and darts that differ by less, in mm, are the same."""


def drafted_otherwise(pattern: Pattern, today: Pattern) -> tuple[str, ...]:
    """The names of approximate pieces that would come out otherwise today, are not there any more, or are new."""
    now = {piece.id: piece for piece in today.pieces}
    before = {piece.id: piece for piece in pattern.pieces}
    changed = [p.name for p in pattern.pieces if p.approximate and (p.id not in now or not _same(p, now[p.id]))]
    return (*changed, *(piece.name for piece in today.pieces if piece.id not in before))


def _same(one: Piece, other: Piece) -> bool:
    return all(
        size in other.shapes and _alike(_measured(one, size), _measured(other, size)) for size in one.shapes
    ) and _cuts(one) == _cuts(other)


def _cuts(piece: Piece) -> list[tuple[str, int, str]]:
    return [(cut.role.value, cut.count, cut.fold or "") for cut in piece.cuts]


def _measured(piece: Piece, size: str) -> Mapping[str, float]:
    """How long its edges are, and where its marks and darts are, in mm."""
    edges = {f"edge {name}": chain_length(chain) for name, chain in piece.shapes[size].edges.items()}
    marks = {f"mark {mark.id}": mark.distance[size] for mark in piece.marks}
    darts = {f"dart {dart.id} {axis}": dart.point[size][axis] for dart in piece.darts for axis in (0, 1)}
    allowances = {f"allowance {edge.name}": edge.allowance for edge in piece.edges}
    return {**edges, **marks, **darts, **allowances}


def _alike(one: Mapping[str, float], other: Mapping[str, float]) -> bool:
    return one.keys() == other.keys() and all(abs(mm - other[name]) <= SAME for name, mm in one.items())
