"""The side seams of a facing that is one for neck and armholes."""

from __future__ import annotations

from rowanseed.core.make.families.facings import sides_of_all_in_one
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join

ID = "all-in-one facing"


def side_joins(bench: Workbench) -> tuple[list[Join], list[Join]]:
    """The side seams of the garment, and those of its facing."""
    shell = [j for j in bench.joins.values() if bench.closes_side(j) and not pieces_of((*j.a, *j.b)) & bench.inner]
    return shell, sides_of_all_in_one(bench)
