"""A bib on its band, and the straps at its upper corners."""

from __future__ import annotations

from shapely.affinity import affine_transform
from shapely.geometry import LineString, Polygon, box
from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.families.bibs import bib_of, held_up_by
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.bib import LOWER, ON_THE_BAND
from rowanseed.core.make.techniques.bib_straps import BOX, OUTSIDE
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Detail, EdgePart
from rowanseed.core.pattern.pieces import Piece
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.stacks.cuts import reflection, whole
from rowanseed.drawings.steps.stacks.strips import folded

BESIDE, HANGS, UP = 60.0, 0.6, 70.0
"""So much of the band is drawn beside a bib, in mm; a strap lies down over so much of it, as a share of its height, and
is drawn so far above it, in mm."""
AROUND = 2.5
"""About a strap on the band so many of its widths are drawn."""
GARMENT = 70.0
"""So much of the garment is drawn below its band, in mm."""
INSET = 2.0
"""A box is stitched so far within the strap's edges, in mm."""


def _seam(bench: Workbench, piece: Piece) -> Polygon:
    """A bib on its stitching lines, both halves, upright."""
    half = Polygon(as_drawn(piece, bench.size).seam()).buffer(0)
    matrix = reflection(bench, piece)
    return half if matrix is None else half.union(affine_transform(half, matrix)).buffer(0.1).buffer(-0.1)


def _round(shape: BaseGeometry) -> tuple[Point, ...]:
    """Its outline up one side, across the top and down the other, from its lower corners."""
    (left, right), (low_left, low_right) = _corners(shape)
    return low_left, left, right, low_right


def _corners(shape: BaseGeometry) -> tuple[tuple[Point, Point], tuple[Point, Point]]:
    """(left, right) at the top, and below."""
    left, top, right, low = shape.bounds
    across = [
        LineString([(left - 1.0, y), (right + 1.0, y)]).intersection(shape).bounds for y in (top + 0.2, low - 0.2)
    ]
    return tuple(((a, y), (b, y)) for (a, _, b, _), y in zip(across, (top, low), strict=True))  # type: ignore[return-value]


def _bib(bench: Workbench, op: Operation) -> tuple[Detail, Piece, Piece]:
    detail = next(d for d in bench.details.values() if d.id and op.on.pieces[0] in d.pieces)
    return detail, bench.piece(detail.pieces[0]), bench.piece(detail.pieces[1])


def made_up(bench: Workbench, op: Operation) -> Stack | None:
    """The facing on the bib, wrong side up; the row up one side, across the top and down the other."""
    detail, out, inner = _bib(bench, op)
    straps = held_up_by(bench, detail)
    between = f", the {'straps' if straps.count > 1 else 'strap'} lying down between them" if straps else ""
    runs = f" {op.run.words}" if op.run is not None else ""
    words = (
        f"The {lower_first(inner.name)}, wrong side up, on the {lower_first(out.name)}{between}. The row runs{runs}: "
        "up one side, across the top and down the other; the lower edge stays open."
    )
    layer = Layer(whole(bench, inner), Stuff.WRONG, inner.name)
    return Stack((layer,), words, rows=(Row(_round(_seam(bench, inner)), begins=True, ends=True),))


def _turned(bench: Workbench, piece: Piece) -> BaseGeometry:
    """A bib that is turned right side out: on its stitching lines, with the allowance of its lower edge."""
    shape = _seam(bench, piece)
    _, (a, b) = _corners(shape)
    deep = piece.edge(LOWER).allowance
    return shape.union(box(a[0], a[1] - 0.5, b[0], b[1] + deep))


def neatened(bench: Workbench, op: Operation) -> Stack | None:
    """The bib turned right side out, its lower edges as one."""
    _, out, _ = _bib(bench, op)
    shape = _turned(bench, out)
    low = shape.bounds[3]
    words = (
        f"The {lower_first(out.name)}, turned right side out; both layers of its lower edge are basted and neatened as "
        "one."
    )
    _, (a, b) = _corners(shape)
    return Stack((Layer(shape, Stuff.RIGHT, out.name),), words, rows=(Row(((a[0], low - 2.0), (b[0], low - 2.0))),))


