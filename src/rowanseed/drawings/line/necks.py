"""Edges that are bound or end in a band, and what opens the neck on a fold."""

from __future__ import annotations

import math
from collections.abc import Iterator

from rowanseed.core.pattern.making import ClosureKind, Detail, FinishKind
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.drawings.line.dressed import Dressed, Line, Run, Stroke, inward

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


def _drop(top: float, end: float) -> Run:
    """A keyhole's outline: from a point at the neck to a round lower end."""
    wide = min(DROP, (end - top) / 3)
    turns = [math.radians(a) for a in range(30, 331, 20)]
    low = end - wide
    return [(top, 0.0), *((low - wide * math.cos(t), wide * math.sin(t)) for t in turns)]
