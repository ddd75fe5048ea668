"""Plackets: a strip sewn to a slash that is spread to one line, and folded over its edge; the end of a half placket."""

from __future__ import annotations

import math

from shapely.affinity import affine_transform
from shapely.geometry import Polygon, box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.continuous_placket import SEAM, STANDS_OUT, STRIP
from rowanseed.core.make.techniques.half_placket import FLAP
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import PLACKET_BASE, EdgePart
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.stacks.cuts import slashed, whole

HANGS, SHOWN = 30.0, 5.0
"""How far the ends of the bands are drawn beyond a box, in mm; how much of the garment, as a share of the box."""
ABOVE = 1.5
"""Of the piece so much is drawn above its spread slash, as a share of the strip's width."""


def _spread(ring: BaseGeometry, slash: tuple[Point, Point], *, deep: float) -> BaseGeometry:
    """What lies about a slash, its two edges spread to one line that runs along y = 0, the point at x = 0; they rise to
    it by as much as the strip stands out there."""
    (ax, ay), (bx, by) = slash
    long = math.dist(*slash)
    ux, uy = (bx - ax) / long, (by - ay) / long
    # Along the slash from its open end, and to its right.
    own = affine_transform(ring, (ux, uy, -uy, ux, -(ax * ux + ay * uy), ax * uy - ay * ux))
    sides = []
    for hand in (-1.0, 1.0):
        half = own.intersection(box(0.0, min(0.0, hand * deep), long, max(0.0, hand * deep)))
        rise = STANDS_OUT / long
        sides.append(affine_transform(half, (-hand, 0.0, -rise, -hand, hand * long, 0.0)))
    return unary_union(sides).buffer(0.1)


def strip(bench: Workbench, op: Operation) -> Stack | None:
    """The slash spread on the strip, garment up, and the row straight along it."""
    found = slashed(bench, op)
    if found is None:
        return None
    piece, slash = found
    long, deep = math.dist(*slash), ABOVE * STRIP
    above = _spread(whole(bench, piece), slash, deep=deep)
    below = box(-long, -STRIP, long, 0.0)
    window = box(-long, -deep + STANDS_OUT, long, deep)
    words = (
        f"The {lower_first(piece.name)}, wrong side up, its slash spread to one line, lies on the strip, right sides "
        f"together; at the middle, the point of the slash, the strip stands out. The row runs straight along the "
        "strip's edge; above the point the cloth is pushed into a fold behind the needle."
    )
    layers = (
        Layer(below, Stuff.RIGHT, "strip"),
        Layer(above.intersection(window), Stuff.WRONG, piece.name, window),
    )
    return Stack(layers, words, rows=(Row(((-long, -SEAM), (long, -SEAM)), begins=True, ends=True),))


def strip_turned(bench: Workbench, op: Operation) -> Stack | None:
    """The strip folded over the edge, right side up, while the slash is still spread."""
    found = slashed(bench, op)
    if found is None:
        return None
    piece, slash = found
    long, deep = math.dist(*slash), ABOVE * STRIP
    wide = (STRIP - 2 * SEAM) / 2
    window = box(-long, -deep, long, deep)
    above = _spread(whole(bench, piece), slash, deep=deep).intersection(box(-long, -deep, long, -SEAM))
    words = (
        f"The {lower_first(piece.name)}, right side up, its slash still spread to one line; the strip is folded over "
        "its edge, and the row holds it just beside the seam. After it the placket is folded right sides together, and "
        "a short slanting row closes the strip at its upper end."
    )
    band = Polygon([(-long, -SEAM), (long, -SEAM), (long, wide - SEAM), (-long, wide - SEAM)])
    layers = (
        Layer(above, Stuff.RIGHT, piece.name, window),
        Layer(band, Stuff.RIGHT, "strip, folded over"),
    )
    row = Row(((-long, 1.0 - SEAM), (long, 1.0 - SEAM)), begins=True, ends=True)
    return Stack(layers, words, rows=(row,))


def closed_below(bench: Workbench, op: Operation) -> Stack | None:
    """The garment laid up over a half placket along the lower end of its box: the flap on the ends of both bands."""
    body = bench.piece(op.on.pieces[0])
    lying = as_drawn(body, bench.size)
    ends = lying.stitched((EdgePart(body.id, PLACKET_BASE),))
    wide, level = max(abs(x) for x, _ in (ends[0], ends[-1])), ends[0][1]
    window = box(-SHOWN * wide, level - SHOWN * wide, SHOWN * wide, level + HANGS)
    shape = whole(bench, body)
    below = shape.intersection(box(*shape.bounds[:1], level, *shape.bounds[2:]))
    laid_up = affine_transform(below, (1.0, 0.0, 0.0, -1.0, 0.0, 2 * level)).intersection(window)
    flap = Polygon([(-wide, level), (wide, level), (0.0, level + FLAP)])
    words = (
        f"The lower part of the {lower_first(body.name)} laid up over the placket along the lower end of the box, "
        "wrong side up; below that line the flap, wrong side up, on the ends of both bands. The row runs across from "
        "corner to corner, twice."
    )
    layers = (
        Layer(box(-wide, level, wide, level + HANGS), Stuff.RIGHT, "ends of both bands"),
        Layer(flap, Stuff.WRONG, "flap"),
        Layer(laid_up, Stuff.WRONG, body.name, window),
    )
    return Stack(layers, words, rows=(Row(((-wide, level), (wide, level))),))


STACKS = {
    ("half placket", "close"): closed_below,
    ("continuous placket", "strip"): strip,
    ("continuous placket", "turn"): strip_turned,
}
