"""Lengthwise lines stand alike at the centres, anywhere or on one place of the print.

Common practice, no source: the dominant line, or the middle of a space, stands at the centre front and back. Where the
print is its own mirror image about that place, left and right front mirror each other too.
"""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.cloth.matching.ground import PRINT, Ground, MatchKind, points
from rowanseed.core.cloth.matching.record import Found, MatchedSeam
from rowanseed.core.cloth.matching.seam_points import centre_point
from rowanseed.core.lay.problem import Match


def _finds(ground: Ground) -> Iterator[Found]:
    if ground.across is None:
        return
    centres = [
        (id, at)
        for id, (piece, _) in sorted(ground.cuts.items())
        if not ground.is_on_bias(id)
        and (at := centre_point(ground.pattern, piece, ground.size)) is not None
        and not ground.y.knows(id)
    ]
    if not centres:
        yield Found(MatchedSeam("Lines at the centres", "no piece on this cloth has a centre that is free"))
        return
    stands = ground.matching.centre_at
    for id, _ in centres:
        ground.y.tie(id, PRINT if stands is not None else centres[0][0])
    phase = None if stands is None else stands * ground.cloth.across
    yield Found(MatchedSeam("Lines alike at the centres"), (Match("y", points(*centres), phase),))


KIND = MatchKind("centres", "lines alike at the centres", 40, frozenset("y"), _finds)
