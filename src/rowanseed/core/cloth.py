"""A cloth: how wide, how much of it, which way it runs, how much it shrinks."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum


class Direction(Enum):
    """Whether pieces may be turned end for end."""

    TWO_WAY = "two-way"
    ONE_WAY = "one-way"


class Fibre(Enum):
    COTTON = "cotton"
    LINEN = "linen"
    VISCOSE = "viscose"
    WOOL = "wool"
    SILK = "silk"
    POLYESTER = "polyester"
    OTHER = "something else"


USUAL_SHRINKAGE: dict[Fibre, float] = {
    # The upper end of the usual allowance, as a share of one (common practice, no source).
    Fibre.COTTON: 0.05, Fibre.LINEN: 0.08, Fibre.VISCOSE: 0.08, Fibre.WOOL: 0.04,
    Fibre.SILK: 0.03, Fibre.POLYESTER: 0.01, Fibre.OTHER: 0.05,
}  # fmt: skip


class Surface(Enum):
    """What the swatch is drawn with."""

    PLAIN = "plain"
    SPRIGS = "sprigs, all one way up"
    TOSSED = "a tossed print"
    CHECK = "checks"
    CORD = "needlecord"


@dataclass(frozen=True)
class Cloth:
    """A cloth; lengths in mm, shrinkage as a share of one along and across, colour as #rrggbb.

    `washed` cloth has shrunk already and is measured as it is.
    """

    name: str
    width: float
    length: float | None
    selvedge: float
    direction: Direction
    fibre: Fibre = Fibre.OTHER
    shrink_along: float = 0.0
    shrink_across: float = 0.0
    washed: bool = False
    colour: str = "#8a8f8c"
    surface: Surface = Surface.PLAIN

    @property
    def ready_width(self) -> float:
        """Width when it is ready to be cut."""
        return self.width if self.washed else self.width * (1 - self.shrink_across)

    @property
    def ready_length(self) -> float | None:
        """Length in hand when it is ready to be cut; None if none is in hand."""
        if self.length is None:
            return None
        return self.length if self.washed else self.length * (1 - self.shrink_along)
