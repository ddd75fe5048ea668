"""What follows from a pattern and the choices made, kept for a while: it is asked for again and again."""

from __future__ import annotations

from functools import lru_cache

from rowanseed.core.alter.change import Altered
from rowanseed.core.base.same import Same
from rowanseed.core.batch import Member
from rowanseed.core.choices import ClothChoices
from rowanseed.core.derive.choice import Layers
from rowanseed.core.garment import GarmentChoices, altered, derived, in_view, to_cut
from rowanseed.core.make.allowances import with_allowances
from rowanseed.core.make.booklet import by_the_booklet
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import Made, compile_garment
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.stitching import on_stitching_line
from rowanseed.core.pattern.walk import SeamWalk, walk
from rowanseed.core.saving.tactic import TacticId

KEPT = 128


def altered_once(pattern: Pattern, choices: GarmentChoices) -> Altered:
    """The pattern as a garment is cut. Raises as `altered` does, each time."""
    return _altered(Same(on_stitching_line(pattern)), choices)


def drawn_once(pattern: Pattern, view: str, size: str) -> Pattern:
    """The pattern as it is drawn, on its stitching lines and with the lower edge of a view."""
    return _in_view(Same(on_stitching_line(pattern)), view, size)


@lru_cache(maxsize=KEPT)
def _in_view(same: Same[Pattern], view: str, size: str) -> Pattern:
    return in_view(same.it, view, size)


@lru_cache(maxsize=KEPT)
def _altered(same: Same[Pattern], choices: GarmentChoices) -> Altered:
    return altered(same.it, choices)


def garment_once(
    pattern: Pattern, tactics: tuple[TacticId, ...], size: str, view: str, reckoning: ClothChoices
) -> Pattern:
    """An (altered) pattern with what is done to save cloth and the layers derived from it; nothing of that before there
    is a size."""
    plain = not tactics and reckoning.layers == Layers() and not reckoning.moved
    return pattern if plain or not size else _garment(Same(pattern), tactics, size, view, reckoning)


@lru_cache(maxsize=KEPT)
def _garment(
    same: Same[Pattern], tactics: tuple[TacticId, ...], size: str, view: str, reckoning: ClothChoices
) -> Pattern:
    return derived(same.it, size, view, reckoning, tactics)


def allowed_once(garment: Pattern, size: str, view: str, making: MakingChoices) -> Pattern:
    """A garment with the allowances that its chosen techniques ask for."""
    return _allowed(Same(garment), size, view, making) if making.techniques and size else garment


@lru_cache(maxsize=KEPT)
def _allowed(same: Same[Pattern], size: str, view: str, making: MakingChoices) -> Pattern:
    return with_allowances(same.it, view, size, making)


def to_cut_once(
    garment: Pattern, size: str, reckoning: ClothChoices, members: tuple[tuple[Member, Pattern], ...]
) -> Pattern:
    """All there is to cut: the garment, rectangles, the batch's other garments."""
    if not members and not reckoning.rectangles and not any(piece.one_sided for piece in garment.pieces):
        return garment
    return _to_cut(Same(garment), size, reckoning, tuple((member, Same(pattern)) for member, pattern in members))


@lru_cache(maxsize=KEPT)
def _to_cut(
    same: Same[Pattern], size: str, reckoning: ClothChoices, members: tuple[tuple[Member, Same[Pattern]], ...]
) -> Pattern:
    return to_cut(same.it, size, reckoning, tuple((member, other.it) for member, other in members))


def made_once(pattern: Pattern, choices: GarmentChoices, making: MakingChoices) -> Made:
    """The operations of an (altered) pattern, not put in order: for which there are, and not when."""
    return _made(Same(pattern), choices, making)


@lru_cache(maxsize=KEPT)
def _made(same: Same[Pattern], choices: GarmentChoices, making: MakingChoices) -> Made:
    return compile_garment(same.it, choices.view, choices.size, making)


def ordered_once(pattern: Pattern, choices: GarmentChoices, making: MakingChoices) -> tuple[Operation, ...]:
    """The operations of an (altered) pattern in working order. Raises as `sequence` does."""
    return _ordered(Same(pattern), choices, making)


@lru_cache(maxsize=KEPT)
def _ordered(same: Same[Pattern], choices: GarmentChoices, making: MakingChoices) -> tuple[Operation, ...]:
    operations = sequence(_made(same, choices, making).operations)
    return by_the_booklet(same.it, operations) if making.habits.by_booklet else operations


def walk_once(pattern: Pattern, size: str) -> tuple[SeamWalk, ...]:
    """The seams of an (altered) pattern, walked."""
    return _walk(Same(pattern), size)


@lru_cache(maxsize=KEPT)
def _walk(same: Same[Pattern], size: str) -> tuple[SeamWalk, ...]:
    return walk(same.it, size)
