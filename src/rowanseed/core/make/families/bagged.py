"""What is lined edge to edge: the seams that enclose it."""

from __future__ import annotations

from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join

ID = "lining edge to edge"


ROLLS_IN = 2.0


def enclosing(bench: Workbench) -> list[Join]:
    return [join for join in bench.joins.values() if bench.encloses(join)]
