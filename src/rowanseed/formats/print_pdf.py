"""Pieces at their full size as PDF: sheets with a trimming line, a strip to stick on, and a page that shows the whole.

One unit on the page is 1/72 in; everything is given in mm from the upper left corner, y down.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from io import BytesIO
from pathlib import Path

from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas
from shapely import maximum_inscribed_circle
from shapely.geometry import LineString, Point, Polygon, box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.base.units import INCH
from rowanseed.core.printing.lines import LineType, PrintLine
from rowanseed.core.printing.tiles import MARGIN, Paper, Placed, Sheets, Tile, pieces_on

FONT = "Atkinson Hyperlegible Next"
WIDTHS = {
    LineType.CUT: 0.5,
    LineType.SEAM: 0.2,
    LineType.FOLD: 0.8,
    LineType.GRAIN: 0.3,
    LineType.NOTCH: 0.5,
    LineType.TAKEN: 0.25,
    LineType.INNER: 0.2,
}
DASHES: dict[LineType, tuple[float, ...]] = {
    LineType.SEAM: (3, 2),
    LineType.INNER: (6, 2, 1, 2),
    LineType.TAKEN: (4, 1.5),
}
SIZE_DASHES: tuple[tuple[float, ...], ...] = ((), (8, 2), (4, 2), (8, 2, 1.5, 2), (2, 1.5), (8, 2, 1.5, 2, 1.5, 2))
"""Cutting lines of several sizes over each other are told apart by these, in turn."""
SQUARES = ((50.0, "5 cm"), (2 * INCH, "2 in"))
GREY = 0.45
WORDS = 4.2
"""The height of what is written on a piece, in mm."""


class Page:
    """A page drawn on in mm from its upper left corner."""

    def __init__(self, canvas: Canvas, size: tuple[float, float]) -> None:
        self.canvas, (self.wide, self.tall) = canvas, size
        canvas.setPageSize((self.wide * mm, self.tall * mm))

    def run(self, points: Sequence[tuple[float, float]], width: float, dash: Sequence[float] = ()) -> None:
        path = self.canvas.beginPath()
        path.moveTo(points[0][0] * mm, (self.tall - points[0][1]) * mm)
        for x, y in points[1:]:
            path.lineTo(x * mm, (self.tall - y) * mm)
        self.canvas.setLineWidth(width * mm)
        self.canvas.setDash([length * mm for length in dash] or [])
        self.canvas.drawPath(path)

    def rectangle(self, left: float, top: float, right: float, bottom: float, width: float = 0.2) -> None:
        self.run([(left, top), (right, top), (right, bottom), (left, bottom), (left, top)], width)

    def words(self, x: float, y: float, text: str, size: float, *, middle: bool = False) -> None:
        """Text of a height in mm, from x on or about it; y is its baseline."""
        self.canvas.setFont(FONT, size * mm)
        draw = self.canvas.drawCentredString if middle else self.canvas.drawString
        draw(x * mm, (self.tall - y) * mm, text)

    def arrow(self, a: tuple[float, float], b: tuple[float, float], h: float = 4.0) -> None:
        """A head of a length at b, for a line that comes from a."""
        long = max(1e-6, ((b[0] - a[0]) ** 2 + (b[1] - a[1]) ** 2) ** 0.5)
        ux, uy = (b[0] - a[0]) / long, (b[1] - a[1]) / long
        for sign in (1, -1):
            self.run([b, (b[0] - ux * h - sign * uy * h / 2.5, b[1] - uy * h + sign * ux * h / 2.5)], 0.3)

    def done(self) -> None:
        self.canvas.showPage()


def width_of(text: str, size: float) -> float:
    """How long a text is in mm at a height in mm."""
    _font()
    return float(pdfmetrics.stringWidth(text, FONT, size))


def _font() -> None:
    if FONT not in pdfmetrics.getRegisteredFontNames():
        file = Path(__file__).parent / "fonts" / "atkinson-hyperlegible-next-500.ttf"
        pdfmetrics.registerFont(TTFont(FONT, str(file)))


def new_canvas(out: BytesIO, title: str) -> Canvas:
    """An empty PDF that says what it is; the same content always gives the same file."""
    _font()
    canvas = Canvas(out, invariant=True)
    canvas.setTitle(title)
    canvas.setCreator("Rowanseed")
    return canvas


def write_sheets(sheets: Sheets, title: str) -> bytes:
    """Every sheet of an arrangement, and before them a page that shows how they come together.

    On A0 the test squares stand on the sheets themselves, and there is no other page to pay for.
    """
    out = BytesIO()
    canvas = new_canvas(out, title)
    if sheets.paper is not Paper.A0:
        _cover(Page(canvas, sheets.paper.size), sheets, title)
    for tile in sheets.tiles:
        _sheet(Page(canvas, sheets.paper.size), sheets, tile, title)
    canvas.save()
    return out.getvalue()


# ---------------------------------------------------------------- the page that shows the whole


def _cover(page: Page, sheets: Sheets, title: str) -> None:
    left, right = MARGIN + 5, page.wide - MARGIN - 5
    page.words(left, 24, title, 7)
    said = [
        "Print at 100 %, without fitting to the page. Measure both squares before you go on:",
        "if one is out by more than half a millimetre, look for the printer's scale.",
    ]
    for k, line in enumerate(said):
        page.words(left, 32 + 5 * k, line, 3.8)
    x = left
    for side, name in SQUARES:
        page.rectangle(x, 44, x + side, 44 + side, 0.3)
        page.words(x + side / 2, 44 + side / 2, name, 5, middle=True)
        x += side + 12
    how = [
        "Trim the left and the top edge of a sheet on its line where another sheet joins there.",
        "Lay it on the strip of its neighbour so that the numbers meet, and stick it down.",
    ]
    for k, line in enumerate(how):
        page.words(left, 104 + 5 * k, line, 3.8)
    _map(page, sheets, (left, 116, right, page.tall - MARGIN - 8))
    page.done()


def _map(page: Page, sheets: Sheets, room: tuple[float, float, float, float]) -> None:
    (wide, tall), (left, top, right, bottom) = sheets.paper.pitch, room
    scale = min((right - left) / (sheets.columns * wide), (bottom - top) / (sheets.rows * tall))
    for tile in sheets.tiles:
        x, y = left + tile.column * wide * scale, top + tile.row * tall * scale
        page.rectangle(x, y, x + wide * scale, y + tall * scale, 0.15)
        page.words(x + 1, y + 3.4, tile.name, 2.6)
    for placed in sheets.placed:
        for ring in placed.piece.rings:
            points = [(left + (x + placed.by[0]) * scale, top + (y + placed.by[1]) * scale) for x, y in ring]
            page.run(points, 0.3)
        x, y = placed.outline.representative_point().coords[0]
        number = placed.piece.name.partition(" ")[0]
        page.words(left + x * scale, top + y * scale + 1, number, 3.2, middle=True)


# ---------------------------------------------------------------- a sheet


def _sheet(page: Page, sheets: Sheets, tile: Tile, title: str) -> None:
    (left, top), (wide, tall) = sheets.origin(tile), sheets.paper.pitch
    window = box(*sheets.window(tile))
    away = (MARGIN - left, MARGIN - top)
    frame = (MARGIN, MARGIN, MARGIN + wide, MARGIN + tall)
    page.canvas.setStrokeGray(GREY)
    page.rectangle(*frame, width=0.15)
    page.canvas.setStrokeGray(0)
    page.canvas.setFillGray(0)
    _edges(page, tile, frame)
    for placed in pieces_on(sheets, tile):
        _piece(page, placed, window, away, many=len(placed.piece.sizes) > 1)
    _name(page, f"{tile.name}   {title}")
    if sheets.paper is Paper.A0 and tile is sheets.tiles[0]:
        x = page.wide - MARGIN - 130
        for side, name in SQUARES:
            page.rectangle(x, page.tall - MARGIN - 6 - side, x + side, page.tall - MARGIN - 6, 0.3)
            page.words(x + side / 2, page.tall - MARGIN - 6 - side / 2, name, 5, middle=True)
            x += side + 12
    page.done()


def _name(page: Page, text: str) -> None:
    """Which sheet it is, on the strip that the next one covers."""
    page.canvas.setFillGray(1)
    x, y, wide = MARGIN * mm, (MARGIN + 1.5) * mm, (width_of(text, 3) + 4) * mm
    page.canvas.rect(x, y, wide, 4.5 * mm, stroke=0, fill=1)
    page.canvas.setFillGray(0)
    page.words(MARGIN + 2, page.tall - MARGIN - 3, text, 3)


def _edges(page: Page, tile: Tile, frame: tuple[float, float, float, float]) -> None:
    """The number that each shared edge has on both of its sheets; what is trimmed is said on its line."""
    left, top, right, bottom = frame
    for side, number in tile.edges:
        x, y = (left + right) / 2, (top + bottom) / 2
        match side:
            case "left":
                page.words(left + 1.5, y, f"{number}  trim here", 3)
            case "right":
                page.words(right - 1.5 - width_of(str(number), 3), y, str(number), 3)
            case "top":
                page.words(x, top + 4, f"{number}  trim here", 3, middle=True)
            case _:
                page.words(x, bottom - 1.5, str(number), 3, middle=True)


def _piece(page: Page, placed: Placed, window: BaseGeometry, away: tuple[float, float], *, many: bool) -> None:
    piece = placed.piece
    by = (placed.by[0] + away[0], placed.by[1] + away[1])
    here = _moved_window(window, placed.by)
    for line in piece.lines:
        for run in _within(line, here):
            page.run([(x + by[0], y + by[1]) for x, y in run], WIDTHS[line.type], _dash(line, piece.sizes, many=many))
        if line.type is LineType.GRAIN:
            for a, b in ((line.points[0], line.points[-1]), (line.points[-1], line.points[0])):
                if here.buffer(-4).contains(Point(b)):
                    page.arrow((a[0] + by[0], a[1] + by[1]), (b[0] + by[0], b[1] + by[1]))
    for x, y in piece.dots:
        if here.contains(Point(x, y).buffer(2)):
            for dx, dy in ((2.0, 0.0), (0.0, 2.0)):
                page.run([(x - dx + by[0], y - dy + by[1]), (x + dx + by[0], y + dy + by[1])], 0.3)
    _written(page, placed, here, by)


def _moved_window(window: BaseGeometry, by: tuple[float, float]) -> BaseGeometry:
    left, top, right, bottom = window.bounds
    return box(left - by[0], top - by[1], right - by[0], bottom - by[1])


def _dash(line: PrintLine, sizes: Sequence[str], *, many: bool) -> Sequence[float]:
    if many and line.type is LineType.CUT:
        return SIZE_DASHES[sizes.index(line.size) % len(SIZE_DASHES)]
    return DASHES.get(line.type, ())


def _within(line: PrintLine, window: BaseGeometry) -> Iterator[list[tuple[float, float]]]:
    found = LineString(line.points).intersection(window)
    for part in getattr(found, "geoms", [found]):
        if isinstance(part, LineString) and not part.is_empty:
            yield list(part.coords)


def _written(page: Page, placed: Placed, window: BaseGeometry, by: tuple[float, float]) -> None:
    """The piece's words where the sheet shows most of it, its number on every sheet that shows enough of it."""
    own = Polygon(placed.piece.rings[-1]).buffer(0)
    inside = unary_union([LineString(line.points).buffer(WORDS * 0.3) for line in placed.piece.lines])
    shown = own.intersection(window.buffer(-3)).difference(inside)
    parts = [part for part in getattr(shown, "geoms", [shown]) if isinstance(part, Polygon) and part.area > 400]
    if not parts:
        return
    circle = maximum_inscribed_circle(max(parts, key=lambda part: part.area), tolerance=2)
    (x, y), radius = circle.coords[0], circle.length
    words = placed.piece.words
    whole = max(width_of(line, WORDS) for line in words), len(words) * WORDS * 1.3
    if (whole[0] / 2) ** 2 + (whole[1] / 2) ** 2 <= radius**2:
        for k, line in enumerate(words):
            down = y + by[1] + (k - (len(words) - 1) / 2) * WORDS * 1.3 + WORDS * 0.35
            page.words(x + by[0], down, line, WORDS, middle=True)
        return
    for text in (words[0], words[0].partition(" ")[0]):
        size = min(WORDS, 2 * radius * 0.9 / max(width_of(text, 1.0), 1.0))
        if size >= 2.2 or text != words[0]:
            page.words(x + by[0], y + by[1] + size * 0.35, text, size, middle=True)
            return
