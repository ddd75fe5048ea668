"""What was to save cloth and changes nothing here: another pattern was drawn since, or a document asks so."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import replace

from rowanseed.core.base.craft_refusals import NoSuchPieceToMove, NothingToSave, NoUseOfTactic
from rowanseed.core.base.units import Units
from rowanseed.core.choices import ClothChoices
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.apply import offered
from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.saving.tactics import TACTICS


def passed_over(
    altered: Pattern,
    garment: Pattern,
    view: str,
    taken: Mapping[Role, tuple[TacticId, ...]],
    cloth: ClothChoices,
    units: Units,
) -> Iterator[NothingToSave]:
    """The tactics that the altered pattern has nothing for, and the pieces to move that the garment made of it lacks.

    Whether a cloth has a direction is left open: to turn pieces end for end does no harm where they may be turned.
    """
    for role, tactics in taken.items():
        there = offered(altered, view, role, one_way=True, batch=bool(cloth.batch))
        for id in tactics:
            if id not in there:
                why = f"nothing of the {role.words} cloth changes by it"
                yield NoUseOfTactic(id=id, what=TACTICS[id].say(units), why=why, role=role.value)
    pieces = {piece.id for piece, _ in garment.pieces_for(Role.CONTRAST, view)}
    for id in cloth.moved:
        if id not in pieces:
            yield NoSuchPieceToMove(id=id, what=id, why="the garment has no such piece")


def let_go(
    taken: Mapping[Role, tuple[TacticId, ...]], cloth: ClothChoices, gone: Iterable[NothingToSave]
) -> tuple[Mapping[Role, tuple[TacticId, ...]], ClothChoices]:
    """The tactics and the choices at the Cloth station without what is passed over."""
    tactics = dict(taken)
    for one in gone:
        match one:
            case NoUseOfTactic(id=id, role=role):
                tactics[Role(role)] = tuple(other for other in tactics[Role(role)] if other != id)
            case NoSuchPieceToMove(id=id):
                cloth = replace(cloth, moved=tuple(other for other in cloth.moved if other != id))
    return tactics, cloth
