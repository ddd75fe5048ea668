"""The ways pieces may lie, reduced to few shapes: an outline and its mirror images share their tables.

A lying piece is a *base* outline, centred on its bounding box, flipped along x (`sx` = -1), along y
(`sy` = -1), both (a half turn) or not at all.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field

from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.problem import moved

FLIPS: tuple[tuple[int, int], ...] = ((1, 1), (-1, -1), (1, -1), (-1, 1))
SAME = 0.02
"""Vertices this near, in mm, are the same when two outlines are compared."""


@dataclass(frozen=True)
class Pose:
    """An outline as it lies: its base, its flips, its half extents, and the shift from the frame's origin.

    A piece moved by `at` in the plan has its centre at `at + centre`.
    """

    base: int
    sx: int
    sy: int
    half: Point
    centre: Point


@dataclass
class ShapeSet:
    """Collects base outlines; equal ones (up to a flip) are kept once."""

    bases: list[tuple[Point, ...]] = field(default_factory=list)
    _known: dict[frozenset[Point], tuple[int, int, int]] = field(default_factory=dict)
    _used: set[tuple[int, int]] = field(default_factory=set)

    def add(self, outline: Sequence[Point], turn: float, mirrored: bool) -> Pose:
        """Register an outline turned and mirrored as a placement says."""
        points = moved(outline, turn, mirrored)
        left, low, right, high = bounds(points)
        centre = ((left + right) / 2, (low + high) / 2)
        centred = tuple((x - centre[0], y - centre[1]) for x, y in points)
        half = ((right - left) / 2, (high - low) / 2)
        found = self._known.get(outline_key(centred, 1, 1))
        if found is None:
            base = len(self.bases)
            self.bases.append(centred)
            # The plain flip comes last, so that it wins where a shape is its own mirror image.
            for sx, sy in reversed(FLIPS):
                self._known[outline_key(centred, sx, sy)] = (base, sx, sy)
            found = (base, 1, 1)
        self._used.add(found[1:])
        return Pose(*found, half, centre)

    def flips_used(self) -> set[tuple[int, int]]:
        """The flips in which any outline lies."""
        return set(self._used)


def outline_key(points: tuple[Point, ...], sx: int, sy: int) -> frozenset[Point]:
    return frozenset((round(sx * x / SAME) * 1.0, round(sy * y / SAME) * 1.0) for x, y in points)
