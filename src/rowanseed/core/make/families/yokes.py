"""Doubled yokes and other seams between two layers: which they are."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join

ID = "doubled yoke"


def layer_pairs(bench: Workbench) -> list[tuple[Join, Join]]:
    """Two joins of one edge: three layers, one of them between the two others."""
    found = []
    every = list(bench.joins.values())
    for k, one in enumerate(every):
        for other in every[k + 1 :]:
            if {(p.piece, p.edge, p.hand) for p in one.a} == {(p.piece, p.edge, p.hand) for p in other.a}:
                found.append((one, other))
    return found


def yokes_of(bench: Workbench) -> list[tuple[Join, Join]]:
    """Pairs along a yoke and the shoulders: no other seam of three layers is sewn by rolling the garment in."""
    return [pair for pair in layer_pairs(bench) if {p.edge for p in pair[0].a} <= {"yoke", "shoulder"}]


def finds(bench: Workbench) -> Iterator[Duty]:
    for one, other in yokes_of(bench):
        yield Duty((one.id, other.id), whole=True)
