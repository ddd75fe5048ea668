"""A doubled yoke: what is sewn between its layers, and pressed away; both on each other, basted at the edges."""

from __future__ import annotations

from shapely.affinity import affine_transform, scale
from shapely.geometry import LineString, Polygon, box

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.doubled_layers import FROM_THE_EDGE
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.stacks.cuts import reflection, whole
from rowanseed.drawings.steps.straight import ABOUT

HIGH = 110.0
"""So much of each layer is drawn beside a seam, in mm."""
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


def between(bench: Workbench, op: Operation) -> Stack | None:
    """The three layers of a seam, drawn straight, the upper ones cut away so that each is seen."""
    names = _three(bench, op)
    if names is None:
        return None
    held, outer, inner = names
    allowance = bench.edge_allowance(bench.joins[op.on.joins[0]].a[0])
    shape, window = box(-ABOUT, -HIGH, ABOUT, 0.0), box(-ABOUT, -HIGH, ABOUT, 1.0)
    layers = [Layer(shape, Stuff.RIGHT, outer, window)]
    # The outer yoke is seen at the upper right, what lies on it at the upper left, the inner yoke below.
    right = Polygon([(ABOUT, -HIGH), (0.2 * ABOUT, -HIGH), (ABOUT, -0.4 * HIGH)])
    left = Polygon([(-ABOUT, -HIGH), (-0.2 * ABOUT, -HIGH), (-ABOUT, -0.4 * HIGH)])
    for name, gone in ((held, right), (inner, right.union(left))):
        layers.append(Layer(shape.difference(gone), Stuff.WRONG, name, window.difference(gone.buffer(-0.6))))
    words = (
        f"The {lower_first(outer)}, the {lower_first(held)} and the {lower_first(inner)} on each other, raw edges "
        f"even, drawn straight: the {lower_first(held)} lies between the right sides of both others."
    )
    if op.run is not None:
        words += f" Sew {op.run.words}."
    row = Row(((-ABOUT, -allowance), (ABOUT, -allowance)))
    return Stack(tuple(layers), words, rows=(row,))


def pressed_away(bench: Workbench, op: Operation) -> Stack | None:
    """Both layers of the yoke folded away from what is sewn between them, from outside."""
    names = _three(bench, op)
    if names is None:
        return None
    held, outer, inner = names
    up, down = (box(-ABOUT, -HIGH, ABOUT, 0.0), box(-ABOUT, 0.0, ABOUT, HIGH))
    words = (
        f"The {lower_first(outer)} above the {lower_first(held)}, right side up, drawn straight: the "
        f"{lower_first(inner)} lies behind it, away from the seam as well, and the allowances between the two."
    )
    layers = (
        Layer(up, Stuff.RIGHT, outer, box(-ABOUT, -HIGH, ABOUT, 1.0)),
        Layer(down, Stuff.RIGHT, held, box(-ABOUT, -1.0, ABOUT, HIGH)),
    )
    return Stack(layers, words)


def _three(bench: Workbench, op: Operation) -> tuple[str, str, str] | None:
    """What is sewn between the layers of a yoke, the outer one and the inner one."""
    joins = [bench.joins[id] for id in op.on.joins]
    if len(joins) != 2 or not all(join.a and join.b for join in joins):
        return None
    held, outer, inner = joins[0].a[0], joins[0].b[0], joins[1].b[0]
    return bench.piece(held.piece).name, bench.piece(outer.piece).name, bench.piece(inner.piece).name


STACKS = {
    ("doubled layers", "sew"): basted,
    ("doubled layers", "press"): basted,
    ("doubled yoke", "sew"): between,
    ("doubled yoke", "press"): pressed_away,
}
