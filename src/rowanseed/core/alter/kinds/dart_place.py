"""A dart moved along its edge, or turned by its point."""

from __future__ import annotations

from rowanseed.core.alter import dart
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kind import AlterationKind, OnTissue, Place
from rowanseed.core.alter.kinds.dart_length import dart_name
from rowanseed.core.alter.kinds.dart_length import named as dart_named
from rowanseed.core.pattern.pattern import Pattern

WHAT = {"": "the whole dart", dart.POINT: "its point alone"}


def _places(pattern: Pattern, size: str) -> tuple[Place, ...]:
    return tuple(
        Place(f"{dart_name(p, d)}, {words}", at=dart.dart_key(p, d), level=level)
        for p, d in dart.darts(pattern)
        for level, words in WHAT.items()
    )


def _named(alteration: Alteration, pattern: Pattern) -> str:
    return f"{dart_named(alteration, pattern)}, {WHAT.get(alteration.level, alteration.level)}"


def _tissue(told: OnTissue) -> tuple[str, ...]:
    piece, found = dart.dart_of(told.pattern, told.alteration.at)
    if dart.is_crosswise(piece, found):
        way = "towards the side" if told.more else "towards the centre"
    else:
        way = "down" if told.more else "up"
    if told.alteration.level == dart.POINT:
        return (
            f"Mark the dart's new point {told.figure} {way} from the old one.",
            "Draw both legs to it from where they stand on the edge, fold the dart closed and cut the edge through.",
        )
    return (
        f"Trace the dart and shift the tracing {told.figure} {way}, its mouth on the edge.",
        "Close the old one on the tissue, draw the edge smooth, fold the new one closed and cut the edge through.",
    )


KIND = AlterationKind(
    id="dart-place",
    name="A dart's place",
    order=46,
    sense="down, or towards the side",
    opposite="up, or towards the centre",
    most=80,
    why="the dart is on it",
    offered=lambda pattern, size: bool(dart.darts(pattern)),
    carry_out=lambda pattern, size, a: dart.move_dart(pattern, size, a.at, a.level, a.by),
    tissue=_tissue,
    places=_places,
    named=_named,
)
