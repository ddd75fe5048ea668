"""One side of a garment as it lies drawn, and the strokes that are drawn on it.

Everything is a stroke over one half of the garment, in mm, x down, y outwards from the centre, or over one hand alone.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from enum import Enum
from itertools import pairwise

from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import Detail
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, Piece
from rowanseed.drawings.line.laid import Laid, along

Run = list[Point]


class Line(Enum):
    """How a stroke is drawn."""

    FINE = "fine"
    BOLD = "bold"
    DASHED = "dashed"
    FILLED = "filled"
    ZIP = "zip"


@dataclass(frozen=True)
class Stroke:
    """A line of what is sewn on, the part of the form it belongs to, and on which hands it is there."""

    part: str
    run: Run
    line: Line = Line.FINE
    hands: tuple[int, ...] = (-1, 1)


@dataclass(frozen=True)
class Dressed:
    """One side of a garment with what has been laid of it."""

    pattern: Pattern
    size: str
    is_front: bool
    pieces: Sequence[Laid]
    sleeves: Sequence[Run]

    def hands(self, hand: str | None) -> tuple[int, ...]:
        """Which halves of the drawing are a hand as worn: left lies on the right of the front, on the left of the
        back."""
        if hand is None:
            return (-1, 1)
        return (1,) if (hand == "left") is self.is_front else (-1,)

    @property
    def over(self) -> int:
        """The hand that laps over the other: women's garments right over left as worn, all others left over right."""
        return self.hands("right" if self.pattern.envelope.figure is Figure.WOMEN else "left")[0]

    def laid(self, piece: str) -> Laid | None:
        return next((one for one in self.pieces if one.piece.id == piece), None)

    def drawn(self, id: str) -> Piece | None:
        return next((p for p in self.pattern.pieces if p.id == id), None)

    def runs(self, ids: Sequence[str]) -> Iterator[tuple[Laid, Run]]:
        """The edges of this side that seams or finishes of these ids run along, each once."""
        making = self.pattern.making
        for id in ids:
            join = next((j for j in making.joins if j.id == id), None)
            finish = next((f for f in making.finishes if f.id == id), None)
            sides = (join.a, join.b) if join is not None else (finish.parts,) if finish is not None else ()
            for parts in sides:
                found = [(one, one.edges[p.edge]) for p in parts if (one := self.laid(p.piece)) and p.edge in one.edges]
                if found:
                    yield from found
                    break

    def level(self, name: str) -> float | None:
        """How far down a level lies on this side."""
        for one in self.pieces:
            line = one.piece.line(LineKind.LEVEL, name)
            if line is not None:
                return line.ends[self.size][0][0] + one.down
        return None

    def half_width(self, x: float) -> float:
        """How far out the garment reaches at a level."""
        out = 0.0
        for one in self.pieces:
            for run in one.edges.values():
                for (ax, ay), (bx, by) in pairwise(run):
                    if min(ax, bx) <= x <= max(ax, bx):
                        t = (x - ax) / (bx - ax) if bx != ax else 0.0
                        out = max(out, ay + (by - ay) * t)
        return out


Draw = Callable[[Dressed, Detail], Iterator[Stroke]]
"""Draws a detail of one side."""


# ---------------------------------------------------------------- runs and rounds


def inward(one: Laid, run: Run, by: float) -> Run:
    """A run of a piece's ring moved towards the inside of it (mm)."""
    ring = [q for edge in one.edges.values() for q in edge]
    turn = sum(ax * by - bx * ay for (ax, ay), (bx, by) in pairwise([*ring, ring[0]]))
    hand = 1.0 if turn > 0 else -1.0
    out: Run = []
    for k, (x, y) in enumerate(run):
        (ax, ay), (bx, by_) = run[max(0, k - 1)], run[min(len(run) - 1, k + 1)]
        long = math.hypot(bx - ax, by_ - ay) or 1.0
        nx, ny = (ay - by_) / long, (bx - ax) / long
        out.append((x + hand * nx * by, y + hand * ny * by))
    inmost = min(0.0, *(y for _, y in run))
    return [(x, max(inmost, y)) for x, y in out]


def stepped(run: Run, step: float) -> Run:
    """Points along a run, so far apart."""
    long = sum(math.dist(a, b) for a, b in pairwise(run))
    n = max(2, round(long / step))
    return [along(run, long * k / n, from_end=False) for k in range(n + 1)]


def waved(one: Laid, run: Run, near: float, far: float, step: float) -> Run:
    """A zigzag along a run between two distances from it."""
    points = stepped(run, step)
    inner, outer = inward(one, points, near), inward(one, points, far)
    return [(outer if k % 2 else inner)[k] for k in range(len(points))]


def round_at(at: Point, radius: float) -> Run:
    turns = [k * math.pi / 6 for k in range(12)]
    return [(at[0] + radius * math.cos(t), at[1] + radius * math.sin(t)) for t in turns]


def narrow(piece: Piece, size: str) -> float:
    x0, y0, x1, y1 = bounds([q for chain in piece.shapes[size].edges.values() for q in flatten(chain, 1.0)])
    return min(x1 - x0, y1 - y0)
