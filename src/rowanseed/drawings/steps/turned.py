"""An edge that is folded to the wrong side: what of its piece is left outside it, and how it lies on the inside."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence

from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import substring, unary_union

from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.making import EdgePart
from rowanseed.drawings.steps.aside import aside
from rowanseed.drawings.steps.placing import Lying

CLEAR = 2.0
"""What is folded in is looked for so much farther out than its allowance, in mm."""


SLIVER = 0.01
"""What is cut off a piece beside a fold is no more than such a share of it."""


def outside(lying: Lying, parts: Iterable[EdgePart]) -> BaseGeometry:
    """A piece without what is folded in along some of its edges."""
    whole = Polygon(lying.cutting()).buffer(0)
    gone = [_beside(lying, part, -_reach(lying, part)) for part in parts]
    left = whole.difference(unary_union(gone)) if gone else whole
    # The tip of an allowance beside it that reaches past what is folded in is folded with it.
    return unary_union([one for one in getattr(left, "geoms", [left]) if one.area > SLIVER * whole.area])


def strip(lying: Lying, part: EdgePart, deep: float) -> BaseGeometry:
    """What is folded in along an edge, as it lies on the piece; as wide as the piece is there."""
    return _beside(lying, part, deep).intersection(Polygon(lying.cutting()).buffer(0))


def row(lying: Lying, part: EdgePart, deep: float) -> list[Point]:
    """The line that runs so far inside an edge, in the edge's own direction, as long as the edge."""
    line = lying.stitched((part,))
    return aside(line, inward(lying, line) * deep)


def _beside(lying: Lying, part: EdgePart, deep: float) -> BaseGeometry:
    """The area along an edge, inside it or, where `deep` is negative, outside; it goes on past the edge's ends, where
    the allowances beside it are folded with it."""
    line = lying.stitched((part,))
    sign = inward(lying, line)
    past = max(edge.allowance for edge in lying.piece.edges) + CLEAR
    return LineString(_prolonged(line, past)).buffer(sign * deep, single_sided=True)


def inward(lying: Lying, line: Sequence[Point]) -> float:
    """1 where the piece lies to the left of a line along its edge, else -1."""
    inside = Polygon(lying.seam()).buffer(0)
    middle = substring(LineString(line), 0.4, 0.6, normalized=True)
    sides = [middle.buffer(sign * 3.0, single_sided=True).intersection(inside).area for sign in (1.0, -1.0)]
    return 1.0 if sides[0] >= sides[1] else -1.0


def _reach(lying: Lying, part: EdgePart) -> float:
    return lying.piece.edge(part.edge).allowance + CLEAR


def _prolonged(line: Sequence[Point], by: float) -> list[Point]:
    """A line that goes on straight at both ends."""
    return [_beyond(line[1], line[0], by), *line, _beyond(line[-2], line[-1], by)]


def _beyond(a: Point, b: Point, by: float) -> Point:
    gone = math.dist(a, b) or 1.0
    return (b[0] + (b[0] - a[0]) / gone * by, b[1] + (b[1] - a[1]) / gone * by)
