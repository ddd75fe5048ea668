"""What is printed on the envelope: views, sizes, charts, yardage, notions. Lengths in millimetres."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from rowanseed.core.base.words import Worded
from rowanseed.core.pattern.pieces import Role


class Figure(Worded):
    """Whom a pattern is drawn for."""

    WOMEN = "women"
    MEN = "men"
    CHILDREN = "children"
    UNISEX = "unisex"


class Structure(Worded):
    """How a cloth is made."""

    WOVEN = "woven"
    KNIT = "knit"


@dataclass(frozen=True)
class View:
    """A view of the envelope. Its lower edge lies `below` the one the pieces are drawn with, in mm; above it, if less.

    One tissue has a line for each: the same pieces cut shorter for one view and longer for another.
    """

    id: str
    name: str
    below: float = 0.0


@dataclass(frozen=True)
class PrintedYardage:
    """A line of the envelope's yardage: the length in mm for a view, size, width and direction."""

    view: str
    size: str
    role: Role
    width: float
    one_way: bool
    length: float


@dataclass(frozen=True)
class PrintedNotion:
    """Something to buy besides cloth."""

    what: str
    count: int
    detail: str = ""


class Runs(Worded):
    """What the house is like, beside its own chart."""

    TRUE = "true", "true to its chart"
    LARGE = "large"
    SMALL = "small"


@dataclass(frozen=True)
class Envelope:
    """What is printed on the envelope. Charts map a measure to one figure a size, in millimetres."""

    views: tuple[View, ...]
    sizes: tuple[str, ...]
    sized_by: tuple[str, ...] = ()
    """Measures the size is chosen by, the one that decides first."""
    body_chart: Mapping[str, Mapping[str, float]] = field(default_factory=dict)
    finished: Mapping[str, Mapping[str, Mapping[str, float]]] = field(default_factory=dict)
    """View → measure → size → finished measurement of the garment."""
    yardage: tuple[PrintedYardage, ...] = ()
    notions: tuple[PrintedNotion, ...] = ()
    figure: Figure = Figure.UNISEX
    fabrics: tuple[str, ...] = ()
    """The cloths that are suggested, as they are printed."""
    runs: Runs = Runs.TRUE
    cloth: Structure | None = None
    """What it is drawn for, where that is known."""
    stretch: float = 0.0
    """How far a knit has to stretch across so that the garment goes on, as a share of its length."""
