"""A piece that is sewn to itself: how it is folded for that, and the two halves that lie on each other then."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.words import Worded
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.pieces import Piece
from rowanseed.drawings.steps.placing import as_drawn, laid_on


class Folding(Worded):
    """How a piece that is sewn to itself is laid."""

    NONE = "none", "not folded"
    EDGE_ON_EDGE = "edge-on-edge", "one edge on another of the same piece, as a sleeve's"
    ON_ITS_FOLD = "on-its-fold", "both layers of what is cut on a fold, as a fly shield's"


def folding(bench: Workbench, join: Join) -> Folding:
    """How the piece of a seam is folded; two pieces, or two of one that is cut twice, are not."""
    pieces = {part.piece for part in (*join.a, *join.b)}
    if len(pieces) > 1:
        return Folding.NONE
    piece = next(iter(pieces))
    if {p.edge for p in join.a} == {p.edge for p in join.b}:
        return Folding.ON_ITS_FOLD if fold_of(bench, piece) else Folding.NONE
    # Lengths that make a ring together, as a ruffle's, lie on each other; what each hand has closes by itself.
    lengths = any(
        {p.hand for p in side if p.piece == piece} >= {"left", "right"}
        for other in bench.joins.values()
        for side in (other.a, other.b)
    )
    is_one = join.each_hand or sum(cut.count for cut in bench.piece(piece).cuts) == 1
    return Folding.EDGE_ON_EDGE if is_one and not lengths else Folding.NONE


def fold_of(bench: Workbench, piece: str) -> str:
    """The edge that a piece is cut on the fold along; empty where it is not."""
    return next(iter(bench.folds(piece)), "")


@dataclass(frozen=True)
class Halves:
    """A piece folded so that one edge lies on another: what lies on the side of each, and the fold between them."""

    one: BaseGeometry
    other: BaseGeometry
    fold: tuple[Point, Point]


def folded(piece: Piece, size: str, one: Sequence[EdgePart], other: Sequence[EdgePart]) -> Halves:
    """The two halves of a piece that is sewn to itself along two of its edges, in its upright frame."""
    flat = as_drawn(piece, size)
    turned = laid_on(flat, one, piece, other, against=True)
    ring = flat.cutting()
    # What a reflection carries a point to lies as far behind its axis: the middles between lie on it.
    middles = [((x + u) / 2, (y + v) / 2) for (x, y), (u, v) in ((p, turned.move(p)) for p in ring)]
    start, end = max(
        ((p, q) for p in middles[:: max(1, len(middles) // 12)] for q in middles), key=lambda pair: math.dist(*pair)
    )
    length = math.dist(start, end)
    ux, uy = (end[0] - start[0]) / length, (end[1] - start[1]) / length
    far = 4 * max(math.dist(start, p) for p in ring) + 100.0
    ends = ((start[0] - ux * far, start[1] - uy * far), (start[0] + ux * far, start[1] + uy * far))
    seam = LineString(flat.stitched(one)).centroid
    sides = [Polygon([*ends, *((x - uy * far * k, y + ux * far * k) for x, y in ends[::-1])]) for k in (1.0, -1.0)]
    own, others = sorted(sides, key=lambda side: side.distance(seam))
    held = Polygon(ring).buffer(0).intersection(LineString(ends)).bounds
    across = [(held[0], held[1]), (held[2], held[3])] if ux * uy >= 0 else [(held[0], held[3]), (held[2], held[1])]
    return Halves(own, others, (across[0], across[1]))
