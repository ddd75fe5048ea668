"""Pieces drawn upright and to one scale: the nest of sizes."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from typing import assert_never
from xml.etree.ElementTree import Element

from shapely.geometry import Polygon

from rowanseed.core.base.units import Units, format_length
from rowanseed.core.geometry.outline import Point, chain_length, flatten, point_at
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.double_darts import double_darts_of
from rowanseed.core.pattern.grain import grain_arrow
from rowanseed.core.pattern.opened_out import opened_out
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Drawn, LineKind, MarkKind, Piece, PointKind
from rowanseed.core.pattern.pleats import pleats_of
from rowanseed.core.pattern.seamline import mark_distance, seam_length
from rowanseed.core.printing.lines import arrow_runs, dart_runs, upright
from rowanseed.drawings.shown import outline_path, shown_lines
from rowanseed.drawings.svg import INK, PAPER, QUIET, add, drawing, halo, number, path_of, write

GAP = 46.0
IN_A_ROW = 5
"""More pieces than this beside each other get too small to read."""
DASHES = {LineKind.LENGTHEN_SHORTEN: "16 5", LineKind.CENTRE: "16 4 3 4"}
LINE_STYLES = ("4 6", "14 6", "14 5 3 5", "2 5", "22 6", "10 4 10 10", "3 3", "18 4 4 4 4 4")
"""One line style a size, in turn, so that colour need not tell them apart."""


@dataclass(frozen=True)
class _Placed:
    piece: Piece
    x: float
    y: float
    name_y: float

    def at(self, p: Point) -> Point:
        x, y = upright(p)
        return (x + self.x, y + self.y)


def row(
    pieces: Sequence[Piece],
    size: str,
    sizes: Sequence[str],
    beside: Callable[[Piece], list[Piece]] = lambda piece: [],
    least: float = 0.0,
) -> tuple[list[_Placed], float, float, float]:
    """Pieces in columns from the left, tall ones first, small ones stacked; each has room for its nest.

    `beside` gives other pieces drawn in the same place. Returns the placed pieces, width and height of the whole,
    and a lettering size that suits its scale, `least` or more.
    """
    boxes = {}
    for piece in pieces:
        rings = [bounds([upright(p) for p in shown_lines(piece, s).cutting_ring()]) for s in {size, *sizes}]
        rings += [bounds([upright(p) for p in shown_lines(other, size).cutting_ring()]) for other in beside(piece)]
        boxes[piece.id] = (
            min(b[0] for b in rings),
            min(b[1] for b in rings),
            max(b[2] for b in rings),
            max(b[3] for b in rings),
        )
    tallest = max(b[3] - b[1] for b in boxes.values())
    across = sum(b[2] - b[0] + GAP for b in boxes.values() if b[3] - b[1] > tallest / 2)
    letter = max(across / 62, tallest / 30, least)
    x, column, down, placed, reached = GAP / 2, 0.0, 0.0, [], 0.0
    for piece in sorted(pieces, key=lambda p: boxes[p.id][3] - boxes[p.id][1] <= tallest / 2):
        left, low, right, high = boxes[piece.id]
        wide, tall = max(right - left, len(piece.name) * letter * 0.56), high - low + letter * 2.4
        if down and (down + tall > tallest + letter * 3 or high - low > tallest / 2):
            x, column, down = x + column + GAP, 0.0, 0.0
        placed.append(_Placed(piece=piece, x=x - left, y=down + letter * 1.9 - low, name_y=down + letter * 1.1))
        column, down = max(column, wide), down + tall + letter
        reached = max(reached, down)
    return placed, x + column + GAP / 2, reached, letter


def rows(
    pieces: Sequence[Piece], size: str, beside: Callable[[Piece], list[Piece]]
) -> tuple[list[_Placed], float, float, float]:
    """As `row`, with no more than `IN_A_ROW` pieces beside each other, in lettering of one size."""
    each = math.ceil(len(pieces) / math.ceil(len(pieces) / IN_A_ROW))
    parts = [pieces[k : k + each] for k in range(0, len(pieces), each)]
    letter = max(row(part, size, (), beside)[3] for part in parts)
    placed, wide, down = [], 0.0, 0.0
    for part in parts:
        here, across, tall, _ = row(part, size, (), beside, letter)
        placed += [replace(p, y=p.y + down, name_y=p.name_y + down) for p in here]
        wide, down = max(wide, across), down + tall + letter
    return placed, wide, down, letter


def draw_nest(pattern: Pattern, size: str, thread: str, pieces: Sequence[Piece]) -> str:
    """Every piece with its nest of sizes; the size in use drawn full and in the thread's colour."""
    sizes = pattern.envelope.sizes
    placed, wide, tall, letter = row([opened_out(piece) for piece in pieces], size, sizes)
    root = drawing(
        wide,
        tall,
        f"The pieces in size {size}",
        f"Cutting lines of {len(pieces)} pieces, all sizes, to one scale.",
        class_="nest",
    )
    for item in placed:
        _nest(root=root, item=item, piece=item.piece, size=size, sizes=sizes, width=1.1)
        both = shown_lines(item.piece, size)
        ring = [item.at(p) for p in both.cutting_ring()]
        add(
            root,
            "path",
            d=path_of(ring),
            fill=PAPER,
            fill_opacity=0.75,
            stroke=thread,
            stroke_width=3.2,
            stroke_linejoin="round",
        )
        if item.piece.drawn is Drawn.SEAM:
            seam = [item.at(p) for p in both.seam_ring()]
            add(
                root,
                "path",
                d=path_of(seam),
                fill="none",
                stroke=thread,
                stroke_width=1.1,
                stroke_dasharray="5 5",
            )
        _inside(root, item, size)
        _name(root, item, ring, letter)
    return write(root)


