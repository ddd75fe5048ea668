"""Lines of a piece that are drawn or measured lie on it: its grainline, and where it is lengthened or shortened."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import replace
from itertools import pairwise

from shapely.geometry import LineString, Polygon

from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.pattern.pieces import InnerLine, LineKind, Piece, Shape

IN = 0.15
"""A grainline ends so much of the piece's length there before its edge."""
ACROSS = tuple(k / 20 for k in range(1, 20))
"""Where a longer grainline is looked for, as shares of the piece's width."""
BEFORE = 4.0
"""A line across a piece ends so far before its edges, in mm."""
MOST = 0.8
"""A line that is left over from another piece is drawn where so much of it lies on this one, as a share."""
NEAR = 0.6
"""What lies so near to the edge, in mm, lies on the piece."""
Outline = Sequence[Point]
Run = tuple[float, float]


def with_lines_inside(piece: Piece, sizes: Iterable[str] = ()) -> Piece:
    """The piece with its grainline where it lies on it, and lines across it cut off before its edges; in every size, or
    in these."""
    outlines = _outlines(piece, sizes or piece.shapes)
    grained = {size: _grained(piece.shapes[size], outline) for size, outline in outlines.items()}
    lines = tuple(_cut_off_all(line, outlines) for line in piece.lines)
    return replace(piece, shapes={**piece.shapes, **grained}, lines=lines)


def with_own_lines(piece: Piece) -> Piece:
    """The same for a piece that was made of another: of the lines of that only what lies on it; levels are measured,
    not drawn, and stay."""
    outlines = _outlines(piece, piece.shapes)
    found = (line if line.kind is LineKind.LEVEL else _left_of(line, outlines) for line in piece.lines)
    return with_lines_inside(replace(piece, lines=tuple(line for line in found if line is not None)))


def _outlines(piece: Piece, sizes: Iterable[str]) -> dict[str, list[Point]]:
    return {
        size: [p for chain in piece.shapes[size].edges.values() for p in flatten(chain, 1.0)[:-1]] for size in sizes
    }


def _grained(shape: Shape, outline: Outline) -> Shape:
    """The shape with its grainline where it lies on the piece; where it does not, in the longest stretch along it."""
    (top, y), (bottom, _) = shape.grainline
    if any(a <= top and bottom <= b for a, b in runs(outline, y)):
        return shape
    ys = [p[1] for p in outline]
    low, wide = min(ys), max(ys) - min(ys)
    found = [(b - a, a, b, low + share * wide) for share in ACROSS for a, b in runs(outline, low + share * wide)]
    if not found:
        return shape
    long, a, b, at = max(found)
    return replace(shape, grainline=((a + IN * long, at), (b - IN * long, at)))


def _cut_off_all(line: InnerLine, outlines: Mapping[str, Outline]) -> InnerLine:
    """A line to lengthen or shorten at, in every size."""
    if line.kind is not LineKind.LENGTHEN_SHORTEN:
        return line
    ends = dict(line.ends)
    for size, (first, last) in line.ends.items():
        if first[0] == last[0] and size in outlines:
            ends[size] = _cut_off(first, last, outlines[size])
    return replace(line, ends=ends) if ends != line.ends else line


def _cut_off(first: Point, last: Point, outline: Outline) -> tuple[Point, Point]:
    """A line straight across, cut off before the edges that it lies between; as it is where it crosses more of them."""
    low, high = sorted((first[1], last[1]))
    crossed = [run for run in runs([(y, x) for x, y in outline], first[0]) if run[0] < high and run[1] > low]
    if len(crossed) != 1:
        return first, last
    inner = (max(low, crossed[0][0] + BEFORE), min(high, crossed[0][1] - BEFORE))
    a, b = inner if first[1] == low else inner[::-1]
    return (first[0], a), (last[0], b)


def _left_of(line: InnerLine, outlines: Mapping[str, Outline]) -> InnerLine | None:
    """What of a line lies on a piece; None where that is too little of it to mean the same."""
    ends = dict(line.ends)
    for size, outline in outlines.items():
        if size not in ends:
            continue
        whole = LineString(ends[size])
        inside = whole.intersection(Polygon(outline).buffer(NEAR))
        longest = max(getattr(inside, "geoms", [inside]), key=lambda run: run.length)
        if longest.length < MOST * whole.length or len(longest.coords) < 2:
            return None
        if longest.length < whole.length - NEAR:
            (ax, ay), (bx, by) = longest.coords[0], longest.coords[-1]
            ends[size] = ((ax, ay), (bx, by))
    return replace(line, ends=ends) if ends != line.ends else line


def runs(outline: Outline, y: float) -> Iterator[Run]:
    """From where to where a line along x lies inside a closed outline."""
    crossed = sorted(
        ax + (bx - ax) * (y - ay) / (by - ay)
        for (ax, ay), (bx, by) in pairwise([*outline, outline[0]])
        if (ay <= y) != (by <= y)
    )
    yield from zip(crossed[::2], crossed[1::2], strict=True)
