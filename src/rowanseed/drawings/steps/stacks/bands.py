"""A band on its fold line: folded back, right sides together, to close its ends; folded over its seam and stitched."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace

from shapely.geometry import LineString, Polygon, box
from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.families import contour_bands
from rowanseed.core.make.families.band_insides import lies_flat
from rowanseed.core.make.families.bands import INNER, PASSES, band_of, runs_on
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.joined import runs_against
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.pieces import LineKind, Piece
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps import turned
from rowanseed.drawings.steps.aside import aside
from rowanseed.drawings.steps.edges import parts_of
from rowanseed.drawings.steps.paper import about
from rowanseed.drawings.steps.placing import Lying, as_drawn, opened_from, stretch
from rowanseed.drawings.steps.shares import shares
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff, within
from rowanseed.drawings.steps.stacks.free_bands import free_end
from rowanseed.drawings.steps.together import others_beside, pair_shown
from rowanseed.drawings.steps.turned import inward

SHARE = 0.6
"""Of what a band is sewn to, what lies about the seam is drawn, so far as a share of its length."""
LONGER, NEAR = 0.04, 5.0
"""Both sides of a seam lie flat beside each other where they differ by so small a share, and lie so near, in mm."""
ABOUT_AN_END = 1.2
"""About the end of a band so much of it is drawn, as a share of the row across it."""
SHOWN = 5.0
"""Of a long band by itself one end is drawn, so many times as long as it is wide."""
IN_THE_DITCH = "the row runs in the ditch of the seam, or just on the band, and catches its inside."
FLAT_INSIDE = "the row runs in the ditch of the seam, and catches the edge inside."
IN = 5.0
"""The upper end of a folded band is basted so far from its raw edge, in mm."""
FAR = 5000.0
"""Longer than any band, in mm."""


def ends(bench: Workbench, op: Operation) -> Stack | None:
    """The inner half of a band on its outer one, its inner edge turned up, and the rows across its ends."""
    piece = bench.piece(op.edges[0].piece) if op.edges else None
    fold = piece.line(LineKind.FOLD, "fold") if piece is not None else None
    inner = [edge for edge in piece.edges if edge.name in INNER] if piece is not None else []
    if piece is None or fold is None or not inner:
        return None
    if runs_on(bench, piece.id):
        return free_end(bench, piece)
    lying = as_drawn(piece, bench.size, right_side_up=False)
    part = EdgePart(piece.id, inner[0].name)
    half = _half(lying, [lying.move(upright(p)) for p in fold.ends[bench.size]], part)
    flat = lies_flat(bench, piece.id)
    whole = Polygon(lying.cutting()).buffer(0) if flat else turned.outside(lying, (part,))
    shape = whole.intersection(half)
    strip = Polygon() if flat else turned.strip(lying, part, inner[0].allowance - PASSES).intersection(shape)
    found = [within(lying.stitched((EdgePart(piece.id, edge.edge),)), shape) for edge in op.edges]
    rows = [run for run in found if len(run) > 1]
    if not rows:
        return None
    # A long band whole would be a thin line: one end of it is drawn.
    window = about(rows[:1], ABOUT_AN_END)
    alike = " One end is drawn; the other is closed alike." if len(rows) > 1 else ""
    words = (
        f"The {lower_first(piece.name)} folded back on its fold line, right sides together, its inner edge "
        f"{'lying flat' if flat else 'staying turned up'}; the row runs across the end on its stitching line.{alike}"
    )
    layers = [Layer(shape.intersection(window), Stuff.WRONG, f"{piece.name}, its inner half", window)]
    if not flat:
        layers.append(Layer(strip.intersection(window), Stuff.RIGHT, "inner edge", window))
    return Stack(tuple(layers), words, rows=(Row(rows[0]),))


def turned_in(bench: Workbench, op: Operation) -> Stack | None:
    """A band folded over its seam, beside what it is sewn to where that lies flat beside it, and the row in the ditch
    between them."""
    band = bench.piece(op.edges[0].piece) if op.edges else None
    fold = band.line(LineKind.FOLD, "fold") if band is not None else None
    join = next((j for j in bench.joins.values() if band is not None and band_of(bench, j) == band.id), None)
    if band is None or fold is None or join is None:
        return None
    in_the_ditch = FLAT_INSIDE if lies_flat(bench, band.id) else IN_THE_DITCH
    first, one, second, other, is_flat = _beside(bench, op, join, band)
    if not is_flat:
        return _alone(bench, as_drawn(band, bench.size), other, in_the_ditch)
    line = first.stitched(one)
    window = about([line], SHARE)
    half = _half(second, _fold_of(second, bench.size), other[0])
    below = Polygon(first.seam()).buffer(0).intersection(window)
    above = Polygon(second.seam()).buffer(0).intersection(half).intersection(window)
    words = (
        f"The {lower_first(band.name)} folded on its fold line over the seam, beside the "
        f"{lower_first(first.piece.name)}, both right side up: {in_the_ditch} {others_beside(bench, op, one, other)}"
    )
    layers = (
        Layer(below, Stuff.RIGHT, first.piece.name, window),
        Layer(above, Stuff.RIGHT, f"{band.name}, folded", window),
    )
    return Stack(layers, words.rstrip(), rows=(Row(within(line, window)),))


def contour(bench: Workbench, op: Operation) -> Stack | None:
    """The outer layer of a contour band beside what it is sewn to, its inner one behind it, and the row in the ditch;
    by itself where the two do not lie flat beside each other."""
    inner = op.edges[0].piece
    found = next((found for found in contour_bands.bands(bench) if found[3] == inner), None)
    if found is None:
        return None
    join, band = found[0], bench.piece(found[2])
    first, one, second, other, is_flat = _beside(bench, op, join, band)
    lying, sewn = (second, one) if is_flat else (_seam_below(as_drawn(band, bench.size), other), other)
    line = (first if is_flat else lying).stitched(sewn)
    window = about([line], SHARE)
    layers = [Layer(Polygon(lying.seam()).buffer(0).intersection(window), Stuff.RIGHT, band.name, window)]
    where = "what it is sewn to does not lie flat beside it and is left out"
    if is_flat:
        shape = Polygon(first.seam()).buffer(0).intersection(window)
        layers.insert(0, Layer(shape, Stuff.RIGHT, first.piece.name, window))
        where = f"the {lower_first(first.piece.name)} below it"
    words = (
        f"The {lower_first(band.name)}, right side up, the {bench.name(inner)} behind it, its edge just past the seam; "
        f"{where}: {IN_THE_DITCH}"
    )
    return Stack(tuple(layers), words, rows=(Row(within(line, window)),))


def _beside(
    bench: Workbench, op: Operation, join: Join, band: Piece
) -> tuple[Lying, Sequence[EdgePart], Lying, Sequence[EdgePart], bool]:
    """What a band is sewn to and the band, opened out at their seam, with their edges there; whether both lie flat."""
    one, other = pair_shown(bench, op, join)
    among = shares(bench, join, one, other)
    if one[0].piece == band.id:
        one, other, among = other, one, (among[1], among[0])
    first = as_drawn(bench.piece(one[0].piece), bench.size)
    against = runs_against(bench.pattern, one[0], other[0])
    second = opened_from(first, one, band, other, against=against, shares=among)
    lines = stretch(first.stitched(one), among[0]), stretch(second.stitched(other), among[1])
    return first, one, second, other, _lies_flat(*lines)


def _lies_flat(line: Sequence[Point], on: Sequence[Point]) -> bool:
    """Whether the two sides of a seam are alike, so that both lie flat beside each other."""
    a, b = LineString(line), LineString(on)
    longer = abs(a.length - b.length)
    return bool(longer < LONGER * b.length and b.hausdorff_distance(a) < NEAR + longer)


def _alone(bench: Workbench, flat: Lying, sewn: Sequence[EdgePart], row_runs: str) -> Stack:
    """One end of a folded band by itself, its seam below, with the row along that."""
    lying = _seam_below(flat, sewn)
    whole = Polygon(lying.seam()).buffer(0).intersection(_half(lying, _fold_of(lying, bench.size), sewn[0]))
    left, top, right, low = whole.bounds
    shown, line = min(right - left, SHOWN * (low - top)), lying.stitched(sewn)
    # A wide underlap lies beyond the seam: the row begins within what is drawn.
    begins = max(left, min(min(x for x, _ in line) - shown / 4, right - shown))
    window = box(begins - 10.0, top - 10.0, begins + shown, low + 10.0)
    words = (
        f"The {lower_first(lying.piece.name)} folded on its fold line over the seam, right side up; what it is sewn to "
        f"does not lie flat beside it and is left out: {row_runs}"
    )
    row = Row(within(line, window))
    goes_on = window if shown < right - left else None
    layer = Layer(whole.intersection(window), Stuff.RIGHT, f"{lying.piece.name}, folded", goes_on)
    return Stack((layer,), words, rows=(row,))


def _seam_below(flat: Lying, sewn: Sequence[EdgePart]) -> Lying:
    """A band turned so that its seam runs level, below it."""
    line = flat.stitched(sewn)
    turn = -math.atan2(line[-1][1] - line[0][1], line[-1][0] - line[0][0])
    if inward(flat, line) > 0:
        turn += math.pi
    cos, sin = math.cos(turn), math.sin(turn)

    def move(p: Point) -> Point:
        x, y = flat.move(p)
        return (x * cos - y * sin, x * sin + y * cos)

    return replace(flat, move=move)


def _fold_of(lying: Lying, size: str) -> list[Point]:
    fold = lying.piece.line(LineKind.FOLD, "fold")
    assert fold is not None
    return [lying.move(upright(p)) for p in fold.ends[size]]


def fold_over(bench: Workbench, op: Operation) -> Stack | None:
    """An end of a band folded over its seam, and the row across it that holds both layers."""
    over = op.edges[0]
    piece = bench.piece(over.piece)
    fold = piece.line(LineKind.FOLD, "fold")
    join = next((j for j in bench.joins.values() if band_of(bench, j) == piece.id), None)
    if fold is None or join is None:
        return None
    sewn = tuple(p for p in (*join.a, *join.b) if p.piece == piece.id)
    lying = as_drawn(piece, bench.size)
    line = lying.stitched([part for _, part in parts_of(op, piece.id, (over.edge,))])
    half = _half(lying, _fold_of(lying, bench.size), sewn[0])
    deep = piece.edge(over.edge).allowance
    row = within(aside(line, inward(lying, line) * (IN - deep)), half)
    if len(row) < 2:
        return None
    window = about([row], SHOWN / 2)
    alike = " The lower end is basted alike." if len({edge.edge for edge in op.edges}) > 1 else ""
    which = "lower" if over.edge == "end" else "upper"
    words = (
        f"The {which} end of the {lower_first(piece.name)}, right side up, folded on its fold line, wrong sides "
        f"together, over its seam; the row runs across both layers {bench.margin(IN)} from the raw edge.{alike}"
    )
    shape = Polygon(lying.cutting()).buffer(0).intersection(half).intersection(window)
    return Stack((Layer(shape, Stuff.RIGHT, f"{piece.name}, folded", window),), words, rows=(Row(row),))


def _half(lying: Lying, fold: list[Point], inner: EdgePart) -> BaseGeometry:
    """All that lies on one edge's side of a fold line."""
    (ax, ay), (bx, by) = fold
    gone = math.dist(*fold) or 1.0
    ux, uy = (bx - ax) / gone * FAR, (by - ay) / gone * FAR
    line = [(ax - ux, ay - uy), (bx + ux, by + uy)]
    sides = [Polygon([*line, *((x - uy * k, y + ux * k) for x, y in line[::-1])]) for k in (1.0, -1.0)]
    edge = LineString(lying.stitched((inner,))).centroid
    return min(sides, key=lambda side: side.distance(edge))


STACKS = {
    ("band", "ends"): ends,
    ("band", "fold"): fold_over,
    ("band", "turn"): turned_in,
    ("band lying flat", "turn"): turned_in,
    ("contour band", "turn"): contour,
    ("half placket", "turn"): turned_in,
}
