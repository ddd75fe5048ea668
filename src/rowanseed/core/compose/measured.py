"""Composed pieces drawn again to what a tape read on the tissue.

Each piece lies on a net of a few knots, which carries its outline. The nets of all pieces are moved as little as can
be (least squares of how much they are stretched) so that every figure that was measured is met, every seam that met
still meets, and layers that are drawn alike stay alike; figures that were not measured keep their usual value as far
as the others let them. Other sizes follow by the steps between the composed sizes. This is a Gauss-Newton solution of
a small constrained least-squares problem (a standard method of numerical analysis); lengths in mm.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from rowanseed.core.compose.description import Description, Measured, TapeLine
from rowanseed.core.compose.refusals import Refusal
from rowanseed.core.compose.tape import Dimension, dimensions, taken
from rowanseed.core.geometry.outline import Chain, Point, Segment
from rowanseed.core.pattern.making import Difference, DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Dart, LineKind, Mark, MarkKind, Piece, Shape
from rowanseed.core.pattern.seamline import line_length
from rowanseed.core.pattern.walk import EASED_IN, TOLERANCE, part_length

Array = NDArray[np.float64]
MET = 0.5
"""What was measured is met to this, in mm."""
HARD, SOFT, STILL, PINNED, ALIKE = 1e5, 1.0, 1e-4, 1e5, 1e3
"""Weights beside a stretch's 1: what is measured or sewn; usual values; staying put; folds; layers drawn alike."""
ROUNDS = 5
SAMPLES = 20
COINCIDE = 0.2
UNSURE, AT_LEAST = 0.05, 6.0
"""How far an unmeasured figure may be out: a share of it, and a least in mm (common practice, no source)."""
READ_TO = 1.0
"""What a tape on tissue is good to, in mm."""


# ---------------------------------------------------------------- one piece on its net


@dataclass(frozen=True)
class _Net:
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


# ---------------------------------------------------------------- all pieces of one size


@dataclass(frozen=True)
class _Goal:
    """A figure to be met: a sum of lengths along edges and widths at levels, each with its factor."""

    name: str
    of: tuple[tuple[str, Dimension, float], ...]
    value: float
    weight: float


@dataclass(frozen=True)
class _Sheet:
    """Every piece of a pattern in one size, on its net."""

    pattern: Pattern
    size: str

    @cached_property
    def nets(self) -> dict[str, _Net]:
        out, first = {}, 0
        for piece in self.pattern.pieces:
            out[piece.id] = net = _Net(piece, self.size, first)
            first = net.end
        return out

    @property
    def unknowns(self) -> int:
        return max(net.end for net in self.nets.values())

    def figure(self, piece: str, dimension: Dimension, u: Array) -> tuple[float, Array]:
        net = self.nets[piece]
        return net.length(dimension.edge, u) if dimension.edge else net.width(dimension.level, u)

    @cached_property
    def give(self) -> tuple[tuple[NDArray[np.intp], Array], ...]:
        """How far the nets give to a pull: (unknowns, inverse of their stiffness), a part a group of pieces.

        It costs to stretch the nets, to bend a fold, to part layers that are drawn alike.
        """
        pairs = list(_alike(self))
        parts: list[tuple[NDArray[np.intp], Array]] = []
        for ids in _together(self.nets, ((one.piece.id, other.piece.id) for (one, _), (other, _) in pairs)):
            nets = [self.nets[id] for id in ids]
            own = np.concatenate([np.arange(net.first, net.end) for net in nets])
            at = {net.piece.id: k for net, k in zip(nets, np.cumsum([0, *(2 * n.knots for n in nets)]), strict=False)}
            q = np.eye(len(own)) * STILL
            for net in nets:
                _stretch(q, net, at[net.piece.id])
                _pin(q, net, at[net.piece.id])
            for (one, a), (other, b) in pairs:
                if one.piece.id in at:
                    _tie(q, (at[one.piece.id], one.knots, a), (at[other.piece.id], other.knots, b))
            parts.append((own, np.asarray(np.linalg.inv(q), dtype=np.float64)))
        return tuple(parts)

    def given(self, rows: Array) -> Array:
        """The moves of all knots, a column a row, that each of some pulls would make by itself."""
        out = np.zeros((self.unknowns, len(rows)))
        for own, inverse in self.give:
            out[own] = inverse @ rows[:, own].T
        return out

    def value(self, goal: _Goal, u: Array) -> tuple[float, Array]:
        total, gradient = 0.0, np.zeros(self.unknowns)
        for piece, dimension, factor in goal.of:
            found, by = self.figure(piece, dimension, u)
            total += factor * found
            gradient += factor * by
        return total, gradient

    def solved(self, goals: Sequence[_Goal]) -> Array:
        """The moves of all knots that meet the goals with the least stretching."""
        u = np.zeros(self.unknowns)
        weight = np.array([goal.weight for goal in goals])
        for _ in range(ROUNDS):
            found = [self.value(goal, u) for goal in goals]
            rows = np.stack([by for _, by in found])
            missing = np.array([goal.value - value for goal, (value, _) in zip(goals, found, strict=True)])
            # As many equations as there are figures, not as there are knots.
            moves = self.given(rows)
            pulls = np.linalg.solve(np.diag(1 / weight) + rows @ moves, missing + rows @ u)
            u[:] = moves @ pulls
        return u


