"""The line drawing of a garment: front and back as they would lie, drawn from its composed pieces."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from itertools import pairwise
from xml.etree.ElementTree import Element

from rowanseed.core.geometry.outline import Point, bounds, flatten
from rowanseed.core.pattern.making import DifferenceKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, Panel, Piece, PointKind, Role
from rowanseed.drawings.svg import INK, PAPER, QUIET, add, drawing, path_of, write

HIGH, WIDE = 430.0, 300.0
"""Each figure is drawn within so many units."""
MARGIN = 14.0
At = Callable[[Point, int], Point]
"""Where a point of the garment lies on the drawing, by hand: -1 left, 1 right."""
STROKES = 26.0
"""Gathers are drawn as strokes so far apart, in mm."""


@dataclass(frozen=True)
class _Laid:
    """A piece where it lies on the figure: its rings by edge, in mm, x down, y outwards from the centre."""

    piece: Piece
    edges: dict[str, list[Point]]
    down: float
    out: float


def line_drawing(pattern: Pattern) -> str:
    """Front and back side by side, in the middle size; described in words for those who do not see it."""
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    both = {panel: list(_laid(pattern, panel, size)) for panel in (Panel.FRONT, Panel.BACK)}
    shown = [panel for panel, pieces in both.items() if pieces]
    root = drawing(
        (WIDE + MARGIN) * len(shown) + MARGIN,
        HIGH + 2 * MARGIN + 18,
        f"{pattern.name}, line drawing",
        _words(pattern),
        class_="line-drawing",
    )
    points = [q for pieces in both.values() for one in pieces for run in one.edges.values() for q in run]
    sleeves = {panel: _sleeve(pattern, pieces, size) for panel, pieces in both.items()}
    points += [q for runs in sleeves.values() for run in runs for q in run]
    if not points:
        return write(root)
    x0, _, x1, y1 = bounds(points)
    scale = min(HIGH / (x1 - x0), WIDE / 2 / max(1.0, max(abs(y1), max(abs(q[1]) for q in points))))
    for k, panel in enumerate(shown):
        middle = MARGIN + WIDE / 2 + k * (WIDE + MARGIN)
        group = add(root, "g", transform=f"translate({middle:.1f} {MARGIN})", stroke_linejoin="round", fill=PAPER)

        def at(q: Point, hand: int, x0: float = x0, scale: float = scale) -> Point:
            return (hand * q[1] * scale, (q[0] - x0) * scale)

        for hand in (-1, 1):
            for run in sleeves[panel]:
                add(group, "path", d=path_of([at(q, hand) for q in run]), stroke=INK, stroke_width=1.6)
            for one in both[panel]:
                _outline(group, one, hand, at)
        for hand in (-1, 1):
            for one in both[panel]:
                _inside(group, pattern, one, hand, at, size)
        add(
            root,
            "text",
            panel.words,
            x=middle,
            y=HIGH + MARGIN + 24,
            text_anchor="middle",
            font_size=17,
            fill=QUIET,
        )
    return write(root)


def _words(pattern: Pattern) -> str:
    closures = ", ".join(dict.fromkeys(c.kind.words for c in pattern.making.closures))
    details = ", ".join(dict.fromkeys(d.kind.words for d in pattern.making.details))
    pieces = ", ".join(dict.fromkeys(p.name.lower() for p in pattern.pieces if p.panel is not Panel.OTHER))
    return (
        f"Drawn from its pieces: {pieces}."
        + (f" Closes by {closures}." if closures else "")
        + (f" With {details}." if details else "")
    )


def _laid(pattern: Pattern, panel: Panel, size: str) -> Iterator[_Laid]:
    """The shell's pieces of one side, the skirt below the bodice, gores beside each other."""
    below = _waist_level(pattern, panel, size)
    beside = 0.0
    for piece in pattern.pieces:
        if piece.panel is not panel or not piece.cuts_for(Role.MAIN, pattern.envelope.views[0].id):
            continue
        down = below if piece.id.startswith("skirt-") else 0.0
        out = 0.0
        edges = {name: flatten(chain, 1.0) for name, chain in piece.shapes[size].edges.items()}
        if piece.has_edge("waist") and not piece.has_edge("shoulder") and piece.has_edge("front"):
            # A gore has a frame of its own: it is laid where its neighbour ends.
            out = beside
        if piece.has_edge("hem") and not piece.has_edge("shoulder") and not piece.has_edge("armhole"):
            level = piece.line(LineKind.LEVEL, "hip")
            beside += level.ends[size][1][1] if level else 0.0
        laid = {name: [(x + down, y + out) for x, y in run] for name, run in edges.items()}
        yield _Laid(piece, _drawn_in(pattern, piece, laid), down, out)


