"""Pockets with bags: a bag on its seam, a mouth on its side piece, a welt and a bag about their line."""

from __future__ import annotations

import math
from dataclasses import dataclass

from shapely.geometry import LineString, Polygon, box
from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point, chain_length
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.welt_pocket import ROUND_THE_BAG, ROWS_APART, SHORTER
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import POCKET_DOTS, DetailKind, EdgePart
from rowanseed.core.pattern.pieces import LineKind, Mark, Piece
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps.paper import about
from rowanseed.drawings.steps.places import Place, laid_between, mirrored, place_of, width_of
from rowanseed.drawings.steps.placing import Lying, Shares, as_drawn, laid_on
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff, within
from rowanseed.drawings.steps.turned import row

OUTSIDE = 3.0
"""A bag is sewn on so far outside the seam's stitching line, in mm."""
ABOVE = 30.0
"""A bag goes up so far above its mouth, in mm: to the waist, as a rule."""
TOGETHER = 0.5
"""Corners of two pieces that are drawn as one lie so close together, in mm."""


@dataclass(frozen=True)
class _OnSeam:
    """A bag on the edge of a front or a back, and the part of that edge which is its mouth."""

    under: Lying
    over: Lying
    mouth: EdgePart

    @property
    def window(self) -> BaseGeometry:
        return about([self.under.stitched((self.mouth,)), self.over.cutting()], 0.2)


def _on_its_seam(bench: Workbench, op: Operation, *, right_side_up: bool) -> _OnSeam | None:
    """A bag along the edge of the first piece that has its dots."""
    bag = bench.piece(op.on.pieces[0])
    for id in op.on.pieces[1:]:
        piece = bench.piece(id)
        dots = [mark for mark in piece.marks if mark.id in POCKET_DOTS]
        if len(dots) != len(POCKET_DOTS) or not bag.has_edge("opening"):
            continue
        under, opening = as_drawn(piece, bench.size), (EdgePart(bag.id, "opening"),)
        mouth = EdgePart(piece.id, dots[0].edge, from_mark=dots[0].id, to_mark=dots[1].id)
        side = (EdgePart(piece.id, dots[0].edge),)
        shares = _lies_along(bench, piece, dots[0], as_drawn(bag, bench.size).stitched(opening))
        over = laid_on(under, side, bag, opening, against=True, shares=shares)
        return _OnSeam(under, over, mouth) if right_side_up else _OnSeam(mirrored(under), mirrored(over), mouth)
    return None


def bag_on_its_seam(bench: Workbench, op: Operation) -> Stack | None:
    """A bag on the edge of the front, right sides together, between the pocket's dots."""
    found = _on_its_seam(bench, op, right_side_up=True)
    if found is None:
        return None
    under, bag, line = found.under, found.over.piece, found.under.stitched((found.mouth,))
    below = Polygon(under.cutting()).buffer(0).intersection(found.window)
    words = (
        f"The {lower_first(bag.name)} lies on the {lower_first(under.piece.name)}, right sides together, edge on edge; "
        "sewn just outside the seam's stitching line, between the pocket's dots. The other bag lies so on the "
        "other edge."
    )
    layers = (
        Layer(below, Stuff.RIGHT, under.piece.name, found.window),
        Layer(Polygon(found.over.cutting()).buffer(0), Stuff.WRONG, bag.name),
    )
    rows = (Row(tuple(row(under, found.mouth, -OUTSIDE))),)
    return Stack(layers, words, rows=rows, marks=(line[0], line[-1]))


def bag_held(bench: Workbench, op: Operation) -> Stack | None:
    """The bag folded to the front inside the garment, and its upper edge basted or tacked there."""
    found = _on_its_seam(bench, op, right_side_up=False)
    if found is None:
        return None
    under, bag, line = found.under, found.over.piece, found.under.stitched((found.mouth,))
    below = Polygon(under.cutting()).buffer(0).intersection(found.window)
    top = next((edge.name for edge in bag.edges if edge.name == "top"), None)
    words = (
        f"The {lower_first(under.piece.name)} from inside, the {lower_first(bag.name)} folded to it from the side "
        "seam: its upper edge is held, and both ends of the mouth."
    )
    layers = (
        Layer(below, Stuff.WRONG, under.piece.name, found.window),
        Layer(Polygon(found.over.cutting()).buffer(0), Stuff.WRONG, bag.name),
    )
    rows = (Row(tuple(found.over.stitched((EdgePart(bag.id, top),))), by_hand=True),) if top else ()
    return Stack(layers, words, rows=rows, marks=(line[0], line[-1]))


