"""Trims along an edge, and embroidery: piping, braid, rickrack, lace, topstitching, ruffles."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator
from itertools import pairwise

from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.making import Detail
from rowanseed.drawings.line.dressed import Draw, Dressed, Line, Run, Stroke, inward, stepped, waved
from rowanseed.drawings.line.laid import Laid

LACE, RICKRACK, PIPING_IN, STITCHED_IN = 12.0, 9.0, 2.0, 7.0


def trim(part: str, lines: Callable[[Laid, Run], Iterator[tuple[Run, Line]]]) -> Draw:
    def draw(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
        for one, run in dressed.runs(detail.along):
            for found, line in lines(one, run):
                yield Stroke(part, found, line)

    return draw


def piping(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    yield inward(one, run, PIPING_IN), Line.BOLD


def braid(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    yield inward(one, run, 6.0), Line.FINE
    yield inward(one, run, 16.0), Line.FINE


def rickrack(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    yield waved(one, run, 8.0, 8.0 + RICKRACK, 12.0), Line.FINE


def lace(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    points = stepped(run, 18.0)
    for a, b in pairwise(points):
        middle = ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
        yield [a, *inward(one, [a, middle, b], -LACE)[1:2], b], Line.FINE


def topstitching(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    yield inward(one, run, STITCHED_IN), Line.DASHED


def ruffle(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    """It falls from its seam over the piece, wider than the seam is long."""
    points = stepped(run, 22.0)
    yield [*points, *reversed(waved(one, points, 42.0, 52.0, 22.0))], Line.FILLED
    for a, b in zip(points[1:-1:2], inward(one, points, 26.0)[1:-1:2], strict=True):
        yield [a, b], Line.FINE


def embroidery(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """A small flower where the chest is, or the middle of a skirt."""
    one = next((found for id in detail.on if (found := dressed.laid(id)) is not None), None)
    if one is None:
        return
    x0, y0, x1, y1 = bounds([q for run in one.edges.values() for q in run])
    x, y = x0 + 0.3 * (x1 - x0), y0 + 0.45 * (y1 - y0)
    for k in range(4):
        angle = k * math.pi / 4
        dx, dy = 14.0 * math.cos(angle), 14.0 * math.sin(angle)
        yield Stroke("trims", [(x - dx, y - dy), (x + dx, y + dy)], Line.FINE, (1,))
