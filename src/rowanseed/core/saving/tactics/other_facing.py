"""Facings from another cloth."""

from __future__ import annotations

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.pieces import but_not_all, facing_ids, main_pieces
from rowanseed.core.saving.tactic import Cost, Tactic


def _moved(pattern: Pattern, view: str) -> frozenset[str]:
    main, facings = main_pieces(pattern, view), facing_ids(pattern)
    return but_not_all({piece.id for piece in main if piece.id in facings}, main)


TACTIC = Tactic(
    id="other-facing",
    words="facings from another cloth",
    cost=Cost(4, "another cloth shows when it hangs open", "another cloth is needed, of the same weight or lighter"),
    offered=lambda garment: garment.role is Role.MAIN and bool(_moved(garment.pattern, garment.view)),
    loosens=True,
    answers="the facings",
    other_cloth=_moved,
    too_wide=(
        lambda garment, piece, _: garment.role is Role.MAIN and piece.id in _moved(garment.pattern, garment.view)
    ),
)
