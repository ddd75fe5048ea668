"""Steps that are done on a whole piece."""

from __future__ import annotations

from rowanseed.core.make import facts
from rowanseed.core.make.operation import On
from rowanseed.core.make.steps import Steps
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import EdgePart


def on_whole(bench: Workbench, id: str) -> On:
    """A piece with all its edges."""
    return On(pieces=(id,), edges=shown(EdgePart(id, edge.name) for edge in bench.piece(id).edges))


def of_piece(bench: Workbench, technique: str, id: str) -> Steps:
    """The steps of a technique on one piece."""
    return Steps(
        bench=bench,
        id=id,
        technique=technique,
        name=bench.name(id),
        on=on_whole(bench, id),
        subject=facts.SubjectKind.PIECE,
        mm=400.0 * bench.number_cut(id),
    )


STIFF = "stiffen and back"
