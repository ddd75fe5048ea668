"""Pieces laid out on sheets of paper that are trimmed on two sides and stuck together.

A sheet prints within its margins. Its left and its top edge are trimmed along a line; its right and its bottom edge
carry a strip that the next sheet is stuck on. Sheets on which nothing would stand are not printed.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from string import ascii_uppercase

from shapely import STRtree
from shapely.geometry import Polygon, box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.base.words import Worded
from rowanseed.core.printing.lines import PrintPiece

MARGIN = 10.0
"""What printers leave blank along each edge of a sheet, in mm, at most."""
OVERLAP = 10.0
"""How wide the strip is that the next sheet is stuck on."""
GAP = 8.0
"""Between pieces on the paper."""
MOST_ACROSS = 14


class Paper(Worded):
    A4 = "a4", "A4"
    LETTER = "letter", "Letter"
    A0 = "a0", "A0"

    @property
    def size(self) -> tuple[float, float]:
        """Width and height in mm. ISO 216 for A4 and A0; Letter is 8 1/2 by 11 in (ANSI/ASME Y14.1)."""
        return {Paper.A4: (210.0, 297.0), Paper.LETTER: (215.9, 279.4), Paper.A0: (841.0, 1189.0)}[self]

    @property
    def pitch(self) -> tuple[float, float]:
        """How far sheets stand apart once they are stuck together."""
        wide, tall = self.size
        return (wide - 2 * MARGIN - OVERLAP, tall - 2 * MARGIN - OVERLAP)


@dataclass(frozen=True)
class Placed:
    """A piece moved by `by` on the whole paper."""

    piece: PrintPiece
    by: tuple[float, float]

    @cached_property
    def outline(self) -> BaseGeometry:
        """Everything its lines go round, where it lies."""
        left, top = self.by
        return unary_union([Polygon([(x + left, y + top) for x, y in ring]).buffer(0) for ring in self.piece.rings])


@dataclass(frozen=True)
class Tile:
    """A sheet by its row and column; `edges` are the numbers where it meets others, by the side."""

    row: int
    column: int
    edges: tuple[tuple[str, int], ...]

    @property
    def name(self) -> str:
        """A1 is the first of the first row; after Z comes AA."""
        letters = ascii_uppercase[self.row % 26]
        return (ascii_uppercase[self.row // 26 - 1] if self.row >= 26 else "") + letters + str(self.column + 1)


@dataclass(frozen=True)
class Sheets:
    """Pieces on the whole paper, and the sheets it is printed on."""

    paper: Paper
    placed: tuple[Placed, ...]
    tiles: tuple[Tile, ...]
    columns: int
    rows: int

    def origin(self, tile: Tile) -> tuple[float, float]:
        """Where a sheet's trimmed corner lies on the whole paper."""
        wide, tall = self.paper.pitch
        return (tile.column * wide, tile.row * tall)

    def window(self, tile: Tile) -> tuple[float, float, float, float]:
        """What a sheet prints of the whole paper: left, top, right, bottom."""
        (left, top), (wide, tall) = self.origin(tile), self.paper.pitch
        return (left, top, left + wide + OVERLAP, top + tall + OVERLAP)


def lay_on_sheets(pieces: Sequence[PrintPiece], paper: Paper) -> Sheets:
    """One piece or more with the fewest sheets that this finds, over all widths of paper."""
    wide, tall = paper.pitch
    broadest = max(piece.box[2] - piece.box[0] for piece in pieces)
    least = max(1, math.ceil((broadest - OVERLAP) / wide))
    found = []
    for columns in range(least, max(least, MOST_ACROSS) + 1):
        placed = _put(pieces, columns * wide + OVERLAP)
        used = _used(placed, wide, tall)
        found.append((len(used), columns, placed, used))
    _, columns, placed, used = min(found, key=lambda f: f[:2])
    rows = max(row for row, _ in used) + 1
    return Sheets(paper, placed, _tiles(used), columns, rows)


def _put(pieces: Sequence[PrintPiece], width: float) -> tuple[Placed, ...]:
    """Tall pieces first; each goes where it comes to lie highest, then furthest to the left."""
    skyline: list[tuple[float, float, float]] = [(0.0, width, 0.0)]
    out = []
    for piece in sorted(pieces, key=lambda p: (p.box[1] - p.box[3], p.box[0] - p.box[2], p.id)):
        left, top, right, bottom = piece.box
        wide, tall = right - left, bottom - top
        starts = [start for start, _, _ in skyline if start + wide <= width + 1e-6] or [0.0]
        y, x = min((_lowest(skyline, start, start + wide), start) for start in starts)
        out.append(Placed(piece, (x - left, y - top)))
        skyline = _raised(skyline, x, min(width, x + wide + GAP), y + tall + GAP)
    return tuple(out)


def _lowest(skyline: Sequence[tuple[float, float, float]], left: float, right: float) -> float:
    return max(height for start, end, height in skyline if start < right - 1e-9 and end > left + 1e-9)


def _raised(
    skyline: Sequence[tuple[float, float, float]], left: float, right: float, height: float
) -> list[tuple[float, float, float]]:
    out = []
    for start, end, was in skyline:
        out += [(a, b, was) for a, b in ((start, min(end, left)), (max(start, right), end)) if b > a + 1e-9]
    return sorted([*out, (left, right, height)])


def _used(placed: Sequence[Placed], wide: float, tall: float) -> frozenset[tuple[int, int]]:
    """Rows and columns of the sheets on which something stands."""
    out = set()
    for one in placed:
        left, top, right, bottom = one.outline.bounds
        for row in range(int(top // tall), int(bottom // tall) + 1):
            for column in range(int(left // wide), int(right // wide) + 1):
                cell = box(column * wide, row * tall, (column + 1) * wide, (row + 1) * tall)
                if (row, column) not in out and one.outline.intersects(cell):
                    out.add((row, column))
    return frozenset(out)


def _tiles(used: frozenset[tuple[int, int]]) -> tuple[Tile, ...]:
    """The sheets in reading order, each edge that two of them share with a number of its own."""
    numbers: dict[tuple[tuple[int, int], tuple[int, int]], int] = {}
    for row, column in sorted(used):
        for other in ((row, column + 1), (row + 1, column)):
            if other in used:
                numbers[((row, column), other)] = len(numbers) + 1
    out = []
    for row, column in sorted(used):
        sides = (
            ("left", ((row, column - 1), (row, column))),
            ("top", ((row - 1, column), (row, column))),
            ("right", ((row, column), (row, column + 1))),
            ("bottom", ((row, column), (row + 1, column))),
        )
        out.append(Tile(row, column, tuple((side, numbers[key]) for side, key in sides if key in numbers)))
    return tuple(out)


def pieces_on(sheets: Sheets, tile: Tile) -> list[Placed]:
    """What stands on a sheet."""
    window = box(*sheets.window(tile))
    tree = STRtree([one.outline for one in sheets.placed])
    return [sheets.placed[k] for k in sorted(tree.query(window, predicate="intersects").tolist())]
