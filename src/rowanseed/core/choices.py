"""What a household and a sewist decide: the records from which a project is worked out."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from rowanseed.core.alter.blend import Blend
from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.units import Units
from rowanseed.core.batch import Member
from rowanseed.core.cloth.matching import NOTHING, Matching
from rowanseed.core.derive.choice import Layers
from rowanseed.core.make.equipment import Equipment, SewingHabits, Workroom
from rowanseed.core.notions.added import Wanted
from rowanseed.core.notions.buttons import CARD
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.tactic import TacticId
from rowanseed.core.sizing.schools import School
from rowanseed.core.sizing.wish import Wish
from rowanseed.core.sums.rectangles import Rectangle


@dataclass(frozen=True)
class Habits:
    """The household's: units, what it sews with and how, what it calls its money (empty where it has not said)."""

    units: Units = Units.METRIC
    workroom: Workroom = field(default_factory=Workroom)
    money: str = ""
    stand_in_shop: bool = False
    """Whether the prices of the simulated shop are shown."""

    @property
    def equipment(self) -> Equipment:
        return self.workroom.equipment

    @property
    def sewing(self) -> SewingHabits:
        return self.workroom.habits


@dataclass(frozen=True)
class FitChoices:
    """What was decided at the Fit station besides the size.

    `accepted` maps a join's id to the difference (mm) that is meant. `altered_in` is the size in which the alterations
    were last looked at: in another one they start from other lines.
    """

    school: School | None = None
    reason: str = ""
    blend: Blend = ()
    alterations: tuple[Alteration, ...] = ()
    wish: Wish = field(default_factory=Wish)
    accepted: Mapping[str, float] = field(default_factory=dict)
    altered_in: str = ""


@dataclass(frozen=True)
class ClothChoices:
    """What was decided at the Cloth station: layers, matching, rectangles, the batch, pieces cut elsewhere.

    `moved` are pieces of the main cloth that are cut from the contrast cloth, an off-cut say.
    """

    layers: Layers = field(default_factory=Layers)
    matching: tuple[tuple[Role, Matching], ...] = ()
    on_border: bool = False
    rectangles: tuple[Rectangle, ...] = ()
    batch: tuple[Member, ...] = ()
    moved: tuple[str, ...] = ()
    wanted: tuple[Wanted, ...] = ()
    card: int = CARD
    """How many buttons there are on a card."""

    def matching_with(self, role: Role, how: Matching) -> tuple[tuple[Role, Matching], ...]:
        """What is matched once a cloth is matched like this."""
        return tuple((r, h) for r, h in {**dict(self.matching), role: how}.items() if h)

    def matched(self, role: Role) -> Matching:
        return dict(self.matching).get(role, NOTHING)


@dataclass(frozen=True)
class Decisions:
    """All that was decided of a project; `size` None where none has been chosen yet."""

    view: str
    size: str | None = None
    fit: FitChoices = field(default_factory=FitChoices)
    tactics: Mapping[Role, tuple[TacticId, ...]] = field(default_factory=dict)
    cloth: ClothChoices = field(default_factory=ClothChoices)
    techniques: tuple[tuple[str, str], ...] = ()
    """Pairs of a part of the making graph and the technique chosen for it, where it is not the usual one."""
    as_cut: frozenset[str] = frozenset()
    """Those of these parts that were chosen after the pieces were cut, so that their allowances stay."""
