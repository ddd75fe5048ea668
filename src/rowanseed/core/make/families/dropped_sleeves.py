"""Sleeves with a shallow cap: which they are."""

from __future__ import annotations

from rowanseed.core.make.families import set_in_sleeves
from rowanseed.core.make.families.suited import finds_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import Panel

SHALLOW = 0.28
"""A cap no higher than so much of the sleeve's width goes in flat (common practice, no source)."""


def why_not_dropped(bench: Workbench, id: str) -> str:
    """Why a sleeve does not go in before sides and sleeves are closed as one with a shallow cap does."""
    if not is_shallow(bench, bench.joins[id]):
        return "its cap is too high: it would pucker"
    return set_in_sleeves.why_not_flat(bench, id)


finds_dropped = finds_of(set_in_sleeves.armhole_ids, why_not_dropped)


def is_shallow(bench: Workbench, join: Join) -> bool:
    caps = [p for p in (*join.a, *join.b) if bench.panel(p.piece) is Panel.SLEEVE]
    for cap in caps:
        shape = bench.piece(cap.piece).shapes[bench.size].edges[cap.edge]
        (x0, y0), (x1, y1) = shape[0].start, shape[-1].end
        width = ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5
        if bench.bends.strays(cap) > SHALLOW * width:
            return False
    return bool(caps)
