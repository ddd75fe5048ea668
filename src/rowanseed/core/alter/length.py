"""Lengthening and shortening at the lines printed for it: slash and spread, or fold out, and true the edges."""

from __future__ import annotations

import math

from rowanseed.core.alter.deform import BAND, stretch
from rowanseed.core.alter.frame import Frame, frames, mouths, move
from rowanseed.core.alter.raglan import RAGLAN
from rowanseed.core.base.craft_refusals import NoPlaceFor, TooShortToShorten
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import InnerLine, LineKind

ALONG = (1.0, 0.0)
ROUND = ("armhole", "cap", "crotch")
CLEAR, LEAST_BAND = 1.0, 15.0
"""Edges are trued to no nearer than this of a piece's ends, and over no less than this to either side, in mm."""


def printed_lines(pattern: Pattern) -> tuple[str, ...]:
    """The ids of the lengthen-or-shorten lines, in the order of the pieces."""
    found = [line.id for p in pattern.pieces for line in p.lines if line.kind is LineKind.LENGTHEN_SHORTEN]
    return tuple(dict.fromkeys(found))


def line_in(frame: Frame, id: str) -> InnerLine | None:
    """A frame's lengthen-or-shorten line of this id."""
    return next((line for p in frame.pieces if (line := p.line(LineKind.LENGTHEN_SHORTEN, id)) is not None), None)


def change_at_line(pattern: Pattern, size: str, id: str, by: float) -> Pattern:
    """Lengthen (`by` > 0) or shorten every frame that has the printed line `id`, in one size.

    Raises AlterationError for a line that is not printed, or a piece too short for the change.
    """
    if id not in printed_lines(pattern):
        raise NoPlaceFor(
            f"This pattern has no line “{id}” to lengthen or shorten at.",
            f"It has {', '.join(printed_lines(pattern)) or 'none'}.",
            "at",
        )
    for frame in frames(pattern, size):
        line = line_in(frame, id)
        if line is None:
            continue
        a, b = line.ends[size]
        middle = ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
        low, _, high, _ = frame.bounds()
        # Where the line is printed near an end, edges are trued over what there is of them.
        room = min(middle[0] - low, high - middle[0]) - max(0.0, -by) / 2
        half = min(BAND, room - CLEAR, max(LEAST_BAND, _clear(frame, middle[0]) - max(0.0, -by) / 2 - CLEAR))
        if half < LEAST_BAND:
            if by < 0:
                raise TooShortToShorten(frame.pieces[0].id, size, high - low)
            half = LEAST_BAND
        field, cuts = stretch(middle, ALONG, by, half)
        pattern = move(pattern, frame, field, cuts)
    return pattern


def _clear(frame: Frame, x: float) -> float:
    """How far a line at `x` is from what is to stay as it is: curves that another piece fits, the mouths of darts."""
    runs = [run for piece in frame.pieces for run in mouths(piece, frame.size, "side")]
    for piece in frame.pieces:
        for name, chain in piece.shapes[frame.size].edges.items():
            if name in ROUND or name.startswith(RAGLAN):
                down = [p[0] for p in flatten(chain, 1.0)]
                runs.append((min(down), max(down)))
    return min((max(low - x, x - high) for low, high in runs if not low < x < high), default=math.inf)
