"""What is drawn of a piece at its full size: its lines by what they are, its marks, its words.

Everything is in mm, upright: x to the right, y down, the top of the garment up, the right side of the cloth up.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property

from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as Spot
from shapely.ops import nearest_points

from rowanseed.core.base.words import Worded
from rowanseed.core.geometry.outline import Point, chain_length, direction_at, point_at
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.double_darts import double_darts_of
from rowanseed.core.pattern.grain import grain_arrow
from rowanseed.core.pattern.pieces import Cut, Dart, Grain, LineKind, MarkKind, Piece, Role
from rowanseed.core.pattern.pleats import pleats_of
from rowanseed.core.pattern.seamline import PieceLines, lines, mark_distance, mark_point

FLATNESS = 0.03
"""How far a printed curve may stray from the true one: less than a printer's dot."""
TICK = 6.0
"""How long a notch is, and how far the two of a double notch stand apart."""
NOTCHES = {MarkKind.NOTCH: (0.0,), MarkKind.DOUBLE_NOTCH: (-TICK / 2, TICK / 2)}
"""How far from its place the ticks of a mark stand, along the edge."""
HEAD = 8.0
"""How long the head of an arrow is, in mm."""
NOT_PRINTED = (LineKind.LEVEL,)


class LineType(Worded):
    """What a line of a piece is."""

    CUT = "cut", "cutting line"
    SEAM = "seam", "seam line"
    FOLD = "fold", "fold of the cloth"
    GRAIN = "grain", "grainline"
    NOTCH = "notch"
    TAKEN = "taken", "dart, pleat or tuck"
    INNER = "inner", "line inside"


@dataclass(frozen=True)
class PrintLine:
    type: LineType
    points: tuple[Point, ...]
    size: str


@dataclass(frozen=True)
class PrintPiece:
    """A piece in one size or several over each other.

    `dots` are marks inside it and on its seam line, `words` what is written on it.
    """

    id: str
    name: str
    sizes: tuple[str, ...]
    lines: tuple[PrintLine, ...]
    dots: tuple[Point, ...]
    words: tuple[str, ...]
    count: int

    @cached_property
    def outline(self) -> Polygon:
        """What is cut out, in its last size."""
        return Polygon(self.rings[-1])

    @property
    def rings(self) -> tuple[tuple[Point, ...], ...]:
        """The cutting line in each size, closed."""
        return tuple(line.points for line in self.lines if line.type is LineType.CUT)

    @property
    def box(self) -> tuple[float, float, float, float]:
        """Left, top, right and bottom of everything."""
        return bounds([point for line in self.lines for point in line.points])


def upright(p: Point) -> Point:
    """The piece frame (x down the garment, y up) as paper and screens show a garment: top up."""
    return (p[1], p[0])


def print_piece(piece: Piece, sizes: Sequence[str], cuts: Sequence[Cut], *, seam_line: bool) -> PrintPiece:
    """A piece as it is printed in these sizes, for these cuts; `seam_line`: whether the line sewn on is drawn too."""
    found: list[PrintLine] = []
    for size in sizes:
        found += _lines_of(piece, size, cuts, seam_line=seam_line)
    dots = tuple(upright(point) for size in sizes for point in _dots(piece, size))
    name = f"{piece.number} {piece.name}"
    words = (name, f"size {', '.join(sizes)}", *(_cut_words(cut) for cut in cuts))
    if piece.approximate:
        words += ("approximate: measure before you cut",)
    return PrintPiece(piece.id, name, tuple(sizes), tuple(found), dots, words, sum(cut.count for cut in cuts))


def _dots(piece: Piece, size: str) -> Iterator[Point]:
    """Marks inside the piece, and those on its stitching line that are no notches: where a zip or gathers end."""
    yield from (point.at[size] for point in piece.points)
    ticked = {*NOTCHES, MarkKind.DART_LEG}
    yield from (mark_point(piece, size, mark) for mark in piece.marks if mark.kind not in ticked)


