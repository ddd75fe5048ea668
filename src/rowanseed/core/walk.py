"""Walking the seams: are two edges that are sewn together equal on the stitching line?"""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.pattern import DifferenceKind, EdgePart, Join, Pattern
from rowanseed.core.seamline import mark_distance, seam_length
from rowanseed.core.working import Given, Source, Working, fine

TOLERANCE = 0.5
"""A difference up to this, in mm, is none: a tenth of what scissors can follow."""


@dataclass(frozen=True)
class SeamWalk:
    """Both sides of a join along the stitching line, in mm, and how much longer side a should be."""

    join: Join
    a: float
    b: float
    intended: float

    @property
    def fault(self) -> float:
        """Side a less side b less what is intended; zero for a seam that walks."""
        return self.a - self.b - self.intended

    @property
    def walks(self) -> bool:
        return abs(self.fault) <= TOLERANCE

    @property
    def working(self) -> Working:
        """How far apart the two sides are, with what went into it."""
        given = [
            Given("one side, less its darts", fine(self.a), Source.DRAWING),
            Given("the other side, less its darts", fine(self.b), Source.DRAWING),
        ]
        if self.intended:
            given.append(Given("meant to differ by", fine(self.intended), Source.DRAWING))
        formula = "one side less the other" + (" less what is meant" if self.intended else "")
        return Working(self.join.name, fine(self.fault), formula, tuple(given), "shown to 1 mm or 1/16 in")


def walk(pattern: Pattern, size: str) -> tuple[SeamWalk, ...]:
    """Walk every join of a pattern in one size."""
    return tuple(_walk_join(pattern, size, join) for join in pattern.making.joins)


def _walk_join(pattern: Pattern, size: str, join: Join) -> SeamWalk:
    a = sum(part_length(pattern, size, part) for part in join.a)
    b = sum(part_length(pattern, size, part) for part in join.b)
    match join.difference.kind:
        case DifferenceKind.NONE:
            intended = 0.0
        case DifferenceKind.EASE:
            intended = join.difference.amount
        case DifferenceKind.STRETCH:
            intended = -join.difference.amount
        case DifferenceKind.GATHERS:
            intended = b * (join.difference.amount - 1)
    return SeamWalk(join, a, b, intended)


def part_length(pattern: Pattern, size: str, part: EdgePart) -> float:
    """Length of an edge, or of its part from mark to mark, on the stitching line.

    An edge of a piece cut on the fold counts once, as drawn: both sides of a join are half garments.
    """
    piece = pattern.piece(part.piece)
    whole = seam_length(piece, size, part.edge)
    if part.from_mark is None and part.to_mark is None:
        return whole
    first = mark_distance(piece, size, piece.mark(part.from_mark)) if part.from_mark else 0.0
    last = mark_distance(piece, size, piece.mark(part.to_mark)) if part.to_mark else whole
    return abs(last - first)
