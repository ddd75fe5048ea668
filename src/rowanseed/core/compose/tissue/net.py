"""One piece in one size on its net of knots: how long its edges are, how wide it is, as the knots move."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from rowanseed.core.geometry.outline import Chain, Point, Segment
from rowanseed.core.pattern.pieces import LineKind, Piece

Array = NDArray[np.float64]
SAMPLES = 20
"""An edge is followed by so many steps a segment."""


@dataclass(frozen=True)
class Net:
    """A piece in one size, and the knots that carry it. Its unknowns are the moves of the knots: x of all, then y."""

    piece: Piece
    size: str
    first: int
    """Where its unknowns begin among those of all pieces."""

    @cached_property
    def controls(self) -> list[Point]:
        return [p for _, segment in self._segments() for p in _own(segment)]

    def _segments(self) -> Iterator[tuple[str, Segment]]:
        for name, chain in self.piece.shapes[self.size].edges.items():
            for segment in chain:
                yield name, segment

    @cached_property
    def axes(self) -> tuple[Array, Array]:
        """Where the knots lie: at the ends, at the levels of the body, at the centre line and half-way across."""
        xs, ys = (sorted({round(p[k], 6) for p in self.controls}) for k in (0, 1))
        levels = [line.ends[self.size][0][0] for line in self.piece.lines if line.kind is LineKind.LEVEL]
        middle = [0.0] if ys[0] < 0 < ys[-1] else []
        return _spread(xs[0], xs[-1], levels), _spread(ys[0], ys[-1], middle)

    @property
    def knots(self) -> int:
        xs, ys = self.axes
        return len(xs) * len(ys)

    @property
    def end(self) -> int:
        return self.first + 2 * self.knots

    def weights(self, points: Sequence[Point]) -> Array:
        """How each knot moves each point: (points × knots), bilinear within a mesh."""
        xs, ys = self.axes
        out = np.zeros((len(points), self.knots))
        for row, (x, y) in enumerate(points):
            i, s = _within(xs, x)
            j, t = _within(ys, y)
            for di, wx in ((0, 1 - s), (1, s)):
                for dj, wy in ((0, 1 - t), (1, t)):
                    out[row, (i + di) * len(ys) + j + dj] += wx * wy
        return out

    @cached_property
    def by_controls(self) -> Array:
        return self.weights(self.controls)

    @cached_property
    def samples(self) -> dict[str, tuple[Array, Array]]:
        """For each edge: its points as they lie (n × 2), and how the knots move them (n × knots)."""
        found: dict[str, tuple[list[Array], list[Array]]] = {}
        at = 0
        controls = np.array(self.controls)
        for name, segment in self._segments():
            own = len(_own(segment))
            basis = _BEZIER if own == 4 else _LINE
            points, moves = found.setdefault(name, ([], []))
            points.append(basis @ controls[at : at + own])
            moves.append(basis @ self.by_controls[at : at + own])
            at += own
        return {name: (np.vstack(points), np.vstack(moves)) for name, (points, moves) in found.items()}

    def place(self, point: Point) -> tuple[Array, Array]:
        """A point of the piece: where it lies, and how the knots move it; a point of the outline stays on it."""
        best = min(
            ((float(np.min(np.hypot(*(p - point).T))), name) for name, (p, _) in self.samples.items()),
            default=(math.inf, ""),
        )
        if best[0] > 3.0:
            return np.array(point), self.weights([point])[0]
        points, moves = self.samples[best[1]]
        share, k = _nearest(points, np.array(point))
        found = (1 - share) * points[k] + share * points[k + 1]
        return found, (1 - share) * moves[k] + share * moves[k + 1]

    def moved(self, u: Array) -> tuple[Array, Array]:
        """The moves of the knots of this piece among those of all."""
        own = u[self.first : self.end]
        return own[: self.knots], own[self.knots :]

    def length(self, edge: str, u: Array) -> tuple[float, Array]:
        """Length of an edge when the knots have moved, and its gradient."""
        points, moves = self.samples[edge]
        mx, my = self.moved(u)
        now = points + np.stack([moves @ mx, moves @ my], axis=1)
        steps, by = np.diff(now, axis=0), np.diff(moves, axis=0)
        longs: Array = np.hypot(steps[:, 0], steps[:, 1])
        along = steps / np.where(longs > 1e-9, longs, 1.0)[:, None]
        return float(longs.sum()), self._wide(along[:, 0] @ by, along[:, 1] @ by, len(u))

    def width(self, level: str, u: Array) -> tuple[float, Array]:
        """Width at a level when the knots have moved, and its gradient."""
        line = self.piece.line(LineKind.LEVEL, level)
        assert line is not None
        (a, move_a), (b, move_b) = (self.place(p) for p in line.ends[self.size])
        mx, my = self.moved(u)
        by = move_b - move_a
        step = b - a + np.array([by @ mx, by @ my])
        long = float(np.hypot(*step))
        along = step / long
        return long, self._wide(along[0] * by, along[1] * by, len(u))

    def _wide(self, x: Array, y: Array, n: int) -> Array:
        out = np.zeros(n)
        out[self.first : self.first + self.knots] = x
        out[self.first + self.knots : self.end] = y
        return out

    def area(self, u: Array) -> tuple[float, Array]:
        """Area within the outline, in mm², and its gradient (the shoelace formula)."""
        points = np.vstack([p for p, _ in self.samples.values()])
        moves = np.vstack([m for _, m in self.samples.values()])
        mx, my = self.moved(u)
        x, y = points[:, 0] + moves @ mx, points[:, 1] + moves @ my
        ahead, behind = np.roll(np.arange(len(x)), -1), np.roll(np.arange(len(x)), 1)
        whole = float(np.sum(x * y[ahead] - x[ahead] * y) / 2)
        return whole, self._wide((y[ahead] - y[behind]) / 2 @ moves, (x[behind] - x[ahead]) / 2 @ moves, len(u))

    def redrawn(self, u: Array) -> tuple[dict[str, Chain], Array]:
        """The edges when the knots have moved."""
        mx, my = self.moved(u)
        now = np.array(self.controls) + np.stack([self.by_controls @ mx, self.by_controls @ my], axis=1)
        edges: dict[str, list[Segment]] = {}
        at = 0
        for name, segment in self._segments():
            own = len(_own(segment))
            p = [(float(x), float(y)) for x, y in now[at : at + own]]
            made = Segment(p[0], p[-1]) if own == 2 else Segment(p[0], p[3], p[1], p[2])
            edges.setdefault(name, []).append(made)
            at += own
        return _closed({name: tuple(chain) for name, chain in edges.items()}), now

    def carried(self, point: Point, u: Array) -> Point:
        at, by = self.place(point)
        mx, my = self.moved(u)
        return (float(at[0] + by @ mx), float(at[1] + by @ my))


def _own(segment: Segment) -> tuple[Point, ...]:
    return segment.points() if segment.is_curve else (segment.start, segment.end)


def _closed(edges: dict[str, Chain]) -> dict[str, Chain]:
    """Segments that begin exactly where the one before them ends."""
    whole = [(name, s) for name, chain in edges.items() for s in chain]
    out: dict[str, list[Segment]] = {}
    for k, (name, segment) in enumerate(whole):
        out.setdefault(name, []).append(replace(segment, start=whole[k - 1][1].end))
    return {name: tuple(chain) for name, chain in out.items()}


_T = np.linspace(0.0, 1.0, SAMPLES + 1)
_BEZIER = np.stack([(1 - _T) ** 3, 3 * (1 - _T) ** 2 * _T, 3 * (1 - _T) * _T**2, _T**3], axis=1)
_LINE = np.array([[1.0, 0.0], [0.0, 1.0]])


def _spread(low: float, high: float, inner: Sequence[float]) -> Array:
    """Knots from end to end, at the inner places, and half-way through every wide mesh."""
    room = (high - low) / 12
    found = [low, *sorted(p for p in inner if low + room < p < high - room), high]
    out = [found[0]]
    for p in found[1:]:
        if p - out[-1] > (high - low) / 2.2:
            out.append((p + out[-1]) / 2)
        if p - out[-1] > 1e-6:
            out.append(p)
    return np.array(out if len(out) > 1 else [low, low + 1.0])


def _within(axis: Array, at: float) -> tuple[int, float]:
    k = int(np.clip(np.searchsorted(axis, at) - 1, 0, len(axis) - 2))
    return k, float((at - axis[k]) / (axis[k + 1] - axis[k]))


def _nearest(points: Array, to: Array) -> tuple[float, int]:
    """The place on a polyline nearest to a point: the share of a step, and which step."""
    a, step = points[:-1], np.diff(points, axis=0)
    square = np.maximum(np.sum(step**2, axis=1), 1e-12)
    share = np.clip(np.sum((to - a) * step, axis=1) / square, 0.0, 1.0)
    far = np.hypot(*(a + share[:, None] * step - to).T)
    k = int(np.argmin(far))
    return float(share[k]), k
