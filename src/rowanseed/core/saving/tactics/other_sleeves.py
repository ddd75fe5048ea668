"""Sleeves from another cloth."""

from __future__ import annotations

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Role
from rowanseed.core.saving.pieces import but_not_all, main_pieces
from rowanseed.core.saving.tactic import Cost, Tactic


def _moved(pattern: Pattern, view: str) -> frozenset[str]:
    main = main_pieces(pattern, view)
    return but_not_all({piece.id for piece in main if piece.panel is Panel.SLEEVE}, main)


TACTIC = Tactic(
    id="other-sleeves",
    words="sleeves from another cloth",
    cost=Cost(8, "the sleeves are another cloth", "another cloth is needed, that washes and stretches alike"),
    offered=lambda garment: garment.role is Role.MAIN and bool(_moved(garment.pattern, garment.view)),
    loosens=True,
    other_cloth=_moved,
    too_wide=(
        lambda garment, piece, _: garment.role is Role.MAIN and piece.id in _moved(garment.pattern, garment.view)
    ),
)
