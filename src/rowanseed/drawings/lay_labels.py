"""Where a piece's words stand in a lay: inside their piece, across no line, along it where it lies across the cloth."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from shapely.geometry import LineString, Polygon, box
from shapely.prepared import prep

WIDTH_OF_A_LETTER = 0.54
"""Mean width of a letter as a share of its size."""
BOLD = 0.59
"""The same of a bold letter: names are bold."""
UP, DOWN = 0.8, 0.2
"""How far letters reach above their base and below it, as shares of their size."""
SIZES = (1.3, 1.15, 1.0, 0.86, 0.72)
"""Sizes of a name, the largest that fits is taken, in the lettering's height."""


@dataclass(frozen=True)
class Words:
    """A line of words: where the middle of its base stands, how large, written upwards or not."""

    text: str
    x: float
    y: float
    size: float
    upright: bool = False
    wide: float = BOLD

    @property
    def room(self) -> Polygon:
        """The box that they take up."""
        half = self.wide * len(self.text) * self.size / 2
        if self.upright:
            return box(self.x - UP * self.size, self.y - half, self.x + DOWN * self.size, self.y + half)
        return box(self.x - half, self.y - UP * self.size, self.x + half, self.y + DOWN * self.size)


def named(shape: Polygon, names: Sequence[str], letter: float, grain_y: float | None) -> Words:
    """A piece's name: the first of `names`, from the longest to the shortest, that has room, as large as fits.

    `grain_y` is the height of its grainline, which it does not cross. Where nothing has room, the shortest at its
    smallest, in the piece's middle.
    """
    left, low, right, high = shape.bounds
    inside = prep(shape)
    upright = high - low > 1.7 * (right - left)
    for text in names:
        for share in SIZES:
            for words in _places(shape, text, share * letter, letter, grain_y, upright=upright):
                if inside.contains(words.room):
                    return words
    x, y = shape.representative_point().coords[0]
    return Words(names[-1], x, y + 0.3 * letter * SIZES[-1], letter * SIZES[-1])


def beneath(shape: Polygon, text: str, letter: float, name: Words, grain_y: float | None) -> Words | None:
    """A second line below the name or the grainline; None where it has no room."""
    if name.upright:
        return None
    below = max(grain_y or name.y, name.y) + letter * 1.15
    for y in (below, below + 0.5 * letter):
        for x in _middles(shape, y - UP * letter, y + DOWN * letter):
            words = Words(text, x, y, letter * 0.95, wide=WIDTH_OF_A_LETTER)
            if shape.contains(words.room) and not words.room.intersects(name.room):
                return words
    return None


def _places(
    shape: Polygon, text: str, size: float, letter: float, grain_y: float | None, *, upright: bool
) -> Iterator[Words]:
    """Where a line may stand without crossing the grainline, the nearest to it first."""
    _, low, _, high = shape.bounds
    clear = 0.25 * letter
    if upright:
        half = BOLD * len(text) * size / 2
        spans = [(low, high)] if grain_y is None else [(low, grain_y - clear), (grain_y + clear, high)]
        for a, b in sorted(spans, key=lambda span: span[0] - span[1]):
            if b - a >= 2 * half:
                for share in (0.5, 0.35, 0.65, 0.2, 0.8):
                    y = a + half + share * (b - a - 2 * half)
                    for x in _middles(shape, y - half, y + half):
                        yield Words(text, x + (UP - DOWN) / 2 * size, y, size, upright=True)
        return
    middle = (low + high) / 2 if grain_y is None else grain_y
    steps = [middle + (UP - DOWN) / 2 * size] if grain_y is None else []
    above, below = middle - clear - DOWN * size, middle + clear + UP * size
    for k in range(6):
        steps += [above - 0.6 * k * letter, below + 0.6 * k * letter]
    for y in steps:
        if low <= y - UP * size and y + DOWN * size <= high:
            for x in _middles(shape, y - UP * size, y + DOWN * size):
                yield Words(text, x, y, size)


def _middles(shape: Polygon, top: float, low: float) -> Iterator[float]:
    """Where something that reaches from one height to another may stand across: in the middle of the widest run common
    to both."""
    runs = [_widest(shape, y) for y in (top, (top + low) / 2, low)]
    if all(run is not None for run in runs):
        a, b = max(run[0] for run in runs if run), min(run[1] for run in runs if run)
        if b > a:
            yield (a + b) / 2


def _widest(shape: Polygon, y: float) -> tuple[float, float] | None:
    """The widest run of a shape at a height."""
    left, _, right, _ = shape.bounds
    crossing = LineString([(left - 1, y), (right + 1, y)]).intersection(shape)
    runs = [part for part in getattr(crossing, "geoms", [crossing]) if not part.is_empty]
    if not runs:
        return None
    widest = max(runs, key=lambda part: part.length)
    return widest.bounds[0], widest.bounds[2]
