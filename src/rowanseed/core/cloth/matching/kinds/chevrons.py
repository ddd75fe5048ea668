"""Lengthwise lines meet in a V at seams that slant away from the grain alike on both sides.

Common practice, no source: gores are cut alike so that their stripes meet in chevrons. They do all along the seam
where its lower ends stand on a place about which the print is its own mirror image, and both edges lean alike; so both
pieces point the same way: of one that is turned end for end the lines meet at that end, and run on side by side above.
"""

from __future__ import annotations

import math
from collections.abc import Iterator

from rowanseed.core.cloth.matching.ground import PRINT, Ground, MatchKind, points
from rowanseed.core.cloth.matching.record import Found, MatchedSeam
from rowanseed.core.cloth.matching.symmetry import mirror_lines
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.lay.problem import Match
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Grain

LEANS = 2.0
"""An edge that leans less than so many degrees away from the grain makes no V."""
BOW = 0.04
"""An edge that strays further from its chord than this share of it curves."""
ALIKE = 1.0
"""Edges whose lean differs by more than so many degrees meet in a V at one point only."""


def lean(pattern: Pattern, size: str, part: EdgePart) -> float:
    """How far an edge runs away from the grain, in degrees."""
    chain = pattern.piece(part.piece).shapes[size].edges[part.edge]
    (x0, y0), (x1, y1) = chain[0].start, chain[-1].end
    return math.degrees(math.atan2(abs(y1 - y0), abs(x1 - x0)))


def is_near_straight(pattern: Pattern, size: str, part: EdgePart) -> bool:
    """Whether an edge keeps near the straight line between its ends; lines that cross a curve make no V."""
    run = flatten(pattern.piece(part.piece).shapes[size].edges[part.edge], 1.0)
    (x0, y0), (x1, y1) = run[0], run[-1]
    long = math.hypot(x1 - x0, y1 - y0) or 1.0
    return max(abs((x - x0) * (y1 - y0) - (y - y0) * (x1 - x0)) / long for x, y in run) <= BOW * long


def meets_in_a_v(pattern: Pattern, size: str, a: EdgePart, b: EdgePart) -> bool:
    """Whether lengthwise lines can meet in a V all along a seam: both edges lean away from the grain alike."""
    one, other = lean(pattern, size, a), lean(pattern, size, b)
    straight = all(is_near_straight(pattern, size, part) for part in (a, b))
    return straight and LEANS <= max(one, other) <= 45 and abs(one - other) <= ALIKE


def _finds(ground: Ground) -> Iterator[Found]:
    if ground.across is None:
        return
    bought = ground.cloth.repeat.across or 0.0
    mirrors = mirror_lines(ground.cloth.lines.lengthwise, bought)
    for join, a, b in ground.body_joins():
        one, other = (lean(ground.pattern, ground.size, part) for part in (a, b))
        on_bias = [ground.cuts[part.piece][1].grain is Grain.BIAS for part in (a, b)]
        if any(on_bias):
            why = "a piece is cut on the bias: pin the seam line by line, and lay it on the table by eye"
            yield Found(MatchedSeam(join.name, why))
        elif max(one, other) > 45 or max(one, other) < LEANS:
            continue
        elif not all(is_near_straight(ground.pattern, ground.size, part) for part in (a, b)):
            yield Found(MatchedSeam(join.name, "it curves"))
        elif abs(one - other) > ALIKE:
            yield Found(MatchedSeam(join.name, f"one edge leans {one:.0f}°, the other {other:.0f}°"))
        elif not mirrors:
            known = bool(ground.cloth.lines.lengthwise)
            why = "the print is nowhere its own mirror image" if known else "where its lines stand is not written down"
            yield Found(MatchedSeam(join.name, why))
        elif ground.y.knows(a.piece) or ground.y.knows(b.piece):
            yield Found(MatchedSeam(join.name, "one of its pieces is matched across the cloth already"))
        else:
            for part in (a, b):
                ground.y.tie(part.piece, PRINT)
            both = points(*dict.fromkeys(((a.piece, ground.at(a)), (b.piece, ground.at(b)))))
            yield Found(MatchedSeam(join.name), (Match("y", both, mirrors[0] * ground.cloth.across, upright=True),))


KIND = MatchKind("chevrons", "lines meet in a V at slanting seams", 50, frozenset("y"), _finds)
