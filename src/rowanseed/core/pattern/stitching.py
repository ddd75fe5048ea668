"""Patterns that draw the cutting line, redrawn on the stitching line, so that every later change keeps the garment.

What is sewn is what a change speaks of: a seam added, a hem narrowed, a facing, a side let out. Each works on the
stitching line and the allowances; the cutting line follows from the two.
"""

from __future__ import annotations

import math
from bisect import bisect_right
from collections.abc import Mapping, Sequence
from dataclasses import replace
from functools import lru_cache
from itertools import accumulate, pairwise

from rowanseed.core.base.same import Same
from rowanseed.core.geometry.outline import Chain, Point, Segment, lerp, through, unit
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Drawn, Piece, Shape
from rowanseed.core.pattern.seamline import lines

Run = list[Point]

KEPT = 128


def on_stitching_line(pattern: Pattern) -> Pattern:
    """The same garment with every piece drawn on its stitching line; the pattern itself if they all are.

    A piece that says no allowances keeps its outline: nobody knows where its stitching line runs.
    """
    return pattern if all(piece.drawn is Drawn.SEAM for piece in pattern.pieces) else _on_stitching_line(Same(pattern))


@lru_cache(maxsize=KEPT)
def _on_stitching_line(same: Same[Pattern]) -> Pattern:
    pattern = same.it
    return replace(pattern, pieces=tuple(_redrawn(piece) for piece in pattern.pieces))


def _redrawn(piece: Piece) -> Piece:
    if piece.drawn is Drawn.SEAM:
        return piece
    if not any(edge.allowance for edge in piece.edges):
        return replace(piece, drawn=Drawn.SEAM)
    runs = {size: _runs(lines(piece, size, FINE).seam) for size in piece.shapes}
    names = [edge.name for edge in piece.edges]
    alike = {name: in_step([found[name] for found in runs.values()]) for name in names}
    shapes = {
        size: Shape({name: alike[name][k] for name in names}, piece.shapes[size].grainline)
        for k, size in enumerate(runs)
    }
    return replace(piece, drawn=Drawn.SEAM, shapes=shapes)


SPLINTER = 0.3
"""No part of a stitching line is shorter than this, in mm: the direction of a splinter means nothing."""


def _runs(edges: Mapping[str, Sequence[Point]]) -> dict[str, Run]:
    """Runs without splinters; both ends are kept."""
    out = {}
    for name, run in edges.items():
        kept = [run[0]]
        for point in run[1:-1]:
            if math.dist(point, kept[-1]) > SPLINTER and math.dist(point, run[-1]) > SPLINTER:
                kept.append(point)
        out[name] = [*kept, run[-1]]
    return out


STEP = 8.0
"""Between corners a bent line is a chain of curves about so long, in mm, each through four points of it."""
FINE = 0.005
STRAIGHT = 0.02
KINK = math.cos(math.radians(8))


def in_step(runs: Sequence[Run]) -> list[Chain]:
    """One edge in every size, with a segment in each for every segment in the others, corners on corners.

    So that one size can be blended with another place by place.
    """
    spans = [_between_corners(run) for run in runs]
    if len({len(found) for found in spans}) > 1:
        spans = [[run] for run in runs]
    out: list[Chain] = [() for _ in runs]
    for same in zip(*spans, strict=True):
        bent = any(_bend(span) > STRAIGHT for span in same)
        parts = max(1, math.ceil(max(_long(span) for span in same) / STEP)) if bent else 0
        for k, span in enumerate(same):
            out[k] += _curves(span, parts) if bent else (Segment(span[0], span[-1]),)
    return out


def _curves(run: Run, parts: int) -> Chain:
    """A run as so many curves of equal length."""
    along = list(accumulate((math.dist(a, b) for a, b in pairwise(run)), initial=0.0))
    points = [_at(run, along, along[-1] * k / (3 * parts)) for k in range(3 * parts + 1)]
    return tuple(through(*points[k : k + 4]) for k in range(0, 3 * parts, 3))


def _between_corners(run: Run) -> list[Run]:
    """A run cut apart at its corners."""
    ways = [unit((b[0] - a[0], b[1] - a[1])) for a, b in pairwise(run)]
    spans, begun = list[Run](), 0
    for k, (before, after) in enumerate(pairwise(ways), start=1):
        if before[0] * after[0] + before[1] * after[1] < KINK:
            spans.append(run[begun : k + 1])
            begun = k
    return [*spans, run[begun:]]


def _long(run: Run) -> float:
    return sum(math.dist(a, b) for a, b in pairwise(run))


def _bend(run: Run) -> float:
    """How far a run strays from the straight line between its ends."""
    (x0, y0), (x1, y1) = run[0], run[-1]
    chord = math.dist(run[0], run[-1]) or 1.0
    return max(abs((x - x0) * (y1 - y0) - (y - y0) * (x1 - x0)) / chord for x, y in run)


def _at(run: Run, along: Sequence[float], distance: float) -> Point:
    """The point so far along a run; `along` says how far each of its points stands."""
    k = min(max(bisect_right(along, distance) - 1, 0), len(run) - 2)
    step = along[k + 1] - along[k]
    return lerp(run[k], run[k + 1], min(1.0, (distance - along[k]) / step) if step else 0.0)
