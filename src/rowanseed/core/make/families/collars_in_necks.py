"""Collars that a facing encloses in the neck seam: which they are."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families import collars
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import Panel


def turned_collars(bench: Workbench) -> Iterator[Join]:
    return (bench.joins[duty.id] for duty in collars.finds_turned(bench))


def on_neck(bench: Workbench, layer: str) -> Join | None:
    """The join that sews a layer of a collar to the garment."""
    for join in bench.joins.values():
        for side, other in ((join.a, join.b), (join.b, join.a)):
            on_body = (
                bench.panels(other) <= {Panel.FRONT, Panel.BACK, Panel.SLEEVE} and not pieces_of(other) & bench.inner
            )
            if pieces_of(side) == {layer} and on_body:
                return join
    return None
