"""What the sewist has and wants, as the techniques ask it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from rowanseed.core.base.units import Units
from rowanseed.core.cloth.cloth import Cloth, Fibre, Surface, Use
from rowanseed.core.make.equipment import Equipment, SewingHabits, Workroom
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.pieces import Role


@dataclass(frozen=True)
class AtTheNeedle:
    """What of a cloth decides the needle and the stitch; weight in g/m²."""

    fibre: Fibre
    structure: Structure
    surface: Surface
    weight: float | None


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
    lining: AtTheNeedle | None = None
    """The cloth chosen as lining; None where none is."""
    contrast: AtTheNeedle | None = None
    """The cloth that is set against the main one; None where none is chosen."""
    interfacing: Use | None = None
    """What the cloth chosen as interfacing is meant for; None where none is chosen."""

    @property
    def is_knit(self) -> bool:
        return self.structure is Structure.KNIT

    @property
    def on_the_lining(self) -> MakingChoices:
        """The same for what is sewn of the lining's cloth; while none is chosen, of one that stretches alike."""
        return self.of_cloth(self.lining or AtTheNeedle(Fibre.OTHER, self.structure, Surface.PLAIN, None))

    @property
    def on_the_contrast(self) -> MakingChoices:
        """The same for what is sewn of the contrast cloth; while none is chosen, of one like the main cloth."""
        return self if self.contrast is None else self.of_cloth(self.contrast)

    @property
    def as_a_knit(self) -> MakingChoices:
        """The same for a seam that has to stretch, whatever the garment is cut of."""
        return replace(self, structure=Structure.KNIT)

    def of_cloth(self, cloth: AtTheNeedle) -> MakingChoices:
        return replace(self, fibre=cloth.fibre, structure=cloth.structure, surface=cloth.surface, weight=cloth.weight)

    def chosen(self, id: str) -> str:
        """The technique chosen for a part of the graph; empty if none is."""
        return next((technique for part, technique in self.techniques if part == id), "")


def choices_for(
    *,
    workroom: Workroom,
    units: Units,
    cloths: Mapping[Role, Cloth],
    drawn_for: Structure | None,
    techniques: tuple[tuple[str, str], ...],
    as_cut: frozenset[str],
    pad: float,
) -> MakingChoices:
    """The choices of a household for a garment of these cloths; `drawn_for`: what a pattern asks of a main cloth that
    is still to be chosen."""
    main, stiff = cloths.get(Role.MAIN), cloths.get(Role.INTERFACING)
    others = {role: _at_the_needle(cloth) for role, cloth in cloths.items()}
    known = MakingChoices(
        equipment=workroom.equipment,
        habits=workroom.habits,
        techniques=techniques,
        as_cut=as_cut,
        units=units,
        pad=pad,
        lining=others.get(Role.LINING),
        contrast=others.get(Role.CONTRAST),
        interfacing=None if stiff is None else stiff.use,
    )
    if main is None:
        return replace(known, structure=drawn_for or Structure.WOVEN)
    return known.of_cloth(_at_the_needle(main))


def _at_the_needle(cloth: Cloth) -> AtTheNeedle:
    return AtTheNeedle(cloth.fibre, cloth.structure, cloth.surface, cloth.weight)
