"""A remark on a cloth that is chosen for a garment, and what it is made on."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from rowanseed.core.base.units import Units
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece, Role

Weight = Literal["advice", "mind"]
"""`mind` where the garment would not turn out as it is drawn; `advice` where it only turns out otherwise."""


@dataclass(frozen=True)
class Remark:
    """One thing to know before a cloth is cut; the id stays the same, whatever its words."""

    id: str
    says: str
    weight: Weight = "advice"


@dataclass(frozen=True)
class Chosen:
    """The garment with its layers as they are made, its main cloth, and the cloth for a role: None where it is still to
    be chosen."""

    garment: Pattern
    view: str
    role: Role
    cloth: Cloth | None
    main: Cloth | None
    units: Units

    @property
    def pieces(self) -> tuple[Piece, ...]:
        """What is cut from this cloth."""
        return tuple(piece for piece, _ in self.garment.pieces_for(self.role, self.view))

    @property
    def has_sleeves(self) -> bool:
        """Whether arms slide through what is cut from this cloth."""
        return any("sleeve" in piece.name.lower() for piece in self.pieces)

    @property
    def is_heavier_than_main(self) -> bool:
        """Whether it weighs more than the cloth that it lies behind; False where either weight is not known."""
        if self.cloth is None or self.main is None or not self.cloth.weight or not self.main.weight:
            return False
        return self.cloth.weight > self.main.weight
