"""Doubled yokes: their seams, each with both layers."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.doubled import yoke_pairs
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench

ID = "doubled yoke"


def finds(bench: Workbench) -> Iterator[Duty]:
    for one, other in yoke_pairs(bench.joins.values()):
        yield Duty((one.id, other.id), whole=True)
