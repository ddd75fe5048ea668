"""Jackets lined by machine: the gap they are turned through, the fold that their lining falls in."""

from __future__ import annotations

from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart

LEAST_FOLD = 3.0
"""A fold of the lining smaller than this, in mm, is none."""


TO_THE_HEM = 15.0
"""A lining that is drawn with as deep an allowance as the hem is sewn to its raw edge by so much, in mm: by the whole
of it no hem could be turned up."""
GAP = 180.0
"""The gap that a garment with sleeves is turned through, in mm (the craft's 6 to 8 in)."""


def falls(bench: Workbench, shell: EdgePart, lining: EdgePart) -> str:
    """What the lining is longer than the way to the raw edge of the turned-up hem lies over it in a fold."""
    fold = (bench.edge_allowance(shell) - bench.edge_allowance(lining)) / 2
    return f" The lining falls over it in a fold of {bench.margin(fold)}." if fold >= LEAST_FOLD else ""


def hem_seam(bench: Workbench, shell: EdgePart, lining: EdgePart) -> float:
    """How far from the raw edges a lining is sewn to what the shell turns up, in mm: by its own allowance."""
    deep, own = bench.edge_allowance(shell), bench.edge_allowance(lining)
    return own if own < deep else min(own, TO_THE_HEM)
