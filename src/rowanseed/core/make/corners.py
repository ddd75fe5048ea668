"""Inward corners within one edge, of a square neck or of a V at the centre, and how each way of finishing goes round.

The allowance there is too short to spread: it is reinforced, and clipped straight into the corner. Sewing handbooks
agree on that (common practice, no source).
"""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass
from itertools import pairwise

from rowanseed.core.geometry.outline import Point, Segment
from rowanseed.core.make.which import SHARP
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart

SHORT = 25.0
"""The stitch is short for so much on either side of a corner, in mm."""


@dataclass(frozen=True)
class Corners:
    """The inward corners of some edges: `beside` the centre, and `at_centre`, the point of a V."""

    beside: bool = False
    at_centre: bool = False

    def __bool__(self) -> bool:
        return self.beside or self.at_centre

    @property
    def words(self) -> str:
        """What they are called within a sentence."""
        if self.beside and self.at_centre:
            return "every corner and the point of the V"
        return "the point of the V" if self.at_centre else "each corner"

    def pivoted(self, bench: Workbench) -> str:
        """How a seam goes round them."""
        across = ", and take one stitch across it" if self.at_centre else ""
        return (
            f"At {self.words} shorten the stitch to 1.5 for {bench.margin(SHORT)} before and after; needle down, turn "
            f"exactly on the corner of the stitching line{across}."
        )

    def reinforced(self, bench: Workbench) -> str:
        """How staystitching holds them, before anything is sewn there."""
        return (
            f"At {self.words} on the stitching line itself, stitch length 1.5 for {bench.margin(SHORT)} before and "
            "after: later the clip runs up to it."
        )

    def opened(self, bench: Workbench) -> str:
        """How a strip is sewn round them: along an edge that is straight there once it is clipped."""
        return (
            f"At {self.words} first stitch on the stitching line, stitch length 1.5 for {bench.margin(SHORT)} before "
            "and after, and clip straight to it; then open the edge there until it is straight, and sew the strip on "
            "in one line."
        )

    @property
    def mitred(self) -> str:
        """How what is wrapped over the edge lies at them."""
        at_centre = (
            (
                "At the point of the V fold the garment at its centre, right sides together, and sew across the strip "
                "alone, in line with that fold; then wrap it.",
            )
            if self.at_centre
            else ()
        )
        beside = ("At each corner fold the strip to a mitre, outside and inside.",) if self.beside else ()
        return " ".join((*at_centre, *beside))

    @property
    def clipped(self) -> str:
        return f"Clip straight into {self.words}, up to the last stitch and not through it."


def inward(bench: Workbench, parts: Iterable[EdgePart]) -> Corners:
    """The corners at which these edges turn inwards, between their ends or at the garment's centre."""
    parts = tuple(parts)
    return Corners(
        beside=any(_turns_within(bench, part) for part in parts),
        at_centre=any(_is_pointed_at_centre(bench, part) for part in parts),
    )


def pivoted(bench: Workbench, parts: Iterable[EdgePart]) -> tuple[str, ...]:
    """What is said of the corners that a seam goes round; nothing where there are none."""
    found = inward(bench, parts)
    return (found.pivoted(bench),) if found else ()


def curves(bench: Workbench, part: EdgePart) -> bool:
    """Whether an edge curves between its corners."""
    if not inward(bench, (part,)):
        return bench.bends.is_curved(part)
    return any(segment.is_curve for segment in bench.piece(part.piece).shapes[bench.size].edges[part.edge])


def _turns_within(bench: Workbench, part: EdgePart) -> bool:
    chain = bench.piece(part.piece).shapes[bench.size].edges[part.edge]
    return any(_turn(_leaves(a), _sets_out(b)) < -SHARP for a, b in pairwise(chain))


def _is_pointed_at_centre(bench: Workbench, part: EdgePart) -> bool:
    """Whether an edge and its mirror image, over a fold or the seam of both hands, meet in a point that turns in: it
    would run on without a turn if it stood square to these."""
    before, after = bench.neighbours(part)
    shape = bench.piece(part.piece).shapes[bench.size]
    chain, centre = shape.edges[part.edge], bench.folds(part.piece) | _sewn_to_itself(bench, part.piece)
    if after in centre:
        x, y = _sets_out(shape.edges[after][0])
        return 2 * _turn(_leaves(chain[-1]), (y, -x)) < -SHARP
    if before in centre:
        x, y = _leaves(shape.edges[before][-1])
        return 2 * _turn((-y, x), _sets_out(chain[0])) < -SHARP
    return False


def _sets_out(segment: Segment) -> Point:
    """The direction in which a segment begins, over the first of its twelfths: an end may have no handle of its own."""
    (x0, y0), (x1, y1) = segment.start, segment.at(1 / 12)
    return (x1 - x0, y1 - y0)


def _leaves(segment: Segment) -> Point:
    (x0, y0), (x1, y1) = segment.at(11 / 12), segment.end
    return (x1 - x0, y1 - y0)


def _sewn_to_itself(bench: Workbench, piece: str) -> frozenset[str]:
    """The edges at which both copies of a piece are sewn to each other."""
    pairs = ((j.a[0], j.b[0]) for j in bench.joins.values() if len(j.a) == len(j.b) == 1 and not j.each_hand)
    return frozenset(a.edge for a, b in pairs if a.piece == b.piece == piece and a.edge == b.edge)


def _turn(a: Point, b: Point) -> float:
    """From one direction to another in radians; negative: inwards, rings run counter-clockwise."""
    return math.atan2(a[0] * b[1] - a[1] * b[0], a[0] * b[0] + a[1] * b[1])
