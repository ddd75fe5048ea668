"""Lines of a piece as finely as a screen shows them, remembered: the same pattern is drawn again at every look."""

from __future__ import annotations

from functools import lru_cache

from rowanseed.core.base.same import Same
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.seamline import PieceLines, lines
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.svg import path_of

SHOWN = 0.3
"""How far, in mm of cloth, a drawn curve may stray from the true one: less than a line is wide on a screen."""


@lru_cache(maxsize=2048)
def _shown(same: Same[Piece], size: str) -> PieceLines:
    return lines(same.it, size, SHOWN)


def shown_lines(piece: Piece, size: str) -> PieceLines:
    """Cutting line and seam line of a piece as finely as a screen shows them."""
    return _shown(Same(piece), size)


def outline_path(piece: Piece, size: str) -> str:
    """The cutting line of a piece as a path, upright, in its own frame."""
    return _outline(Same(piece), size)


@lru_cache(maxsize=2048)
def _outline(same: Same[Piece], size: str) -> str:
    return path_of([upright(p) for p in shown_lines(same.it, size).cutting_ring()])
