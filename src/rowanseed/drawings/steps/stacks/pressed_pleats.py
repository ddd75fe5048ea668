"""Pleats folded and face down under the iron: how wide the piece is then, and where the inner folds lie."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise

from shapely.affinity import affine_transform, translate
from shapely.geometry import LineString, box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.pleats import pleats_of
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps.stack import Layer, Stack, Stuff, within
from rowanseed.drawings.steps.stacks.cuts import reflection, whole
from rowanseed.drawings.steps.together import listed

ASLANT = 2.0
"""Lines of a pleat lean by so much at most, in mm from end to end: others cannot be laid flat by moving what lies
between them."""
FAR = 10_000.0


@dataclass(frozen=True)
class _Pleat:
    """A pleat of an upright piece, in mm: where across it is folded and where the fold is laid, and from where to where
    its lines run down."""

    fold: float
    meeting: float
    top: float
    low: float

    @property
    def begins(self) -> float:
        return min(self.fold, self.meeting)

    @property
    def takes(self) -> float:
        return abs(self.meeting - self.fold)


def _pleats(bench: Workbench, piece: Piece) -> list[_Pleat] | None:
    """Those of both halves of a piece on the fold, from left to right; None where one leans or lies in another."""
    matrix, found = reflection(bench, piece), []
    for pleat in pleats_of(piece, bench.size):
        lines = [LineString([upright(p) for p in line]) for line in (pleat.fold, pleat.meeting)]
        for fold, meeting in (lines, [affine_transform(line, matrix) for line in lines]) if matrix else (lines,):
            if max(line.bounds[2] - line.bounds[0] for line in (fold, meeting)) > ASLANT:
                return None
            found.append(_Pleat(fold.centroid.x, meeting.centroid.x, fold.bounds[1], fold.bounds[3]))
    found.sort(key=lambda pleat: pleat.begins)
    if any(a.begins + a.takes > b.begins + 0.1 for a, b in pairwise(found)):
        return None
    return found


def pressed(bench: Workbench, op: Operation) -> Stack | None:
    """None where the pleats of a piece are not drawn, or not straight down it."""
    piece = bench.piece(op.on.pieces[0])
    pleats = _pleats(bench, piece)
    if not pleats:
        return None
    low = min(pleat.low for pleat in pleats)
    shape = whole(bench, piece)
    held = shape.intersection(box(-FAR, -FAR, FAR, low))
    folded = unary_union(list(_panels(held, pleats))).buffer(0.1)
    goes_on = low < shape.bounds[3] - 1.0
    seen = affine_transform(folded, (-1.0, 0.0, 0.0, 1.0, 0.0, 0.0))
    left, top, right, bottom = seen.bounds
    window = box(left - 1.0, top - 1.0, right + 1.0, bottom) if goes_on else None
    held_so_far = ", as far down as their lines run" if goes_on else ""
    words = (
        f"The {lower_first(piece.name)}, wrong side up, its pleats folded{held_so_far}: "
        "each dashed line is the inner fold of one, which lies above the rest; a strip of paper goes under it."
    )
    others = listed(bench.name(id) for id in op.on.pieces[1:])
    words += f" Not drawn: {others}." if others else ""
    folds = tuple(tuple((-x, y) for x, y in line) for line in _inner_folds(pleats, folded))
    return Stack((Layer(seen, Stuff.WRONG, piece.name, window),), words, folds=folds)


def _panels(shape: BaseGeometry, pleats: Sequence[_Pleat]) -> Iterator[BaseGeometry]:
    """What lies between the pleats, moved together by what they take in."""
    begins, gone = -FAR, 0.0
    for pleat in pleats:
        yield translate(shape.intersection(box(begins, -FAR, pleat.begins, FAR)), -gone)
        begins, gone = pleat.begins + pleat.takes, gone + pleat.takes
    yield translate(shape.intersection(box(begins, -FAR, FAR, FAR)), -gone)


def _inner_folds(pleats: Sequence[_Pleat], folded: BaseGeometry) -> Iterator[tuple[Point, ...]]:
    """The folds inside: half of what a pleat takes in away from the fold that shows, towards where that was."""
    gone = 0.0
    for pleat in pleats:
        at = pleat.begins - gone + math.copysign(pleat.takes / 2, pleat.fold - pleat.meeting)
        yield within(((at, -FAR), (at, FAR)), folded)
        gone += pleat.takes


STACKS = dict.fromkeys(((kind, "press") for kind in ("box pleats", "inverted pleats", "knife pleats")), pressed)
