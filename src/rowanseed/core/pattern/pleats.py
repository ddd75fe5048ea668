"""Pleats by their lines: which line is folded, and which one the fold is laid on."""

from __future__ import annotations

import math
from dataclasses import dataclass

from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.pieces import InnerLine, LineKind, Piece

FOLD, MEETING = "-fold", "-meeting"
"""How the ids of a pleat's two lines end."""
Line = tuple[Point, Point]


@dataclass(frozen=True)
class Pleat:
    """The two lines of a pleat in one size, each from the edge that it is folded at."""

    fold: Line
    meeting: Line

    @property
    def takes(self) -> float:
        """How much shorter its edge becomes, in mm."""
        return math.dist(self.fold[0], self.meeting[0])

    @property
    def arrow(self) -> Line:
        """Across its middle, from the fold to where it is laid."""
        a, b = (
            (line[0][0] * 0.6 + line[1][0] * 0.4, line[0][1] * 0.6 + line[1][1] * 0.4)
            for line in (self.fold, self.meeting)
        )
        return (a, b)


def pleats_of(piece: Piece, size: str) -> tuple[Pleat, ...]:
    """The pleats of a piece whose lines are told apart; of one that is cut on the fold those of a half."""
    lines = {line.id: line.ends for line in piece.lines if line.kind is LineKind.PLEAT}
    return tuple(
        Pleat(ends[size], lines[met][size])
        for id, ends in lines.items()
        if id.endswith(FOLD) and (met := id.removesuffix(FOLD) + MEETING) in lines and size in ends
    )


def is_of_pleat(line: InnerLine) -> bool:
    """Whether it is one of two lines that are told apart."""
    return line.kind is LineKind.PLEAT and line.id.endswith((FOLD, MEETING))
