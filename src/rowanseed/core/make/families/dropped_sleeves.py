"""Sleeves with a shallow cap: which they are."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families import set_in_sleeves
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import Panel

SHALLOW = 0.28
"""A cap no higher than so much of the sleeve's width goes in flat (common practice, no source)."""


def finds_dropped(bench: Workbench) -> Iterator[Duty]:
    """Shallow caps that can be sewn in before sides and sleeves are closed."""
    for duty in set_in_sleeves.finds_flat(bench):
        if is_shallow(bench, bench.joins[duty.id]):
            yield duty


def is_shallow(bench: Workbench, join: Join) -> bool:
    caps = [p for p in (*join.a, *join.b) if bench.panel(p.piece) is Panel.SLEEVE]
    for cap in caps:
        shape = bench.piece(cap.piece).shapes[bench.size].edges[cap.edge]
        (x0, y0), (x1, y1) = shape[0].start, shape[-1].end
        width = ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5
        if bench.bends.strays(cap) > SHALLOW * width:
            return False
    return bool(caps)
