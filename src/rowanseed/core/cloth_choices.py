"""What is reckoned with besides size and alterations: layers, matching, rectangles, the batch, pieces cut elsewhere."""

from __future__ import annotations

from dataclasses import dataclass, field

from rowanseed.core.batch import Member
from rowanseed.core.cloth.matching import Matching
from rowanseed.core.derive.choice import Layers
from rowanseed.core.notions.added import Wanted
from rowanseed.core.notions.to_buy import CARD
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.sums.rectangles import Rectangle


@dataclass(frozen=True)
class ClothChoices:
    """The choices of a project's Cloth station.

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

    def matched(self, role: Role) -> Matching:
        return dict(self.matching).get(role, Matching.NONE)
