"""The row that makes a tunnel along an edge: where it begins, and what is left open of it."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.make.run import Run
from rowanseed.core.make.runs import at_a
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Finish

GAP = 50.0
"""So much of a row stays open for the elastic to be drawn in, in mm (common practice, no source)."""


def row_of(bench: Workbench, finish: Finish, *, gap: float = 0.0) -> Run:
    """The row of a tunnel: all round from a seam that crosses it, less a gap; else from end to end."""
    run = bench.runs.over(finish.parts)
    if not run.ring:
        return replace(run, said="from end to end")
    where = bench.runs.ring_start(finish.parts)
    said = f"all round, from a gap at {at_a(where)} back to it" if gap else f"all round, beginning at {at_a(where)}"
    return Run(where, where, ring=True, said=said, short=(gap, 0.0))
