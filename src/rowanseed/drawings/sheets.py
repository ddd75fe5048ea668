"""Pieces on the sheets they are printed on: which sheet is where, and what stands on it."""

from __future__ import annotations

from xml.etree.ElementTree import Element

from shapely import maximum_inscribed_circle
from shapely.geometry import box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.base.words import plural
from rowanseed.core.printing.tiles import Sheets, Tile, pieces_on
from rowanseed.drawings.lay_labels import WIDTH_OF_A_LETTER
from rowanseed.drawings.svg import INK, PAPER, QUIET, add, drawing, halo, number, path_of, write

DESK = "#e4e9e7"
HARDLY = 0.5
"""The share of a piece that a sheet's name may lie on."""


def draw_sheets(sheets: Sheets) -> str:
    """Sheets to scale, those that are not printed left out; each with its name, each piece with its own."""
    wide, tall = sheets.paper.pitch
    across, down = sheets.columns * wide, sheets.rows * tall
    letter = max(across / 80, down / 52)
    root = drawing(
        across + 2 * letter,
        down + 2 * letter,
        f"{plural(len(sheets.tiles), 'sheet')} of {sheets.paper.words}",
        f"{sheets.rows} rows of up to {sheets.columns} sheets, stuck together.",
        class_="sheets",
    )
    group = add(root, "g", transform=f"translate({number(letter)} {number(letter)})")
    for tile in sheets.tiles:
        left, top = sheets.origin(tile)
        add(group, "rect", x=left, y=top, width=wide, height=tall, fill=PAPER, stroke=QUIET, stroke_width=letter / 14)
    for placed in sheets.placed:
        x0, y0 = placed.by
        for ring in placed.piece.rings:
            points = [(x + x0, y + y0) for x, y in ring]
            add(group, "path", d=path_of(points), fill=DESK, fill_opacity=0.6, stroke=INK, stroke_width=letter / 7)
    names = [_name(group, sheets, tile, letter) for tile in sheets.tiles]
    for placed in sheets.placed:
        free = placed.outline.difference(unary_union(names))
        parts = [part for part in getattr(free, "geoms", [free]) if part.area > 0] or [placed.outline]
        circle = maximum_inscribed_circle(max(parts, key=lambda part: part.area), tolerance=letter)
        (x, y), radius = circle.coords[0], circle.length
        for text in (placed.piece.name, placed.piece.name.partition(" ")[0]):
            size = min(letter, 2 * radius / (len(text) * WIDTH_OF_A_LETTER))
            if size >= letter * 0.7 or text != placed.piece.name:
                halo(group, x, y + size * 0.35, text, size, text_anchor="middle", font_weight=700, fill=INK)
                break
    return write(root)


def _name(group: Element, sheets: Sheets, tile: Tile, letter: float) -> BaseGeometry:
    """A sheet's name in its first corner, where it hides hardly anything of any piece, and the room it takes."""
    left, top = sheets.origin(tile)
    wide, tall = sheets.paper.pitch
    size = letter * 0.8
    long, high = letter * 0.6 + len(tile.name) * size * WIDTH_OF_A_LETTER, letter * 1.3
    outlines = [placed.outline for placed in pieces_on(sheets, tile)]
    corners = [box(x, y, x + long, y + high) for y in (top, top + tall - high) for x in (left, left + wide - long)]
    hidden = [max((at.intersection(one).area / one.area for one in outlines), default=0.0) for at in corners]
    room = next((at for at, share in zip(corners, hidden, strict=True) if share < HARDLY), corners[0])
    x, y = room.bounds[:2]
    halo(group, x + letter * 0.3, y + letter, tile.name, size, fill=QUIET)
    return room
