"""One garment fewer."""

from __future__ import annotations

from rowanseed.core.saving.tactic import Cost, Tactic

TACTIC = Tactic(
    id="smaller-batch",
    words="one garment fewer",
    cost=Cost(9, "one goes without", "one garment less to sew"),
    offered=lambda garment: garment.batch,
    loosens=True,
    fewer=True,
)
