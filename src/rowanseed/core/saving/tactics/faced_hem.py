"""Face the hem instead of turning it up."""

from __future__ import annotations

from rowanseed.core.derive.facing import with_facings
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.saving.pieces import body_hems, is_hemmed
from rowanseed.core.saving.tactic import Cost, Tactic

TACTIC = Tactic(
    id="faced-hem",
    words="face the hem instead of turning it up",
    cost=Cost(
        5, "none from the right side", "facings from other cloth, sewn on, turned and caught: about half an hour"
    ),
    offered=is_hemmed,
    loosens=True,
    answers="the hem",
    reshape=lambda pattern, size: with_facings(pattern, size, body_hems(pattern), Role.CONTRAST),
)