def _lies_along(bench: Workbench, piece: Piece, upper: Mark, opening: list[Point]) -> Shares:
    """How much of its seam a bag lies along and how much of the bag's edge that is, as shares as the seam runs: from
    a little above the upper dot on, as far as the piece goes."""
    chain = piece.shapes[bench.size].edges[upper.edge]
    whole, long = chain_length(chain), LineString(opening).length
    from_top = upper.distance[bench.size]
    begun = max(0.0, from_top - ABOVE) if long > from_top else from_top
    first, last = begun / whole, min(1.0, (begun + long) / whole)
    own = min(1.0, (last - first) * whole / long)
    return ((1.0 - last, 1.0 - first), (1.0 - own, 1.0)) if upper.anchor == "end" else ((first, last), (0.0, own))


def mouth_on_its_side_piece(bench: Workbench, op: Operation) -> Stack | None:
    """The slanted mouth of a front on the side piece that fills its corner."""
    carried = {id for detail in bench.details_of(DetailKind.SLANT_POCKET) for id in detail.on}
    fronts = [bench.piece(id) for id in op.on.pieces if id in carried and bench.piece(id).has_edge("mouth")]
    parts = {id for join in bench.joins.values() for id in _beside_at_the_side(join.a, join.b)}
    for front in fronts:
        ends = _ends(front, bench.size, "mouth")
        for id in op.on.pieces:
            side = bench.piece(id)
            corners = [p for edge in side.edges for p in _ends(side, bench.size, edge.name)]
            if side.id == front.id or side.id not in parts or not all(_is_among(end, corners) for end in ends):
                continue
            below, above = (as_drawn(piece, bench.size) for piece in (side, front))
            window = about([above.stitched((EdgePart(front.id, "mouth"),)), below.cutting()], 0.15)
            shape = Polygon(above.seam()).buffer(0).intersection(window)
            words = (
                f"The {lower_first(front.name)} lies on the {lower_first(side.name)}, both right side up, the finished "
                "mouth on its line; basted across the top and down the side, in the allowances."
            )
            layers = (
                Layer(Polygon(below.seam()).buffer(0), Stuff.RIGHT, side.name),
                Layer(shape, Stuff.RIGHT, front.name, window),
            )
            return Stack(layers, words, marks=tuple(above.move(upright(end)) for end in ends))
    return None


def _beside_at_the_side(a: tuple[EdgePart, ...], b: tuple[EdgePart, ...]) -> set[str]:
    return {part.piece for side in (a, b) if len(side) > 1 for part in side}


def _ends(piece: Piece, size: str, edge: str) -> tuple[Point, Point]:
    chain = piece.shapes[size].edges[edge]
    return chain[0].start, chain[-1].end


def _is_among(point: Point, others: list[Point]) -> bool:
    return any(math.dist(point, other) <= TOGETHER for other in others)


def welt_about_its_line(bench: Workbench, op: Operation) -> Stack | None:
    """The welt below its line, its fold pointing down, and a bag above it wrong side up; both rows."""
    ids = [*op.on.pieces, *(edge.piece for edge in op.edges)]
    welt = bench.piece(ids[0])
    bag = next((bench.piece(id) for id in ids if id != welt.id and id.startswith(welt.id)), None)
    place = place_of(bench, welt.id, width_of(welt, bench.size))
    if place is None:
        return None
    trimmed = ROWS_APART / 2 if bag is not None else max(edge.allowance for edge in welt.edges)
    low = (place.left, place.right)
    layers = [Layer(_folded_below(welt, bench.size, place).union(_above(low, trimmed)), Stuff.RIGHT, welt.name)]
    rows, said = [Row(low, begins=True, ends=True)], "; the row runs on it"
    if bag is not None:
        high = _shifted(low, ROWS_APART)
        lying = laid_between(bag, bench.size, *high, head=False)
        shape = Polygon(lying.seam()).union(_above((high[1], high[0]), trimmed))
        layers.append(Layer(shape, Stuff.WRONG, bag.name))
        rows.append(Row(between(low, ROWS_APART, SHORTER), begins=True, ends=True))
        said = f", the {lower_first(bag.name)} above it, wrong side up; the upper row is shorter at both ends"
    below = place.layers(layers[0].shape.union(layers[-1].shape))
    names = " and ".join(lower_first(layer.name) for layer in below)
    words = (
        f"On the right side of the {names}: the folded {lower_first(welt.name)} on its head, its stitching line on the "
        f"marked line, its fold pointing down{said}."
    )
    return Stack((*below, *layers), words, rows=tuple(rows), marks=low)


