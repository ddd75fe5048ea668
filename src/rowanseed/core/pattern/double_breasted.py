"""Double-breasted fronts, told from the marks of a pattern: beside each buttonhole a button on the same front."""

from __future__ import annotations

from rowanseed.core.pattern.fastenings import holed
from rowanseed.core.pattern.making import Closure
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import InnerPoint, Panel, Piece, PointKind

LEVEL, APART = 10.0, 25.0
"""A hole and the button beside it differ in height by no more, in mm, and across by no less."""


def rows(piece: Piece, size: str) -> tuple[tuple[InnerPoint, InnerPoint], ...]:
    """(a buttonhole, the button beside it) of each row of a double-breasted front, from the uppermost down; empty of
    any other piece."""
    if piece.panel is not Panel.FRONT or not all(cut.pair for cut in piece.cuts):
        return ()
    holes, buttons = (
        sorted((p for p in piece.points if p.kind is kind and size in p.at), key=lambda p: p.at[size])
        for kind in (PointKind.BUTTONHOLE, PointKind.BUTTON)
    )
    if len(holes) != len(buttons):
        return ()
    found = tuple(zip(holes, buttons, strict=True))
    return found if all(_are_beside(a, b, size) for a, b in found) else ()


def is_double_breasted(pattern: Pattern, size: str, closure: Closure) -> bool:
    """Whether a closure has its holes in fronts with two columns of buttons."""
    pieces = holed(pattern, closure)
    return bool(pieces) and all(rows(piece, size) for piece in pieces)


def _are_beside(hole: InnerPoint, button: InnerPoint, size: str) -> bool:
    (x, y), (to_x, to_y) = hole.at[size], button.at[size]
    return abs(x - to_x) <= LEVEL and abs(y - to_y) >= APART
