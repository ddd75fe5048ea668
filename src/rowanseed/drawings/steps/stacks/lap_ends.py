"""The upper end of an edge that laps: what is folded back over it, and the short row from the fold to the dot."""

from __future__ import annotations

import math

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.joined import runs_against
from rowanseed.core.pattern.making import BESIDE_CENTRE, EdgePart
from rowanseed.core.pattern.pieces import Panel
from rowanseed.drawings.steps import turned
from rowanseed.drawings.steps.edges import parts_of
from rowanseed.drawings.steps.paper import about
from rowanseed.drawings.steps.placing import as_drawn, laid_on
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff

ABOUT = 3.0
"""So much of the front is drawn about the row, as a share of its length."""
UNDER = 10.0
"""The raw edge of what is turned in is turned under by about so much, in mm."""


def closed(bench: Workbench, op: Operation) -> Stack | None:
    """The facing, or the turned-in edge, folded back right sides together on the front; None for a band."""
    piece = bench.piece(op.edges[0].piece)
    if piece.panel is Panel.BAND or not piece.has_edge("opening"):
        return None
    lying, edge = as_drawn(piece, bench.size), EdgePart(piece.id, "opening")
    line = lying.stitched([part for _, part in parts_of(op, piece.id, (op.edges[0].edge,))])
    # It begins at the fold.
    corner = lying.stitched((edge,))
    if min(math.dist(line[-1], p) for p in corner) < min(math.dist(line[0], p) for p in corner):
        line = line[::-1]
    window = about([line], ABOUT)
    facing = next(((j.a[0], j.b[0]) for j in bench.joins.values() if bench.is_faced(j) and edge in j.a), None)
    front = turned.outside(lying, (edge,)).intersection(window)
    if facing is not None:
        own, other = facing
        against = runs_against(bench.pattern, own, other)
        on_it = laid_on(lying, (edge,), bench.piece(other.piece), (other,), against=against)
        name = on_it.piece.name
        # Its upper allowance goes on with the neck's, and no further.
        shape = turned.outside(on_it, (other,)).intersection(front.buffer(0.1))
    else:
        name = "Turned-in edge"
        shape = turned.strip(lying, edge, bench.edge_allowance(edge) - UNDER).intersection(front)
    finish = bench.finishes[op.on.finishes[0]]
    beside = "beside" if any(p.from_mark == BESIDE_CENTRE for p in finish.parts) else "at"
    words = (
        f"The {lower_first(piece.name)}, right side up, about the upper end of its edge; the {lower_first(name)} is "
        "folded back over it, right sides together. The row runs across both from the fold to the dot "
        f"{beside} the centre line, and no further."
    )
    layers = (Layer(front, Stuff.RIGHT, piece.name, window), Layer(shape, Stuff.WRONG, name, window))
    return Stack(layers, words, rows=(Row(tuple(line), begins=True, ends=True),), marks=(line[-1],))


STACKS = {("end of the lap", "close"): closed}
