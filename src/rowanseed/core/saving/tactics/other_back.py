"""The back from another cloth."""

from __future__ import annotations

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Role
from rowanseed.core.saving.pieces import but_not_all, main_pieces
from rowanseed.core.saving.tactic import Cost, Tactic


def _moved(pattern: Pattern, view: str) -> frozenset[str]:
    """A body's back; half a skirt of another cloth is another skirt."""
    main = main_pieces(pattern, view)
    if not any(piece.has_edge("neck") for piece in main):
        return frozenset()
    return but_not_all({piece.id for piece in main if piece.panel is Panel.BACK}, main)


TACTIC = Tactic(
    id="other-back",
    words="the back from another cloth",
    cost=Cost(
        7,
        "the back is another cloth, as on many a waistcoat",
        "another cloth is needed, that washes and stretches alike",
    ),
    offered=lambda garment: garment.role is Role.MAIN and bool(_moved(garment.pattern, garment.view)),
    loosens=True,
    answers="where it lies on the fold",
    other_cloth=_moved,
    too_wide=(
        lambda garment, piece, _: garment.role is Role.MAIN and piece.id in _moved(garment.pattern, garment.view)
    ),
)
