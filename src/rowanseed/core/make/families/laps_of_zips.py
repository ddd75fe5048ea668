"""Which side of a lapped zip lies on top (common practice, no source)."""

from __future__ import annotations

from rowanseed.core.make.graph import Graph, pieces_of
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import Panel


def hands_of(bench: Graph, join: Join) -> tuple[str, str] | None:
    """(lap, underlap) as the wearer's hands, in a seam of one piece with its like; None between two pieces, where the
    front laps over the back."""
    if pieces_of(join.a) != pieces_of(join.b):
        return None
    women = bench.pattern.envelope.figure is Figure.WOMEN
    return ("right", "left") if women and Panel.BACK not in bench.panels(join.a) else ("left", "right")


def lies_over(bench: Graph, piece: str) -> bool:
    """Whether a piece laps over the other at a seam of two."""
    return bench.panel(piece) is Panel.FRONT
