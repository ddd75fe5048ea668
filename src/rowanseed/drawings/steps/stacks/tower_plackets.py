"""Tower plackets: the box sewn round the slash, from the wrong side; the overlap stitched down, from the right side."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass, replace

from shapely.affinity import affine_transform
from shapely.geometry import LineString, Polygon, box
from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.tower_placket import BOX, FORK
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import LineKind, Piece
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.stacks.cuts import slash_of, slashed, whole

EDGESTITCHED, ROWS_APART = 2.0, 5.0
"""Rows run so far inside an edge; the two that close a placket's upper end so far apart, in mm."""
ROUND = 25.0
"""So much of the sleeve is drawn beyond the placket, in mm."""


@dataclass(frozen=True)
class _Tower:
    """A placket and its sleeve in one frame, right sides up: the slash runs up from (0, 0) along -y, the overlap's half
    to the right of it, for which the frame is turned over where it lies to the left. How long the slash is, and how far
    the folds of both halves lie from it."""

    piece: Piece
    sleeve: Piece
    placket: BaseGeometry
    sewn: BaseGeometry
    ground: BaseGeometry
    long: float
    under: float
    over: float
    is_turned: bool


def _frame(slash: tuple[Point, Point], *, is_turned: bool) -> Callable[[BaseGeometry], BaseGeometry]:
    """Moves a shape so that a slash runs up from (0, 0); turned, what lies to its left then lies to its right."""
    (ax, ay), (bx, by) = slash
    long = math.dist(*slash)
    ux, uy = (bx - ax) / long, (by - ay) / long
    hand = -1.0 if is_turned else 1.0
    # Across the slash, to the right of one who looks along it; along it.
    across, along = (-uy * hand, ux * hand), (-ux, -uy)
    return lambda shape: affine_transform(
        shape,
        (*across, *along, -(ax * across[0] + ay * across[1]), -(ax * along[0] + ay * along[1])),
    )


def _found(bench: Workbench, op: Operation) -> _Tower | None:
    """None where the placket is drawn without its slash or without two folds: its halves cannot be told apart."""
    found = slashed(bench, op)
    piece = next((bench.piece(id) for id in op.on.pieces if found is None or id != found[0].id), None)
    own = slash_of(piece, bench.size) if piece is not None else None
    if found is None or piece is None or own is None:
        return None
    sleeve, slash = found
    shown = _frame(own, is_turned=False)
    folds = [
        shown(LineString([upright(p) for p in line.ends[bench.size]])).centroid.x
        for line in piece.lines
        if line.kind is LineKind.FOLD
    ]
    if len(folds) != 2 or folds[0] * folds[1] >= 0:
        return None
    # The overlap is the wider half; it lies to the right of its slash, or the whole is turned over.
    under, over = sorted(folds, key=abs)
    turned = over < 0
    shown, ground = _frame(own, is_turned=turned), _frame(slash, is_turned=turned)
    lying = as_drawn(piece, bench.size)
    # Slashes are drawn from the stitching line; the piece's raw edge comes to lie on the sleeve's.
    lifted = (1.0, 0.0, 0.0, 1.0, 0.0, -shown(Polygon(lying.cutting())).bounds[3])
    return _Tower(
        piece,
        sleeve,
        affine_transform(shown(Polygon(lying.cutting()).buffer(0)), lifted),
        affine_transform(shown(Polygon(lying.seam()).buffer(0)), lifted),
        ground(whole(bench, sleeve)),
        math.dist(*slash),
        abs(under),
        abs(over),
        turned,
    )


def boxed(bench: Workbench, op: Operation) -> Stack | None:
    """The placket on the wrong side of the sleeve, the box round the slash, and the cut that forks to its corners."""
    found = _found(bench, op)
    if found is None:
        return None
    long = found.long
    left, top, right, low = found.placket.bounds
    window = box(left - ROUND, top - ROUND, right + ROUND, low)
    rows = (Row(((BOX, 0.0), (BOX, -long), (-BOX, -long), (-BOX, 0.0)), begins=True, ends=True),)
    fork = (0.0, FORK - long)
    cuts = (((0.0, 0.0), fork), (fork, (-BOX, -long)), (fork, (BOX, -long)))
    words = (
        f"The {lower_first(found.piece.name)}, wrong side up, on the wrong side of the "
        f"{lower_first(found.sleeve.name)}, slash line on slash line, its wide half with the point towards the front "
        "of the cap. The row runs up one side of the slash, across its end and down the other; the cut between forks "
        "into both corners."
    )
    layers = (
        Layer(found.ground.intersection(window), Stuff.WRONG, found.sleeve.name, window),
        Layer(found.placket, Stuff.WRONG, found.piece.name),
    )
    stack = Stack(layers, words, rows=rows, cuts=cuts)
    return stack if found.is_turned else _turned_over(stack)


def stitched_down(bench: Workbench, op: Operation) -> Stack | None:
    """Both halves folded into the opening, right side up, the wide one over the narrow one."""
    found = _found(bench, op)
    if found is None:
        return None
    long = found.long
    fold = 2 * BOX - found.over
    upper = found.sewn.intersection(box(found.over, -1e4, 1e4, 1e4))
    upper = affine_transform(upper, (1.0, 0.0, 0.0, 1.0, fold - found.over, 0.0))
    left, top, right, low = upper.bounds
    # Its lower end is raw: the cuff catches it.
    upper = upper.union(box(left, low - 1.0, right, 0.0))
    window = box(left - 2 * ROUND, top - ROUND, right + 2 * ROUND, 0.0)
    inner = upper.buffer(-EDGESTITCHED)
    line = list(inner.exterior.coords[:-1])
    words = (
        f"The {lower_first(found.piece.name)} on the {lower_first(found.sleeve.name)}, right side up: the wide half "
        "lies over the opening and over the narrow one, which is stitched down already. The row runs up the edge that "
        "covers the seam, round the point, down to below the end of the slash, and across in two rows; below them the "
        "fold stays free."
    )
    layers = (
        Layer(found.ground.intersection(window), Stuff.RIGHT, found.sleeve.name, window),
        Layer(upper, Stuff.RIGHT, "wide half"),
    )
    stack = Stack(layers, words, rows=_round_the_point(line, long))
    return _turned_over(stack) if found.is_turned else stack


def _round_the_point(inner: list[Point], long: float) -> tuple[Row, ...]:
    """Up the right edge, round the point, down the left edge to below the end of the slash, and across twice."""
    left, right = min(x for x, _ in inner), max(x for x, _ in inner)
    end = ROWS_APART - long
    above = sorted((p for p in inner if p[1] < end), key=lambda p: -p[0])
    back = ((right, end - ROWS_APART), (left, end - ROWS_APART))
    return (Row(((right, 0.0), *above, (left, end), (right, end)), begins=True), Row(back, ends=True))


def _turned_over(stack: Stack) -> Stack:
    """The same seen from the other side."""

    def line(points: tuple[Point, ...]) -> tuple[Point, ...]:
        return tuple((-x, y) for x, y in points)

    def shape(one: BaseGeometry) -> BaseGeometry:
        return affine_transform(one, (-1.0, 0.0, 0.0, 1.0, 0.0, 0.0))

    return replace(
        stack,
        layers=tuple(
            replace(one, shape=shape(one.shape), window=None if one.window is None else shape(one.window))
            for one in stack.layers
        ),
        rows=tuple(replace(row, line=line(row.line)) for row in stack.rows),
        cuts=tuple(line(cut) for cut in stack.cuts),
    )


STACKS = {
    ("tower placket", "box"): boxed,
    ("tower placket", "turn"): stitched_down,
}