def _drawn_in(pattern: Pattern, piece: Piece, laid: dict[str, list[Point]]) -> dict[str, list[Point]]:
    """A piece that is gathered at its waist hangs narrow there and wide below."""
    joins = [j for j in pattern.making.joins if any(p.piece == piece.id and p.edge == "waist" for p in j.a)]
    ratio = max((j.difference.amount for j in joins if j.difference.kind is DifferenceKind.GATHERS), default=1.0)
    if ratio <= 1.0 or not piece.has_edge("hem"):
        return laid
    x0, _, x1, _ = bounds([q for run in laid.values() for q in run])
    hang = 1.0 / ratio

    def at(q: Point) -> Point:
        below = (q[0] - x0) / (x1 - x0)
        return (q[0], q[1] * (hang + (min(1.0, 1.7 * hang) - hang) * below**0.8))

    return {name: [at(q) for q in _stepped(run)] for name, run in laid.items()}


def _stepped(run: list[Point]) -> list[Point]:
    """A run with points close enough that it bends smoothly when it is drawn in."""
    out = [run[0]]
    for a, b in pairwise(run):
        out += [(a[0] + (b[0] - a[0]) * k / 12, a[1] + (b[1] - a[1]) * k / 12) for k in range(1, 13)]
    return out


def _waist_level(pattern: Pattern, panel: Panel, size: str) -> float:
    own = [p for p in pattern.pieces if p.panel is panel and p.has_edge("waist") and p.has_edge("side")]
    bodice = [p for p in own if not p.id.startswith("skirt-")]
    return max((p.shapes[size].edges["waist"][0].start[0] for p in bodice), default=0.0)


def _outline(group: Element, one: _Laid, hand: int, at: At) -> None:
    ring = [at(q, hand) for run in one.edges.values() for q in run[:-1]]
    add(group, "path", d=path_of(ring), stroke="none", fill=PAPER)
    folds = {cut.fold for cut in one.piece.cuts}
    for name, run in one.edges.items():
        if name in folds:
            continue
        seam = name in ("princess", "yoke", "yoke-base", "yoke-side", "base", "front", "centre", "waist", "opening")
        add(
            group,
            "path",
            d=path_of([at(q, hand) for q in run], closed=False),
            stroke=INK,
            stroke_width=1.1 if seam else 1.9,
            fill="none",
        )


