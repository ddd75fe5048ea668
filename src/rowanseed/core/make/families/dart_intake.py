"""How much a dart takes in."""

from __future__ import annotations

from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import Dart, Piece
from rowanseed.core.pattern.seamline import mark_distance


def intake(bench: Workbench, piece: Piece, dart: Dart) -> float:
    """What a dart takes in at its edge, in mm."""
    first, second = (mark_distance(piece, bench.size, piece.mark(leg)) for leg in dart.legs)
    return abs(second - first)
