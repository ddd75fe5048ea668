"""Edges that are bound or end in a band, and what opens the neck on a fold."""

from __future__ import annotations

import math
from collections.abc import Iterator

from rowanseed.core.pattern.draped import is_draped
from rowanseed.core.pattern.making import RUNS_ON, ClosureKind, Detail, FinishKind
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.drawings.line.dressed import Dressed, Line, Run, Stroke, inward
from rowanseed.drawings.line.hanging import hanging_between

BOUND = 9.0
"""The seam of a binding is shown so far inside its edge, in mm."""
EDGES = ("neck", "armhole")
AGAPE, DROP = 5.0, 16.0
"""A slit stands open so far at its upper end, a keyhole in its middle, in mm."""


def bound(dressed: Dressed) -> Iterator[Stroke]:
    """The seam of a binding, or of a band that is stretched on, along necks and armholes."""
    for finish in dressed.pattern.making.finishes:
        if finish.kind is not FinishKind.BINDING:
            continue
        for part in finish.parts:
            one = dressed.laid(part.piece)
            if one is not None and part.edge in EDGES and part.edge in one.edges:
                run = inward(one, one.edges[part.edge], BOUND)
                yield Stroke(part.edge, run, Line.FINE, (1,))
                # Where fronts lap the lower one shows as far as the centre.
                yield Stroke(part.edge, [q for q in run if q[1] >= 0.0], Line.FINE, (-1,))


def neck_slit(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """A slit down from the neck, a little agape; a keyhole as a drop below what closes it."""
    for id in detail.on:
        one = dressed.laid(id)
        line = one.piece.line(LineKind.PLACEMENT, "slit") if one is not None else None
        if one is None or line is None:
            continue
        (top, _), (end, _) = (one.at(q) for q in line.ends[dressed.size])
        closes = any(c.kind is ClosureKind.BUTTON_LOOP for c in dressed.pattern.making.closures)
        run = _drop(top, end) if closes else [(top, AGAPE), (end, 0.0), (top, -AGAPE)]
        yield Stroke(dressed.pattern.piece(id).panel.value, run, Line.FILLED, (1,))


def tied(dressed: Dressed) -> Iterator[Stroke]:
    """The bow of a collar that is tied, at the middle of the front."""
    collar = dressed.drawn("collar")
    ends = [q for one in dressed.pieces for q in one.edges.get("neck", ())]
    if collar is None or not collar.has_edge(RUNS_ON[1]) or not dressed.is_front or not ends:
        return
    x = max(q[0] for q in ends)
    for out, long in ((-1.0, 210.0), (1.0, 190.0)):
        tail = [(x, 0.0), (x + long, out * 62.0), (x + long + 14.0, out * 24.0), (x, out * 6.0)]
        yield Stroke("neck", tail, Line.FILLED, (1,))
    for out in (-1.0, 1.0):
        loop = [(x, 0.0), (x - 26.0, out * 58.0), (x - 8.0, out * 84.0), (x + 36.0, out * 66.0)]
        yield Stroke("neck", loop, Line.FILLED, (1,))
    knot = [(x - 15.0, -13.0), (x - 15.0, 13.0), (x + 17.0, 15.0), (x + 17.0, -15.0)]
    yield Stroke("neck", knot, Line.FILLED, (1,))


FOLDS, BEGUN = ((0.25, 0.16), (0.5, 0.36), (0.78, 0.58)), 1
"""The folds below a cowl: how far out along the shoulder each begins, and how far below the edge it hangs, both as
shares: of the shoulder, and of the cowl's own fall. They begin a little off the shoulder."""


def cowl(dressed: Dressed) -> Iterator[Stroke]:
    """The folds of a cowl, each hanging from the shoulders a little lower than the one above."""
    for one in dressed.pieces:
        neck, shoulder = one.edges.get("neck"), one.edges.get("shoulder")
        if not neck or not shoulder or not is_draped(one.piece, dressed.size):
            continue
        point, low = max(neck, key=lambda q: q[1]), max(x for x, _ in neck)
        tip = max(shoulder, key=lambda q: q[1])
        for out, below in FOLDS:
            x, y = (point[k] + (tip[k] - point[k]) * out for k in (0, 1))
            yield Stroke("neck", hanging_between((x, y), low + (low - point[0]) * below)[BEGUN:])


def _drop(top: float, end: float) -> Run:
    """A keyhole's outline: from a point at the neck to a round lower end."""
    wide = min(DROP, (end - top) / 3)
    turns = [math.radians(a) for a in range(30, 331, 20)]
    low = end - wide
    return [(top, 0.0), *((low - wide * math.cos(t), wide * math.sin(t)) for t in turns)]
