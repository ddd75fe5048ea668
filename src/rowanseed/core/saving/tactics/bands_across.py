"""Cut bands across the grain."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Cut, Grain, Panel
from rowanseed.core.pattern.stretched import stretched_bands
from rowanseed.core.saving.tactic import Cost, Garment, Tactic


def _freed(cut: Cut) -> Cut:
    return replace(cut, grain=Grain.EITHER) if cut.grain is Grain.LENGTHWISE and not cut.fold else cut


def _across(pattern: Pattern, size: str) -> Pattern:
    held = stretched_bands(pattern.making)
    pieces = (
        replace(piece, cuts=tuple(_freed(cut) for cut in piece.cuts))
        if piece.panel is Panel.BAND and piece.own_id not in held
        else piece
        for piece in pattern.pieces
    )
    return replace(pattern, pieces=tuple(pieces))


def _is_offered(garment: Garment) -> bool:
    held = stretched_bands(garment.pattern.making)
    return any(
        piece.panel is Panel.BAND and piece.own_id not in held and cut.grain is Grain.LENGTHWISE
        for piece, cut in garment.pieces
    )


TACTIC = Tactic(
    id="bands-across",
    words="cut bands across the grain",
    cost=Cost(3, "the print or nap runs the other way on bands, and they stretch a little", "interface them well"),
    offered=_is_offered,
    loosens=True,
    reshape=_across,
)