def _together(nets: Mapping[str, _Net], pairs: Iterable[tuple[str, str]]) -> list[list[str]]:
    """The pieces in groups, each of which hangs together by such pairs."""
    group = {piece: frozenset({piece}) for piece in nets}
    for a, b in pairs:
        both = group[a] | group[b]
        group |= dict.fromkeys(both, both)
    return [[piece for piece in nets if piece in one] for one in dict.fromkeys(group.values())]


def _tie(q: Array, one: tuple[int, int, Array], other: tuple[int, int, Array]) -> None:
    """Layers that are drawn alike move alike: (first unknown, knots, samples by knots) of each."""
    (first, knots, a), (second, more, b) = one, other
    for shift in (0, 1):
        mine = slice(first + shift * knots, first + (shift + 1) * knots)
        theirs = slice(second + shift * more, second + (shift + 1) * more)
        q[mine, mine] += ALIKE * a.T @ a
        q[theirs, theirs] += ALIKE * b.T @ b
        q[mine, theirs] -= ALIKE * a.T @ b
        q[theirs, mine] -= ALIKE * b.T @ a


def _stretch(q: Array, net: _Net, first: int) -> None:
    xs, ys = net.axes
    for i in range(len(xs)):
        for j in range(len(ys)):
            here = i * len(ys) + j
            for there in ([here + len(ys)] if i + 1 < len(xs) else []) + ([here + 1] if j + 1 < len(ys) else []):
                for shift in (0, net.knots):
                    a, b = first + shift + here, first + shift + there
                    q[a, a] += 1
                    q[b, b] += 1
                    q[a, b] -= 1
                    q[b, a] -= 1


def _pin(q: Array, net: _Net, first: int) -> None:
    """Straight edges on a fold or at the centre stay straight and where they are."""
    folds = {cut.fold for cut in net.piece.cuts if cut.fold} | {"centre", "opening"}
    xs, ys = net.axes
    for name in folds & set(net.samples):
        points = net.samples[name][0]
        for axis, (values, shift) in enumerate(((xs, 0), (ys, net.knots))):
            if np.ptp(points[:, axis]) > 0.01:
                continue
            k = int(np.argmin(np.abs(values - points[0, axis])))
            mine = (k * len(ys) + np.arange(len(ys))) if axis == 0 else (np.arange(len(xs)) * len(ys) + k)
            for knot in mine:
                q[first + shift + knot, first + shift + knot] += PINNED


def _alike(sheet: _Sheet) -> Iterator[tuple[tuple[_Net, Array], tuple[_Net, Array]]]:
    """Edges that lie on each other as they are drawn: a facing's on the garment's, a lining's on the shell's."""
    making = sheet.pattern.making
    pairs = {(layer.piece, layer.of) for layer in making.layers}
    pairs |= {(a.piece, b.piece) for join in making.joins for a in join.a for b in join.b if a.piece != b.piece}
    for one, other in pairs:
        if one not in sheet.nets or other not in sheet.nets:
            continue
        a, b = sheet.nets[one], sheet.nets[other]
        for p, move_p in a.samples.values():
            for r, move_r in b.samples.values():
                if p.shape != r.shape:
                    continue
                for way in (1, -1):
                    if np.max(np.abs(p - r[::way])) < COINCIDE:
                        yield (a, move_p), (b, move_r[::way])


def _seam(pattern: Pattern, size: str, join: Join) -> _Goal | None:
    """A join as a figure that keeps its value: one side less the other, by what it is gathered."""
    if join.align != "both":
        return None
    ratio = join.difference.amount if join.difference.kind is DifferenceKind.GATHERS else 1.0
    parts: list[tuple[str, Dimension, float]] = []
    value = 0.0
    for side, factor in ((join.a, 1.0), (join.b, -ratio)):
        for part in side:
            whole = line_length(pattern.piece(part.piece), size, part.edge)
            share = _share(pattern, size, part, whole)
            parts.append((part.piece, Dimension(part.edge, part.edge, edge=part.edge), factor * share))
            value += factor * share * whole
    return _Goal(join.name, tuple(parts), value, HARD)


