"""What a kind of alteration is: its name and figures, when it is offered, how it is done, and what a person does on the
tissue. Every kind is one file in `kinds/`."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from rowanseed.core.alter.change import Alteration, AlterationStep
from rowanseed.core.base.units import Units, format_length
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.turned_yoke import laid_open


@dataclass(frozen=True)
class Place:
    """Where and how a kind can be asked for on a pattern, in words; `at`, `level`, `school` as in `Alteration`."""

    words: str
    at: str = ""
    level: str = ""
    school: str = ""


@dataclass(frozen=True)
class OnTissue:
    """An alteration to be told for the tissue: lengths are said by `show`, which leaves signs out."""

    step: AlterationStep
    units: Units
    size: str

    @property
    def pattern(self) -> Pattern:
        return self.step.before

    @property
    def alteration(self) -> Alteration:
        return self.step.alteration

    @property
    def more(self) -> bool:
        return self.alteration.by > 0

    @property
    def figure(self) -> str:
        return self.show(self.alteration.by)

    def show(self, mm: float) -> str:
        return format_length(abs(mm), self.units, fine=True)

    def can_be_told(self, mm: float) -> bool:
        """Whether a length is more than nothing as it is said."""
        return self.show(mm) != self.show(0.0)


@dataclass(frozen=True)
class AlterationKind:
    """A kind of alteration in the sewist's words.

    `sense` says what a figure above zero means, `opposite` a figure below zero, empty where there is no such thing;
    `most` is the largest sensible change in mm; `why` says why a piece is changed by it; `order` is where it stands
    among the kinds on offer.
    """

    id: str
    name: str
    order: int
    sense: str
    opposite: str
    most: float
    why: str
    offered: Callable[[Pattern, str], bool]
    carry_out: Callable[[Pattern, str, Alteration], Pattern]
    tissue: Callable[[OnTissue], tuple[str, ...]]
    places: Callable[[Pattern, str], tuple[Place, ...]] | None = None
    """Where it can be asked for, where that is not simply on the pattern."""
    named: Callable[[Alteration, Pattern], str] | None = None
    """What one of them is called, where that depends on its place."""
    why_on: Callable[[Pattern, str, Alteration, Piece], str] | None = None
    """Why a piece is changed by one of them, where that is not the same for all pieces."""
    on_sleeve: Callable[[Alteration], bool] = lambda _: False
    """Whether a sleeve is altered by it itself, and does not only follow."""

    def places_on(self, pattern: Pattern, size: str) -> tuple[Place, ...]:
        return self.places(laid_open(pattern), size) if self.places is not None else (Place(self.name),)
