"""How an edge bends: whether it curves, strays off grain, and has to be clipped to lie open."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise

from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.make.graph import Graph
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import Grain, Role

COARSE = 0.2
"""Curves are judged as polylines within so much, in mm."""
BEARS = 25.0
"""Over so much of an edge, in mm, a bend is judged: an allowance on the inside of it has to spread."""


@dataclass(frozen=True, eq=False)
class Bends:
    """The curves of a garment's edges, each looked at once."""

    graph: Graph

    def strays(self, part: EdgePart) -> float:
        """How far an edge, opened out over the fold, strays from the straight line between its ends, in mm."""
        points = flatten(self.graph.pattern.piece(part.piece).shapes[self.graph.size].edges[part.edge])
        (x0, y0), (x1, y1) = points[0], points[-1]
        chord = math.dist(points[0], points[-1]) or 1.0
        half = max(abs((x - x0) * (y1 - y0) - (y - y0) * (x1 - x0)) / chord for x, y in points)
        if not self.graph.folds(part.piece) & set(self.graph.neighbours(part)):
            return half
        return max(half, abs(x1 - x0))

    def is_off_grain(self, part: EdgePart) -> bool:
        """Whether an edge runs neither along nor across the grain, to ten degrees."""
        chain = self.graph.pattern.piece(part.piece).shapes[self.graph.size].edges[part.edge]
        (x0, y0), (x1, y1) = chain[0].start, chain[-1].end
        turn = math.degrees(math.atan2(y1 - y0, x1 - x0)) + (45.0 if self.is_cut_on_the_bias(part.piece) else 0.0)
        return 10.0 < turn % 90.0 < 80.0

    def is_cut_on_the_bias(self, piece: str) -> bool:
        """Whether a piece of the garment itself lies at 45° to the grain: its straight edges stretch too."""
        cuts = self.graph.pattern.piece(piece).cuts
        return any(cut.grain is Grain.BIAS and cut.role is Role.MAIN for cut in cuts)

    def is_curved(self, part: EdgePart) -> bool:
        """Whether an edge strays more than 1 mm from the straight line between its ends, opened to its whole width."""
        return self.strays(part) > 1.0

    def tightness(self, parts: Iterable[EdgePart]) -> float:
        """How tight the tightest bend of some edges is: 1 / radius, in 1/mm, over a stretch of 25 mm."""
        return max((self._bend(part.piece, part.edge) for part in parts), default=0.0)

    @cached_property
    def _bends(self) -> dict[tuple[str, str], float]:
        return {}

    def _bend(self, piece: str, edge: str) -> float:
        known = self._bends.get((piece, edge))
        if known is None:
            known = tightest_bend(flatten(self.graph.pattern.piece(piece).shapes[self.graph.size].edges[edge], COARSE))
            self._bends[piece, edge] = known
        return known

    def needs_clips(self, parts: tuple[EdgePart, ...]) -> bool:
        """Whether an allowance has to be clipped or notched to lie open: its edge would have to stretch by over 4 %."""
        widest = max((self.graph.edge_allowance(part) for part in parts), default=0.0)
        return widest * self.tightness(parts) > 0.04

    def clip_every(self, parts: tuple[EdgePart, ...]) -> float:
        """How far apart clips stand, in mm: 25 where the curve is gentle, 12 where it is tight."""
        return 25.0 if self.tightness(parts) < 1 / 120 else 18.0 if self.tightness(parts) < 1 / 70 else 12.0


def tightest_bend(points: Sequence[Point]) -> float:
    """The tightest bend of a polyline over a stretch of 25 mm, as 1 / radius in 1/mm."""
    along, turned, tightest, start = [0.0], [0.0], 0.0, 0
    headings = [math.atan2(b[1] - a[1], b[0] - a[0]) for a, b in pairwise(points)]
    for k, (a, b) in enumerate(pairwise(points)):
        along.append(along[-1] + math.dist(a, b))
        step = headings[k] - headings[k - 1] if k else 0.0
        turned.append(turned[-1] + math.atan2(math.sin(step), math.cos(step)))
        while along[-1] - along[start] > BEARS and start < len(along) - 1:
            start += 1
        tightest = max(tightest, abs(turned[-1] - turned[start]) / BEARS)
    return tightest
