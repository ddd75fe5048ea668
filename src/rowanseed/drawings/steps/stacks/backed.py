"""A piece and the layer that backs it, held by rows of diagonal basting along the grain."""

from __future__ import annotations

from collections.abc import Callable

from shapely.geometry import LineString, Polygon

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff, within
from rowanseed.drawings.steps.stacks.cuts import whole

APART = 90.0
"""Rows run so far beside each other, in mm."""
CLEAR = 25.0
"""They end so far inside the raw edge, in mm."""


def _backed(stuff: Stuff, said: str) -> Callable[[Workbench, Operation], Stack | None]:
    def builds(bench: Workbench, op: Operation) -> Stack | None:
        piece = bench.piece(op.on.pieces[0])
        is_right = stuff is Stuff.RIGHT
        shape = whole(bench, piece) if is_right else Polygon(as_drawn(piece, bench.size, right_side_up=False).cutting())
        inner = shape.buffer(0).buffer(-CLEAR)
        if inner.is_empty:
            return None
        left, top, right, low = inner.bounds
        number = max(1, round((right - left) / APART))
        xs = [left + (right - left) * (k + 0.5) / number for k in range(number)]
        runs = [within(((x, top - 1.0), (x, low + 1.0)), inner) for x in xs]
        rows = tuple(Row(run, by_hand=True) for run in runs if len(run) > 1 and LineString(run).length > CLEAR)
        words = f"The {lower_first(piece.name)}, {said}: rows of diagonal basting run along the grain through both."
        return Stack((Layer(shape, stuff, piece.name),), words, rows=rows)

    return builds


STACKS = {
    ("underlining", "underline"): _backed(Stuff.RIGHT, "right side up, on its underlining"),
    ("interlining", "interline"): _backed(Stuff.WRONG, "wrong side up, its interlining on it"),
}
