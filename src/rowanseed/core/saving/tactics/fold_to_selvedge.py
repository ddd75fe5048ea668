"""Cut the back against the selvedges, with a seam, the front on the fold."""

from __future__ import annotations

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel, Role
from rowanseed.core.saving.pieces import cut_apart, main_fold
from rowanseed.core.saving.tactic import Cost, Garment, Tactic


def _is_offered(garment: Garment) -> bool:
    """A back that may be cut against the selvedges while a front stays on the fold."""
    panels = {piece.panel for piece, cut in garment.pieces if piece.lies_on_fold(cut)}
    return garment.role is Role.MAIN and {Panel.FRONT, Panel.BACK} <= panels


def _to_selvedge(pattern: Pattern, size: str) -> Pattern:
    back = next((piece for piece in pattern.pieces if piece.panel is Panel.BACK and main_fold(piece)), None)
    return pattern if back is None else cut_apart(pattern, {back.id}, selvedge=True)


TACTIC = Tactic(
    id="fold-to-selvedge",
    words="cut the back against the selvedges, with a seam, the front on the fold",
    cost=Cost(5, "a seam shows down the back", "one more seam; its edges are the selvedges and need no neatening"),
    offered=_is_offered,
    answers="where it lies on the fold",
    reshape=_to_selvedge,
)
