"""How the print comes together at the seams of a garment, once it is cut as a lay has it."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass, replace

from rowanseed.core.cloth.cloth import Cloth
from rowanseed.core.cloth.matching import below, meeting, runs_along
from rowanseed.core.cloth.matching.kinds.chevrons import meets_in_a_v
from rowanseed.core.cloth.matching.symmetry import mirror_lines
from rowanseed.core.geometry.outline import Point, chain_length, point_at
from rowanseed.core.lay.folding import ClothLayer, layers_of, regions
from rowanseed.core.lay.problem import Placement, Plan, Problem, moved
from rowanseed.core.pattern.joined import runs_against
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.opened_out import OTHER_HAND
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Grain, Panel

STEPS = 12
"""A seam of the bias is looked at at so many places."""
SHOWN = (Panel.FRONT, Panel.BACK, Panel.SLEEVE)


@dataclass(frozen=True)
class OnCloth:
    """A piece as it lies on one layer of the open cloth; `over` is a whole piece's fold line, for its other half."""

    laid: Placement
    start: float
    layer: ClothLayer
    over: float | None = None

    @property
    def is_mirrored(self) -> bool:
        """Whether the piece that is cut here is the other hand of the one that is drawn."""
        return (self.laid.mirrored is not (self.layer.way < 0)) is not (self.over is not None)

    def at(self, p: Point) -> Point:
        """A point of the piece on the open cloth, right side up: along it, and across it from the lower selvedge."""
        here = p if self.over is None else (p[0], 2 * self.over - p[1])
        ((x, y),) = moved((here,), self.laid.turn, self.laid.mirrored, self.laid.at)
        return (self.start + x, self.layer.on_cloth(y))


@dataclass(frozen=True)
class SewnSeam:
    """A seam with its two pieces as they lie; `off` is how far the print misses there, in mm along the cloth.

    None where nothing repeats along the cloth. `off_v` is the same for lengthwise lines that could meet in a V there,
    across the cloth: not where one piece is turned end for end. `mirrored`: the first piece is the other hand of the
    one drawn.
    """

    join: Join
    a: OnCloth
    b: OnCloth
    mirrored: bool
    off: float | None
    off_v: float | None = None
    on_bias: bool = False
    """Whether both pieces lie at 45° to the print: what meets there meets where they slant as mirror images."""


def sewn_seams(pattern: Pattern, size: str, problem: Problem, plan: Plan, cloth: Cloth) -> Iterator[SewnSeam]:
    """The seams of body and sleeves between two pieces of this cloth that run along the grain; the first garment's."""
    lying = list(lying_on_cloth(problem, plan))
    along, across = cloth.ready_repeat
    mirrors = mirror_lines(cloth.lines.lengthwise, cloth.repeat.across or 0.0)
    for join in pattern.making.joins:
        if len(join.a) > 1 or len(join.b) > 1:
            continue
        a, b = join.a[0], join.b[0]
        pieces = [pattern.piece(part.piece) for part in (a, b)]
        if not all(piece.panel in SHOWN for piece in pieces):
            continue
        if not runs_along(pattern, size, a):
            continue
        if a.piece == b.piece and a.edge != b.edge:
            found = next(((one, one) for one in lying if one.laid.piece == a.piece), None)
        else:
            found = _pair(lying, a.piece, b.piece, other_hand=not runs_against(pattern, a, b))
        if found is None and pattern.piece(b.piece).has_edge(f"{b.edge}{OTHER_HAND}"):
            # Of a piece that was opened out to be cut whole, the other side.
            b = EdgePart(b.piece, f"{b.edge}{OTHER_HAND}")
            join = replace(join, b=(b,))
            found = _pair(lying, a.piece, b.piece, other_hand=False)
        if found is None:
            continue
        one, other = meeting(pattern, size, join)
        off = None
        on_bias = all(problem.piece(part.piece).grain is Grain.BIAS for part in (a, b))
        between = sum(_slant(one) for one in found)
        if along is not None and (not on_bias or abs(nearest(between, 360.0)) < 1.0):
            apart = found[0].at(one.at)[0] - found[1].at(other.at)[0]
            off = nearest(apart, along)
        off_v = None
        alike = abs(nearest(between, 180.0)) < 1.0 if on_bias else found[0].laid.turn == found[1].laid.turn
        if across is not None and mirrors and alike and (on_bias or meets_in_a_v(pattern, size, a, b)):
            # Mirror images of each other: what one stands short of the mirror line, the other stands beyond it.
            low = [one.at(below(pattern, size, part))[1] for one, part in zip(found, (a, b), strict=True)]
            off_v = nearest(sum(low) - 2 * mirrors[0] * cloth.across, across)
        if on_bias and (off is not None or off_v is not None):
            # Edges that lean or bend unlike part on the bias: what is missed by is told where it is most.
            met = list(_beside_each_other(pattern, size, found, (a, b)))
            if off is not None and along is not None:
                off = max((nearest(p[0] - q[0], along) for p, q in met), key=abs)
            if off_v is not None and across is not None:
                line = 2 * mirrors[0] * cloth.across
                off_v = max((_off_v(p[1], q[1], line, across) for p, q in met), key=abs)
        yield SewnSeam(join, found[0], found[1], found[0].is_mirrored, off, off_v, on_bias)


