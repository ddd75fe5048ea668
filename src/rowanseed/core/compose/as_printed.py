"""What is read off an envelope and its tissue: rows of charts, lines of the yardage, views, what a tape measured."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from rowanseed.core.compose.vocabulary import TapeLine

Row = Mapping[str, float]
"""One figure a size, in mm."""


@dataclass(frozen=True)
class Measured:
    """What a tape read on the tissue of one piece, in one size: dimensions in mm by their names, on which line."""

    size: str
    dimensions: Mapping[str, float]
    line: TapeLine = TapeLine.STITCHING


@dataclass(frozen=True)
class Printed:
    """A line of the envelope's yardage."""

    role: str
    width: float
    length: float
    size: str = ""
    one_way: bool = False
    view: str = ""
    """The view it is printed for; empty: every view."""


@dataclass(frozen=True)
class PrintedView:
    """A view of the envelope: its letter, what is printed beside it, and how far its lower edge lies below the one
    that is described, in mm; above it, if less."""

    id: str
    name: str = ""
    below: float = 0.0
