"""Length over the shoulder blades or over the upper chest: given at the centre, nothing at the armhole."""

from __future__ import annotations

from rowanseed.core.alter.deform import smooth
from rowanseed.core.alter.frame import Frame, frames, move
from rowanseed.core.base.errors import NoPlaceFor
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


def give_length_above(pattern: Pattern, size: str, panel: Panel, by: float) -> Pattern:
    """Give `by` mm of length above the middle of the armhole: at the centre, dying away to the armhole."""
    if not has_upper(pattern, size, panel):
        raise NoPlaceFor(f"No {panel.words} of this pattern has an armhole and a neck.")
    for frame in frames(pattern, size):
        armhole, neck = frame.edge("armhole"), frame.edge("neck")
        if frame.panel is not panel or armhole is None or neck is None:
            continue
        centre, outer = frame.centre_y(), _outermost(frame, "armhole")
        top = min(p[0] for p in flatten(armhole, 1.0))
        bottom = max(
            q[0] for p in frame.pieces if p.has_edge("armhole") for q in flatten(p.shapes[size].edges["armhole"], 1.0)
        )
        middle = (top + bottom) / 2

        def field(
            p: Point, centre: float = centre, outer: float = outer, middle: float = middle, top: float = top
        ) -> Point:
            share = smooth(1 - abs(p[1] - centre) / abs(outer - centre))
            return (p[0] - by * share * smooth((middle - p[0]) / max(1.0, middle - top)), p[1])

        pattern = move(pattern, frame, field, parts=PARTS)
    return pattern
