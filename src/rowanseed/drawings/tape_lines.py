"""A piece with its tape lines: every dimension numbered where the tape is put."""

from __future__ import annotations

import math
from collections.abc import Set
from itertools import pairwise

from rowanseed.core.compose.tape import dimensions, tape_path
from rowanseed.core.compose.vocabulary import TapeLine
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.svg import CHALK, INK, LINE, PAPER, QUIET, add, drawing, path_of, write

LONG = 300.0
"""The longer side of a drawing, in its own units."""
MARGIN = 36.0
ROUND = 10.5
INSIDE = 22.0


def draw_tape_lines(piece: Piece, size: str, on: TapeLine, known: Set[str]) -> str:
    """The piece upright, the line that the tissue has drawn full, a numbered tape for every dimension.

    Those that are known already have a filled number.
    """
    both = lines(piece, size, 0.3)
    rings = {TapeLine.STITCHING: both.seam_ring(), TapeLine.CUTTING: both.cutting_ring()}
    x0, y0, x1, y1 = bounds([upright(p) for p in rings[TapeLine.CUTTING]])
    scale = LONG / max(x1 - x0, y1 - y0)

    def at(p: Point) -> Point:
        x, y = upright(p)
        return ((x - x0) * scale + MARGIN, (y - y0) * scale + MARGIN)

    named = [f"{k}, {one.words.lower()}" for k, one in enumerate(dimensions(piece), start=1)]
    wide, tall = (x1 - x0) * scale + 2 * MARGIN, (y1 - y0) * scale + 2 * MARGIN
    root = drawing(
        wide,
        tall,
        f"{piece.name}, where to put the tape",
        "; ".join(named) + ".",
        class_="tape",
    )
    other = TapeLine.CUTTING if on is TapeLine.STITCHING else TapeLine.STITCHING
    add(root, "path", d=path_of([at(p) for p in rings[other]]), fill="none", stroke=LINE, stroke_width=1)
    add(root, "path", d=path_of([at(p) for p in rings[on]]), fill=PAPER, stroke=INK, stroke_width=1.4)
    middle = at(((bounds(rings[on])[0] + bounds(rings[on])[2]) / 2, (bounds(rings[on])[1] + bounds(rings[on])[3]) / 2))
    placed: list[Point] = []
    for k, one in enumerate(dimensions(piece), start=1):
        path = [at(p) for p in tape_path(piece, size, one, on)]
        if one.level:
            add(
                root,
                "path",
                d=path_of(path, closed=False),
                stroke=CHALK,
                stroke_width=1.6,
                stroke_dasharray="7 4",
                fill="none",
            )
        where = _beside(path, middle, across=bool(one.level), taken=placed)
        placed.append(where)
        full = one.id in known
        add(
            root,
            "circle",
            cx=where[0],
            cy=where[1],
            r=ROUND,
            fill=CHALK if full else PAPER,
            stroke=CHALK,
            stroke_width=1.6,
        )
        add(
            root,
            "text",
            str(k),
            x=where[0],
            y=where[1] + 4.4,
            text_anchor="middle",
            font_size=12.5,
            font_weight=700,
            fill=PAPER if full else QUIET,
        )
    return write(root)


def _beside(path: list[Point], middle: Point, *, across: bool, taken: list[Point]) -> Point:
    """Where a number stands: on its tape across the piece, inside the piece along an edge, clear of the others."""
    shares = (0.5, 0.35, 0.65, 0.22, 0.78)
    depths = (0.0,) if across else (INSIDE, -INSIDE, 2 * INSIDE)
    found = [_in(path, share, middle, depth) for depth in depths for share in shares]
    for clear in (2.5 * ROUND, 2.1 * ROUND):
        free = [p for p in found if all(math.dist(p, q) > clear for q in taken)]
        if free:
            return free[0]
    return max(found, key=lambda p: min(math.dist(p, q) for q in taken))


def _in(path: list[Point], share: float, middle: Point, inside: float) -> Point:
    whole = sum(math.dist(a, b) for a, b in pairwise(path))
    left = whole * share
    for a, b in pairwise(path):
        step = math.dist(a, b)
        if step >= left and step > 0:
            p = (a[0] + (b[0] - a[0]) * left / step, a[1] + (b[1] - a[1]) * left / step)
            normal = (-(b[1] - a[1]) / step, (b[0] - a[0]) / step)
            towards = (middle[0] - p[0]) * normal[0] + (middle[1] - p[1]) * normal[1]
            sign = 1.0 if towards >= 0 else -1.0
            return (p[0] + sign * normal[0] * inside, p[1] + sign * normal[1] * inside)
        left -= step
    return path[-1]
