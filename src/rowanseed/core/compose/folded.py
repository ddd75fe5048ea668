"""Pleats and tucks taken in at an edge of a piece, beside each other, running down the cloth from it."""

from __future__ import annotations

from collections.abc import Callable

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.folds import Folds
from rowanseed.core.compose.sizes import Size
from rowanseed.core.geometry.outline import chain_length, point_at
from rowanseed.core.pattern.pieces import Dart, Mark, MarkKind

GAP = 18.0
"""Folds of one edge stand so far from each other, in mm."""


def fold_edge(
    build: Build,
    piece: str,
    edge: str,
    folds: Folds,
    *,
    taken: Callable[[Size], float],
    middle: Callable[[Size], float],
    down: float,
    name: str = "fold",
) -> None:
    """Take in `taken` at an edge by folds, their middle so far along it; `down` is +1 where they run down, else -1."""

    def leg(size: Size, k: int, end: int) -> float:
        each = taken(size) / folds.count
        first = middle(size) - (taken(size) + (folds.count - 1) * GAP) / 2
        return first + k * (each + GAP) + end * each

    for k in range(folds.count):
        marks = tuple(
            Mark(
                f"{name}-{k + 1}-{end + 1}",
                MarkKind.DART_LEG,
                edge,
                "start",
                build.each(lambda size, k=k, end=end: leg(size, k, end)),
            )
            for end in (0, 1)
        )
        build.mark(piece, *marks)
        points = {}
        for size in build.figures.sizes:
            chain = build.edge(piece, edge, size)
            x, y = point_at(chain, min(chain_length(chain), leg(size, k, 0) + taken(size) / folds.count / 2))
            points[size.name] = (x + down * folds.long, y)
        build.dart(piece, Dart(f"{name}-{k + 1}", edge, (marks[0].id, marks[1].id), points, folds.taken))
