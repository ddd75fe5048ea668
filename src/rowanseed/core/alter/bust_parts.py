"""How a front that is slashed for the bust moves: what is swung, what is lowered, and where the bust point goes."""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.alter.deform import crossings
from rowanseed.core.geometry.outline import Affine, Chain, Point
from rowanseed.core.pattern.making import INSET_EDGE
from rowanseed.core.pattern.pieces import Piece

DART_SHORT_OF_POINT = 25.0
"""A bust dart ends about an inch from the bust point (common practice, no source)."""
WHOLE = Affine(a=1, b=0, c=0, d=1, e=0, f=0)


@dataclass(frozen=True)
class Swing:
    """Where the front is slashed and how its parts move: `upper` swings about the hinge, `lower` is shifted."""

    bust: Point
    hinge: Point
    share: float
    mouth: Point
    upper: Affine
    shift: Point

    @property
    def apex(self) -> Point:
        """Where the bust point is afterwards: lowered with the front, in the middle of what was spread."""
        return (self.bust[0] + self.shift[0], self.bust[1] + self.shift[1] / 2)

    def part(self, p: Point) -> Affine:
        """The motion of a point inside the piece."""
        if p[1] <= self.bust[1]:
            return WHOLE if p[0] < self.bust[0] else Affine(a=1, b=0, c=0, d=1, e=self.shift[0], f=0)
        slope = (self.mouth[0] - self.bust[0]) / max(1e-9, self.mouth[1] - self.bust[1])
        if p[0] > self.bust[0] + slope * (p[1] - self.bust[1]):
            return Affine(1, 0, 0, 1, *self.shift)
        beyond = (p[0] - self.hinge[0]) * (self.bust[1] - self.hinge[1]) - (p[1] - self.hinge[1]) * (
            self.bust[0] - self.hinge[0]
        )
        return self.upper if beyond < 0 else WHOLE


def lower_edge(piece: Piece) -> str:
    """What the edge at the lower end of a front is called."""
    return next((edge for edge in ("hem", INSET_EDGE) if piece.has_edge(edge)), "waist")


def distance_to(chain: Chain, along: Point, value: float) -> float:
    """The distance along a chain to where it crosses a line."""
    before = 0.0
    for segment in chain:
        for t in crossings(segment, along, value):
            return before + segment.split(t)[0].length()
        before += segment.length()
    return before / 2
