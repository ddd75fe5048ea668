"""Neck and armholes faced by one facing: the armholes sewn round the rolled-up garment while the sides are open."""

from __future__ import annotations

from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.techniques.facing import sides_of_all_in_one
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join

ID = "all-in-one facing"


def side_joins(bench: Workbench) -> tuple[list[Join], list[Join]]:
    """The side seams of the garment, and those of its facing."""
    shell = [j for j in bench.joins.values() if bench.closes_side(j) and not pieces_of((*j.a, *j.b)) & bench.inner]
    return shell, sides_of_all_in_one(bench)
