"""What the demo's drafts share: rows of a chart, levels and notches, plain pieces."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence

from rowanseed.core.compose.drafting import straight
from rowanseed.core.geometry.outline import Point, chain_length
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
