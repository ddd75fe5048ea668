"""A chain bent evenly: its length is kept, and the way it begins."""

from __future__ import annotations

import math
from collections.abc import Callable

from rowanseed.core.geometry.outline import Chain, Point, Segment, chain_length, direction_at

PARTS = 4
"""Curves that a bent chain is drawn with."""
NODES = ((-0.7745966692414834, 5 / 18), (0.0, 8 / 18), (0.7745966692414834, 5 / 18))
"""Gauss-Legendre quadrature by three points, on -1..1, its weights adding up to 1."""


def bending(chain: Chain) -> Callable[[float], Chain]:
    """A turn in radians, from x towards y → the chain turned by so much in all from its start to its end.

    Every place of it is turned by its share of the length before it; the sum of its directions is the bent chain.
    """
    long = chain_length(chain)
    start, step = chain[0].start, long / PARTS
    ways = [
        [(share, weight, direction_at(chain, share * long)) for share, weight in _nodes(part)] for part in range(PARTS)
    ]
    at_ends = [direction_at(chain, k * step) for k in range(PARTS + 1)]

    def bent(turn: float) -> Chain:
        corner = turn / PARTS
        # The handle of an arc so long; of a straight line a third.
        handle = step * (4 / 3 * math.tan(corner / 4) / corner if corner else 1 / 3)
        points, directions = [start], [_turned(v, turn * k / PARTS) for k, v in enumerate(at_ends)]
        for way in ways:
            x, y = points[-1]
            for share, weight, v in way:
                dx, dy = _turned(v, turn * share)
                x, y = x + step * weight * dx, y + step * weight * dy
            points.append((x, y))
        return tuple(
            Segment(
                start=a,
                end=b,
                control1=(a[0] + handle * v[0], a[1] + handle * v[1]),
                control2=(b[0] - handle * w[0], b[1] - handle * w[1]),
            )
            for a, b, v, w in zip(points, points[1:], directions, directions[1:], strict=False)
        )

    return bent


def _nodes(part: int) -> list[tuple[float, float]]:
    return [((part + (1 + node) / 2) / PARTS, weight) for node, weight in NODES]


def _turned(v: Point, angle: float) -> Point:
    c, s = math.cos(angle), math.sin(angle)
    return (v[0] * c - v[1] * s, v[0] * s + v[1] * c)
