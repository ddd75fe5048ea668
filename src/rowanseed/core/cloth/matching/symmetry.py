"""Where a print is its own mirror image, from the lines that were measured on it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from rowanseed.core.cloth.cloth import Cloth, Stripe

ALIKE = 0.6
"""Lines that are so near to where a mirror image would have them are taken for alike, in mm: nobody sees it."""


@dataclass(frozen=True)
class Place:
    """A place of the bought repeat that can stand at a centre, in mm; `mirrors` where the print is alike both ways."""

    at: float
    words: str
    mirrors: bool


def mirror_lines(lines: Sequence[Stripe], repeat: float) -> tuple[float, ...]:
    """The places of a repeat about which its lines are their own mirror image; none where no line is known."""
    if not lines:
        return ()
    middles = [line.at + line.width / 2 for line in lines]
    first = middles[0]
    # The first line's mirror image is one of the lines: the place is half way to it, or half a repeat further.
    candidates = sorted({round(((first + m) / 2 + k * repeat / 2) % repeat, 3) for m in middles for k in (0, 1)})
    return tuple(at for at in candidates if _is_mirrored(lines, repeat, at))


def _is_mirrored(lines: Sequence[Stripe], repeat: float, at: float) -> bool:
    def finds(line: Stripe) -> bool:
        wanted = 2 * at - (line.at + line.width / 2)
        return any(
            abs(other.width - line.width) <= ALIKE
            and abs((other.at + other.width / 2 - wanted + repeat / 2) % repeat - repeat / 2) <= ALIKE
            for other in lines
        )

    return all(finds(line) for line in lines)


def places(cloth: Cloth) -> tuple[Place, ...]:
    """What can stand at the centres: the middle of each lengthwise line and of each space between two."""
    repeat, lines = cloth.repeat.across, sorted(cloth.lines.lengthwise, key=lambda line: line.at)
    if repeat is None or not lines:
        return ()
    mirrors = mirror_lines(lines, repeat)
    out = [_place(line.at + line.width / 2, f"on line {k}", repeat, mirrors) for k, line in enumerate(lines, start=1)]
    for k, (line, after) in enumerate(zip(lines, [*lines[1:], lines[0]], strict=True), start=1):
        begins, ends = line.at + line.width, after.at + (repeat if k == len(lines) else 0.0)
        words = f"between lines {k} and {k % len(lines) + 1}" if len(lines) > 1 else "between the lines"
        if ends - begins > ALIKE:
            out.append(_place((begins + ends) / 2, words, repeat, mirrors))
    return tuple(out)


def _place(at: float, words: str, repeat: float, mirrors: tuple[float, ...]) -> Place:
    near = (abs((at - mirror + repeat / 2) % repeat - repeat / 2) <= ALIKE for mirror in mirrors)
    return Place(round(at % repeat, 2), words, any(near))
