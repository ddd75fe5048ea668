"""Doubled yokes and other seams between two layers: which they are."""

from __future__ import annotations

from collections.abc import Collection

from rowanseed.core.make.graph import pieces_of
from rowanseed.core.pattern.making import Join

Pairs = list[tuple[Join, Join]]


def layer_pairs(joins: Collection[Join]) -> Pairs:
    """Two joins of one edge: three layers, one of them between the two others."""
    found = []
    every = list(joins)
    for k, one in enumerate(every):
        for other in every[k + 1 :]:
            if {(p.piece, p.edge, p.hand) for p in one.a} == {(p.piece, p.edge, p.hand) for p in other.a}:
                found.append((one, other))
    return found


def yoke_pairs(joins: Collection[Join]) -> Pairs:
    """Pairs along a yoke and the shoulders: no other seam of three layers is sewn by rolling the garment in."""
    return [pair for pair in layer_pairs(joins) if {p.edge for p in pair[0].a} <= {"yoke", "shoulder"}]


def between_layers(joins: Collection[Join]) -> list[Join]:
    """The layers of a doubled yoke held together along the edges at which something else is sewn to both."""
    layers = {frozenset((*pieces_of(one.b), *pieces_of(other.b))) for one, other in yoke_pairs(joins)}
    return [join for join in joins if pieces_of((*join.a, *join.b)) in layers]
