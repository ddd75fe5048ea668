"""The row that makes a tunnel along an edge: where it begins, and what is left open of it."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.make.run import Run
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Finish

GAP = 50.0
"""So much of a row stays open for the elastic to be drawn in, in mm (common practice, no source)."""
ONE_EACH = ("inner leg seam", "underarm seam")
"""Seams of which each leg or sleeve has one."""
PREFERRED = (*ONE_EACH, "side seam")
"""Where a tunnel that goes all round is begun, the first of these that crosses it."""


def row_of(bench: Workbench, finish: Finish, *, gap: float = 0.0) -> Run:
    """The row of a tunnel: all round from a seam that crosses it, less a gap; else from end to end."""
    run = bench.runs.over(finish.parts)
    if not run.ring:
        return replace(run, said="from end to end")
    crossing = [bench.runs.beside(part, end) for part in finish.parts for end in (0, 1)]
    seams = [name for name in (*PREFERRED, *crossing) if name in crossing and name.endswith("seam")]
    where = seams[0] if seams else "seam"
    at = f"{'the' if where in ONE_EACH else 'a'} {where}"
    said = f"all round, from a gap at {at} back to it" if gap else f"all round, beginning at {at}"
    return Run(where, where, ring=True, said=said, short=(gap, 0.0))
