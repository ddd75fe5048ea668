"""A band that runs on beyond what it is sewn to: one of its ends sewn round, both of them tied."""

from __future__ import annotations

from shapely.affinity import rotate
from shapely.geometry import Polygon, box

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.families.bands import is_tied_collar, tied_band
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import Piece
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff

LONG, GARMENT, BESIDE = 6.0, 2.0, 1.5
"""Of a band so much is drawn at its end, and of what it is sewn to below and beside it, as shares of its height."""
CROSSED = 28.0
"""How far each of two ends that are tied is turned, in degrees."""


def _high(bench: Workbench, piece: Piece) -> float:
    """How high a band is finished, in mm."""
    left, top, right, low = Polygon(as_drawn(piece, bench.size).seam()).bounds
    return float(min(right - left, low - top)) / 2


def free_end(bench: Workbench, piece: Piece) -> Stack:
    """One end of a band folded right sides together beyond the garment, sewn across and along its raw edges."""
    high, seam = _high(bench, piece), bench.edge_allowance(EdgePart(piece.id, "far-end"))
    side, collar = LONG * high, is_tied_collar(bench, piece.id)
    window = box(-seam - 1.0, -1.0, side + BESIDE * high, high + seam + GARMENT * high)
    band = box(-seam, 0.0, side + 4 * high, high + seam)
    garment = box(side, high, side + 4 * high, high + 4 * GARMENT * high)
    words = (
        f"One end of the {lower_first(piece.name)}, folded on its fold line, right sides together, the fold at the "
        f"top; the garment hangs at the right. The row runs across the end, and along the raw edges to the dot "
        f"{'where the neck begins' if collar else 'at the garment’s side'}; the other end alike."
    )
    layers = (
        Layer(garment.intersection(window), Stuff.RIGHT, "garment", window),
        Layer(band.intersection(window), Stuff.WRONG, f"{piece.name}, folded", window),
    )
    row = Row(((0.0, 0.0), (0.0, high), (side, high)), begins=True, ends=True)
    fold = ((-seam, 0.0), (side + BESIDE * high, 0.0))
    return Stack(layers, words, rows=(row,), folds=(fold,), marks=((side, high),))


def tied(bench: Workbench, op: Operation) -> Stack | None:
    """Both ends of the band crossed, as they are tied."""
    band = tied_band(bench, bench.closures[op.on.closures[0]])
    if not band:
        return None
    piece = bench.piece(band)
    high = _high(bench, piece)
    whole = box(-LONG * high / 2, -high / 2, LONG * high / 2, high / 2)
    words = f"Both ends of the {lower_first(piece.name)}, right side out, crossed; they are tied in a bow."
    names = ("one end", "the other, over it")
    layers = tuple(
        Layer(rotate(whole, by, origin=(0.0, 0.0)), Stuff.RIGHT, name)
        for by, name in zip((CROSSED, -CROSSED), names, strict=True)
    )
    return Stack(layers, words)


STACKS = {("band tied", "ties"): tied}
