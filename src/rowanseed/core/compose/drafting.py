"""What drafts share: curves by their directions, chains moved, mirrored, offset."""

from __future__ import annotations

import math
from itertools import pairwise

from rowanseed.core.geometry.outline import (
    Chain,
    Point,
    Segment,
    line_chain,
    through,
    unit,
)
from rowanseed.core.geometry.solving import solve

DOWN, UP, OUT, IN = (1.0, 0.0), (-1.0, 0.0), (0.0, 1.0), (0.0, -1.0)
"""Directions in a piece's frame: down the garment, up, away from the centre, towards it."""


def curve(
    start: Point, leaves: Point, end: Point, arrives: Point, pull: float = 0.36, pull_end: float | None = None
) -> Segment:
    """A curve that leaves `start` and arrives at `end` in given directions, its handles a share of the chord."""
    chord = math.dist(start, end)
    a, b = unit(leaves), unit(arrives)
    first, last = pull * chord, (pull if pull_end is None else pull_end) * chord
    return Segment(
        start=start,
        end=end,
        control1=(start[0] + a[0] * first, start[1] + a[1] * first),
        control2=(end[0] - b[0] * last, end[1] - b[1] * last),
    )


def straight(*points: Point) -> Chain:
    return line_chain(*points)


def backwards(chain: Chain) -> Chain:
    return tuple(segment.reversed() for segment in reversed(chain))


def moved(chain: Chain, along: float, across: float) -> Chain:
    """A chain moved down the garment and away from the centre."""

    def at(p: Point) -> Point:
        return (p[0] + along, p[1] + across)

    return tuple(
        Segment(
            at(s.start),
            at(s.end),
            None if s.control1 is None else at(s.control1),
            None if s.control2 is None else at(s.control2),
        )
        for s in chain
    )


def ending_at(chain: Chain, y: float, *, as_it_runs: bool = False) -> Chain:
    """A chain that runs in to the centre line, ended at another line along the grain: cut where it crosses that, or led
    on to it, square or in the direction in which it ends."""
    end = chain[-1].end
    if y == end[1]:
        return chain
    if y < end[1]:
        dx, dy = chain[-1].derivative(1.0)
        return (*chain, *straight(end, (end[0] + (dx / dy * (y - end[1]) if as_it_runs else 0.0), y)))
    k = next(k for k, segment in enumerate(chain) if segment.end[1] <= y)
    at = solve(lambda t: -chain[k].at(t)[1], -y, 0.0, 1.0)
    return (*chain[:k], chain[k].split(at)[0])


def mirrored(chain: Chain, axis: float) -> Chain:
    """A chain mirrored at a line along the grain that stands `axis` from the centre; its direction stays."""

    def at(p: Point) -> Point:
        return (p[0], 2 * axis - p[1])

    return tuple(
        Segment(
            at(s.start),
            at(s.end),
            None if s.control1 is None else at(s.control1),
            None if s.control2 is None else at(s.control2),
        )
        for s in chain
    )


CLEAR = 90.0
"""A sleeve's line to lengthen at lies so far below the underarm, in mm, clear of what is sewn above it."""


def lengthens_at(underarm: float, foot: float) -> float:
    """The level of a sleeve's line to lengthen or shorten at: half-way down a short one."""
    return underarm + min(CLEAR, (foot - underarm) / 2)


def y_at(chain: Chain, x: float) -> float:
    """Where a chain stands across the piece at a level down it, and at its nearer end where it never reaches it.

    For chains that run on steadily along x.
    """
    for segment in chain:
        low, high = sorted((segment.start[0], segment.end[0]))
        if low - 1e-9 <= x <= high + 1e-9 and high > low:
            return _across(segment, x)
    return min((chain[0].start, chain[-1].end), key=lambda end: abs(end[0] - x))[1]


