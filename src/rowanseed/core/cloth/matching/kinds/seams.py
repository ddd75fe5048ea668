"""Crosswise bars meet at the seams.

Common practice, no source: bars are matched at the stitching line, at a notch or where the seam ends below. A seam
that would close a ring of matches is left out: along a ring the seams' lengths decide, not the cloth.
"""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.cloth.matching.ground import ON_BIAS, TIED, Ground, MatchKind, points
from rowanseed.core.cloth.matching.record import Found, MatchedSeam
from rowanseed.core.cloth.matching.seam_points import meeting, runs_along
from rowanseed.core.lay.problem import Match
from rowanseed.core.pattern.making import DifferenceKind

LEVEL = "its pieces are level at the hem already, or round the garment the other way"


def _finds(ground: Ground) -> Iterator[Found]:
    for join, a, b in ground.body_joins():
        if not runs_along(ground.pattern, ground.size, a):
            continue
        if ground.is_on_bias(a.piece) or ground.is_on_bias(b.piece):
            yield Found(MatchedSeam(join.name, ON_BIAS))
        elif a.piece == b.piece:
            ground.x.tie(a.piece, a.piece)
            yield Found(MatchedSeam(join.name), (Match("x", points((a.piece, ground.at(a)))),))
        elif join.difference.kind is DifferenceKind.GATHERS:
            yield Found(MatchedSeam(join.name, "one side is gathered"))
        elif not ground.x.tie(a.piece, b.piece):
            yield Found(MatchedSeam(join.name, LEVEL if "hems" in ground.matching.kinds else TIED))
        else:
            yield Found(MatchedSeam(join.name), (Match("x", meeting(ground.pattern, ground.size, join)),))


KIND = MatchKind("seams", "bars meet at the seams", 30, frozenset("x"), _finds)
