"""Pockets and patches on their pieces, and the flaps above them."""

from __future__ import annotations

from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as Spot
from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import MOUTH, LineKind, Piece
from rowanseed.drawings.steps.aside import aside
from rowanseed.drawings.steps.places import laid_between, place_of, width_of
from rowanseed.drawings.steps.placing import Lying, in_ring_order
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.turned import inward

EDGE = 2.0
"""A pocket is stitched so far inside its edge, in mm; drawn by a share of its size where that is too close to see."""
DRAWN = 0.03
ABOVE = 12.0
"""The raw edge of a flap lies so far above the mouth of its pocket, in mm."""


def patch(bench: Workbench, op: Operation) -> Stack | None:
    """A pocket with its corners on their marks, the row round three of its sides."""
    piece = bench.piece(op.edges[0].piece)
    place = None if _is_double(piece) else place_of(bench, piece.id, width_of(piece, bench.size))
    if place is None:
        return None
    lying = laid_between(piece, bench.size, place.left, place.right)
    shape = Polygon(lying.seam()).buffer(0)
    rows = _rows(lying, shape, [edge.edge for edge in op.edges], is_open=op.technique != "patch")
    below = place.layers(shape)
    names = " and ".join(lower_first(layer.name) for layer in below)
    words = (
        f"The {lower_first(piece.name)} lies on the {names}, both right side up, its upper corners on their marks; "
        + (
            "its row runs down one side, along the bottom and up the other."
            if rows[0].begins
            else "its row runs round."
        )
    )
    layers = (*below, Layer(shape, Stuff.RIGHT, piece.name))
    return Stack(layers, words, rows=rows, marks=(place.left, place.right))


def pouch(bench: Workbench, op: Operation) -> Stack | None:
    """One half of a pouch on half the front, its middle on the fold: the row along its upper edge, and the one from the
    lower end of its mouth."""
    piece = bench.piece(op.edges[0].piece)
    place = place_of(bench, piece.id, width_of(piece, bench.size))
    if place is None:
        return None
    lying = laid_between(piece, bench.size, place.left, place.right)
    shape = Polygon(lying.seam()).buffer(0)
    below = place.layers(shape)
    names = " and ".join(lower_first(layer.name) for layer in below)
    words = (
        f"Half of the {lower_first(piece.name)} on half of the {names}, both right side up, its middle on the fold and "
        "its upper corner on the mark; one row along its upper edge, one from the lower end of the mouth down the side "
        "and along the bottom. Between them the mouth stays open."
    )
    left, top, right, low = shape.bounds
    by = max(EDGE, (right - left + low - top) * DRAWN / 2)
    folds = [EdgePart(piece.id, cut.fold) for cut in piece.cuts if cut.fold]
    middle = LineString(lying.stitched(tuple(folds[:1]))) if folds else None
    rows = []
    for edges in _runs(piece, op):
        run = lying.stitched(in_ring_order(piece, [EdgePart(piece.id, edge) for edge in edges]))
        row = aside(run, inward(lying, run) * by)
        if middle is not None and middle.distance(Spot(row[0])) < middle.distance(Spot(row[-1])):
            # From its end at the mouth towards the fold, over which it runs on.
            row.reverse()
        rows.append(Row(tuple(row), begins=True))
    layers = (*below, Layer(shape, Stuff.RIGHT, piece.name))
    return Stack(layers, words, rows=tuple(rows), marks=(place.left, place.right))


def _runs(piece: Piece, op: Operation) -> tuple[tuple[str, ...], ...]:
    """The edges that are sewn down, those above the mouths and those below them."""
    sewn = tuple(edge.edge for edge in op.edges)
    above = tuple(edge for edge in sewn if edge in MOUTH)
    return above, tuple(edge for edge in sewn if edge not in above)


def _is_double(piece: Piece) -> bool:
    return piece.line(LineKind.FOLD, "fold") is not None


def _rows(lying: Lying, shape: BaseGeometry, edges: list[str], *, is_open: bool) -> tuple[Row, ...]:
    """The row inside the edges: all round, or from one end of the mouth to the other where that stays open."""
    left, top, right, low = shape.bounds
    inside = shape.buffer(-max(EDGE, (right - left + low - top) * DRAWN / 2))
    ring = [(x, y) for x, y in inside.exterior.coords]
    if not is_open:
        return (Row(tuple(ring)),)
    sides = [EdgePart(lying.piece.id, edge) for edge in edges if edge not in MOUTH]
    run = lying.stitched(in_ring_order(lying.piece, sides))
    # From one upper corner round to the other, as the ring of the row runs.
    at = min(range(len(ring)), key=lambda k: _far(ring[k], run[0]))
    to = min(range(len(ring)), key=lambda k: _far(ring[k], run[-1]))
    core = ring[:-1]
    forth = [core[k % len(core)] for k in range(at, to + (len(core) if to < at else 0) + 1)]
    back = [core[k % len(core)] for k in range(to, at + (len(core) if at < to else 0) + 1)]
    low_one = max((forth, back), key=lambda path: max(y for _, y in path) + len(path) * 1e-6)
    return (Row(tuple(low_one), begins=True, ends=True),)


def _far(a: Point, b: Point) -> float:
    return (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2


def flap(bench: Workbench, op: Operation) -> Stack | None:
    """A flap on its head above the pocket's mouth, wrong side up: its raw edge on the line, its row on its stitching
    line, from where it is folded down."""
    piece = bench.piece(op.on.pieces[0])
    place = place_of(bench, piece.id, width_of(piece, bench.size)) or place_of(
        bench, piece.id.replace("flap", "pocket"), width_of(piece, bench.size) - 6.0
    )
    edge = next((edge for edge in piece.edges if edge.name in MOUTH), None)
    if place is None or edge is None:
        return None
    lying = laid_between(piece, bench.size, place.left, place.right, above=ABOVE + edge.allowance, head=False)
    row = lying.stitched((EdgePart(piece.id, edge.name),))
    shape = Polygon(lying.seam()).union(_allowance(row, edge.allowance))
    id = piece.id.replace("flap", "pocket")
    pocket = next((one for one in bench.pattern.pieces if one.id == id), None)
    below = place.layers(shape)
    under: tuple[Layer, ...] = ()
    if pocket is not None and pocket.id != piece.id and not _is_double(pocket):
        there = laid_between(pocket, bench.size, place.left, place.right)
        under = (Layer(Polygon(there.seam()).buffer(0), Stuff.RIGHT, pocket.name),)
        below = place.layers(shape.union(under[0].shape))
    names = " and ".join(lower_first(layer.name) for layer in below)
    words = (
        f"The {lower_first(piece.name)} lies on the {names} on its head, right side down, its raw edge above the "
        "mouth; the row runs on its stitching line, and over that it is folded down."
    )
    layers = (*below, *under, Layer(shape, Stuff.WRONG, piece.name))
    return Stack(layers, words, rows=(Row(tuple(row)),), marks=(place.left, place.right))


def _allowance(row: list[Point], deep: float) -> BaseGeometry:
    """What stands out below a row, which runs across."""
    (ax, ay), (bx, by) = row[0], row[-1]
    return Polygon([(ax, ay), (bx, by), (bx, by + deep), (ax, ay + deep)]).buffer(0)


STACKS = {
    ("patch pocket", "sew"): patch,
    ("lined patch pocket", "sew"): patch,
    ("patch", "sew"): patch,
    ("pocket flap", "sew"): flap,
    ("pouch pocket", "sew"): pouch,
}
