"""Fullness spread into a piece below a yoke: the whole piece wider, or fanned out from a waist seam."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cached_property
from typing import Protocol

from rowanseed.core.compose.bodice import Upper
from rowanseed.core.compose.drafting import moved, straight
from rowanseed.core.geometry.outline import Affine, Chain, Point, Segment, transform_chain

PARTS = 4
"""A line that is bent is drawn in so many curves."""
NEAR = 1e-6


class Spread(Protocol):
    """Where the points and edges of a piece come to lie; its centre stays."""

    def at(self, p: Point) -> Point: ...

    def across(self, p: Point) -> float:
        """How far from the centre a point lies, along the line that was level, in mm."""
        ...

    def outer(self, chain: Chain) -> Chain:
        """An edge away from the centre, as the armhole or the side."""
        ...

    def yoke(self, start: Point) -> Chain:
        """The edge at the yoke, from its outer end, which is given as it is drafted, to the centre."""
        ...

    def lower(self, block: Upper) -> Chain: ...


@dataclass(frozen=True)
class Widened:
    """Everything but the centre moved `by` mm away from it."""

    centre: float
    by: float = 0.0

    def at(self, p: Point) -> Point:
        return (p[0], p[1] + self.by)

    def across(self, p: Point) -> float:
        return p[1] + self.by - self.centre

    def outer(self, chain: Chain) -> Chain:
        return moved(chain, 0.0, self.by)

    def yoke(self, start: Point) -> Chain:
        return straight(self.at(start), (start[0], self.centre))

    def lower(self, block: Upper) -> Chain:
        return block.lower((block.hem, self.centre), self.by)


@dataclass(frozen=True)
class Fanned:
    """Nothing let in at the `foot` and `by` mm at the `top`: slashed from there to the foot, closely, and spread, as
    far outwards as `until`; what lies beyond is turned as it is, so that side and armhole keep their lengths."""

    centre: float
    foot: float
    top: float
    until: float
    by: float

    @cached_property
    def angle(self) -> float:
        return self.by / (self.foot - self.top)

    @property
    def radius(self) -> float:
        """Of the arc that the foot becomes, whose length stays."""
        return (self.until - self.centre) / self.angle

    @cached_property
    def _beyond(self) -> Affine:
        """The turn of what lies beyond the slashes."""
        u, v = math.cos(self.angle), math.sin(self.angle)
        x, y, r = self.foot, self.until, self.radius
        return Affine(a=u, b=v, c=-v, d=u, e=x + r - u * (x + r) - v * y, f=self.centre + v * (x + r) - u * y)

    def at(self, p: Point) -> Point:
        if p[1] >= self.until:
            return self._beyond(p)
        turn, out = (p[1] - self.centre) / self.radius, self.radius + self.foot - p[0]
        return (self.foot + self.radius - out * math.cos(turn), self.centre + out * math.sin(turn))

    def across(self, p: Point) -> float:
        level = (self.radius + self.foot - p[0]) / self.radius
        return level * (min(p[1], self.until) - self.centre) + max(0.0, p[1] - self.until)

    def outer(self, chain: Chain) -> Chain:
        return transform_chain(chain, self._beyond)

    def yoke(self, start: Point) -> Chain:
        return self.from_the_centre(straight(start, (start[0], self.centre)))

    def lower(self, block: Upper) -> Chain:
        return self.from_the_centre(block.lower((block.hem, self.centre)))

    def from_the_centre(self, chain: Chain) -> Chain:
        """An edge that begins or ends at the centre, as far out as it was slashed in curves."""
        out: list[Segment] = []
        for line in chain:
            (_, a), (_, b) = line.start, line.end
            stop = None if not min(a, b) < self.until < max(a, b) else (self.until - a) / (b - a)
            parts = (line,) if stop is None else line.split(stop)
            for part in parts:
                inside = min(part.start[1], part.end[1]) < self.until - NEAR
                out += self._bent(part) if inside else self.outer((part,))
        # The same point to the last bit, where two parts meet.
        return tuple(s if k == 0 else Segment(out[k - 1].end, s.end, s.control1, s.control2) for k, s in enumerate(out))

    def _bent(self, line: Segment) -> list[Segment]:
        out = []
        for k in range(PARTS):
            t, u = k / PARTS, (k + 1) / PARTS
            start, end = self.at(line.at(t)), self.at(line.at(u))
            leaves, arrives = self._slope(line, t), self._slope(line, u)
            third = (u - t) / 3
            first = (start[0] + leaves[0] * third, start[1] + leaves[1] * third)
            out.append(Segment(start, end, first, (end[0] - arrives[0] * third, end[1] - arrives[1] * third)))
        return out

    def _slope(self, line: Segment, t: float) -> Point:
        """The derivative of a line so bent, by its own parameter."""
        (x, y), (dx, dy) = line.at(t), line.derivative(t)
        turn, across = (y - self.centre) / self.radius, dy * (self.radius + self.foot - x) / self.radius
        return (dx * math.cos(turn) + across * math.sin(turn), across * math.cos(turn) - dx * math.sin(turn))


def spread_below(block: Upper, corner: Point, by: float, *beyond: Chain) -> Spread:
    """`by` mm let in below a seam that ends at the corner: down to the hem, or running out at a waist seam. What lies
    `beyond` is not slashed: the armhole, the side."""
    if not by or not block.description.has_waist_seam:
        return Widened(block.centre, by)
    until = min(corner[1], *(y for chain in beyond for segment in chain for _, y in segment.points()))
    return Fanned(block.centre, block.hem, corner[0], until, by)