def _nest(root: Element, item: _Placed, piece: Piece, size: str, sizes: Sequence[str], width: float) -> None:
    """The other sizes of a piece, each in its own line style."""
    for k, other in enumerate(sizes):
        if other != size:
            add(
                root,
                "path",
                d=outline_path(piece, other),
                transform=f"translate({number(item.x)} {number(item.y)})",
                fill="none",
                stroke=QUIET,
                stroke_width=width,
                stroke_opacity=0.5,
                stroke_dasharray=LINE_STYLES[k % len(LINE_STYLES)],
            )


def draw_altered(
    drawn: Pattern, altered: Pattern, size: str, thread: str, shade: str, names: Sequence[str], units: Units
) -> str:
    """Altered pieces over the pattern's own: what has changed is shaded, and edges say how much longer they are."""
    sizes = drawn.envelope.sizes
    pieces = [altered.piece(name) for name in names]
    placed, wide, tall, letter = row(pieces, size, (), lambda piece: [drawn.piece(piece.id)])
    root = drawing(
        wide,
        tall,
        f"Altered pieces, size {size}",
        "; ".join(f"{p.name}" for p in pieces) + ". Full line as it will be cut, dashes as the pattern draws it.",
        class_="nest",
    )
    for item in placed:
        before = drawn.piece(item.piece.id)
        _nest(root=root, item=item, piece=before, size=size, sizes=sizes, width=letter * 0.035)
        both = shown_lines(item.piece, size)
        new = [item.at(p) for p in both.cutting_ring()]
        old = [item.at(p) for p in shown_lines(before, size).cutting_ring()]
        changed = before.shapes[size] != item.piece.shapes[size]
        add(root, "path", d=path_of(new), fill=PAPER, fill_opacity=0.6)
        if changed:
            for part in changed_runs(old, new):
                add(root, "path", d=path_of(part), fill=shade, fill_opacity=0.85)
            add(
                root,
                "path",
                d=path_of(old),
                fill="none",
                stroke=INK,
                stroke_width=letter * 0.06,
                stroke_dasharray="7 5",
            )
        add(
            root,
            "path",
            d=path_of(new),
            fill="none",
            stroke=thread,
            stroke_width=letter * 0.15,
            stroke_linejoin="round",
        )
        seam = [item.at(p) for p in both.seam_ring()]
        add(
            root,
            "path",
            d=path_of(seam),
            fill="none",
            stroke=thread,
            stroke_width=letter * 0.05,
            stroke_dasharray="5 5",
        )
        _inside(root, item, size)
        _darts(root, item, size)
        if changed:
            _grown(root=root, item=item, before=before, size=size, letter=letter, units=units)
        _name(root, item, [*old, *new], letter)
    return write(root)


def changed_runs(old: list[Point], new: list[Point]) -> list[list[Point]]:
    """The areas that one outline has and the other has not."""
    one, other = (Polygon(ring).buffer(0) for ring in (old, new))
    apart = one.symmetric_difference(other)
    parts = [part for part in getattr(apart, "geoms", [apart]) if part.area > 4]
    return [list(ring.coords)[:-1] for part in parts for ring in (part.exterior, *part.interiors)]


def _darts(root: Element, item: _Placed, size: str) -> None:
    single = [run for dart in item.piece.darts for run in dart_runs(item.piece, size, dart)]
    for run in (*single, *(dart.ring for dart in double_darts_of(item.piece, size))):
        path = path_of([item.at(p) for p in run], closed=False)
        add(root, "path", d=path, fill="none", stroke=INK, stroke_width=1.6)


