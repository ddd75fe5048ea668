"""Pieces at their full size as DXF, a block a piece, its lines on the layers of ASTM D6673.

The numbers of the layers are from memory of that practice (“Sewn Products Pattern Data Interchange”): 1 boundary,
4 notches, 6 mirror line, 7 grainline, 8 internal lines, 13 drill holes, 14 sew lines, 15 annotation.
"""

from __future__ import annotations

from io import StringIO

from ezdxf.filemanagement import new
from ezdxf.layouts.blocklayout import BlockLayout

from rowanseed.core.printing.lines import LineType, PrintPiece
from rowanseed.core.printing.tiles import Sheets

LAYERS = {
    LineType.CUT: "1",
    LineType.NOTCH: "4",
    LineType.FOLD: "6",
    LineType.GRAIN: "7",
    LineType.INNER: "8",
    LineType.TAKEN: "8",
    LineType.SEAM: "14",
}
DRILL_HOLES, ANNOTATION = "13", "15"
HEIGHT = 5.0


def write_dxf(sheets: Sheets, title: str) -> str:
    """Millimetres, y up. A piece in several sizes has a boundary for each; its text names them."""
    document = new("R12")
    document.units = 0  # This version has no header for units: the text says them.
    for number in sorted({*LAYERS.values(), DRILL_HOLES, ANNOTATION}, key=int):
        document.layers.add(number)
    space = document.modelspace()
    for k, text in enumerate((f"STYLE NAME: {title}", "UNITS: METRIC")):
        space.add_text(text, height=HEIGHT, dxfattribs={"layer": ANNOTATION, "insert": (0, 10 + k * 8)})
    for k, one in enumerate(sheets.placed, start=1):
        block = document.blocks.new(f"PIECE-{k}")
        _draw(block, one.piece)
        space.add_blockref(block.name, (one.by[0], -one.by[1]))
    out = StringIO()
    document.write(out)
    return out.getvalue()


def _draw(block: BlockLayout, piece: PrintPiece) -> None:
    for line in piece.lines:
        points = [(x, -y) for x, y in line.points]
        attributes = {"layer": LAYERS[line.type]}
        if line.type is LineType.CUT:
            block.add_polyline2d(points[:-1], close=True, dxfattribs=attributes)
        elif len(points) == 2:
            block.add_line(points[0], points[1], dxfattribs=attributes)
        else:
            block.add_polyline2d(points, dxfattribs=attributes)
    for x, y in piece.dots:
        block.add_point((x, -y), dxfattribs={"layer": DRILL_HOLES})
    spot = piece.outline.representative_point()
    said = (f"PIECE NAME: {piece.name}", f"SIZE: {', '.join(piece.sizes)}", f"QUANTITY: {piece.count}")
    for k, text in enumerate(said):
        at = (spot.x, -spot.y - k * HEIGHT * 1.4)
        block.add_text(text, height=HEIGHT, dxfattribs={"layer": ANNOTATION, "insert": at})