def welt_made_up(bench: Workbench, op: Operation) -> Stack | None:
    """A welt folded right sides together, with the rows across its ends."""
    welt = bench.piece(op.on.pieces[0])
    fold = welt.line(LineKind.FOLD, "fold")
    if fold is None:
        return None
    lying = as_drawn(welt, bench.size, right_side_up=False)
    level = sum(lying.move(upright(p))[1] for p in fold.ends[bench.size]) / 2
    left, top, right, _ = Polygon(lying.cutting()).bounds
    half = Polygon(lying.cutting()).buffer(0).intersection(box(left, top, right, level))
    ends = [lying.stitched((EdgePart(welt.id, name),)) for name in ("left", "right") if welt.has_edge(name)]
    rows = tuple(Row(within(line, half)) for line in ends)
    words = (
        f"The {lower_first(welt.name)} folded on its fold line, right sides together, its raw edges above: a row "
        "across each end."
    )
    return Stack((Layer(half, Stuff.WRONG, f"{welt.name}, folded"),), words, rows=rows)


def bags_together(bench: Workbench, op: Operation) -> Stack | None:
    """Both bags of a welt pocket on each other, and the row round three of their sides."""
    welt = bench.piece(op.on.pieces[0])
    id = next((id for id in op.on.pieces if id != welt.id and id.startswith(welt.id)), None)
    if id is None:
        return None
    lying = as_drawn(bench.piece(id), bench.size, right_side_up=False)
    shape = Polygon(lying.cutting()).buffer(0)
    left, top, right, low = shape.bounds
    inside = ROUND_THE_BAG
    row = ((left + inside, top), (left + inside, low - inside), (right - inside, low - inside), (right - inside, top))
    words = (
        f"Both pieces of the {lower_first(lying.piece.name)} on each other, right sides together, the garment turned "
        "away from them: the row runs round, over the little triangles at both ends of the mouth."
    )
    return Stack((Layer(shape, Stuff.WRONG, lying.piece.name),), words, rows=(Row(row, begins=True, ends=True),))


def welt_held(bench: Workbench, op: Operation) -> Stack | None:
    """The welt turned up over its mouth, both of its ends held by hand."""
    welt = bench.piece(op.on.pieces[0])
    place = place_of(bench, welt.id, width_of(welt, bench.size))
    fold = welt.line(LineKind.FOLD, "fold")
    if place is None or fold is None:
        return None
    low = (place.left, place.right)
    lying = as_drawn(welt, bench.size)
    deep = Polygon(lying.seam()).bounds[3] - sum(lying.move(upright(p))[1] for p in fold.ends[bench.size]) / 2
    high = _shifted(low, deep)
    shape = _above(low, deep)
    words = (
        f"The {lower_first(welt.name)} turned up over its mouth on the right side of the "
        f"{' and '.join(lower_first(name) for name in place.names)}: both ends are held by hand."
    )
    rows = tuple(Row((low[k], high[k]), by_hand=True) for k in (0, 1))
    return Stack((*place.layers(shape), Layer(shape, Stuff.RIGHT, welt.name)), words, rows=rows, marks=low)


def _folded_below(welt: Piece, size: str, place: Place) -> BaseGeometry:
    """A welt folded double with its stitching line between two marks."""
    lying = laid_between(welt, size, place.left, place.right)
    shape = Polygon(lying.seam()).buffer(0)
    fold = welt.line(LineKind.FOLD, "fold")
    if fold is None:
        return shape
    ends = [lying.move(upright(p)) for p in fold.ends[size]]
    low = sum(y for _, y in ends) / 2
    left, top, right, _ = shape.bounds
    return shape.intersection(Polygon([(left, top), (right, top), (right, low), (left, low)]))


def _shifted(line: tuple[Point, Point], up: float) -> tuple[Point, Point]:
    """A line from left to right, so far above itself."""
    (ax, ay), (bx, by) = line
    gone = math.dist(*line) or 1.0
    dx, dy = (by - ay) / gone * up, -(bx - ax) / gone * up
    return (ax + dx, ay + dy), (bx + dx, by + dy)


def between(line: tuple[Point, Point], up: float, shorter: float) -> tuple[Point, Point]:
    """A line from left to right, so far above itself and so much shorter at both ends."""
    (ax, ay), (bx, by) = _shifted(line, up)
    t = shorter / (math.dist(*line) or 1.0)
    return (ax + (bx - ax) * t, ay + (by - ay) * t), (bx - (bx - ax) * t, by - (by - ay) * t)


def _above(line: tuple[Point, Point], deep: float) -> BaseGeometry:
    """An allowance above a line from left to right; below one from right to left."""
    a, b = line
    c, d = _shifted(line, deep)
    return Polygon([a, b, d, c]).buffer(0.02)


STACKS = {
    ("in-seam pocket", "mouth"): bag_on_its_seam,
    ("in-seam pocket", "hold"): bag_held,
    ("slant pocket", "hold"): mouth_on_its_side_piece,
    ("welt pocket", "made"): welt_made_up,
    ("welt pocket", "rows"): welt_about_its_line,
    ("welt pocket", "bag"): bags_together,
    ("welt pocket", "hold"): welt_held,
    ("sham welt", "sew"): welt_about_its_line,
}
