"""A dart made longer or shorter."""

from __future__ import annotations

from rowanseed.core.alter import dart
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kind import AlterationKind, OnTissue, Place
from rowanseed.core.base.words import lower_first
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Dart, Piece


def _places(pattern: Pattern, size: str) -> tuple[Place, ...]:
    return tuple(Place(f"{dart_name(p, d)}: length", at=dart.dart_key(p, d)) for p, d in dart.darts(pattern))


def dart_name(piece: Piece, dart: Dart) -> str:
    """A dart in words: “Waist dart of the trouser front”; by its edge where it has no name of its own."""
    own = dart.id.replace("-", " ").removesuffix("dart").strip() or dart.edge.replace("-", " ")
    return f"{own.capitalize()} dart of the {lower_first(piece.name)}"


def named(alteration: Alteration, pattern: Pattern) -> str:
    found = next(((p, d) for p, d in dart.darts(pattern) if dart.dart_key(p, d) == alteration.at), None)
    return dart_name(*found) if found else "A dart"


def _tissue(told: OnTissue) -> tuple[str, ...]:
    side = "beyond" if told.more else "short of"
    return (
        f"On the dart's middle line mark its new point {told.figure} {side} the old one.",
        "Draw both legs to it from where they stand on the edge: what the dart takes in stays.",
    )


KIND = AlterationKind(
    id="dart-length",
    name="A dart's length",
    order=45,
    sense="longer",
    opposite="shorter",
    most=80,
    why="the dart is on it",
    offered=lambda pattern, size: bool(dart.darts(pattern)),
    carry_out=lambda pattern, size, a: dart.change_dart_length(pattern, size, a.at, a.by),
    tissue=_tissue,
    places=_places,
    named=named,
)
