"""Lengthwise lines meet in a V at seams that slant away from the grain alike on both sides.

Common practice, no source: gores are cut alike so that their stripes meet in chevrons. They do all along the seam
where its lower ends stand on a place about which the print is its own mirror image, and both edges lean alike; so both
pieces point the same way: of one that is turned end for end the lines meet at that end, and run on side by side above.

At a seam of two pieces on the bias they do where one slants as the other's mirror image; bars meet there too where both
point the same way and their lower ends stand on the same place along the cloth.
"""

from __future__ import annotations

import math
from collections.abc import Iterator

from rowanseed.core.cloth.cloth import Direction
from rowanseed.core.cloth.matching.ground import PRINT, Ground, MatchKind, points
from rowanseed.core.cloth.matching.record import Found, MatchedSeam
from rowanseed.core.cloth.matching.symmetry import mirror_lines
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.lay.problem import Match
from rowanseed.core.pattern.joined import runs_against
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pattern import Pattern

LEANS = 2.0
"""An edge that leans less than so many degrees away from the grain makes no V."""
BOW = 0.04
"""An edge that strays further from its chord than this share of it curves."""
UNLIKE = 3.0
"""Whole pieces may differ by so much below, in mm: lines then miss each other by less than that on one side."""
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
    # The seams at the centres are seen first: of what is on the bias they are matched before the sides.
    centred = sorted(
        ground.body_joins(), key=lambda one: one[1].piece != one[2].piece and ground.is_on_bias(one[1].piece)
    )
    for join, a, b in centred:
        one, other = (lean(ground.pattern, ground.size, part) for part in (a, b))
        if ground.is_on_bias(a.piece) or ground.is_on_bias(b.piece):
            yield _on_the_bias(ground, join.name, a, b, mirrors)
        elif max(one, other) > 45 or max(one, other) < LEANS:
            continue
        elif not all(is_near_straight(ground.pattern, ground.size, part) for part in (a, b)):
            yield Found(MatchedSeam(join.name, "it curves"))
        elif abs(one - other) > ALIKE:
            yield Found(MatchedSeam(join.name, f"one edge leans {one:.0f}°, the other {other:.0f}°"))
        elif not mirrors:
            yield Found(MatchedSeam(join.name, _no_mirror(ground)))
        elif ground.y.knows(a.piece) or ground.y.knows(b.piece):
            yield Found(MatchedSeam(join.name, "one of its pieces is matched across the cloth already"))
        else:
            for part in (a, b):
                ground.y.tie(part.piece, PRINT)
            both = points(*dict.fromkeys(((a.piece, ground.at(a)), (b.piece, ground.at(b)))))
            yield Found(MatchedSeam(join.name), (Match("y", both, mirrors[0] * ground.cloth.across, upright=True),))


def _no_mirror(ground: Ground) -> str:
    known = bool(ground.cloth.lines.lengthwise)
    return "the print is nowhere its own mirror image" if known else "where its lines stand is not written down"


def _on_the_bias(ground: Ground, name: str, a: EdgePart, b: EdgePart, mirrors: tuple[float, ...]) -> Found:
    """A seam of two pieces at 45° to the lines, or of one with its own mirror image."""
    why = _why_not_on_the_bias(ground, a, b, mirrors)
    if why:
        return Found(MatchedSeam(name, why))
    for part in (a, b):
        ground.y.tie(part.piece, PRINT)
    against, whole = runs_against(ground.pattern, a, b), ground.is_whole(a.piece)
    # Of whole pieces drawn for unlike hands, the other side of one meets the first.
    there = ground.at_other_hand(b) if whole and not against else ground.at(b)
    both = points(*dict.fromkeys(((a.piece, ground.at(a)), (b.piece, there))))
    bars = ground.along is not None and ground.x.tie(a.piece, b.piece)
    # Bars meet where both pieces point the same way along the cloth; lines alone do end for end as well.
    rising, falling = ((45,), (315,)) if bars else ((45, 225), (135, 315))
    slants = {a.piece: rising}
    if a.piece != b.piece:
        # Drawn for the other hand, a piece of a pair is laid as its mirror image where it meets the first.
        slants[b.piece] = falling if against or whole else rising
    lines = Match("y", both, mirrors[0] * ground.cloth.across, slants=tuple(slants.items()))
    return Found(MatchedSeam(name), (lines, *((Match("x", both),) if bars else ())))


def _across(ground: Ground, part: EdgePart) -> float:
    """How far apart both hands of an edge end below, on a whole piece, in mm."""
    return math.dist(ground.at(part), ground.at_other_hand(part))


def _why_not_on_the_bias(ground: Ground, a: EdgePart, b: EdgePart, mirrors: tuple[float, ...]) -> str:
    """Why lines cannot meet in a V at a seam of the bias; empty where they can."""
    one, other = (lean(ground.pattern, ground.size, part) for part in (a, b))
    if not (ground.is_on_bias(a.piece) and ground.is_on_bias(b.piece)):
        return "one of its pieces is cut on the bias, the other is not"
    if ground.is_whole(a.piece) is not ground.is_whole(b.piece):
        return "one of its pieces is whole, the other is cut twice: lines would meet in a V on one side only"
    if ground.is_whole(a.piece) and abs(_across(ground, a) - _across(ground, b)) > UNLIKE:
        return "its pieces are not as wide as each other below: lines would meet in a V on one side only"
    if ground.cloth.direction is Direction.ONE_WAY:
        return "the cloth has a way up: its two sides cannot slant as mirror images"
    if a.piece != b.piece and not all(is_near_straight(ground.pattern, ground.size, part) for part in (a, b)):
        return "it curves"
    if abs(one - other) > ALIKE:
        return f"one edge leans {one:.0f}°, the other {other:.0f}°"
    if not mirrors:
        return _no_mirror(ground)
    if ground.y.knows(a.piece) or ground.y.knows(b.piece):
        return "one of its pieces is matched across the cloth already"
    return ""


KIND = MatchKind("chevrons", "lines meet in a V at slanting seams", 50, frozenset("y"), _finds)
