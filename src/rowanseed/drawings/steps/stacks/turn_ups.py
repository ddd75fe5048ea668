"""The end of a leg folded up to its right side, and the stitches that hold it at a seam."""

from __future__ import annotations

from shapely.geometry import LineString, Polygon

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.turn_ups import BELOW, wide
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.drawings.steps import turned
from rowanseed.drawings.steps.paper import about
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff, within

SHOWN = 0.5
"""So much of the leg is drawn about its end, as a share of that."""
STITCHES = 8.0
"""How far across the seam the stitches are drawn, in mm."""


def up(bench: Workbench, op: Operation) -> Stack | None:
    """A leg right side up, the turn-up on it, held at its seam."""
    if not op.edges:
        return None
    shown = op.edges[0]
    piece, part = bench.piece(shown.piece), EdgePart(shown.piece, shown.edge)
    lying = as_drawn(piece, bench.size)
    line, deep = lying.stitched((part,)), wide(bench)
    window = about([line], SHOWN)
    leg = Polygon(lying.seam()).buffer(0).intersection(window)
    band = turned.strip(lying, part, deep).intersection(leg)
    level = within(turned.row(lying, part, deep - BELOW), leg)
    if band.is_empty or len(level) < 2:
        return None
    run = LineString(level)
    held = tuple((q.x, q.y) for q in (run.interpolate(0.0), run.interpolate(STITCHES)))
    words = (
        f"The {lower_first(piece.name)}, right side up, its end folded up to the right side; a few stitches at the "
        f"seam hold it {bench.margin(BELOW)} below its upper edge, at the other seam alike."
    )
    layers = (Layer(leg, Stuff.RIGHT, piece.name, window), Layer(band, Stuff.RIGHT, "turn-up", window))
    return Stack(layers, words, rows=(Row(held, begins=False, ends=False, by_hand=True),))


STACKS = {("turn-ups", "turn"): up}
