"""Lay it open, one layer."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.lay.problem import LayKind
from rowanseed.core.saving.tactic import Cost, Tactic

TACTIC = Tactic(
    id="open-out",
    words="lay it open, one layer",
    cost=Cost(1, "none", "every piece is cut by itself; mind left and right"),
    offered=lambda garment: True,
    answers="how it is folded",
    lay=lambda problem: replace(problem, lays=(LayKind.OPEN,)),
)
