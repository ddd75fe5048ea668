"""Let neighbours share one cutting line."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.saving.tactic import Cost, Tactic

TACTIC = Tactic(
    id="share-cuts",
    words="let neighbours share one cutting line",
    cost=Cost(2, "none", "no room for a slip of the shears between pieces"),
    offered=lambda garment: True,
    loosens=True,
    lay=lambda problem: replace(problem, gap=0.0),
)