def _grown(root: Element, item: _Placed, before: Piece, size: str, letter: float, units: Units) -> None:
    """How much longer or shorter each edge has become, written inside the piece beside the edge."""
    left, top, right, bottom = bounds([item.at(p) for p in shown_lines(item.piece, size).seam_ring()])
    middle = ((left + right) / 2, (top + bottom) / 2)
    taken: list[Point] = []
    for edge in item.piece.edges:
        by = seam_length(item.piece, size, edge.name) - seam_length(before, size, edge.name)
        if abs(by) < 0.5:
            continue
        chain = item.piece.shapes[size].edges[edge.name]
        x, y = item.at(point_at(chain, chain_length(chain) / 2))
        words = ("+" if by > 0 else "") + format_length(by, units, fine=True)
        half = len(words) * letter * 0.27
        x = min(max(x + (middle[0] - x) * 0.16, left + half), max(right - half, left + half))
        # Clear of its edge on a piece that is hardly taller than the letters.
        inwards = middle[1] - y
        y += math.copysign(max(0.16 * abs(inwards), min(letter, 0.45 * abs(inwards))), inwards)
        while any(abs(x - a) < 2 * half and abs(y - b) < letter for a, b in taken):
            y += letter * 1.1
        taken.append((x, y))
        halo(root, x, y, words, letter * 0.86, fill=INK, font_weight=700, text_anchor="middle")


def _name(root: Element, item: _Placed, ring: list[Point], letter: float) -> None:
    halo(root, bounds(ring)[0], item.name_y, item.piece.name, letter, fill=INK, font_weight=700)


def _inside(root: Element, item: _Placed, size: str) -> None:
    """Grainline, inner lines and marks of a piece."""
    shape = item.piece.shapes[size]
    ring = [p for chain in shape.edges.values() for p in flatten(chain, 1.0)]
    a, b = (item.at(p) for p in grain_arrow(shape.grainline, ring, item.piece.cuts))
    for run in (*arrow_runs(a, b), arrow_runs(b, a)[1]):
        add(root, "path", d=path_of(run, closed=False), fill="none", stroke=INK, stroke_width=1.6)
    for line in item.piece.lines:
        if line.kind is LineKind.LEVEL:
            continue
        a, b = (item.at(p) for p in line.ends[size])
        style = DASHES.get(line.kind, "6 4")
        add(
            root,
            "path",
            d=path_of([a, b], closed=False),
            stroke=QUIET,
            stroke_width=1.4,
            stroke_dasharray=style,
        )
    for pleat in pleats_of(item.piece, size):
        for run in arrow_runs(*(item.at(p) for p in pleat.arrow)):
            add(root, "path", d=path_of(run, closed=False), fill="none", stroke=QUIET, stroke_width=1.4)
    _points(root, item, size)
    _marks(root, item, size)


def _points(root: Element, item: _Placed, size: str) -> None:
    """Marks inside a piece. A buttonhole is a place without a direction here: that is the step's to tell."""
    for point in (point for point in item.piece.points if size in point.at):
        x, y = item.at(point.at[size])
        match point.kind:
            case PointKind.BUTTONHOLE:
                d = f"M{number(x - 5)} {number(y - 5)}l10 10m-10 0l10 -10"
            case PointKind.POCKET | PointKind.BUST:
                d = f"M{number(x - 6)} {number(y)}h12m-6 -6v12"
            case PointKind.DOT | PointKind.BUTTON | PointKind.HOOK | PointKind.TIE:
                add(root, "circle", cx=x, cy=y, r=5, fill=PAPER, stroke=INK, stroke_width=2)
                continue
            case kind:
                assert_never(kind)
        add(root, "path", d=d, fill="none", stroke=INK, stroke_width=2)


def _marks(root: Element, item: _Placed, size: str) -> None:
    for mark in item.piece.marks:
        chain = item.piece.shapes[size].edges[mark.edge]
        x, y = item.at(point_at(chain, mark_distance(item.piece, size, mark)))
        if mark.kind in (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH):
            count = 2 if mark.kind is MarkKind.DOUBLE_NOTCH else 1
            for k in range(count):
                add(root, "path", d=f"M{number(x - 8)} {number(y + k * 9)}h16", stroke=INK, stroke_width=2.4)
        else:
            add(root, "circle", cx=x, cy=y, r=5, fill=PAPER, stroke=INK, stroke_width=2)
