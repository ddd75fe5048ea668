"""A raglan sleeve brought to its seams: between the underarm and half-way to the neck it is drawn out or taken up, and
leans to the front or the back. What lies nearer to the neck moves as it is, with its facing."""

from __future__ import annotations

from rowanseed.core.alter.deform import Cuts
from rowanseed.core.alter.frame import frame_of, move
from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.seamline import seam_length

RAGLAN = "raglan"
SHARE = 0.5
"""So much of the way from the underarm to the neck gives (common practice, no source)."""
STEP, NEAR, ROUNDS = 5.0, 0.01, 6


def fit_raglan(pattern: Pattern, size: str, part: EdgePart, by: float) -> Pattern:
    """Make one seam of a raglan sleeve `by` mm longer, its other one as long as it is."""
    frame = frame_of(pattern, size, part.piece)
    edges = [edge for edge in pattern.piece(part.piece).shapes[size].edges if edge.startswith(RAGLAN)]
    bicep = frame.level("bicep")
    if bicep is None:
        return pattern
    shape = pattern.piece(part.piece).shapes[size]
    top = min(p[0] for edge in edges for p in flatten(shape.edges[edge], 1.0))
    reach = (bicep - top) * SHARE
    cuts = Cuts.across((1.0, 0.0), bicep, bicep - reach)

    def drawn(higher: float, aside: float) -> Pattern:
        def field(p: Point) -> Point:
            share = min(max((bicep - p[0]) / reach, 0.0), 1.0)
            return (p[0] - higher * share, p[1] + aside * share)

        return move(pattern, frame, field, cuts)

    def lengths(of: Pattern) -> list[float]:
        return [seam_length(of.piece(part.piece), size, edge) for edge in edges]

    was = lengths(pattern)
    goal = [long + (by if edge == part.edge else 0.0) for long, edge in zip(was, edges, strict=True)]
    up = [(b - a) / STEP for a, b in zip(was, lengths(drawn(STEP, 0.0)), strict=True)]
    over = [(b - a) / STEP for a, b in zip(was, lengths(drawn(0.0, STEP)), strict=True)]
    higher = aside = 0.0
    fitted = pattern
    for _ in range(ROUNDS):
        off = [want - now for want, now in zip(goal, lengths(fitted), strict=True)]
        if max(map(abs, off)) < NEAR:
            break
        if len(edges) == 1:
            higher += off[0] / up[0]
        else:
            # Both lengths change nearly evenly with both moves: two equations of two unknowns.
            both = up[0] * over[1] - up[1] * over[0]
            higher += (off[0] * over[1] - off[1] * over[0]) / both
            aside += (up[0] * off[1] - up[1] * off[0]) / both
        fitted = drawn(higher, aside)
    return fitted
