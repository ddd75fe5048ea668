"""Where pleats stand along an edge: their fold lines, and the lines that the folds are laid on."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.sizes import Size
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.core.pattern.pleats import FOLD, MEETING, Line

Places = Sequence[tuple[float, float]]
"""Of each pleat its fold and where it is laid, in mm from the centre's end of the edge."""


@dataclass(frozen=True)
class Pleated:
    """An edge of half a garment, and what its pleats take in of it, in mm."""

    finished: float
    takes: float
    flat: float = 0.0
    """What lies flat at the centre's end: what laps there, and as much beside it."""

    def knife(self, number: int) -> Places:
        """Pleats to one side, laid away from the centre, each in the middle of its share of the edge."""
        shown, deep = self._each(number)
        begun = (self.flat + k * (shown + deep) + shown / 2 for k in range(number))
        return [(at, at + deep) for at in begun]

    def box(self, number: int) -> Places:
        """Two pleats laid away from each other about every middle, their folds a quarter of the whole apart at each
        side of it: below, they meet there."""
        shown, deep = self._each(number)
        half = min(deep / 2, shown) / 2
        middles = [self.flat + (k + 0.5) * (shown + deep) for k in range(number)]
        return [(middle + hand * half, middle + hand * (half + deep / 2)) for middle in middles for hand in (-1.0, 1.0)]

    def _each(self, number: int) -> tuple[float, float]:
        return (self.finished - self.flat) / number, self.takes / number


def at_the_centre(takes: float, centre: float) -> Places:
    """Half a box pleat, whose middle is the centre line so far along the edge; what this half takes in, in mm."""
    return [(centre + takes / 2, centre + takes * 1.5)]


def draw_pleats(
    build: Build, id: str, places: Callable[[Size], Places], line_at: Callable[[Size, float], Line]
) -> None:
    """The lines of pleats on a piece; `line_at` is the line inwards from so far along its edge."""
    number = len(places(build.figures.sizes[0]))
    for k in range(number):
        for which, end in enumerate((FOLD, MEETING)):
            build.line(
                id,
                LineKind.PLEAT,
                f"pleat-{k + 1}{end}",
                lambda size, k=k, which=which: line_at(size, places(size)[k][which]),
            )
