"""Length over the shoulder blades or over the upper chest: given at the centre, nothing at the armhole."""

from __future__ import annotations

import math
from collections.abc import Callable

from rowanseed.core.alter.deform import smooth
from rowanseed.core.alter.frame import Frame, frames, move
from rowanseed.core.base.craft_refusals import NoPlaceFor
from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel

PARTS = 4


def has_upper(pattern: Pattern, size: str, panel: Panel) -> bool:
    return any(f.panel is panel and f.edge("armhole") and f.edge("neck") for f in frames(pattern, size))


def _outermost(frame: Frame, edge: str) -> float:
    """The y of an edge's point farthest from the centre."""
    centre = frame.centre_y()
    chains = [p.shapes[frame.size].edges[edge] for p in frame.pieces if p.has_edge(edge)]
    return max((q[1] for chain in chains for q in flatten(chain, 1.0)), key=lambda y: abs(y - centre))


def _ends(frame: Frame, edge: str) -> list[Point]:
    """Where the edges of a name begin and end on the pieces of a frame."""
    chains = [p.shapes[frame.size].edges[edge] for p in frame.pieces if p.has_edge(edge)]
    return [point for chain in chains for point in (chain[0].start, chain[-1].end)]


def give_length_above(pattern: Pattern, size: str, panel: Panel, by: float) -> Pattern:
    """Give `by` mm of length above the middle of the armhole: at the centre, dying away to the armhole.

    The shoulder keeps its length: as much as its slope takes from it, its tip is moved out or in.
    """
    if not has_upper(pattern, size, panel):
        raise NoPlaceFor(f"No {panel.words} of this pattern has an armhole and a neck.")
    for frame in frames(pattern, size):
        armhole, neck = frame.edge("armhole"), frame.edge("neck")
        if frame.panel is not panel or armhole is None or neck is None:
            continue
        centre, outer = frame.centre_y(), _outermost(frame, "armhole")
        # With a yoke the armhole is in two pieces of the frame.
        levels = [
            q[0] for p in frame.pieces if p.has_edge("armhole") for q in flatten(p.shapes[size].edges["armhole"], 1.0)
        ]
        top, middle = min(levels), (min(levels) + max(levels)) / 2
        inner = frame.neck_point(neck)
        tip = max(_ends(frame, "shoulder"), key=lambda q: abs(q[1] - centre), default=inner)

        def lifted(
            p: Point, centre: float = centre, outer: float = outer, middle: float = middle, top: float = top
        ) -> float:
            share = smooth(1 - abs(p[1] - centre) / abs(outer - centre))
            return -by * share * smooth((middle - p[0]) / max(1.0, middle - top))

        down = tip[0] - inner[0] + lifted(tip) - lifted(inner)
        out = math.copysign(math.sqrt(max(0.0, math.dist(tip, inner) ** 2 - down**2)), tip[1] - inner[1])
        moved_out = out - (tip[1] - inner[1])

        def field(
            p: Point,
            lifted: Callable[[Point], float] = lifted,
            moved_out: float = moved_out,
            across: tuple[float, float] = (inner[1], tip[1]),
            down: tuple[float, float] = (middle, top),
        ) -> Point:
            beyond = smooth((p[1] - across[0]) / (across[1] - across[0])) if across[1] != across[0] else 0.0
            above = smooth((down[0] - p[0]) / max(1.0, down[0] - down[1]))
            return (p[0] + lifted(p), p[1] + moved_out * beyond * above)

        pattern = move(pattern, frame, field, parts=PARTS)
    return pattern
