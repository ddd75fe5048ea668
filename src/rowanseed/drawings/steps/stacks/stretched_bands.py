"""A band that is stretched on: doubled, on the right side of its edge, all raw edges together; the row below it."""

from __future__ import annotations

from shapely.geometry import Polygon

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.families.stretched_bands import StretchedBand, bands
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.drawings.steps.aside import aside
from rowanseed.drawings.steps.paper import about
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.stacks.bindings import SHARE, WorkedEdge, edge_worked
from rowanseed.drawings.steps.turned import inward, outside

BESIDE = 2.0
"""The row below a neck band runs so far from its seam, in mm."""


def _worked(bench: Workbench, op: Operation) -> tuple[StretchedBand, WorkedEdge] | None:
    """The band that is sewn on, and its edge on the piece where the row begins."""
    band = next((band for band in bands(bench) if band.join.id in op.on.joins), None)
    edge = edge_worked(bench, op, but=frozenset({band.piece})) if band is not None else None
    return (band, edge) if band is not None and edge is not None else None


def _wide(bench: Workbench, band: StretchedBand) -> float:
    """How wide a band is when it is folded, in mm."""
    (fold,) = (line for line in bench.piece(band.piece).lines if line.kind is LineKind.FOLD)
    return fold.ends[bench.size][0][0]


def put_on(bench: Workbench, op: Operation) -> Stack | None:
    found = _worked(bench, op)
    if found is None:
        return None
    band, edge = found
    window = about([edge.line], SHARE)
    piece, name = edge.lying.piece, lower_first(bench.piece(band.piece).name)
    below = Polygon(edge.lying.cutting()).buffer(0).intersection(window)
    words = (
        f"The {lower_first(piece.name)}, right side up. The {name}, folded in half, lies on it, right sides together, "
        f"its two raw edges level with the third; between the quarters it is stretched until it is as long as the "
        f"edge.{f' Sew {op.run.words}.' if op.run is not None else ''}{edge.others}"
    )
    layers = (
        Layer(below, Stuff.RIGHT, piece.name, window),
        Layer(edge.strip(-bench.edge_allowance(band.edge[0]), _wide(bench, band)), Stuff.RIGHT, name),
    )
    return Stack(layers, words, rows=edge.rows)


def stitched_below(bench: Workbench, op: Operation) -> Stack | None:
    found = _worked(bench, op)
    if found is None:
        return None
    band, edge = found
    window = about([edge.line], SHARE)
    piece, name = edge.lying.piece, lower_first(bench.piece(band.piece).name)
    below = outside(edge.lying, edge.parts).intersection(window)
    row = aside(edge.line, inward(edge.lying, edge.line) * BESIDE)
    words = (
        f"The {lower_first(piece.name)}, right side up, and the {name} up, away from it; the row runs on the "
        f"{lower_first(piece.name)} beside the seam, and holds the allowances below it.{edge.others}"
    )
    layers = (
        Layer(below, Stuff.RIGHT, piece.name, window),
        Layer(edge.strip(-_wide(bench, band), 0.0), Stuff.RIGHT, name),
    )
    return Stack(layers, words, rows=(Row(tuple(row)),))


STACKS = {("stretched band", "sew"): put_on, ("stretched band", "below"): stitched_below}
