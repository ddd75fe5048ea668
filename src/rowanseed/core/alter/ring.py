"""A band let in between bodice and skirt as a part of a ring, or a rectangle: how it is drawn, and how it is bent."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass

from rowanseed.core.geometry.outline import Chain, Point, Segment, chain_length, lerp
from rowanseed.core.pattern.making import INSET_EDGE
from rowanseed.core.pattern.pieces import WAIST, Panel, Piece

FLAT = 1e-3
"""A band that turns by less than this, in radians, is a rectangle."""


def is_let_in(piece: Piece) -> bool:
    """Whether a piece is a part of a band between a bodice and what hangs below it; its facing keeps its width."""
    return piece.panel in (Panel.FRONT, Panel.BACK) and piece.has_edge(INSET_EDGE) and piece.has_edge(WAIST)


@dataclass(frozen=True)
class Ring:
    """A part of a ring about an apex on the line of the band's centre, or a rectangle where it does not turn.

    `foot` is where the centre meets the lower edge, `high` how far above it the upper one lies, `beside` the same at
    the side, where a wedge may have been taken out; `out` the direction in which the side lies. Lengths along the two
    edges, in mm.
    """

    foot: Point
    high: float
    beside: float
    out: float
    above: float
    below: float

    @classmethod
    def of(cls, piece: Piece, size: str) -> Ring:
        """The ring that a band's corners say."""
        edges = piece.shapes[size].edges
        low, top = edges[WAIST], edges[INSET_EDGE]
        foot, head = low[0].start, top[-1].end
        out = math.copysign(1.0, low[-1].end[1] - foot[1])
        high = foot[0] - head[0]
        beside = math.dist(low[-1].end, top[0].start)
        return cls(foot, high, beside, out, chain_length(top), chain_length(low))

    def onto(self, other: Ring) -> Callable[[Point], Point]:
        """The map of this ring onto another one."""

        def field(p: Point) -> Point:
            up, share = self.where(p)
            deeper = lerp((0.0, other.high / self.high), (1.0, other.beside / self.beside), share)[1]
            return other.place(up * deeper, share)

        return field

    def straightened(self, move: Callable[[Point], Point]) -> Callable[[Point], Point]:
        """A map of the bodice's plane, carried out on the band as it lay there before it was bent."""
        foot, head = move(self.foot), move((self.foot[0] - self.high, self.foot[1]))
        deeper = (foot[0] - head[0]) / self.high
        bent = Ring(foot, self.high, self.beside, self.out, self.above, self.below)

        def field(p: Point) -> Point:
            up, share = self.where(p)
            x, y = move((self.foot[0] - up, self.foot[1] + self.out * share * self.wide(up)))
            now = foot[0] - x
            return bent.place(now, (y - foot[1]) * self.out / self.wide(now / deeper))

        return field

    def side(self) -> Chain:
        """Its side as it lay on the bodice, from below upwards."""
        (x, y), high = self.foot, self.high
        return (Segment((x, y + self.out * self.below), (x - high, y + self.out * self.above)),)

    def wide(self, up: float) -> float:
        """How long the band is so far above its lower edge."""
        return self.below + (self.above - self.below) * up / self.high

    @property
    def turn(self) -> float:
        return (self.above - self.below) / self.high

    def where(self, p: Point) -> tuple[float, float]:
        """(how far above the lower edge in mm, as a share of the way from the centre to the side)."""
        x, y = self.foot[0] - p[0], (p[1] - self.foot[1]) * self.out
        if abs(self.turn) < FLAT:
            return x, y / self.wide(x)
        inner = self.below / self.turn
        radius, angle = math.hypot(x + inner, y), math.atan2(y, x + inner)
        if inner < 0:
            radius, angle = -radius, math.atan2(-y, -(x + inner))
        return radius - inner, angle / self.turn

    def place(self, up: float, share: float) -> Point:
        """The point so far above the lower edge, at such a share of the way to the side."""
        if abs(self.turn) < FLAT:
            x, y = up, share * self.wide(up)
        else:
            inner, angle = self.below / self.turn, share * self.turn
            x, y = (inner + up) * math.cos(angle) - inner, (inner + up) * math.sin(angle)
        return (self.foot[0] - x, self.foot[1] + y * self.out)
