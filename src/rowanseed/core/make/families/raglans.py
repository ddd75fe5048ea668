"""Raglan seams: which they are."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.which import seams
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import Panel


def finds_raglan(bench: Workbench) -> Iterator[Duty]:
    """A sleeve that is sewn to front and back by a seam each, up to the neck."""
    for join in seams(bench):
        panels = bench.panels((*join.a, *join.b))
        one_side = panels in ({Panel.SLEEVE, Panel.FRONT}, {Panel.SLEEVE, Panel.BACK})
        if one_side and not pieces_of((*join.a, *join.b)) & bench.inner:
            yield single(join.id)
