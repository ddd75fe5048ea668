"""What a feature of a garment is: where a description asks for it, what it needs and forbids, what it does to the cut.

A feature is a file in `features/`; adding one touches nothing else. Its parts are called in this order, each only where
`asked`: `panel` cuts a half of the bodice and `skirt` the skirt in its own way, `carves` works on what is drafted
before its edges are ended, `finish` ends one of them, `joins` adds to the body once it is sewn together, `adds` puts on
what is put on last.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from enum import Enum

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.panels import Half

Found = Iterator[tuple[str, str]]
"""Fields of the document, each with why what it says cannot be."""


@dataclass(frozen=True)
class Body:
    """Front and back, and the skirt's below them where the garment has a seam at the waist."""

    front: Half
    back: Half
    below: tuple[Half, Half] | None = None


class Ended(Enum):
    """What of a garment one feature ends, in this order."""

    OPENING = "opening"
    NECK = "neck"
    ARMHOLE = "armhole"
    WAIST = "waist"


def _nothing(description: Description) -> Found:
    return iter(())


@dataclass(frozen=True)
class Feature:
    """One thing that an envelope shows.

    `rank` orders features of one kind: what is put on before other things, what of two ways to cut a half comes first.
    """

    id: str
    asked: Callable[[Description], bool]
    forbids: Callable[[Description], Found] = _nothing
    takes: Callable[[Description, Half], bool] = lambda description, half: False
    panel: Callable[[Build, Half], None] | None = None
    carves: Callable[[Build, Body], None] | None = None
    joins: Callable[[Build, Body], None] | None = None
    adds: Callable[[Build], None] | None = None
    skirt: Callable[[Build], tuple[Half, Half]] | None = None
    ends: frozenset[Ended] = frozenset()
    """What it ends: by `finish`, or already where it is drafted. The first that is asked for ends it alone."""
    finish: Callable[[Build, Body], None] | None = None
    rank: int = 50
