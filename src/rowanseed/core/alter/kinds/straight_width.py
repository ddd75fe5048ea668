"""The width of a straight piece: how far it goes round the body."""

from __future__ import annotations

from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kind import AlterationKind, OnTissue, Place
from rowanseed.core.alter.straight import change_girth
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.straight import girth, straight_pieces


def _places(pattern: Pattern, size: str) -> tuple[Place, ...]:
    return tuple(Place(f"{p.name}: how far round", at=p.id) for p in straight_pieces(pattern, size))


def _named(alteration: Alteration, pattern: Pattern) -> str:
    piece = next((p for p in pattern.pieces if p.id == alteration.at), None)
    return f"{piece.name if piece else alteration.at}, how far round"


def _tissue(told: OnTissue) -> tuple[str, ...]:
    piece = told.pattern.piece(told.alteration.at)
    now = told.show(girth(told.step.after, told.step.after.piece(piece.id), told.size))
    if told.more:
        return (f"Cut it {told.figure} wider than drawn: {now} finished, and the allowances beyond that.",)
    return (f"Fold {told.figure} out of it: {now} finished, and the allowances beyond that.",)


KIND = AlterationKind(
    id="straight-width",
    name="A straight piece",
    order=120,
    sense="wider",
    opposite="narrower",
    most=3000,
    why="it is cut to the body's figures",
    offered=lambda pattern, size: bool(straight_pieces(pattern, size)),
    carry_out=lambda pattern, size, a: change_girth(pattern, size, a.at, a.by),
    tissue=_tissue,
    places=_places,
    named=_named,
)
