"""Pieces at their full size in one SVG drawing: its width and height are given in mm, and one unit is one mm."""

from __future__ import annotations

from xml.etree.ElementTree import Element, SubElement, tostring

from rowanseed.core.printing.lines import LineType
from rowanseed.core.printing.tiles import Sheets

NAMESPACE = "http://www.w3.org/2000/svg"
WIDTHS = {LineType.CUT: 0.5, LineType.FOLD: 0.8, LineType.NOTCH: 0.5, LineType.GRAIN: 0.3}
DASHES = {LineType.SEAM: "3 2", LineType.INNER: "6 2 1 2", LineType.TAKEN: "4 1.5"}


def write_full_size(sheets: Sheets, title: str) -> str:
    """A group a piece, with its name; in it the lines by what they are, told by their class."""
    boxes = [(one.piece.box, one.by) for one in sheets.placed]
    wide = max(box[2] + by[0] for box, by in boxes)
    tall = max(box[3] + by[1] for box, by in boxes)
    root = Element(
        "svg", xmlns=NAMESPACE, width=f"{wide:.2f}mm", height=f"{tall:.2f}mm", viewBox=f"0 0 {wide:.2f} {tall:.2f}"
    )
    SubElement(root, "title").text = title
    for one in sheets.placed:
        left, top = one.by
        group = SubElement(root, "g", id=one.piece.id, transform=f"translate({left:.3f} {top:.3f})")
        SubElement(group, "title").text = one.piece.name
        for line in one.piece.lines:
            path = "M" + "L".join(f"{x:.3f} {y:.3f}" for x, y in line.points)
            made = SubElement(group, "path", d=path, fill="none", stroke="#000")
            made.set("class", f"{line.type.value} size-{line.size}")
            made.set("stroke-width", str(WIDTHS.get(line.type, 0.2)))
            if line.type in DASHES:
                made.set("stroke-dasharray", DASHES[line.type])
        for x, y in one.piece.dots:
            SubElement(group, "circle", cx=f"{x:.3f}", cy=f"{y:.3f}", r="2", fill="none", stroke="#000")
        spot = one.piece.outline.representative_point()
        for k, words in enumerate(one.piece.words):
            text = SubElement(group, "text", x=f"{spot.x:.2f}", y=f"{spot.y + 6 * k:.2f}")
            text.set("font-size", "4.5")
            text.set("text-anchor", "middle")
            text.text = words
    return tostring(root, encoding="unicode", xml_declaration=True)
