"""What the sewist has and wants, as the techniques ask it."""

from __future__ import annotations

from dataclasses import dataclass, field

from rowanseed.core.base.units import Units
from rowanseed.core.cloth.cloth import Fibre, Surface, Use
from rowanseed.core.make.equipment import Equipment, SewingHabits
from rowanseed.core.pattern.envelope import Structure


@dataclass(frozen=True)
class MakingChoices:
    """Everything that changes the operations besides the garment itself.

    `techniques` are pairs of an id of the making graph and the technique chosen for it.
    """

    equipment: Equipment = field(default_factory=Equipment)
    habits: SewingHabits = field(default_factory=SewingHabits)
    techniques: tuple[tuple[str, str], ...] = ()
    as_cut: frozenset[str] = frozenset()
    """Parts whose technique was chosen after the pieces were cut: their allowances stay."""
    units: Units = Units.METRIC
    fibre: Fibre = Fibre.OTHER
    structure: Structure = Structure.WOVEN
    surface: Surface = Surface.PLAIN
    weight: float | None = None
    pad: float = 0.0
    """Thickness of shoulder pads in mm; 0: there are none."""
    interfacing: Use | None = None
    """What the cloth chosen as interfacing is meant for; None where none is chosen."""

    @property
    def is_knit(self) -> bool:
        return self.structure is Structure.KNIT

    def chosen(self, id: str) -> str:
        """The technique chosen for a part of the graph; empty if none is."""
        return next((technique for part, technique in self.techniques if part == id), "")
