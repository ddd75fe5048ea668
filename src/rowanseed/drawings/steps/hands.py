"""On which hand of the wearer a piece lies that is drawn with its right side up."""

from __future__ import annotations

from collections.abc import Sequence

from shapely.geometry import LineString, Polygon

from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import Panel, Piece
from rowanseed.drawings.steps.placing import as_drawn

OTHER = {"left": "right", "right": "left", "": ""}
AT_THE_CENTRE = ("opening", "centre", "crotch")
"""The edges of a piece that lie at the centre of the garment."""


def hand_of(bench: Workbench, piece: Piece, parts: Sequence[EdgePart] = ()) -> str:
    """`left` or `right` of the piece as the pattern draws it, by where its edge at the centre is, or another that is
    named: a left front has its centre on the left, a left back on the right. Empty where it has none."""
    edge = next((name for name in AT_THE_CENTRE if piece.has_edge(name)), None)
    parts = parts or (() if edge is None else (EdgePart(piece.id, edge),))
    if not parts:
        return ""
    flat = as_drawn(piece, bench.size)
    is_left = LineString(flat.stitched(parts)).centroid.x < Polygon(flat.seam()).centroid.x
    match bench.panel(piece.id):
        case Panel.FRONT:
            return "left" if is_left else "right"
        case Panel.BACK:
            return "right" if is_left else "left"
        case _:
            return ""