def _share(pattern: Pattern, size: str, part: EdgePart, whole: float) -> float:
    return 1.0 if part.from_mark is None and part.to_mark is None else part_length(pattern, size, part) / whole


# ---------------------------------------------------------------- what was measured


def wrong(pattern: Pattern, description: Description) -> Iterator[Refusal]:
    """What of the measured figures nobody can take: pieces, dimensions, sizes that are not there; seams that differ."""
    for id, measured in description.measured.items():
        piece = next((p for p in pattern.pieces if p.id == id), None)
        if piece is None:
            pieces = ", ".join(p.id for p in pattern.pieces)
            yield Refusal(f"measured.{id}", f"This garment has no piece “{id}”; its pieces are {pieces}.")
            continue
        if measured.size not in pattern.envelope.sizes:
            yield Refusal(f"measured.{id}.size", f"There is no size {measured.size}.")
            continue
        known = {d.id: d for d in dimensions(piece)}
        for name, value in measured.dimensions.items():
            if name not in known:
                yield Refusal(f"measured.{id}.{name}", f"A {piece.name} is measured at: {', '.join(known)}.")
                continue
            usual = taken(piece, measured.size, known[name], measured.line)
            if not 0.4 * usual <= value <= 2.5 * usual:
                why = f"{known[name].words}: {value / 10:.1f} cm is far from the usual {usual / 10:.1f} cm."
                yield Refusal(f"measured.{id}.{name}", f"{why} Is it cm, or inches?")


def fitted(pattern: Pattern, measured: Mapping[str, Measured]) -> tuple[Pattern, tuple[Refusal, ...]]:
    """The pattern met to what was measured, in every size; and the seams that cannot meet then."""
    eased, apart = _disagreements(pattern, measured)
    if apart:
        return pattern, apart
    joins = tuple(eased.get(join.id, join) for join in pattern.making.joins)
    pattern = replace(pattern, making=replace(pattern.making, joins=joins))
    found = pattern
    # On the cutting line a figure depends a little on its neighbours' allowances: measured again, and met again.
    rounds = 3 if any(m.line is TapeLine.CUTTING for m in measured.values()) else 1
    missed: list[Refusal] = []
    for _ in range(rounds):
        offsets = _offsets(found, measured)
        moves = {size: _met(pattern, size, measured, offsets, eased) for size in pattern.envelope.sizes}
        found = replace(pattern, pieces=tuple(_redrawn(piece, moves) for piece in pattern.pieces))
    for id, one in measured.items():
        piece = found.piece(id)
        for dimension in dimensions(piece):
            said = one.dimensions.get(dimension.id)
            reads = taken(piece, one.size, dimension, one.line)
            if said is not None and abs(reads - said) > MET:
                why = f"{piece.name}: {dimension.words.lower()} cannot be {said / 10:.1f} cm with the other figures "
                missed.append(Refusal(f"measured.{id}.{dimension.id}", f"{why}(it comes to {reads / 10:.1f} cm)."))
    whole = {id for id, one in measured.items() if {d.id for d in dimensions(found.piece(id))} <= set(one.dimensions)}
    pieces = tuple(replace(p, approximate=p.approximate and p.id not in whole) for p in found.pieces)
    return replace(found, pieces=pieces), tuple(missed)


def _offsets(pattern: Pattern, measured: Mapping[str, Measured]) -> dict[tuple[str, str], float]:
    """What a figure on the cutting line is longer than on the stitching line, by piece and dimension."""
    out = {}
    for id, one in measured.items():
        piece = pattern.piece(id)
        for d in dimensions(piece):
            if d.id in one.dimensions:
                seam = taken(piece, one.size, d)
                out[id, d.id] = taken(piece, one.size, d, one.line) - seam
    return out


