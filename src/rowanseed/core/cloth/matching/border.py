"""Hems on a border that runs along a selvedge."""

from __future__ import annotations

from rowanseed.core.alter.hem import hem_edges
from rowanseed.core.cloth.cloth import Cloth, PrintBorder
from rowanseed.core.cloth.matching.ground import BODY
from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.problem import OnLine
from rowanseed.core.pattern.pattern import Pattern


def hem_points(pattern: Pattern, size: str) -> dict[str, Point]:
    """For each body or sleeve piece with a hem: a point of its hem line."""
    out = {}
    for id, edge in hem_edges(pattern):
        piece = pattern.piece(id)
        if piece.panel in BODY and size in piece.shapes:
            out[id] = max(p for s in piece.shapes[size].edges[edge] for p in (s.start, s.end))
    return out


def border_line(cloth: Cloth, hem: Point, *, upper: bool = False) -> OnLine | None:
    """Where a hem lies on the border, `border_line` from the lower or the upper selvedge; None without a border."""
    if cloth.border is PrintBorder.NONE:
        return None
    y = cloth.border_line * cloth.across
    return OnLine(hem, cloth.ready_width - y if upper else y)
