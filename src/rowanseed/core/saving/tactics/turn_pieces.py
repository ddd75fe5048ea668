"""Turn pieces end for end on one-way cloth."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.saving.tactic import Cost, Tactic

TACTIC = Tactic(
    id="turn-pieces",
    words="turn pieces end for end",
    cost=Cost(
        8, "nap shades differently, a print stands on its head on some pieces", "look at it hung up before you cut"
    ),
    offered=lambda garment: garment.one_way,
    loosens=True,
    lay=lambda problem: replace(problem, cloth=replace(problem.cloth, one_way=False)),
)
