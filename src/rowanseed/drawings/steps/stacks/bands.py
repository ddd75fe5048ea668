"""A band folded back on its fold line, right sides together, to close its ends."""

from __future__ import annotations

import math

from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.families.waistbands import INNER, PASSES
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps import turned
from rowanseed.drawings.steps.placing import Lying, as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff, within

FAR = 5000.0
"""Longer than any band, in mm."""


def ends(bench: Workbench, op: Operation) -> Stack | None:
    """The inner half of a band on its outer one, its inner edge turned up, and the rows across its ends."""
    piece = bench.piece(op.edges[0].piece) if op.edges else None
    fold = piece.line(LineKind.FOLD, "fold") if piece is not None else None
    inner = [edge for edge in piece.edges if edge.name in INNER] if piece is not None else []
    if piece is None or fold is None or not inner:
        return None
    lying = as_drawn(piece, bench.size, right_side_up=False)
    part = EdgePart(piece.id, inner[0].name)
    half = _half(lying, [lying.move(upright(p)) for p in fold.ends[bench.size]], part)
    shape = turned.outside(lying, (part,)).intersection(half)
    strip = turned.strip(lying, part, inner[0].allowance - PASSES).intersection(shape)
    rows = [within(lying.stitched((EdgePart(piece.id, edge.edge),)), shape) for edge in op.edges]
    words = (
        f"The {lower_first(piece.name)} folded back on its fold line, right sides together, its inner edge staying "
        "turned up; the row runs across the end on its stitching line."
    )
    layers = (Layer(shape, Stuff.WRONG, f"{piece.name}, its inner half"), Layer(strip, Stuff.RIGHT, "inner edge"))
    return Stack(layers, words, rows=tuple(Row(run) for run in rows if len(run) > 1))


def _half(lying: Lying, fold: list[Point], inner: EdgePart) -> BaseGeometry:
    """All that lies on the inner edge's side of a fold line."""
    (ax, ay), (bx, by) = fold
    gone = math.dist(*fold) or 1.0
    ux, uy = (bx - ax) / gone * FAR, (by - ay) / gone * FAR
    line = [(ax - ux, ay - uy), (bx + ux, by + uy)]
    sides = [Polygon([*line, *((x - uy * k, y + ux * k) for x, y in line[::-1])]) for k in (1.0, -1.0)]
    edge = LineString(lying.stitched((inner,))).centroid
    return min(sides, key=lambda side: side.distance(edge))


STACKS = {("band", "ends"): ends}
