"""Fastenings along an edge: how many, and where they stand."""

from __future__ import annotations

from rowanseed.core.make.operation import On
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.pieces import PointKind

APART = 75.0
"""Snaps and eyelets stand about so far apart, in mm, where the pattern marks none (common practice)."""


def how_many(bench: Workbench, id: str) -> str:
    marked = bench.points_of(PointKind.BUTTON)
    if marked:
        return f"{marked} of them, at the marks."
    mm = bench.openings.zip_length(bench.closures[id])
    if mm is None:
        return "This pattern marks no places: one where it is strained most, the others evenly between the ends."
    return (
        f"This pattern marks no places: one near each end and the others between, {bench.margin(APART)} apart at most, "
        f"on the {bench.length(mm)} of the opening."
    )


def on_closure(bench: Workbench, id: str) -> On:
    """What an operation on a fastening is done on: it, and the edges that it closes."""
    return On(closures=(id,), edges=shown(bench.parts(bench.closures[id].join)))
