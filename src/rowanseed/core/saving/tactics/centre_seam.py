"""A seam where a piece lay on the fold."""

from __future__ import annotations

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.saving.pieces import cut_apart, main_fold
from rowanseed.core.saving.tactic import Cost, Tactic


def _seamed(pattern: Pattern, size: str) -> Pattern:
    panels = (Panel.FRONT, Panel.BACK, Panel.OTHER)
    return cut_apart(pattern, {piece.id for piece in pattern.pieces if main_fold(piece) and piece.panel in panels})


TACTIC = Tactic(
    id="centre-seam",
    words="a seam where a piece lay on the fold",
    cost=Cost(6, "a seam shows down the middle", "one more seam to sew, neaten and press"),
    offered=lambda garment: any(piece.lies_on_fold(cut) for piece, cut in garment.pieces),
    answers="where it lies on the fold",
    reshape=_seamed,
    too_wide=lambda garment, piece, cuts: piece.panel is not Panel.BAND and any(cut.fold for cut in cuts),
)
