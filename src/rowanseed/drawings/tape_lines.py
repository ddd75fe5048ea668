"""A piece with its tape lines: every dimension numbered where the tape is put."""

from __future__ import annotations

import math
from collections.abc import Set
from itertools import pairwise
from xml.etree.ElementTree import Element

from shapely.geometry import LineString
from shapely.geometry import Point as Place

from rowanseed.core.compose.tape import dimensions, tape_path
from rowanseed.core.compose.vocabulary import TapeLine
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.svg import CHALK, INK, LINE, PAPER, QUIET, add, drawing, number, path_of, write

LONG = 300.0
"""The longer side of a drawing, in its own units."""
MARGIN = 36.0
ROUND = 10.5
INSIDE = 22.0
SHARES = (0.5, 0.35, 0.65, 0.22, 0.78)
"""How far along its tape a number may stand, the best first."""


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
    paths = {one.id: [at(p) for p in tape_path(piece, size, one, on)] for one in dimensions(piece)}
    across = [paths[one.id] for one in dimensions(piece) if one.level]
    placed: list[Point] = []
    for k, one in enumerate(dimensions(piece), start=1):
        path = paths[one.id]
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
        where = _on_tape(path, placed) if one.level else _beside(path, middle, placed, across)
        placed.append(where)
        if not one.level:
            _leader(root, where, path)
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


def _leader(root: Element, where: Point, path: list[Point]) -> None:
    """From an edge's number to the edge, with a dot on it."""
    on = LineString(path).interpolate(LineString(path).project(Place(where)))
    line = f"M{number(where[0])} {number(where[1])}L{number(on.x)} {number(on.y)}"
    add(root, "path", d=line, stroke=CHALK, stroke_width=1.6, class_="leader")
    add(root, "path", d=f"M{number(on.x)} {number(on.y)}h0", stroke=CHALK, stroke_width=7, stroke_linecap="round")


def _on_tape(path: list[Point], taken: list[Point]) -> Point:
    """Where the number of a tape across the piece stands: on it, clear of the others."""
    return _clear([_in(path, share, path[0], 0.0) for share in SHARES], taken, [])


def _beside(path: list[Point], middle: Point, taken: list[Point], across: list[list[Point]]) -> Point:
    """Where an edge's number stands: inside the piece, or outside where it would lie on a tape across."""
    found = [_in(path, share, middle, depth) for depth in (INSIDE, -INSIDE, 2 * INSIDE) for share in SHARES]
    return _clear(found, taken, across)


def _clear(found: list[Point], taken: list[Point], across: list[list[Point]]) -> Point:
    """The first that is clear of what stands already and of the lines across; else the one that is most so."""

    def room(p: Point) -> float:
        apart = [math.dist(p, q) - ROUND for q in taken]
        return min([*apart, *(LineString(path).distance(Place(p)) for path in across)], default=math.inf)

    return next((p for clear in (1.5, 1.1) for p in found if room(p) > clear * ROUND), max(found, key=room))


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
