"""Seams whose raw edges are bound: which cloth bears it."""

from __future__ import annotations

from rowanseed.core.make.operation import On
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench, shown


def woven(bench: Workbench) -> str:
    return "a knit does not fray, and a binding would hold it stiff" if bench.household.is_knit else ""


def on_edges(bench: Workbench, duty: Duty) -> On:
    return On(edges=shown(bench.parts(duty.id)))
