"""Jackets lined by machine: the gap they are turned through, the fold that their lining falls in."""

from __future__ import annotations

from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart

LEAST_FOLD = 3.0
"""A fold of the lining smaller than this, in mm, is none."""


GAP = 180.0
"""The gap that a garment with sleeves is turned through, in mm (the craft's 6 to 8 in)."""


def falls(bench: Workbench, shell: EdgePart, lining: EdgePart) -> str:
    """What the lining is longer than the way to the raw edge of the turned-up hem lies over it in a fold."""
    fold = (bench.edge_allowance(shell) - bench.edge_allowance(lining)) / 2
    return f" The lining falls over it in a fold of {bench.margin(fold)}." if fold >= LEAST_FOLD else ""
