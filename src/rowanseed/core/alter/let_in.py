"""A band let in between bodice and skirt, bent to what it is sewn to above and below.

Whatever alters the bodice moves the band as if it lay straight on it; along its own two edges it would come out a
little longer or shorter than the seams that it goes into. So it is redrawn as the ring that fits them, as deep as it
is (plain geometry).
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.alter.deform import map_pieces
from rowanseed.core.alter.frame import frame_of, with_pieces
from rowanseed.core.alter.ring import Ring, is_let_in
from rowanseed.core.pattern.making import INSET_EDGE, DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import WAIST
from rowanseed.core.pattern.walk import part_length

NOTICED = 0.05
"""An edge that fits what it is sewn to within this, in mm, fits."""
NEAR = 0.005
"""An edge this near to the length it shall have, in mm, has it."""
ROUNDS = 8
PARTS = 4


def fit_let_in(before: Pattern, after: Pattern, size: str, join: Join) -> tuple[Pattern, dict[str, str]] | None:
    """Bands let in, bent so that a seam is off by what it was off before, front and back each by itself; None where
    there is no such band, or they all fit."""
    if join.difference.kind is DifferenceKind.GATHERS:
        return None
    reasons: dict[str, str] = {}
    for side, other in ((join.a, join.b), (join.b, join.a)):
        for band in _once(side):
            if band.edge not in (INSET_EDGE, WAIST) or not is_let_in(after.piece(band.piece)):
                continue
            panel = after.piece(band.piece).panel
            mates = [part for part in _once(other) if after.piece(part.piece).panel is panel]
            grown = sum(part_length(after, size, p) - part_length(before, size, p) for p in mates)
            goal = part_length(before, size, band) + grown
            if mates and abs(goal - part_length(after, size, band)) > NOTICED:
                after = _bent(before, after, size, band, goal)
                name = after.piece(mates[0].piece).name
                reasons[band.piece] = f"it is let in, and as long as “{name}” where they meet"
    return (after, reasons) if reasons else None


def _once(side: tuple[EdgePart, ...]) -> Iterator[EdgePart]:
    """The parts of a side, what both hands are sewn by once."""
    yield from {(part.piece, part.edge, part.from_mark, part.to_mark): part for part in side}.values()


def _bent(before: Pattern, after: Pattern, size: str, band: EdgePart, goal: float) -> Pattern:
    """The pattern with one edge of a band as long as it shall be, the other edge and the depth as they are now.

    It is bent out of what it was before: moved as if it lay flat on the bodice, it is no ring any more.
    """
    drawn, now = before.piece(band.piece), after.piece(band.piece)
    together = [piece for piece in frame_of(before, size, drawn.id).pieces if is_let_in(piece)]
    was, ring = Ring.of(drawn, size), Ring.of(now, size)
    other = WAIST if band.edge == INSET_EDGE else INSET_EDGE
    wanted = {band.edge: goal, other: part_length(after, size, replace(band, edge=other))}
    lengths = {INSET_EDGE: ring.above, WAIST: ring.below}
    for edge, mm in wanted.items():
        lengths[edge] += mm - part_length(after, size, replace(band, edge=edge))
    for _ in range(ROUNDS):
        ring = replace(ring, above=lengths[INSET_EDGE], below=lengths[WAIST])
        bent = with_pieces(after, map_pieces(together, size, was.onto(ring), parts=PARTS))
        missing = {edge: mm - part_length(bent, size, replace(band, edge=edge)) for edge, mm in wanted.items()}
        if all(abs(mm) < NEAR for mm in missing.values()):
            break
        lengths = {edge: mm + missing[edge] for edge, mm in lengths.items()}
    return bent
