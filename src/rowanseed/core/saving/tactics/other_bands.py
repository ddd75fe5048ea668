"""Collar, cuffs and bands from another cloth."""

from __future__ import annotations

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Role
from rowanseed.core.saving.pieces import but_not_all, facing_ids, main_pieces
from rowanseed.core.saving.tactic import Cost, Tactic


def _moved(pattern: Pattern, view: str) -> frozenset[str]:
    main, facings = main_pieces(pattern, view), facing_ids(pattern)
    return but_not_all({piece.id for piece in main if piece.panel is Panel.BAND and piece.id not in facings}, main)


TACTIC = Tactic(
    id="other-bands",
    words="collar, cuffs and bands from another cloth",
    cost=Cost(6, "collar, cuffs and bands stand out", "another cloth is needed, of the same weight"),
    offered=lambda garment: garment.role is Role.MAIN and bool(_moved(garment.pattern, garment.view)),
    loosens=True,
    other_cloth=_moved,
    too_wide=(
        lambda garment, piece, _: garment.role is Role.MAIN and piece.id in _moved(garment.pattern, garment.view)
    ),
)
