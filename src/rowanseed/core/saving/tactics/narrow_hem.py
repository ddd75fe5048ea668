"""A narrower hem."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.alter.hem import hem_edges
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.saving.pieces import body_hems, is_hemmed
from rowanseed.core.saving.tactic import Cost, Tactic

ALLOWANCE = 16.0
FOLDS = (6.0, 10.0)


def _narrowed(pattern: Pattern, size: str) -> Pattern:
    edges, hems = set(hem_edges(pattern)), body_hems(pattern)
    pieces = tuple(
        replace(
            piece,
            edges=tuple(
                replace(edge, allowance=min(edge.allowance, ALLOWANCE)) if (piece.id, edge.name) in edges else edge
                for edge in piece.edges
            ),
        )
        if piece.panel in (Panel.FRONT, Panel.BACK)
        else piece
        for piece in pattern.pieces
    )
    finishes = tuple(replace(f, folds=FOLDS) if f.id in hems else f for f in pattern.making.finishes)
    return replace(pattern, pieces=pieces, making=replace(pattern.making, finishes=finishes))


TACTIC = Tactic(
    id="narrow-hem",
    words="a narrower hem",
    cost=Cost(3, "the hem hangs lighter", "less to let down later"),
    offered=is_hemmed,
    loosens=True,
    answers="the hem",
    reshape=_narrowed,
)
