"""A layout problem and a layout plan as records; their documents are described in docs/formats/layout.md.

All lengths are millimetres, all angles degrees counter-clockwise. In the cloth frame x runs along the
lengthwise grain and y across; in the piece frame the grainline is parallel to x.
"""

from __future__ import annotations

import math
from collections.abc import Collection, Sequence
from dataclasses import dataclass, field
from functools import cached_property, lru_cache

from rowanseed.core.base.words import Worded
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds, signed_area, unfold
from rowanseed.core.pattern.pieces import Grain

THEN = " then "
"""Joins the names of the lays of a plan in several stretches."""


class LayKind(Worded):
    """How a stretch of cloth is laid."""

    OPEN = "open"
    FOLDED = "folded"
    TWO_FOLDS = "two-folds", "two-folds"
    PART_FOLDED = "part-folded", "part-folded"


_TRIED = {
    LayKind.OPEN: "open, in one layer",
    LayKind.FOLDED: "folded",
    LayKind.TWO_FOLDS: "both edges folded to the middle",
    LayKind.PART_FOLDED: "folded as deep as the widest fold piece",
}


@dataclass(frozen=True)
class LayCloth:
    """The cloth as it lies: `length` None means as little as possible; repeats of the print, if any."""

    width: float
    length: float | None
    selvedge: float
    one_way: bool
    repeat_x: float | None = None
    repeat_y: float | None = None


@dataclass(frozen=True)
class OnLine:
    """A point of a piece (`at`, piece frame) that has to stand on the line `y` of the open cloth."""

    at: Point
    y: float


@dataclass(frozen=True)
class Motif:
    """A point of a piece (`at`, piece frame) that has to stand on one of these places of the open cloth."""

    at: Point
    places: tuple[Point, ...]


@dataclass(frozen=True)
class LayPiece:
    """What has to be cut: `cut` finished pieces of this outline, on the edge `fold` if it is set."""

    id: str
    outline: tuple[Point, ...]
    cut: int
    pair: bool
    fold: tuple[Point, Point] | None
    grain: Grain
    selvedge: tuple[Point, Point] | None = None
    """A straight edge along the grain that has to lie along the selvedge's inner side."""
    border: OnLine | None = None
    motif: Motif | None = None
    one_way: bool = False
    """Whether it points as the tissue does even on cloth that has no way up."""
    slants: tuple[int, ...] = ()
    """Of a piece on the bias: the turns it may lie in as drawn; mirrored it slants the other way. Empty: any."""

    def turns(self, cloth: LayCloth, *, mirrored: bool) -> tuple[int, ...]:
        """The turns that its grain, its cloth's direction and what it is matched to allow."""
        every = turns(self.grain, cloth.one_way or self.one_way)
        hand = -1 if mirrored and not is_own_mirror_image(self) else 1
        return tuple(turn for turn in every if not self.slants or hand * turn % 360 in self.slants)

    def __hash__(self) -> int:
        return self._hash

    @cached_property
    def _hash(self) -> int:
        return hash((self.outline, self.cut, self.pair))

    def whole(self) -> tuple[Point, ...]:
        """The finished outline: unfolded where there is a fold."""
        return self.outline if self.fold is None else tuple(unfold(self.outline, self.fold))

    @property
    def area(self) -> float:
        """Area of one finished piece, in mm²."""
        return abs(signed_area(self.outline)) * (2 if self.fold else 1)


@dataclass(frozen=True)
class MatchPoint:
    piece: str
    at: Point


@dataclass(frozen=True)
class Match:
    """The print stands at the same place of its repeat at all these points."""

    axis: str
    points: tuple[MatchPoint, ...]
    phase: float | None = None
    upright: bool = field(default=False, compare=False)
    """Whether it holds only where its pieces all point as the tissue does; a problem says so of the pieces."""
    slants: tuple[tuple[str, tuple[int, ...]], ...] = field(default=(), compare=False)
    """The turns in which pieces on the bias have to lie for it, as drawn; a problem says so of the pieces."""


@dataclass(frozen=True)
class Pin:
    """A placement that stays where the sewist put it: the lay it is in, and how and where it lies."""

    lay: LayKind
    piece: str
    turn: float
    mirrored: bool
    whole: bool
    at: Point


@dataclass(frozen=True)
class Problem:
    name: str
    cloth: LayCloth
    gap: float
    lays: tuple[LayKind, ...]
    pieces: tuple[LayPiece, ...]
    matches: tuple[Match, ...] = ()
    pins: tuple[Pin, ...] = ()
    forbidden: tuple[tuple[Point, ...], ...] = ()
    """Patches of the open cloth that nothing may touch: flaws, holes, what is gone from a remainder."""
    notes: tuple[str, ...] = field(default=(), compare=False)
    """What was done to the document in reading it, in words."""

    @property
    def is_bound_along(self) -> bool:
        """Whether it matters how far from the cloth's start a piece lies; then the cloth is one stretch."""
        matched = self.cloth.repeat_x is not None and any(m.axis == "x" for m in self.matches)
        return matched or bool(self.forbidden) or any(p.motif for p in self.pieces)

    def piece(self, id: str) -> LayPiece:
        return next(piece for piece in self.pieces if piece.id == id)


