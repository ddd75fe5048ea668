"""How the print of a pocket meets that of the piece it is sewn on, once both are cut as a lay has them."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from rowanseed.core.cloth.across_seams import OnCloth, lying_on_cloth, nearest
from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.matching import NOTHING
from rowanseed.core.cloth.matching.ground import Ground
from rowanseed.core.cloth.matching.kinds.pockets import corners, mouth, patches
from rowanseed.core.geometry.outline import Point
from rowanseed.core.lay.problem import Plan, Problem
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece, Role


@dataclass(frozen=True)
class OnGround:
    """A pocket and its ground as they lie; `by` takes the pocket's frame to the ground's, both as drawn.

    `flipped`: the pocket is the other hand of its ground, so that it lies there mirrored about its middle `about`.
    `off_along` and `off_across` are how far the print misses, in mm; None where nothing repeats that way.
    """

    pocket: Piece
    ground: Piece
    lies: OnCloth
    ground_lies: OnCloth
    by: Point
    flipped: bool
    about: float
    off_along: float | None
    off_across: float | None

    def put(self, p: Point) -> Point:
        """A point of the pocket in the frame of its ground."""
        y = 2 * self.about - p[1] if self.flipped else p[1]
        return (p[0] + self.by[0], y + self.by[1])


def pockets_on_ground(
    pattern: Pattern, size: str, role: Role, view: str, problem: Problem, plan: Plan, cloth: Cloth
) -> Iterator[OnGround]:
    """Every pocket that sits straight on a ground of the same cloth, where its marks say; the first of each."""
    asked = Ground(pattern, size, role, view, cloth, NOTHING)
    lying = list(lying_on_cloth(problem, plan))
    along, across = cloth.ready_repeat
    for piece in patches(asked):
        lies = next((one for one in lying if one.laid.piece == piece.id), None)
        for id, a, b in corners(asked, piece)[:1]:
            on = next((one for one in lying if one.laid.piece == id), None)
            if lies is None or on is None:
                continue
            middle, target = mouth(asked, piece)[0], ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
            here, there = lies.at(middle), on.at(target)
            yield OnGround(
                pocket=piece,
                ground=pattern.piece(id),
                lies=lies,
                ground_lies=on,
                by=(target[0] - middle[0], target[1] - middle[1]),
                flipped=lies.is_mirrored is not on.is_mirrored,
                about=middle[1],
                off_along=None if along is None else nearest(here[0] - there[0], along),
                off_across=None if across is None else nearest(here[1] - there[1], across),
            )
