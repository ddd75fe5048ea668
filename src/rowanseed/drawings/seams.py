"""A seam walked: its two edges laid along each other from one end, to one scale."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise

from rowanseed.core.base.units import Units, format_length
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import MarkKind
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.pattern.walk import SeamWalk
from rowanseed.drawings.shown import shown_lines
from rowanseed.drawings.svg import INK, QUIET, add, drawing, halo, number, path_of, write

WIDE = 760.0
LIFT = 26.0
"""How far apart the two edges are drawn, in units of the drawing."""


def draw_seam(pattern: Pattern, size: str, walked: SeamWalk, thread: str, units: Units) -> str:
    """Both sides as curves, side a above in full line, side b below in dashes; notches as ticks."""
    a, a_ticks = _side(pattern, size, walked.join.a, None)
    b, b_ticks = _side(pattern, size, walked.join.b, a)
    left, low, right, high = bounds([*a, *b])
    scale = (WIDE - 40) / max(right - left, 1.0)
    tall = min(190.0, (high - low) * scale) + LIFT + 74

    def place(p: Point, drop: float) -> Point:
        squeeze = min(1.0, 190.0 / max((high - low) * scale, 1e-6))
        return (20 + (p[0] - left) * scale, 34 + (p[1] - low) * scale * squeeze + drop)

    root = drawing(
        WIDE,
        tall,
        f"{walked.join.name}, both edges",
        f"{format_length(walked.a, units, fine=True)} against {format_length(walked.b, units, fine=True)}.",
        class_="seam-drawing",
    )
    for points, ticks, drop, style in ((a, a_ticks, 0.0, None), (b, b_ticks, LIFT, "12 6")):
        run = [place(p, drop) for p in points]
        add(
            root,
            "path",
            d=path_of(run, closed=False),
            fill="none",
            stroke=thread if style is None else INK,
            stroke_width=3.2 if style is None else 2.4,
            stroke_dasharray=style,
            stroke_linejoin="round",
        )
        for p in ticks:
            x, y = place(p, drop)
            add(root, "path", d=f"M{number(x)} {number(y - 8)}v16", stroke=INK, stroke_width=2)
        for x, y in (run[0], run[-1]):
            add(root, "circle", cx=x, cy=y, r=4, fill=thread if style is None else INK)
    halo(root, 20, 18, _names(pattern, walked.join.a), 15, fill=thread, font_weight=700)
    halo(root, 20, tall - 10, _names(pattern, walked.join.b), 15, fill=INK, font_weight=700)
    add(
        root,
        "text",
        format_length(walked.a, units, fine=True),
        x=WIDE - 20,
        y=18,
        font_size=15,
        fill=thread,
        text_anchor="end",
    )
    add(
        root,
        "text",
        format_length(walked.b, units, fine=True),
        x=WIDE - 20,
        y=tall - 10,
        font_size=15,
        fill=QUIET,
        text_anchor="end",
    )
    return write(root)


def _names(pattern: Pattern, parts: Sequence[EdgePart]) -> str:
    return " + ".join(f"{pattern.piece(p.piece).name}, {p.edge}" for p in parts)


def _side(
    pattern: Pattern, size: str, parts: Sequence[EdgePart], other: list[Point] | None
) -> tuple[list[Point], list[Point]]:
    """The parts end to end along the stitching line, their chord laid level; turned over to lie along `other`."""
    points: list[Point] = []
    ticks: list[Point] = []
    for part in parts:
        run, marks = _run(pattern, size, part)
        if points:
            run, marks = _fit_on(points, run, marks)
        points += run if not points else run[1:]
        ticks += marks
    points, ticks = _levelled(points, ticks)
    if other is not None:
        ways = [(fx, fy) for fx in (1, -1) for fy in (1, -1)]
        best = min(ways, key=lambda way: _apart(_flipped(points, points, *way), other))
        points, ticks = _flipped(points, points, *best), _flipped(ticks, points, *best)
    return points, ticks


def _run(pattern: Pattern, size: str, part: EdgePart) -> tuple[list[Point], list[Point]]:
    piece = pattern.piece(part.piece)
    whole = shown_lines(piece, size).seam[part.edge]
    total = sum(math.dist(p, q) for p, q in pairwise(whole))
    first = mark_distance(piece, size, piece.mark(part.from_mark)) if part.from_mark else 0.0
    last = mark_distance(piece, size, piece.mark(part.to_mark)) if part.to_mark else total
    kinds = (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH)
    marks = [mark_distance(piece, size, m) for m in piece.marks if m.edge == part.edge and m.kind in kinds]
    return stretch_between(whole, *sorted((first, last))), [
        stretch_between(whole, m, m)[0] for m in marks if first <= m <= last
    ]


def stretch_between(points: Sequence[Point], first: float, last: float) -> list[Point]:
    out: list[Point] = []
    gone = 0.0
    for p, q in pairwise(points):
        step = math.dist(p, q)
        for at in (first, last):
            if gone <= at <= gone + step and step and ((at == first and not out) or (at == last and out)):
                t = (at - gone) / step
                out.append((p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t))
        if out and gone + step < last:
            out.append(q)
        gone += step
    return out or [points[-1]]


def _fit_on(points: list[Point], run: list[Point], marks: list[Point]) -> tuple[list[Point], list[Point]]:
    """Lay the next part on the end of what is there, turned so that the line runs on."""
    end, before = points[-1], points[-2]
    whole = points[-1][0] - points[0][0], points[-1][1] - points[0][1]
    ways = []
    for way in (run, list(reversed(run))):
        turn = math.atan2(end[1] - before[1], end[0] - before[0]) - math.atan2(
            way[1][1] - way[0][1], way[1][0] - way[0][0]
        )
        c, s = math.cos(turn), math.sin(turn)

        def moved(p: Point, way: list[Point] = way, c: float = c, s: float = s) -> Point:
            x, y = p[0] - way[0][0], p[1] - way[0][1]
            return (end[0] + x * c - y * s, end[1] + x * s + y * c)

        ways.append(([moved(p) for p in way], [moved(p) for p in marks]))
    return max(ways, key=lambda w: (w[0][-1][0] - end[0]) * whole[0] + (w[0][-1][1] - end[1]) * whole[1])


def _levelled(points: list[Point], ticks: list[Point]) -> tuple[list[Point], list[Point]]:
    (x0, y0), (x1, y1) = points[0], points[-1]
    long = math.hypot(x1 - x0, y1 - y0) or 1.0
    c, s = (x1 - x0) / long, (y1 - y0) / long

    def moved(p: Point) -> Point:
        return ((p[0] - x0) * c + (p[1] - y0) * s, -(p[0] - x0) * s + (p[1] - y0) * c)

    return [moved(p) for p in points], [moved(p) for p in ticks]


def _flipped(points: list[Point], of: list[Point], fx: int, fy: int) -> list[Point]:
    long = of[-1][0]
    moved = [(p[0] if fx > 0 else long - p[0], p[1] * fy) for p in points]
    return moved if fx > 0 else list(reversed(moved))


def _apart(one: list[Point], other: list[Point]) -> float:
    """How far two curves lie apart, compared at equal shares of their points' run."""
    return sum(math.dist(one[k * (len(one) - 1) // 20], other[k * (len(other) - 1) // 20]) for k in range(21))