@dataclass(frozen=True)
class Placement:
    """Where a piece lies in its stretch: mirrored in y, turned, then moved by `at`."""

    piece: str
    turn: float
    mirrored: bool
    whole: bool
    at: Point
    outline: tuple[Point, ...]

    @cached_property
    def box(self) -> tuple[float, float, float, float]:
        """(least x, least y, greatest x, greatest y) of the outline."""
        return bounds(self.outline)

    def __hash__(self) -> int:
        return self._hash

    @cached_property
    def _hash(self) -> int:
        # Looked up piece by piece at every change. Numbers only: words hash unlike in the processes it is sent to.
        return hash((self.turn, self.mirrored, self.whole, self.at))


@dataclass(frozen=True)
class Stretch:
    """A length of cloth laid one way, from `start` to `end` along the cloth."""

    lay: LayKind
    depth: float | None
    start: float
    end: float
    placements: tuple[Placement, ...]


@dataclass(frozen=True)
class Plan:
    length: float
    stretches: tuple[Stretch, ...]

    def density(self, problem: Problem) -> float:
        """Area of the finished pieces over the usable cloth of the plan's length."""
        area = sum(piece.area * piece.cut for piece in problem.pieces)
        return area / (self.length * (problem.cloth.width - 2 * problem.cloth.selvedge))


def laid(plan: Plan) -> str:
    """How a plan lays the cloth, by name: `folded`, `open`, `folded then open`."""
    return THEN.join(stretch.lay.value for stretch in plan.stretches)


def tried(lays: Collection[LayKind]) -> str:
    """In words, every way a search lays the cloth that may lie so: where it may be folded or open, also one by one."""
    ways = [_TRIED[kind] for kind in LayKind if kind in lays]
    if {LayKind.FOLDED, LayKind.OPEN} <= set(lays):
        ways.append("folded then opened out")
    return ", ".join(ways[:-1]) + " and " * (len(ways) > 1) + ways[-1]


def turns(grain: Grain, one_way: bool) -> tuple[int, ...]:
    """The turns a grain allows; on one-way cloth those that point as turn 0 does."""
    every = {
        Grain.LENGTHWISE: (0, 180),
        Grain.CROSSWISE: (90, 270),
        Grain.EITHER: (0, 90, 180, 270),
        Grain.BIAS: (45, 135, 225, 315),
    }[grain]
    if not one_way:
        return every
    return {Grain.LENGTHWISE: (0,), Grain.CROSSWISE: (90,), Grain.EITHER: (0, 90), Grain.BIAS: (45,)}[grain]


def moved(points: Sequence[Point], turn: float, mirrored: bool, at: Point = (0.0, 0.0)) -> tuple[Point, ...]:
    """Points mirrored in y if `mirrored`, turned about the origin, then moved by `at`."""
    exact = {0: (1.0, 0.0), 90: (0.0, 1.0), 180: (-1.0, 0.0), 270: (0.0, -1.0)}
    angle = math.radians(turn)
    cos, sin = exact.get(int(turn) % 360 if turn == int(turn) else -1, (math.cos(angle), math.sin(angle)))
    hand = -1.0 if mirrored else 1.0
    return tuple((x * cos - hand * y * sin + at[0], x * sin + hand * y * cos + at[1]) for x, y in points)


@lru_cache(maxsize=512)
def is_own_mirror_image(piece: LayPiece, tolerance: float = 0.5) -> bool:
    """Whether the finished piece equals its mirror image (mirror line along x or along y).

    Compared vertex by vertex: each mirrored vertex has to meet one of the outline.
    """
    if piece.fold is not None:
        return True
    left, low, right, high = bounds(piece.outline)
    across = [(x, low + high - y) for x, y in piece.outline]
    along = [(left + right - x, y) for x, y in piece.outline]
    return any(
        all(any(math.dist(p, q) <= tolerance for q in piece.outline) for p in mirrored) for mirrored in (across, along)
    )


def bounds_width(piece: LayPiece) -> float:
    """How wide a piece as drawn is across the grain, in mm."""
    _, low, _, high = bounds(piece.outline)
    return high - low


def wanted_hands(piece: LayPiece) -> tuple[int, int]:
    """How many pieces are needed as drawn and mirrored; all count as drawn where hands are alike."""
    mirrored = piece.cut // 2 if piece.pair and not is_own_mirror_image(piece) else 0
    return piece.cut - mirrored, mirrored