def _met(
    pattern: Pattern,
    size: str,
    measured: Mapping[str, Measured],
    offsets: Mapping[tuple[str, str], float],
    eased: Mapping[str, Join],
) -> tuple[_Sheet, Array]:
    sheet = _Sheet(pattern, size)
    goals: list[_Goal] = []
    for piece in pattern.pieces:
        one = measured.get(piece.id)
        for d in dimensions(piece):
            usual = taken(piece, size, d)
            if one is not None and d.id in one.dimensions:
                step = usual - taken(piece, one.size, d)
                value = one.dimensions[d.id] - offsets[piece.id, d.id] + step
                goals.append(_Goal(d.id, ((piece.id, d, 1.0),), value, HARD))
            else:
                goals.append(_Goal(d.id, ((piece.id, d, 1.0),), usual, SOFT))
    for join in pattern.making.joins:
        seam = _seam(pattern, size, join)
        if seam is not None:
            more = eased[join.id].difference.amount if join.id in eased else 0.0
            more = -more if join.id in eased and eased[join.id].difference.kind is DifferenceKind.STRETCH else more
            goals.append(replace(seam, value=seam.value + more))
    return sheet, sheet.solved(goals)


def _disagreements(pattern: Pattern, measured: Mapping[str, Measured]) -> tuple[dict[str, Join], tuple[Refusal, ...]]:
    """Seams whose two sides were both measured and differ: a little is eased in, more is said."""
    eased: dict[str, Join] = {}
    apart: list[Refusal] = []
    for join in pattern.making.joins:
        sides = [_said(pattern, measured, side) for side in (join.a, join.b)]
        seam = None if join.align != "both" else _seam(pattern, pattern.envelope.sizes[0], join)
        if seam is None or None in sides:
            continue
        size = next(m.size for id, m in measured.items() if id == join.a[0].piece)
        seam = _seam(pattern, size, join)
        assert seam is not None
        ratio = join.difference.amount if join.difference.kind is DifferenceKind.GATHERS else 1.0
        over = (sides[0] or 0.0) - ratio * (sides[1] or 0.0) - seam.value
        if abs(over) <= TOLERANCE / 2:
            continue
        if abs(over) <= EASED_IN and join.difference.kind is DifferenceKind.NONE:
            kind = DifferenceKind.EASE if over > 0 else DifferenceKind.STRETCH
            eased[join.id] = replace(join, difference=Difference(kind, abs(over)))
            continue
        long, short = (join.a, join.b) if over > 0 else (join.b, join.a)
        names = [" and ".join(dict.fromkeys(pattern.piece(p.piece).name for p in side)) for side in (long, short)]
        apart.append(
            Refusal(
                f"measured.{join.a[0].piece}.{join.a[0].edge}",
                f"The seam “{join.name}” does not meet: the {names[0]} is {abs(over) / 10:.1f} cm longer than the "
                f"{names[1]}. Measure both again, on the same line.",
            )
        )
    return eased, tuple(apart)


def _said(pattern: Pattern, measured: Mapping[str, Measured], side: Sequence[EdgePart]) -> float | None:
    """What was measured along one side of a join, on the stitching line; None where a part of it was not."""
    total = 0.0
    for part in side:
        one = measured.get(part.piece)
        if one is None or part.edge not in one.dimensions:
            return None
        piece = pattern.piece(part.piece)
        if not any(d.id == part.edge for d in dimensions(piece)):
            return None
        offset = _offsets(pattern, {part.piece: Measured(one.size, {part.edge: 0.0}, one.line)})[part.piece, part.edge]
        whole = line_length(piece, one.size, part.edge)
        total += (one.dimensions[part.edge] - offset) * _share(pattern, one.size, part, whole)
    return total


# ---------------------------------------------------------------- drawn again


def _redrawn(piece: Piece, moves: Mapping[str, tuple[_Sheet, Array]]) -> Piece:
    shapes: dict[str, Shape] = {}
    ratios: dict[str, dict[str, float]] = {}
    for size, (sheet, u) in moves.items():
        net = sheet.nets[piece.id]
        edges, _ = net.redrawn(u)
        (x0, y0), (x1, y1) = (net.carried(p, u) for p in piece.shapes[size].grainline)
        middle = (y0 + y1) / 2
        shapes[size] = Shape(edges, ((x0, middle), (x1, middle)))
        now = replace(piece, shapes={size: shapes[size]})
        ratios[size] = {e.name: line_length(now, size, e.name) / line_length(piece, size, e.name) for e in piece.edges}

    def each(at: Mapping[str, Point]) -> dict[str, Point]:
        return {size: moves[size][0].nets[piece.id].carried(p, moves[size][1]) for size, p in at.items()}

    ends = {
        line.id + line.kind.value: {
            size: (
                moves[size][0].nets[piece.id].carried(a, moves[size][1]),
                moves[size][0].nets[piece.id].carried(b, moves[size][1]),
            )
            for size, (a, b) in line.ends.items()
        }
        for line in piece.lines
    }
    return replace(
        piece,
        shapes=shapes,
        marks=scaled_marks(piece, ratios),
        darts=tuple(replace(dart, point=each(dart.point)) for dart in piece.darts),
        lines=tuple(replace(line, ends=ends[line.id + line.kind.value]) for line in piece.lines),
        points=tuple(replace(point, at=each(point.at)) for point in piece.points),
    )


