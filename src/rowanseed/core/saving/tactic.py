"""What a tactic for short cloth is: what it costs, when it is offered, and what it changes.

Each is a file in `tactics/`. All are common practice, no source. A tactic changes the pattern (and so the making
order), or only how it is laid; each is judged by an actual lay, never by a rule of thumb.
"""

from __future__ import annotations

from collections.abc import Callable, Collection
from dataclasses import dataclass

from rowanseed.core.base.units import Units, format_length
from rowanseed.core.lay.problem import Problem
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Cut, Piece, Role

TacticId = str


@dataclass(frozen=True)
class Cost:
    """What a tactic costs: `points` to rank by, and in words, its looks and its work."""

    points: int
    looks: str
    work: str


@dataclass(frozen=True)
class Garment:
    """What is asked whether a tactic can change anything: one cloth of a garment."""

    pattern: Pattern
    view: str
    role: Role
    one_way: bool = False
    batch: bool = False

    @property
    def pieces(self) -> tuple[tuple[Piece, Cut], ...]:
        return self.pattern.pieces_for(self.role, self.view)


@dataclass(frozen=True)
class Tactic:
    """One way to save cloth. `words` may say `{by}`, a length in mm.

    `loosens`: it only makes pieces smaller, fewer or freer, so whatever was laid without it can be laid with it.
    `answers` names the question it is one answer to: of two answers one is taken.
    """

    id: TacticId
    words: str
    cost: Cost
    offered: Callable[[Garment], bool]
    loosens: bool = False
    answers: str = ""
    by: float = 0.0
    reshape: Callable[[Pattern, str], Pattern] | None = None
    """The pattern in a size with pieces and seams changed."""
    first: bool = False
    """Whether the others work on what it has changed: facings are cut from the shorter pieces."""
    lay: Callable[[Problem], Problem] | None = None
    other_cloth: Callable[[Pattern, str], frozenset[str]] | None = None
    """The pieces of the main cloth that are cut from the contrast cloth in a view."""
    fewer: bool = False
    """Whether the batch has one garment fewer."""
    too_wide: Callable[[Garment, Piece, Collection[Cut]], bool] | None = None
    """Whether it helps with a piece that is wider than the cloth."""

    def say(self, units: Units) -> str:
        """The tactic in the household's units."""
        return self.words.format(by=format_length(self.by, units, fine=True))
