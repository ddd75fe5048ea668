"""Both layers of a doubled yoke on each other, as they are worn, and the basting along their edges."""

from __future__ import annotations

from shapely.affinity import affine_transform, scale
from shapely.geometry import LineString

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.doubled_layers import FROM_THE_EDGE
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.stacks.cuts import reflection, whole

SMALLER = 0.94
"""The layer on top is drawn so much smaller, so that both are seen."""


def basted(bench: Workbench, op: Operation) -> Stack | None:
    """None for the seams of a doubled yoke, which are drawn as seams are."""
    join = next((join for join in bench.between_layers if join.id in op.on.joins), None)
    if join is None:
        return None
    outer, inner = bench.piece(join.a[0].piece), bench.piece(join.b[0].piece)
    below = whole(bench, outer)
    above = scale(whole(bench, inner), SMALLER, SMALLER, origin=below.centroid)
    half = [_basting(bench, part) for part in join.a if part.piece == outer.id]
    over = reflection(bench, outer)
    lines = [*half, *(affine_transform(line, over) for line in half if over is not None)]
    words = (
        f"The {lower_first(inner.name)}, right side up, lies inside the {lower_first(outer.name)}, wrong sides "
        f"together, raw edges even; the upper one is drawn smaller, so that both are seen. The basting runs "
        f"{bench.margin(FROM_THE_EDGE)} from the raw edge along the armholes and the neck."
    )
    layers = (Layer(below, Stuff.WRONG, outer.name), Layer(above, Stuff.RIGHT, inner.name))
    return Stack(layers, words, rows=tuple(Row(_points(line), by_hand=True) for line in lines))


def _basting(bench: Workbench, part: EdgePart) -> LineString:
    """The stitching line of an edge, moved out into its allowance."""
    line = LineString(as_drawn(bench.piece(part.piece), bench.size).stitched((part,)))
    out = max(0.0, bench.edge_allowance(part) - FROM_THE_EDGE)
    middle = whole(bench, bench.piece(part.piece)).centroid
    return max((line.offset_curve(out), line.offset_curve(-out)), key=middle.distance)


def _points(line: LineString) -> tuple[Point, ...]:
    return tuple((x, y) for x, y in line.coords)


STACKS = {("doubled layers", "sew"): basted, ("doubled layers", "press"): basted}