def scaled_marks(piece: Piece, ratios: Mapping[str, Mapping[str, float]]) -> tuple[Mark, ...]:
    """Marks where they stood by the share of their edge; a dart keeps its width, a zip its length."""
    legs = {leg: dart for dart in piece.darts for leg in dart.legs}
    out = []
    for mark in piece.marks:
        if mark.kind is MarkKind.ZIP_END or mark.anchor not in ("start", "end"):
            out.append(mark)
            continue
        distance = {}
        for size, at in mark.distance.items():
            ratio = ratios[size][mark.edge]
            middle = _middle(piece, legs[mark.id], size) if mark.id in legs else at
            distance[size] = middle * ratio + (at - middle)
        out.append(replace(mark, distance=distance))
    return tuple(out)


def _middle(piece: Piece, dart: Dart, size: str) -> float:
    """Where the middle of a dart stands, from the anchor of its legs (both have one, as they are composed)."""
    first, second = (piece.mark(leg) for leg in dart.legs)
    if first.anchor == second.anchor:
        return (first.distance[size] + second.distance[size]) / 2
    return first.distance[size] + second.distance[size] / 2


# ---------------------------------------------------------------- what is not known yet


@dataclass(frozen=True)
class Unknown:
    """A figure that was not measured, and how far it alone makes the cloth uncertain: a share of the area to cut."""

    piece: str
    dimension: Dimension
    share: float


@dataclass(frozen=True)
class Certainty:
    """How well the pieces are known: how many figures are measured, and how far the cloth may be out."""

    measured: int
    all: int
    share: float
    """The area of all pieces of the main cloth is good to this share of it, one way and the other."""
    unknowns: tuple[Unknown, ...] = ()
    """What matters most first."""


def certainty(pattern: Pattern, measured: Mapping[str, Measured]) -> Certainty:
    """How far the cloth is uncertain, and by which figures: each is taken out by what an unmeasured one may be out."""
    size = next((one.size for one in measured.values()), pattern.envelope.sizes[len(pattern.envelope.sizes) // 2])
    sheet = _Sheet(pattern, size)
    still = np.zeros(sheet.unknowns)
    areas = [(net.area(still), _times(net.piece)) for net in sheet.nets.values()]
    whole = sum(area * n for (area, _), n in areas)
    gradient = sum(by * n for (_, by), n in areas)
    rows = [by for _, by in (sheet.value(goal, still) for goal in _sewn(pattern, size))]
    asked: list[tuple[str, Dimension, Array, float]] = []
    known = 0
    for piece in pattern.pieces:
        one = measured.get(piece.id)
        for d in dimensions(piece):
            value, by = sheet.figure(piece.id, d, still)
            if one is not None and d.id in one.dimensions:
                known += 1
                rows.append(by)
            else:
                asked.append((piece.id, d, by, max(AT_LEAST, UNSURE * value)))
    fixed = np.stack(rows) if rows else np.zeros((1, sheet.unknowns))
    held = sheet.given(fixed)
    found: list[Unknown] = []
    if asked and whole:
        g = np.stack([by for *_, by, _ in asked])
        free = sheet.given(g)
        answer = free - held @ np.linalg.solve(np.eye(len(fixed)) / HARD + fixed @ held, fixed @ free)
        for k, (piece_id, d, _, unsure) in enumerate(asked):
            give = float(g[k] @ answer[:, k])
            # A figure that the measured ones have fixed already gives nothing.
            more = unsure * float(gradient @ answer[:, k]) / (give + 1e-3)
            found.append(Unknown(piece_id, d, abs(more) / whole))
    found.sort(key=lambda one: -one.share)
    share = math.sqrt(sum(one.share**2 for one in found))
    return Certainty(known, known + len(asked), share, tuple(found))


def _sewn(pattern: Pattern, size: str) -> Iterator[_Goal]:
    for join in pattern.making.joins:
        seam = _seam(pattern, size, join)
        if seam is not None:
            yield seam


def _times(piece: Piece) -> int:
    """How often a piece is there in the main cloth, halves on the fold taken twice."""
    return sum(cut.count * (2 if cut.fold else 1) for cut in piece.cuts if cut.role.value == "main")
