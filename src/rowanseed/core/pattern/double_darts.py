"""Double-ended darts: four dots inside a piece, at both points and at the two sides where it is widest."""

from __future__ import annotations

import math
from dataclasses import dataclass

from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.pieces import Piece

TOP, INNER, OUTER, LOW = "-top", "-inner", "-outer", "-low"
"""How the ids of its four dots end."""


@dataclass(frozen=True)
class DoubleDart:
    top: Point
    inner: Point
    outer: Point
    low: Point

    @property
    def takes(self) -> float:
        """What it takes in where it is widest, in mm."""
        return math.dist(self.inner, self.outer)

    @property
    def ring(self) -> tuple[Point, ...]:
        """Its stitching lines, closed."""
        return (self.top, self.outer, self.low, self.inner, self.top)


def double_darts_of(piece: Piece, size: str) -> tuple[DoubleDart, ...]:
    """Those whose four dots are on a piece in one size."""
    at = {point.id: point.at[size] for point in piece.points if size in point.at}
    names = (id.removesuffix(TOP) for id in at if id.endswith(TOP))
    return tuple(
        DoubleDart(*(at[name + end] for end in (TOP, INNER, OUTER, LOW)))
        for name in names
        if all(name + end in at for end in (INNER, OUTER, LOW))
    )
