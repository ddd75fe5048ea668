"""Pleats and tucks drawn on a piece: which they are."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import EASE_PLEAT, SHUT_PLEAT, LineKind, Piece

KEY = "pleats:"
OF_A_LINING = (EASE_PLEAT, SHUT_PLEAT)


def finds(bench: Workbench) -> Iterator[Duty]:
    for piece in bench.pattern.pieces:
        if lines(piece) and bench.is_cut(piece.id):
            yield single(f"{KEY}{piece.id}")


def lines(piece: Piece) -> int:
    return sum(1 for line in piece.lines if line.kind is LineKind.PLEAT and line.id not in OF_A_LINING)