def _cut_words(cut: Cut) -> str:
    how = ", on the fold" if cut.fold else ", left and right" if cut.pair and cut.count > 1 else ""
    cloth = f"{cut.role.words} cloth" if cut.role is Role.MAIN else cut.role.words
    return f"{cloth}: cut {cut.count}{how}{', on the bias' if cut.grain is Grain.BIAS else ''}"


def _lines_of(piece: Piece, size: str, cuts: Sequence[Cut], *, seam_line: bool) -> Iterator[PrintLine]:
    both, shape = lines(piece, size, FLATNESS), piece.shapes[size]

    def line(kind: LineType, points: Sequence[Point]) -> PrintLine:
        return PrintLine(kind, tuple(upright(p) for p in points), size)

    ring = both.cutting_ring()
    yield line(LineType.CUT, [*ring, ring[0]])
    for edge in piece.edges:
        if seam_line and edge.allowance > 0:
            yield line(LineType.SEAM, both.seam[edge.name])
        if any(cut.fold == edge.name for cut in cuts):
            yield line(LineType.FOLD, both.cutting[edge.name])
    yield line(LineType.GRAIN, grain_arrow(shape.grainline, ring, cuts))
    for mark in piece.marks:
        for beside in NOTCHES.get(mark.kind, ()):
            distance = mark_distance(piece, size, mark) + beside
            yield line(LineType.NOTCH, _notch(piece, size, mark.edge, distance, both))
    for dart in piece.darts:
        for run in dart_runs(piece, size, dart):
            yield line(LineType.TAKEN, run)
    for double in double_darts_of(piece, size):
        yield line(LineType.TAKEN, double.ring)
    for inner in piece.lines:
        if inner.kind not in NOT_PRINTED:
            yield line(LineType.INNER, inner.ends[size])
    for pleat in pleats_of(piece, size):
        for run in arrow_runs(*pleat.arrow):
            yield line(LineType.INNER, run)


def arrow_runs(start: Point, end: Point) -> list[list[Point]]:
    """An arrow from a point to another: its shaft, and its head."""
    gone = math.dist(start, end) or 1.0
    u, v = (end[0] - start[0]) / gone, (end[1] - start[1]) / gone
    head = min(HEAD, gone / 2)
    wings = [(end[0] - u * head - v * side * head / 2, end[1] - v * head + u * side * head / 2) for side in (1.0, -1.0)]
    return [[start, end], [wings[0], end, wings[1]]]


def dart_runs(piece: Piece, size: str, dart: Dart) -> list[list[Point]]:
    """The lines of a dart or fold: a dart's two legs meet in its point, a fold's lines run beside each other."""
    chain = piece.shapes[size].edges[dart.edge]
    one, other = (point_at(chain, mark_distance(piece, size, piece.mark(leg))) for leg in dart.legs)
    end = dart.point[size]
    if not dart.is_folded:
        return [[one, end, other]]
    down = (end[0] - (one[0] + other[0]) / 2, end[1] - (one[1] + other[1]) / 2)
    return [[leg, (leg[0] + down[0], leg[1] + down[1])] for leg in (one, other)]


def _notch(piece: Piece, size: str, edge: str, distance: float, both: PieceLines) -> list[Point]:
    """From the cutting line inwards, square to it."""
    chain = piece.shapes[size].edges[edge]
    distance = min(max(distance, 0.0), chain_length(chain))
    at, (ux, uy) = point_at(chain, distance), direction_at(chain, distance)
    on_cut = nearest_points(LineString(both.cutting[edge]), Spot(at))[0]
    inside = Polygon(both.cutting_ring()).buffer(0)
    tips = [(on_cut.x - uy * TICK * sign, on_cut.y + ux * TICK * sign) for sign in (1.0, -1.0)]
    within = next((t for t in tips if inside.contains(Spot((on_cut.x + t[0]) / 2, (on_cut.y + t[1]) / 2))), tips[0])
    return [(on_cut.x, on_cut.y), within]
