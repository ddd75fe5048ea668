"""What is offered to save cloth, and what of it is carried out: on the pattern, on the lay, on the batch.

Pieces and making graph change together, so that lay, yardage, cutting list and making order follow.
"""

from __future__ import annotations

from rowanseed.core.lay.problem import Problem
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.pieces import moved_to_contrast
from rowanseed.core.saving.tactic import Garment, TacticId
from rowanseed.core.saving.tactics import TACTICS


def offered(pattern: Pattern, view: str, role: Role, *, one_way: bool, batch: bool = False) -> tuple[TacticId, ...]:
    """The tactics that can change anything for this cloth of this garment, the cheapest first."""
    garment = Garment(pattern=pattern, view=view, role=role, one_way=one_way, batch=batch)
    return tuple(id for id, tactic in TACTICS.items() if tactic.offered(garment))


def helps_where_too_wide(pattern: Pattern, view: str, role: Role, piece_id: str) -> tuple[TacticId, ...]:
    """What may be done about a piece that is wider than the cloth: in two parts, or from another cloth."""
    garment, piece = Garment(pattern, view, role), pattern.piece(piece_id)
    cuts = [cut for other, cut in garment.pieces if other.id == piece_id]
    return tuple(id for id, tactic in TACTICS.items() if tactic.too_wide and tactic.too_wide(garment, piece, cuts))


def reshaped(pattern: Pattern, tactics: tuple[TacticId, ...], size: str) -> Pattern:
    """The pattern with the tactics that change pieces and seams."""
    for tactic in sorted((TACTICS[id] for id in tactics), key=lambda tactic: not tactic.first):
        if tactic.reshape is not None:
            pattern = tactic.reshape(pattern, size)
    return pattern


def in_other_cloth(pattern: Pattern, tactics: tuple[TacticId, ...], view: str) -> Pattern:
    """The pattern with the pieces that the tactics cut from the contrast cloth; its layers are derived before."""
    for tactic in (TACTICS[id] for id in tactics):
        if tactic.other_cloth is not None:
            pattern = moved_to_contrast(pattern, tactic.other_cloth(pattern, view))
    return pattern


def laid_with(problem: Problem, tactics: tuple[TacticId, ...]) -> Problem:
    """A layout problem laid as the tactics ask; those that change pieces are in the pattern already."""
    for tactic in (TACTICS[id] for id in tactics):
        if tactic.lay is not None:
            problem = tactic.lay(problem)
    return problem


def has_one_fewer(tactics: tuple[TacticId, ...]) -> bool:
    """Whether the batch has one garment fewer."""
    return any(TACTICS[id].fewer for id in tactics)