def _across(segment: Segment, x: float) -> float:
    if not segment.is_curve:
        share = (x - segment.start[0]) / (segment.end[0] - segment.start[0])
        return segment.start[1] + share * (segment.end[1] - segment.start[1])
    falls = segment.end[0] < segment.start[0]
    p, q, r, s = (point[0] for point in segment.points())
    a, b = 0.0, 1.0
    for _ in range(44):
        t = (a + b) / 2
        u = 1 - t
        at = u * u * u * p + 3 * u * u * t * q + 3 * u * t * t * r + t * t * t * s
        a, b = (t, b) if (at < x) != falls else (a, t)
    return segment.at((a + b) / 2)[1]


POINTS = 4
CORNER = math.radians(50)
"""A chain that turns by so much from one segment to the next has a corner."""


STEPS = 8


def _spaced(chain: Chain, count: int) -> list[tuple[int, float]]:
    """Places along a chain, evenly spaced by a polyline of it: (segment, parameter) from its start to its end."""
    places = [(k, j / STEPS) for k in range(len(chain)) for j in range(STEPS)] + [(len(chain) - 1, 1.0)]
    points = [chain[k].at(t) for k, t in places]
    gone = [0.0]
    for a, b in pairwise(points):
        gone.append(gone[-1] + math.dist(a, b))
    out, at = [], 0
    for k in range(count + 1):
        goal = gone[-1] * k / count
        while at < len(gone) - 2 and gone[at + 1] < goal:
            at += 1
        index, t = places[at]
        step = gone[at + 1] - gone[at]
        out.append((index, min(1.0, t + (goal - gone[at]) / step / STEPS if step else t)))
    return out


def parallel(chain: Chain, first: Point, last: Point, depth: float) -> Chain:
    """A line `depth` to the left of a chain's direction, led to `first` and `last` at its ends: three curves, whatever
    it follows; beside a chain with corners it has them too, and is straight where that is."""
    ends = [k for k in range(1, len(chain)) if _turns(chain[k - 1], chain[k])]
    if not ends:
        return _beside(chain, first, last, depth)
    corners = [_mitred(chain[k - 1], chain[k], depth) for k in ends]
    runs = [chain[i:j] for i, j in pairwise([0, *ends, len(chain)])]
    along = zip(runs, pairwise([first, *corners, last]), strict=True)
    return tuple(
        segment
        for run, (start, end) in along
        for segment in (straight(start, end) if _is_straight(run) else _beside(run, start, end, depth))
    )


def _is_straight(chain: Chain) -> bool:
    return len(chain) == 1 and not chain[0].is_curve


def _turns(one: Segment, other: Segment) -> bool:
    """Whether a chain has a corner where one segment of it ends and the next begins."""
    (ax, ay), (bx, by) = one.derivative(1.0), other.derivative(0.0)
    return abs(math.atan2(ax * by - ay * bx, ax * bx + ay * by)) > CORNER


def _mitred(one: Segment, other: Segment, depth: float) -> Point:
    """Where lines `depth` to the left of two segments meet that make a corner."""
    (ax, ay), (bx, by) = unit(one.derivative(1.0)), unit(other.derivative(0.0))
    share = depth / (1 + ax * bx + ay * by)
    return (one.end[0] - (ay + by) * share, one.end[1] + (ax + bx) * share)


def _beside(chain: Chain, first: Point, last: Point, depth: float) -> Chain:
    count = 3 * (POINTS - 1)

    def beside(index: int, t: float) -> Point:
        p, v = chain[index].at(t), unit(chain[index].derivative(t))
        return (p[0] - v[1] * depth, p[1] + v[0] * depth)

    followed = [beside(*place) for place in _spaced(chain, count)]
    begun, ended = followed[0], followed[-1]
    points = []
    for k, (x, y) in enumerate(followed):
        t = k / count
        at_first, at_last = (1 - t) ** 3, t**3
        points.append(
            (
                x + at_first * (first[0] - begun[0]) + at_last * (last[0] - ended[0]),
                y + at_first * (first[1] - begun[1]) + at_last * (last[1] - ended[1]),
            )
        )
    return tuple(through(*points[k : k + 4]) for k in range(0, count, 3))
