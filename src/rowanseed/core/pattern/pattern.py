"""A whole pattern: envelope, pieces and making graph."""

from __future__ import annotations

from dataclasses import dataclass, field
from functools import cached_property

from rowanseed.core.pattern.envelope import Envelope
from rowanseed.core.pattern.making import Making
from rowanseed.core.pattern.pieces import Cut, Piece, Role


@dataclass(frozen=True)
class Pattern:
    """A whole pattern. `garment` is a word such as skirt; `house` and `code` say who printed it."""

    name: str
    house: str
    code: str
    garment: str
    envelope: Envelope
    pieces: tuple[Piece, ...]
    making: Making = field(default_factory=Making)
    description: str = ""
    """The description document it was composed from; empty where its pieces were drawn."""
    assumed: tuple[tuple[str, str], ...] = ()
    """What was assumed where the description did not say: (field, in words)."""

    @property
    def is_approximate(self) -> bool:
        """Whether any piece is composed by arithmetic rather than drawn or measured."""
        return any(piece.approximate for piece in self.pieces)

    def piece(self, id: str) -> Piece:
        return self._by_id[id]

    @cached_property
    def _by_id(self) -> dict[str, Piece]:
        return {piece.id: piece for piece in reversed(self.pieces)}

    def pieces_for(self, role: Role, view: str) -> tuple[tuple[Piece, Cut], ...]:
        """The pieces cut from a cloth for a view, each with its cutting instruction."""
        return tuple((piece, cut) for piece in self.pieces for cut in piece.cuts_for(role, view))

    def roles(self, view: str) -> tuple[Role, ...]:
        """The cloths a view is cut from, main first."""
        return tuple(role for role in Role if self.pieces_for(role, view))
