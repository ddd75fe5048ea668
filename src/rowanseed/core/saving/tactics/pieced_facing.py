"""Piece facings and bands that lie on the fold."""

from __future__ import annotations

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.saving.pieces import cut_apart, main_fold
from rowanseed.core.saving.tactic import Cost, Tactic


def _pieced(pattern: Pattern, size: str) -> Pattern:
    bands = {piece.id for piece in pattern.pieces if main_fold(piece) and piece.panel is Panel.BAND}
    return cut_apart(pattern, bands)


TACTIC = Tactic(
    id="pieced-facing",
    words="piece facings and bands that lie on the fold",
    cost=Cost(4, "a seam inside, where nobody sees it", "a short seam to press open in each facing"),
    offered=lambda garment: any(cut.fold and piece.panel is Panel.BAND for piece, cut in garment.pieces),
    answers="the facings",
    reshape=_pieced,
    too_wide=lambda garment, piece, cuts: piece.panel is Panel.BAND and any(cut.fold for cut in cuts),
)
