"""Darts at the waist of a skirt or of trousers: one in the middle of a half, or two where one would be too deep."""

from __future__ import annotations

from collections.abc import Callable

from rowanseed.core.compose.build import Build
from rowanseed.core.compose.sizes import Size
from rowanseed.core.geometry.outline import chain_length, point_at
from rowanseed.core.pattern.pieces import Dart, Mark, MarkKind

DEEPEST = 38.0
"""A dart that would take in more in the middle size is made two (common practice, no source)."""
SHORTER = 0.85
"""The one nearer to the side is so much shorter: the hip curves out sooner there (common practice, no source)."""


def waist_darts(
    build: Build,
    id: str,
    intake: Callable[[Size], float],
    long: Callable[[Size], float],
    laps: Callable[[Size], float] = lambda size: 0.0,
) -> None:
    """Take `intake` in at the waist of a piece, whose edge runs from the side to the centre, and on by what `laps`
    there, by darts so long."""

    def along(share: float) -> Callable[[Size], float]:
        return lambda size: share * (chain_length(build.edge(id, "waist", size)) - laps(size))

    middle = build.figures.sizes[len(build.figures.sizes) // 2]
    if intake(middle) <= DEEPEST:
        _dart(build, id, "dart", along(0.5), intake, long)
        return
    each = lambda size: intake(size) / 2  # noqa: E731
    _dart(build, id, "side-dart", along(1 / 3), each, lambda size: SHORTER * long(size))
    _dart(build, id, "centre-dart", along(2 / 3), each, long)


def _dart(
    build: Build,
    piece: str,
    id: str,
    along: Callable[[Size], float],
    intake: Callable[[Size], float],
    long: Callable[[Size], float],
) -> None:
    def leg(size: Size, k: int) -> float:
        return along(size) + (k - 0.5) * intake(size)

    legs = f"{id}-1", f"{id}-2"
    build.mark(
        piece,
        *(
            Mark(name, MarkKind.DART_LEG, "waist", "start", build.each(lambda size, k=k: leg(size, k)))
            for k, name in enumerate(legs)
        ),
    )
    points = {}
    for size in build.figures.sizes:
        points[size.name] = (long(size), point_at(build.edge(piece, "waist", size), along(size))[1])
    build.dart(piece, Dart(id, "waist", legs, points))