def _inside(group: Element, pattern: Pattern, one: _Laid, hand: int, at: At, size: str) -> None:
    piece = one.piece
    for name in _gathered(pattern, piece.id):
        _strokes(group, one.edges[name], hand, at)
    for dart in piece.darts:
        point = dart.point[size]
        marks = [piece.mark(leg) for leg in dart.legs]
        chain = one.edges[dart.edge]
        for mark in marks:
            leg = _along(chain, mark.distance[size], from_end=mark.anchor == "end")
            tip = (point[0] + one.down, point[1] + one.out)
            ends = [at(leg, hand), at(tip, hand)]
            add(group, "path", d=path_of(ends, closed=False), stroke=QUIET, stroke_width=1, fill="none")
    corners = [q.at[size] for q in piece.points if q.kind is PointKind.POCKET and size in q.at]
    for a, b in zip(corners[::2], corners[1::2], strict=False):
        deep = 120.0
        box = [a, b, (b[0] + deep, b[1]), (a[0] + deep, a[1])]
        ring = [at((x + one.down, y + one.out), hand) for x, y in box]
        add(group, "path", d=path_of(ring), stroke=INK, stroke_width=1.1, fill="none")
    if hand == 1:
        for q in piece.points:
            if q.kind in (PointKind.BUTTON, PointKind.BUTTONHOLE) and size in q.at:
                x, y = at((q.at[size][0] + one.down, 0.0), 1)
                add(group, "circle", cx=x, cy=y, r=3.2, stroke=INK, stroke_width=1.2, fill=PAPER)
        _zip(group, pattern, one, at, size)


def _gathered(pattern: Pattern, piece: str) -> tuple[str, ...]:
    """The edges of a piece that are drawn in where they are sewn."""
    return tuple(
        part.edge
        for join in pattern.making.joins
        if join.difference.kind is DifferenceKind.GATHERS
        for part in join.a
        if part.piece == piece
    )


def _strokes(group: Element, run: list[Point], hand: int, at: At) -> None:
    """Short lines away from an edge that is drawn in, long and short in turn."""
    long = sum(math.dist(a, b) for a, b in pairwise(run))
    for k in range(1, int(long / STROKES)):
        p = _along(run, k * STROKES, from_end=False)
        ends = [at(p, hand), at((p[0] + 28 + 14 * (k % 2), p[1] * 1.03), hand)]
        add(group, "path", d=path_of(ends, closed=False), stroke=QUIET, stroke_width=0.9, fill="none")


def _along(run: list[Point], distance: float, *, from_end: bool) -> Point:
    points = run[::-1] if from_end else run
    left = distance
    for a, b in pairwise(points):
        step = math.dist(a, b)
        if step >= left:
            t = left / step if step else 0.0
            return (a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t)
        left -= step
    return points[-1]


def _zip(group: Element, pattern: Pattern, one: _Laid, at: At, size: str) -> None:
    for closure in pattern.making.closures:
        if closure.to_mark is None or closure.to_mark[0] != one.piece.id:
            continue
        mark = one.piece.mark(closure.to_mark[1])
        run = one.edges[mark.edge]
        end = _along(run, mark.distance[size], from_end=mark.anchor == "end")
        begin = run[-1] if mark.anchor == "end" else run[0]
        ends = [at(begin, 1), at(end, 1)]
        add(
            group,
            "path",
            d=path_of(ends, closed=False),
            stroke=INK,
            stroke_width=3,
            stroke_dasharray="2 3",
            fill="none",
            class_="zip",
        )


def _sleeve(pattern: Pattern, laid: list[_Laid], size: str) -> list[list[Point]]:
    """The sleeve hanging from the shoulder's tip, as wide as its piece."""
    piece = next((p for p in pattern.pieces if p.panel is Panel.SLEEVE), None)
    holes = [(one, run) for one in laid for name, run in one.edges.items() if name == "armhole"]
    if piece is None or not holes:
        return []
    tip = min((q for _, run in holes for q in run), key=lambda q: q[0])
    under = max((q for _, run in holes for q in run), key=lambda q: q[1])
    hole = sorted({q for _, run in holes for q in run}, key=lambda q: -q[0])
    edges = piece.shapes[size].edges
    top = edges["cap"][0].start
    long = edges["wrist"][0].start[0] - top[0]
    end = abs(edges["wrist"][-1].end[1] - edges["wrist"][0].start[1]) / 2
    low = (under[0] + long * 0.94, under[1] + long * 0.34)
    return [[*hole, tip, (low[0] - end * 0.34, low[1] + end * 0.94), low, under]]
