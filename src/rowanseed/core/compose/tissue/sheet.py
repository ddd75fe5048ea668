"""All pieces of a pattern in one size, each on its net: moved as little as can be to meet what is asked of them."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from rowanseed.core.compose.tape import Dimension
from rowanseed.core.compose.tissue.net import Array, Net
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.seamline import line_length
from rowanseed.core.pattern.walk import part_length

SEWN, HARD, SOFT, STILL, PINNED, ALIKE = 1e7, 1e5, 1.0, 1e-4, 1e8, 1e3
"""Weights beside a stretch's 1: seams; what is measured; usual values; staying put; folds; layers drawn alike.

Where figures contradict each other they give way before a seam does, and a seam before a fold.
"""
ROUNDS = 20
FAR = 25.0
"""No knot moves by more than this at once, in mm: further off the equations are no longer true."""
STILL_ENOUGH = 0.005
"""Solved when no knot moves by more than this any more, in mm."""
COINCIDE = 0.2


@dataclass(frozen=True)
class Goal:
    """A figure to be met: a sum of lengths along edges and widths at levels, each with its factor."""

    name: str
    of: tuple[tuple[str, Dimension, float], ...]
    value: float
    weight: float


@dataclass(frozen=True)
class Sheet:
    """Every piece of a pattern in one size, on its net."""

    pattern: Pattern
    size: str

    @cached_property
    def nets(self) -> dict[str, Net]:
        out, first = {}, 0
        for piece in self.pattern.pieces:
            out[piece.id] = net = Net(piece, self.size, first)
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

    def value(self, goal: Goal, u: Array) -> tuple[float, Array]:
        total, gradient = 0.0, np.zeros(self.unknowns)
        for piece, dimension, factor in goal.of:
            found, by = self.figure(piece, dimension, u)
            total += factor * found
            gradient += factor * by
        return total, gradient

    def solved(self, goals: Sequence[Goal]) -> Array:
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
            step = moves @ pulls - u
            far = float(np.max(np.abs(step)))
            u += step if far < FAR else step * (FAR / far)
            if far < STILL_ENOUGH:
                break
        return u


def _together(nets: Mapping[str, Net], pairs: Iterable[tuple[str, str]]) -> list[list[str]]:
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


def _stretch(q: Array, net: Net, first: int) -> None:
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


def _pin(q: Array, net: Net, first: int) -> None:
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


def _alike(sheet: Sheet) -> Iterator[tuple[tuple[Net, Array], tuple[Net, Array]]]:
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


def seam_goal(pattern: Pattern, size: str, join: Join) -> Goal | None:
    """A join as a figure that keeps its value: one side less the other, by what it is gathered."""
    if join.align != "both":
        return None
    ratio = join.difference.amount if join.difference.kind is DifferenceKind.GATHERS else 1.0
    parts: list[tuple[str, Dimension, float]] = []
    value = 0.0
    for side, factor in ((join.a, 1.0), (join.b, -ratio)):
        for part in side:
            whole = line_length(pattern.piece(part.piece), size, part.edge)
            share = share_of(pattern, size, part, whole)
            parts.append((part.piece, Dimension(part.edge, part.edge, edge=part.edge), factor * share))
            value += factor * share * whole
    return Goal(join.name, tuple(parts), value, SEWN)


def share_of(pattern: Pattern, size: str, part: EdgePart, whole: float) -> float:
    return 1.0 if part.from_mark is None and part.to_mark is None else part_length(pattern, size, part) / whole
