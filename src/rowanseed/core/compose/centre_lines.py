"""The centre line of a front or back that laps beyond it: buttonholes lie by it, a print is centred on it."""

from __future__ import annotations

from itertools import pairwise

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.sizes import Size
from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.pattern.making import LayerKind
from rowanseed.core.pattern.pieces import LineKind, Panel, Piece, Role

LEAST = 1.0
"""A front that laps by less, in mm, ends at its centre."""


def draw_centre_lines(build: Build) -> None:
    facings = {layer.piece for layer in build.layers if layer.kind is LayerKind.FACING}
    for id, piece in tuple(build.pieces.items()):
        if id not in facings and _laps(build, piece):

            def ends(size: Size, piece: Piece = piece) -> tuple[Point, Point]:
                crossed = _crossed(piece, size)
                return (crossed[0], 0.0), (crossed[-1], 0.0)

            build.line(id, LineKind.CENTRE, "centre", ends)


def _laps(build: Build, piece: Piece) -> bool:
    """Whether it is a front or a back of the shell whose open edge lies beyond the centre, all the way."""
    if piece.panel not in (Panel.FRONT, Panel.BACK) or piece.cuts[0].role is not Role.MAIN:
        return False
    if not piece.has_edge("opening"):
        return False
    edges = [(size, piece.shapes[size.name].edges["opening"]) for size in build.figures.sizes]
    return all(
        max(y for _, y in flatten(edge, LEAST)) < -LEAST and len(_crossed(piece, size)) > 1 for size, edge in edges
    )


def _crossed(piece: Piece, size: Size) -> list[float]:
    """Where the outline crosses the body's centre, down the piece."""
    found = []
    for chain in piece.shapes[size.name].edges.values():
        for (ax, ay), (bx, by) in pairwise(flatten(chain, 0.1)):
            if (ay < 0.0) != (by < 0.0):
                found.append(ax + (bx - ax) * ay / (ay - by))
    return sorted(found)
