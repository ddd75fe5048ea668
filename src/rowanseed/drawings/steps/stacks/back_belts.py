"""A half of a back belt on the side edge of the back, at the waist, as it is basted there."""

from __future__ import annotations

import math

from shapely.geometry import LineString, Point, Polygon

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import LineKind, Panel
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.stacks.cuts import whole

OUTSIDE = 5.0
"""It is basted so far outside the stitching line of the side, in mm."""
ABOUT = 90.0
"""So much of the back is drawn above the belt's middle, and below it, in mm."""
SHOWN = 4.0
"""Of a belt so much is drawn, as a share of its width."""


def half_on_back(bench: Workbench, op: Operation) -> Stack | None:
    """None for a back that is drawn without a side or without its waist line."""
    belt = bench.piece(op.edges[0].piece)
    back = next((p for p in bench.pattern.pieces if p.panel is Panel.BACK and p.has_edge("side")), None)
    level = back.line(LineKind.LEVEL, "waist") if back is not None else None
    if back is None or level is None or bench.size not in level.ends:
        return None
    lying = as_drawn(back, bench.size)
    side = LineString(lying.stitched((EdgePart(back.id, "side"),)))
    waist = [lying.move(upright(p)) for p in level.ends[bench.size]]
    at, inner = sorted(waist, key=lambda p: side.distance(Point(p)))
    long = math.dist(at, inner) or 1.0
    ux, uy = (inner[0] - at[0]) / long, (inner[1] - at[1]) / long
    deep = back.edge("side").allowance
    left, top, right, low = Polygon(as_drawn(belt, bench.size).seam()).bounds
    reaches, high = max(right - left, low - top), min(right - left, low - top) / 2

    def place(along: float, down: float) -> tuple[float, float]:
        """So far inside the stitching line of the side, and below the waist."""
        return (at[0] + ux * along - abs(uy) * down, at[1] + uy * along + abs(ux) * down)

    shown = min(reaches, SHOWN * 2 * high)

    def area(begins: float, ends: float, down: float) -> Polygon:
        """As far above the waist as below it."""
        return Polygon([place(begins, -down), place(ends, -down), place(ends, down), place(begins, down)])

    around = area(-2 * deep, 1.3 * shown, ABOUT)
    goes_on = area(-2 * deep, shown, 2 * high) if shown < reaches else None
    words = (
        f"The {lower_first(back.name)}, right side up, about its side edge at the waist; a half of the "
        f"{lower_first(belt.name)} lies on it along the waist line, its raw end level with the raw edge, and is basted "
        f"{bench.margin(OUTSIDE)} outside the stitching line. The other half lies on the other side alike."
    )
    layers = (
        Layer(whole(bench, back).intersection(around), Stuff.RIGHT, back.name, around),
        Layer(area(-deep, shown, high), Stuff.RIGHT, belt.name, goes_on),
    )
    row = Row((place(-OUTSIDE, -high), place(-OUTSIDE, high)), by_hand=True)
    return Stack(layers, words, rows=(row,))


STACKS = {("back belt", "sew"): half_on_back}