def _off_v(here: float, there: float, line: float, across: float) -> float:
    """How far two places are from mirroring each other about a line, whose place is doubled, or from being the same."""
    return min(nearest(here + there - line, across), nearest(here - there, across), key=abs)


def _beside_each_other(
    pattern: Pattern, size: str, found: tuple[OnCloth, OnCloth], parts: tuple[EdgePart, EdgePart]
) -> Iterator[tuple[Point, Point]]:
    """Places on the cloth that meet at a seam, from its lower end up."""
    chains = [pattern.piece(part.piece).shapes[size].edges[part.edge] for part in parts]
    upwards = [c if c[0].start > c[-1].end else tuple(s.reversed() for s in c[::-1]) for c in chains]
    long = min(chain_length(chain) for chain in upwards)
    for k in range(STEPS + 1):
        one, other = (point_at(chain, long * k / STEPS) for chain in upwards)
        yield found[0].at(one), found[1].at(other)


def _slant(one: OnCloth) -> float:
    """How a piece's own grain line runs on the cloth, in degrees."""
    (x0, y0), (x1, y1) = one.at((0.0, 0.0)), one.at((1.0, 0.0))
    return math.degrees(math.atan2(y1 - y0, x1 - x0))


def nearest(apart: float, repeat: float) -> float:
    """How far two places are apart in the print, the shorter way, in mm."""
    return (apart + repeat / 2) % repeat - repeat / 2


def not_shown(pattern: Pattern) -> tuple[str, ...]:
    """The names of seams of body and sleeves that are sewn from more than two edges: they are not drawn."""
    return tuple(
        join.name
        for join in pattern.making.joins
        if (len(join.a) > 1 or len(join.b) > 1)
        and all(pattern.piece(part.piece).panel in SHOWN for part in (*join.a, *join.b))
    )


def lying_on_cloth(problem: Problem, plan: Plan) -> Iterator[OnCloth]:
    """Every piece that is cut: on doubled cloth one on each layer."""
    for stretch in plan.stretches:
        strips = regions(stretch.lay, stretch.depth, problem.cloth)
        for laid in stretch.placements:
            ys = [y for _, y in laid.outline]
            strip = min(strips, key=lambda one: max(one.low - min(ys), max(ys) - one.high))
            for layer in layers_of(stretch.lay, stretch.depth, strip, problem.cloth.width):
                yield OnCloth(laid, stretch.start, layer)
                fold = problem.piece(laid.piece).fold
                if laid.whole and fold is not None:
                    yield OnCloth(laid, stretch.start, layer, fold[0][1])


def _pair(lying: list[OnCloth], a: str, b: str, *, other_hand: bool) -> tuple[OnCloth, OnCloth] | None:
    """One of each piece, of the hands that are sewn together."""
    for mirrored in (False, True):
        first = next((one for one in lying if one.laid.piece == a and one.is_mirrored is mirrored), None)
        wanted = mirrored is not other_hand
        second = next((one for one in lying if one.laid.piece == b and one.is_mirrored is wanted), None)
        if first is not None and second is not None:
            return first, second
    return None
