"""Fold both edges to the middle."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.lay.problem import LayKind
from rowanseed.core.saving.tactic import Cost, Tactic

TACTIC = Tactic(
    id="two-folds",
    words="fold both edges to the middle",
    cost=Cost(1, "none", "both folds are measured along their whole length"),
    offered=lambda garment: True,
    answers="how it is folded",
    lay=lambda problem: replace(problem, lays=(LayKind.TWO_FOLDS,)),
)
