"""What the demo's drafts share: curves by their directions, solving for a length, rows of a chart, plain pieces."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Mapping, Sequence

from rowanseed.core.geometry.outline import Chain, Point, Segment, chain_length, line_chain, unit
from rowanseed.core.pattern.envelope import PrintedYardage
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import (
    Corner,
    Cut,
    Drawn,
    EdgeSpec,
    InnerLine,
    LineKind,
    Mark,
    MarkKind,
    Panel,
    Piece,
    Role,
    Shape,
)

DOWN, UP, OUT, IN = (1.0, 0.0), (-1.0, 0.0), (0.0, 1.0), (0.0, -1.0)
"""Directions in a piece's frame: down the garment, up, away from the centre, towards it."""


def curve(
    start: Point, leaves: Point, end: Point, arrives: Point, pull: float = 0.36, pull_end: float | None = None
) -> Segment:
    """A curve that leaves `start` and arrives at `end` in given directions, its handles a share of the chord."""
    chord = math.dist(start, end)
    a, b = unit(leaves), unit(arrives)
    first, last = pull * chord, (pull if pull_end is None else pull_end) * chord
    return Segment(
        start=start,
        end=end,
        control1=(start[0] + a[0] * first, start[1] + a[1] * first),
        control2=(end[0] - b[0] * last, end[1] - b[1] * last),
    )


def straight(*points: Point) -> Chain:
    return line_chain(*points)


def solve(of: Callable[[float], float], goal: float, low: float, high: float) -> float:
    """Where a function that grows (or falls) steadily between two values reaches a goal, by bisection."""
    rising = of(high) > of(low)
    for _ in range(60):
        middle = (low + high) / 2
        low, high = (middle, high) if (of(middle) < goal) == rising else (low, middle)
    return (low + high) / 2


def y_at(chain: Chain, x: float) -> float:
    """Where a chain stands across the piece at a level down it; for chains that run on steadily along x."""
    for segment in chain:
        low, high = sorted((segment.start[0], segment.end[0]))
        if low - 1e-9 <= x <= high + 1e-9:
            falls = segment.end[0] < segment.start[0]
            a, b = 0.0, 1.0
            for _ in range(50):
                t = (a + b) / 2
                a, b = (t, b) if (segment.at(t)[0] < x) != falls else (a, t)
            return segment.at((a + b) / 2)[1]
    raise ValueError(f"the edge does not reach the level {x:.0f}")


def row(sizes: Sequence[str], figures: Iterable[float], more: float = 0.0) -> dict[str, float]:
    """A chart's row: one figure a size, in mm."""
    return {size: figure + more for size, figure in zip(sizes, figures, strict=True)}


def part(
    piece: str, edge: str, *, hand: str | None = None, since: str | None = None, until: str | None = None
) -> EdgePart:
    return EdgePart(piece=piece, edge=edge, hand=hand, from_mark=since, to_mark=until)


def notch(id: str, edge: str, anchor: str, distance: Mapping[str, float], *, double: bool = False) -> Mark:
    return Mark(
        id=id, kind=MarkKind.DOUBLE_NOTCH if double else MarkKind.NOTCH, edge=edge, anchor=anchor, distance=distance
    )


def level(id: str, ends: Mapping[str, tuple[Point, Point]]) -> InnerLine:
    return InnerLine(id, LineKind.LEVEL, ends)


def adjust_here(id: str, ends: Mapping[str, tuple[Point, Point]]) -> InnerLine:
    return InnerLine(id, LineKind.LENGTHEN_SHORTEN, ends)


def rectangle(
    id: str,
    name: str,
    number: int,
    sizes: Sequence[str],
    long: Mapping[str, float],
    wide: float,
    edges: tuple[str, str, str, str],
    allowance: float,
    cuts: tuple[Cut, ...],
    *,
    fold_line: bool = False,
    marks: tuple[Mark, ...] = (),
    panel: Panel = Panel.BAND,
) -> Piece:
    """A straight band: `long` along the grain, `wide` across; edges from the lower side on, counter-clockwise."""
    shapes = {}
    for size in sizes:
        corners = [(0.0, 0.0), (long[size], 0.0), (long[size], wide), (0.0, wide), (0.0, 0.0)]
        runs = {edge: straight(corners[k], corners[k + 1]) for k, edge in enumerate(edges)}
        shapes[size] = Shape(runs, ((long[size] * 0.2, wide * 0.3), (long[size] * 0.8, wide * 0.3)))
    fold = {size: ((0.0, wide / 2), (long[size], wide / 2)) for size in sizes}
    return Piece(
        id=id,
        name=name,
        number=number,
        drawn=Drawn.SEAM,
        edges=tuple(EdgeSpec(edge, allowance) for edge in edges),
        shapes=shapes,
        cuts=cuts,
        marks=marks,
        lines=(InnerLine("fold", LineKind.FOLD, fold),) if fold_line else (),
        panel=panel,
    )


def hemmed(names: Sequence[str], seam: float, hem: float, fold: str | None = None) -> tuple[EdgeSpec, ...]:
    """Edges with one seam allowance, a turned hem at `hem`, and none at a fold."""
    return tuple(
        EdgeSpec(n, 0.0 if n == fold else hem if n == "hem" else seam, Corner.TURNED if n == "hem" else Corner.MITRE)
        for n in names
    )


def printed_yardage(
    sizes: Sequence[str], cases: Sequence[tuple[Role, float, bool, float, float]]
) -> tuple[PrintedYardage, ...]:
    """The envelope's lines: (cloth, width, with nap, the smallest size's length, what each size adds), to 5 cm."""
    return tuple(
        PrintedYardage(
            view="A",
            size=size,
            role=role,
            width=width,
            one_way=one_way,
            length=float(round((first + step * k) / 50) * 50),
        )
        for role, width, one_way, first, step in cases
        for k, size in enumerate(sizes)
    )


def lengths(piece: Piece, edge: str) -> dict[str, float]:
    """The length of an edge in every size, on the drawn line."""
    return {size: chain_length(shape.edges[edge]) for size, shape in piece.shapes.items()}
