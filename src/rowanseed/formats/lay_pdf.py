"""A lay on one page as PDF, to scale, with a bar to measure by and the list of its pieces."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from io import BytesIO

from shapely import maximum_inscribed_circle
from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.units import INCH, Units, format_cloth, format_length
from rowanseed.core.cutting import CutItem
from rowanseed.core.lay.folding import fold_lines, stretch_width
from rowanseed.core.lay.problem import LayCloth, LayKind, Plan, Stretch
from rowanseed.core.printing.tiles import MARGIN, Paper
from rowanseed.formats.print_pdf import Page, new_canvas, width_of

BARS = {Units.METRIC: ((500.0, "50 cm"), (200.0, "20 cm"), (100.0, "10 cm")), Units.IMPERIAL: ((18 * INCH, "18 in"),)}
"""What the bar measures, the longest that is no longer than a third of the page."""
LINE = 4.4
KEY = 3.4
SCALES = (1, 2, 4, 5, 8, 10, 12, 15, 20, 25, 30, 40, 50, 60, 80, 100, 150, 200, 300, 400)


@dataclass(frozen=True)
class _Room:
    """Where the cloth's lower left corner stands on the page, and how many mm of cloth a mm of paper is."""

    left: float
    bottom: float
    scale: float

    def at(self, x: float, y: float) -> tuple[float, float]:
        return (self.left + x / self.scale, self.bottom - y / self.scale)


def write_lay(
    plan: Plan, cloth: LayCloth, items: Sequence[CutItem], *, title: str, way: str, paper: Paper, units: Units
) -> bytes:
    """`way`: in words, how the cloth is laid. The page lies on its side, the cloth's length along it."""
    out = BytesIO()
    canvas = new_canvas(out, title)
    wide, tall = sorted(paper.size, reverse=True)
    page = Page(canvas, (wide, tall))
    left, right = MARGIN + 2, wide - MARGIN - 2
    height = max(stretch_width(s.lay, s.depth, cloth.width) for s in plan.stretches)
    rows = -(-len(items) // 3)
    under = 18 + rows * KEY * 1.35
    room_high = tall - 2 * MARGIN - 24 - under
    need = max(plan.length / (right - left), height / room_high)
    scale = float(next((s for s in SCALES if s >= need), int(need) + 1))
    room = _Room(left, MARGIN + 24 + height / scale, scale)
    page.words(left, MARGIN + 7, title, 6)
    said = f"{format_cloth(plan.length, units)} of cloth {format_length(cloth.width, units)} wide, {way}"
    page.words(left, MARGIN + 14, said, LINE)
    for stretch in plan.stretches:
        _stretch(page, room, stretch, cloth)
    for item in items:
        _piece(page, room, item, plan.stretches[item.stretch].start)
    _bar(page, room, room.bottom + 9, units, right)
    for k, item in enumerate(items):
        x = left + (k // rows) * (right - left) / 3
        y = room.bottom + 18 + (k % rows) * KEY * 1.35
        page.words(x, y, f"{item.number}  {item.piece.name}{_grain_words(item, units)}", KEY)
    page.done()
    canvas.save()
    return out.getvalue()


def _grain_words(item: CutItem, units: Units) -> str:
    """How far the grainline stands from fold or selvedge at both ends."""
    if item.grain is None:
        return ""
    ends = (item.grain.at_top, item.grain.at_bottom)
    return f": {' and '.join(format_length(end, units) for end in ends)} from the {item.grain.to}"


def _stretch(page: Page, room: _Room, stretch: Stretch, cloth: LayCloth) -> None:
    high = stretch_width(stretch.lay, stretch.depth, cloth.width)
    (x0, y0), (x1, y1) = room.at(stretch.start, high), room.at(stretch.end, 0.0)
    page.rectangle(x0, y0, x1, y1, 0.25)
    for fold in fold_lines(stretch.lay, cloth.width):
        page.run([room.at(stretch.start, fold), room.at(stretch.end, fold)], 0.9)
    page.words(x0, y1 + 4, "selvedge" if stretch.lay is LayKind.OPEN else "fold, nearest you", 3)


def _piece(page: Page, room: _Room, item: CutItem, start: float) -> None:
    ring = [room.at(start + x, y) for x, y in item.placement.outline]
    page.run([*ring, ring[0]], 0.3)
    shape = Polygon(ring).buffer(0)
    if item.grain is not None:
        a, b = (room.at(start + x, y) for x, y in item.grain.line)
        page.run([a, b], 0.15)
        for tail, head in ((a, b), (b, a)):
            page.arrow(tail, head, 1.8)
        shape = _roomiest(shape.difference(LineString([a, b]).buffer(1.2)))
    circle = maximum_inscribed_circle(shape, tolerance=0.5)
    (x, y), radius = circle.coords[0], circle.length
    for text in (f"{item.number} {item.piece.name}", str(item.number)):
        size = min(3.6, 1.9 * radius / max(width_of(text, 1.0), 1.0))
        if size >= 2.0 or text == str(item.number):
            page.words(x, y + size * 0.35, text, size, middle=True)
            return


def _roomiest(shape: BaseGeometry) -> BaseGeometry:
    return max(getattr(shape, "geoms", [shape]), key=lambda part: float(part.area))


def _bar(page: Page, room: _Room, y: float, units: Units, right: float) -> None:
    """A bar to measure by, and the scale in figures."""
    every = BARS[units]
    long, name = next(((mm, n) for mm, n in every if mm / room.scale < (right - room.left) / 3), every[-1])
    end = room.left + long / room.scale
    page.run([(room.left, y - 1), (room.left, y + 1), (room.left, y), (end, y), (end, y - 1), (end, y + 1)], 0.3)
    page.words(end + 2, y + 1, f"{name} on the cloth; scale 1 : {room.scale:g}", 3)
