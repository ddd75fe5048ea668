"""Piece facings and bands that lie on the fold."""

from __future__ import annotations

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Piece
from rowanseed.core.saving.pieces import cut_apart, main_fold
from rowanseed.core.saving.tactic import Cost, Tactic

UNDER = "under-"
"""How the ids of under collars begin, drawn or derived: what is seen of a collar is not pieced."""


def _pieced(pattern: Pattern, size: str) -> Pattern:
    return cut_apart(pattern, {piece.id for piece in pattern.pieces if _may_be_pieced(piece)})


def _may_be_pieced(piece: Piece) -> bool:
    """What lies on the fold and is seen by nobody: a facing, a band, an under collar."""
    return (
        main_fold(piece) is not None and piece.panel is Panel.BAND and (not piece.collar or piece.id.startswith(UNDER))
    )


TACTIC = Tactic(
    id="pieced-facing",
    words="piece facings and bands that lie on the fold",
    cost=Cost(4, "a seam inside, where nobody sees it", "a short seam to press open in each facing"),
    offered=lambda garment: any(cut.fold and _may_be_pieced(piece) for piece, cut in garment.pieces),
    answers="the facings",
    reshape=_pieced,
    too_wide=lambda garment, piece, cuts: _may_be_pieced(piece) and any(cut.fold for cut in cuts),
)
