"""Pieces and lays as they are projected: bare lines in mm, for a page that draws them at their true size.

Every piece stands at the origin of its own group, the lay at the origin of its; the page moves, turns and scales them.
"""

from __future__ import annotations

from collections.abc import Sequence
from xml.etree.ElementTree import Element

from shapely import maximum_inscribed_circle
from shapely.geometry import LineString, Polygon
from shapely.ops import unary_union

from rowanseed.core.cutting import CutItem
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.folding import fold_lines, stretch_width
from rowanseed.core.lay.problem import LayCloth, Plan
from rowanseed.core.printing.lines import PrintPiece
from rowanseed.drawings.lay_labels import WIDTH_OF_A_LETTER
from rowanseed.drawings.svg import add, number, path_of, write

LETTER = 14.0
"""The height of what is written, in mm of cloth."""
ARROW = 12.0


def draw_pieces(pieces: Sequence[PrintPiece]) -> str:
    """A group a piece, in their order: its lines by what they are, its words."""
    root = Element("g", {"id": "pieces"})
    for k, piece in enumerate(pieces):
        left, top, right, bottom = piece.box
        group = _group(root, f"piece-{k}", piece.name, right - left, bottom - top)
        for line in piece.lines:
            points = [(x - left, y - top) for x, y in line.points]
            add(group, "path", d=path_of(points, closed=False), class_=line.type.value)
            if line.type.value == "grain":
                _arrows(group, points[0], points[-1])
        for x, y in piece.dots:
            add(group, "circle", cx=x - left, cy=y - top, r=4.0, class_="inner")
        lines = [LineString(line.points) for line in piece.lines]
        _words(group, piece.outline, lines, (-left, -top), piece.words)
    return write(root)


def draw_lay(plan: Plan, cloth: LayCloth, items: Sequence[CutItem]) -> str:
    """The cloth as it lies, the fold nearest whoever stands there, with a group a piece in cutting order."""
    high = max(stretch_width(s.lay, s.depth, cloth.width) for s in plan.stretches)
    root = Element("g", {"id": "lay", "data-wide": number(plan.length), "data-tall": number(high)})
    for stretch in plan.stretches:
        tall = stretch_width(stretch.lay, stretch.depth, cloth.width)
        corners = [(stretch.start, 0.0), (stretch.end, 0.0), (stretch.end, tall), (stretch.start, tall)]
        add(root, "path", d=path_of([(x, high - y) for x, y in corners]), class_="cloth")
        for fold in fold_lines(stretch.lay, cloth.width):
            ends = [(stretch.start, high - fold), (stretch.end, high - fold)]
            add(root, "path", d=path_of(ends, closed=False), class_="fold")
    for item in items:
        start = plan.stretches[item.stretch].start
        ring = [(start + x, high - y) for x, y in item.placement.outline]
        name, (a, b, c, d) = f"{item.number} {item.piece.name}", bounds(ring)
        # The page brings the middle of what it is given to its own middle: here, that of the piece.
        group = _group(root, f"laid-{item.number}", name, a + c, b + d)
        add(group, "path", d=path_of(ring), class_="cut")
        if item.grain is not None:
            ends = [(start + x, high - y) for x, y in item.grain.line]
            add(group, "path", d=path_of(ends, closed=False), class_="grain")
            _arrows(group, *ends)
        grain = [LineString([(start + x, high - y) for x, y in item.grain.line])] if item.grain is not None else []
        _words(group, Polygon(ring), grain, (0.0, 0.0), (name,))
    return write(root)


def _group(root: Element, id: str, name: str, wide: float, tall: float) -> Element:
    return add(root, "g", id=id, class_="piece", data_name=name, data_wide=number(wide), data_tall=number(tall))


def _arrows(group: Element, a: Point, b: Point) -> None:
    for tail, head in ((a, b), (b, a)):
        long = max(1e-6, ((head[0] - tail[0]) ** 2 + (head[1] - tail[1]) ** 2) ** 0.5)
        ux, uy = (head[0] - tail[0]) / long, (head[1] - tail[1]) / long
        wings = [
            (head[0] - ux * ARROW - s * uy * ARROW / 2, head[1] - uy * ARROW + s * ux * ARROW / 2) for s in (1, -1)
        ]
        add(group, "path", d=path_of([wings[0], head, wings[1]], closed=False), class_="grain")


def _words(group: Element, shape: Polygon, lines: Sequence[LineString], by: Point, words: Sequence[str]) -> None:
    """Words in the roomiest place that no line crosses, moved by `by`; smaller where that is narrow."""
    free = shape.buffer(0).difference(unary_union([line.buffer(LETTER * 0.3) for line in lines]))
    circle = maximum_inscribed_circle(max(getattr(free, "geoms", [free]), key=lambda part: part.area), tolerance=3)
    (x, y), room = circle.coords[0], 2 * circle.length
    size = min(LETTER, room * 0.9 / (max(len(text) for text in words) * WIDTH_OF_A_LETTER), room / len(words) / 1.4)
    for k, text in enumerate(words):
        down = y + by[1] + (k - (len(words) - 1) / 2) * size * 1.3 + size * 0.35
        add(group, "text", text, x=x + by[0], y=down, font_size=size, text_anchor="middle")