def on_band(bench: Workbench, op: Operation) -> Stack | None:
    """The band's fold over the lower edge of the bib, two rows below it."""
    detail, out, _ = _bib(bench, op)
    band, straps = bench.piece(detail.on[0]), held_up_by(bench, detail)
    shape = _turned(bench, out)
    top, (a, b) = _corners(_seam(bench, out))
    left, high, right, low = Polygon(as_drawn(band, bench.size).seam()).bounds
    deep, fold = min(right - left, low - high) / 2, a[1]
    window = box(a[0] - BESIDE, fold - 1.0, b[0] + BESIDE, fold + deep + GARMENT)
    above = tuple(_up(straps, top)) if straps else ()
    name = lower_first(out.name)
    words = (
        f"The {lower_first(band.name)}, right side up, its fold over the lower edge of the {name}, which reaches down "
        f"behind it. Two rows run across from one side of the {name} to the other, {bench.margin(ON_THE_BAND[0])} and "
        f"{bench.margin(ON_THE_BAND[1])} below the fold."
    )
    near, far = a[0] - 3 * BESIDE, b[0] + 3 * BESIDE
    flat, below = box(near, fold, far, fold + deep), box(near, fold + deep, far, fold + deep + 3 * GARMENT)
    layers = (
        *above,
        Layer(shape, Stuff.RIGHT, out.name),
        Layer(below.intersection(window), Stuff.RIGHT, "garment", window),
        Layer(flat.intersection(window), Stuff.RIGHT, band.name, window),
    )
    first, second = (((a[0], fold + mm), (b[0], fold + mm)) for mm in ON_THE_BAND)
    return Stack(layers, words, rows=(Row(first, begins=True, ends=True), Row(second)))


def _up(straps: Detail, top: tuple[Point, Point]) -> list[Layer]:
    """The straps above a bib's corners, cut short."""
    wide, (left, right) = straps.width or 20.0, top
    window = box(left[0] - 1.0, left[1] - UP, right[0] + 1.0, left[1] + 1.0)
    return [
        Layer(box(x, left[1] - 2 * UP, x + wide, left[1]).intersection(window), Stuff.RIGHT, straps.name, window)
        for x in (left[0], right[0] - wide)
    ]


def basted(bench: Workbench, op: Operation) -> Stack | None:
    """The bib right side up, a strap at each upper corner lying down over it."""
    strap = bench.piece(op.on.pieces[0])
    detail = next(d for d in bench.details.values() if strap.id in d.pieces)
    bib = bib_of(bench, detail)
    if bib is None:
        return None
    out = bench.piece(bib.pieces[0])
    seam, wide = _seam(bench, out), detail.width or 20.0
    (left, right), (a, _) = _corners(seam)
    deep = bench.edge_allowance(EdgePart(out.id, "top"))
    far = left[1] + HANGS * (a[1] - left[1])
    window = box(left[0] - wide, left[1] - deep - 1.0, right[0] + wide, far)
    words = (
        f"The {lower_first(out.name)}, right side up; at each upper corner {_an_end(detail)} lies down over it, its "
        f"outer side at the stitching line, its raw end level with the upper edge, basted {bench.margin(OUTSIDE)} "
        "outside the stitching line."
    )
    starts = (left[0], right[0] - wide)
    layers = (
        Layer(whole(bench, out), Stuff.RIGHT, out.name),
        *(
            Layer(box(x, left[1] - deep, x + wide, far + wide).intersection(window), Stuff.WRONG, strap.name, window)
            for x in starts
        ),
    )
    level = left[1] - OUTSIDE
    return Stack(layers, words, rows=tuple(Row(((x, level), (x + wide, level))) for x in starts))


def _an_end(straps: Detail) -> str:
    return "a strap" if straps.count > 1 else "an end of the strap"


def on_band_behind(bench: Workbench, op: Operation) -> Stack | None:
    """The inside of the band with the end of a strap, a box with its diagonals stitched through both."""
    strap = bench.piece(op.on.pieces[0])
    detail = next(d for d in bench.details.values() if strap.id in d.pieces)
    bib = bib_of(bench, detail)
    if bib is None:
        return None
    band, wide = bench.piece(bib.on[0]), detail.width or 20.0
    left, high, right, low = Polygon(as_drawn(band, bench.size).seam()).bounds
    deep = min(right - left, low - high) / 2
    far = min(BOX, deep - INSET)
    window = box(-AROUND * wide, -AROUND * wide, (1 + AROUND) * wide, 1.8 * deep)
    a, b, c, d = INSET, wide - INSET, INSET, far - INSET
    words = (
        f"The inside of the {lower_first(band.name)}; the end of the {lower_first(strap.name)}, turned under, lies on "
        "it below the fold. A box and both its diagonals are stitched through strap and band."
    )
    layers = (
        Layer(box(-9 * wide, deep, 9 * wide, deep + 3 * GARMENT).intersection(window), Stuff.WRONG, "garment", window),
        Layer(box(-9 * wide, 0.0, 9 * wide, deep).intersection(window), Stuff.RIGHT, f"{band.name}, inside", window),
        Layer(box(0.0, -9 * wide, wide, far).intersection(window), Stuff.RIGHT, strap.name, window),
    )
    ring = ((a, c), (b, c), (b, d), (a, d), (a, c))
    return Stack(layers, words, rows=(Row(ring, begins=True), Row(((a, c), (b, d))), Row(((b, c), (a, d)))))


STACKS = {
    ("bib", "made"): made_up,
    ("bib", "neaten"): neatened,
    ("bib", "sew"): on_band,
    ("bib strap", "fold"): folded,
    ("bib strap", "baste"): basted,
    ("bib strap", "sew"): on_band_behind,
}
