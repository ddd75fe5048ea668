"""Places for the numbers of a section, clear of its lines and of each other."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise
from typing import assert_never

from shapely.geometry import LineString, Polygon, box
from shapely.geometry import Point as Dot
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.geometry.outline import Point
from rowanseed.drawings.steps.scene import THICK, Arrow, Part, Row, Scene, Sheet, Thing

BADGE = 8.5


CLEAR = 2.0


DISTANCES = (17.0, 26.0, 37.0, 50.0, 66.0)


DIRECTIONS = 16


def solid(part: Part) -> BaseGeometry:
    """What a number may not lie on."""
    match part:
        case Sheet():
            return part.line.buffer(THICK / 2 + 1, quad_segs=2)
        case Row(start=a, end=b) | Arrow(start=a, end=b):
            return LineString([a, b]).buffer(2.5, quad_segs=2)
        case Thing(at=(x, y), size=(w, h)):
            return box(x - w / 2, y - h / 2, x + w / 2, y + h / 2)
        case _:
            assert_never(part)


def _anchors(part: Part) -> Iterator[Point]:
    """Where on a part its number may point to, the best first."""
    match part:
        case Sheet(points=points):
            longest = max(pairwise(points), key=lambda ab: math.dist(*ab))
            yield points[0]
            yield ((longest[0][0] + longest[1][0]) / 2, (longest[0][1] + longest[1][1]) / 2)
            yield points[-1]
        case Row(start=a, end=b):
            yield a
            yield b
        case Arrow(start=a, end=b, both=both):
            yield ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2) if both else a
            yield b
        case Thing(at=at):
            yield at
        case _:
            assert_never(part)


@dataclass(frozen=True)
class Badge:
    """A number's place, and the point it speaks of."""

    number: int
    at: Point
    of: Point


@lru_cache(maxsize=512)
def badges(scene: Scene) -> tuple[Badge, ...]:
    """A place for every number, clear of all parts, of each other and of each other's leaders."""
    solids = [solid(part) for part in scene.parts]
    whole = unary_union(solids)
    taken: list[BaseGeometry] = []
    out = []
    for k, name in enumerate(scene.names, start=1):
        owners = [n for n, part in enumerate(scene.parts) if part.name == name]
        badge = _place(k, scene, owners, solids, whole, taken)
        taken += [Dot(badge.at).buffer(BADGE, quad_segs=4), LineString([badge.of, badge.at])]
        out.append(badge)
    return tuple(out)


@dataclass(frozen=True)
class _Candidate:
    """A place for a number, before it is known whether it is free: the less it is worth, the better."""

    worth: float
    owner: int
    of: Point
    at: Point


def _candidates(scene: Scene, owners: Sequence[int]) -> list[_Candidate]:
    """Places round every point that a number may speak of, near and straight ones first."""
    found = []
    for owner in owners:
        for rank, (x, y) in enumerate(_anchors(scene.parts[owner])):
            for near, distance in enumerate(DISTANCES):
                for turn in range(DIRECTIONS):
                    angle = 2 * math.pi * turn / DIRECTIONS
                    at = (x + distance * math.cos(angle), y + distance * math.sin(angle))
                    worth = near * 2 + rank * 1.5 + (0.0 if turn % 4 == 0 else 0.3)
                    found.append(_Candidate(worth, owner, (x, y), at))
    return sorted(found, key=lambda one: one.worth)


def _place(
    k: int,
    scene: Scene,
    owners: Sequence[int],
    solids: Sequence[BaseGeometry],
    whole: BaseGeometry,
    taken: Sequence[BaseGeometry],
) -> Badge:
    """The best free place; a leader that crosses other parts counts against it."""
    best: tuple[float, Badge] | None = None
    for one in _candidates(scene, owners):
        if best is not None and one.worth >= best[0]:
            break
        dot = Dot(one.at)
        if whole.distance(dot) < BADGE + CLEAR or any(t.distance(dot) < BADGE + CLEAR for t in taken):
            continue
        leader = LineString([one.of, one.at])
        crossed = sum(leader.intersects(solid) for n, solid in enumerate(solids) if n != one.owner)
        worth = one.worth + 10 * crossed + 20 * sum(leader.intersects(t) for t in taken)
        if best is None or worth < best[0]:
            best = (worth, Badge(k, one.at, one.of))
    if best is not None:
        return best[1]
    x, y = next(_anchors(scene.parts[owners[0]]))
    low = whole.bounds[3] + 2 * BADGE * (1 + len(taken) / 2)
    return Badge(k, (x, low), (x, y))


def overlaps(scene: Scene) -> tuple[str, ...]:
    """Numbers that lie on a line or on each other, in words; none in a good scene."""
    places = badges(scene)
    discs: list[Polygon] = [Dot(badge.at).buffer(BADGE) for badge in places]
    said = [
        f"{badge.number} lies on “{part.name}”"
        for badge, disc in zip(places, discs, strict=True)
        for part in scene.parts
        if disc.intersects(solid(part))
    ]
    said += [
        f"{a.number} lies on {b.number}"
        for (a, one), (b, other) in pairwise(zip(places, discs, strict=True))
        if one.intersects(other)
    ]
    return tuple(said)
