"""Fold only as deep as the widest fold piece."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.lay.problem import LayKind
from rowanseed.core.saving.tactic import Cost, Tactic

TACTIC = Tactic(
    id="part-fold",
    words="fold only as deep as the widest fold piece",
    cost=Cost(1, "none", "the fold is measured along its whole length"),
    offered=lambda garment: any(piece.lies_on_fold(cut) for piece, cut in garment.pieces),
    answers="how it is folded",
    lay=lambda problem: replace(problem, lays=(LayKind.PART_FOLDED,)),
)
