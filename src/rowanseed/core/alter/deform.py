"""Deforming a piece: one map of the plane moves its edges, darts, lines and marks together.

A map that is affine on bands is exact for Bézier curves once they are split at the bands' borders; for a
smoothly varying one curves are cut into short parts first, each carried by its control points.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cache
from itertools import chain as one_after_another
from itertools import pairwise

from rowanseed.core.alter.ring import Ring, is_let_in
from rowanseed.core.geometry.outline import Chain, Point, Segment, chain_length, lerp, locate, through, tidied
from rowanseed.core.pattern.pieces import Mark, Piece, Shape
from rowanseed.core.pattern.seamline import mark_distance

Field = Callable[[Point], Point]
"""A map of the piece's plane; the identity where nothing changes."""

STILL = 1e-9
"""A point moved by less than this, in mm, has not moved."""
CUT_AT = 160.0
"""A map that bends cuts a segment of this length, in mm, into as many parts as it asks for, a longer one into more."""
BENT = 4
"""Into so many parts an edge of a bent band is cut."""
SPLINTER = 1.5
"""No part of an edge is cut shorter than this, in mm."""


@dataclass(frozen=True)
class Cuts:
    """Where a map changes its rule: lines, each across a direction at a distance in mm from the origin."""

    lines: tuple[tuple[Point, float], ...]

    @classmethod
    def across(cls, along: Point, *at: float) -> Cuts:
        """Lines across one direction."""
        return cls(tuple((along, value) for value in at))


def deform(piece: Piece, size: str, field: Field, cuts: Cuts | None = None, parts: int = 1) -> Piece:
    """A piece with one size moved by a map; the piece itself if nothing of it moves.

    `cuts` for a map that is affine between lines; `parts` > 1 for one that bends.
    """
    return deform_all((piece,), size, field, cuts, parts)[0]


def deform_all(
    pieces: Iterable[Piece], size: str, field: Field, cuts: Cuts | None = None, parts: int = 1
) -> tuple[Piece, ...]:
    """Pieces that lie together, each moved as `deform` does; a band let in as it lay before it was bent."""
    every = tuple(pieces)
    flat = iter(map_pieces((piece for piece in every if not is_let_in(piece)), size, field, cuts, parts))
    return tuple(_as_it_lay(piece, size, field, parts) if is_let_in(piece) else next(flat) for piece in every)


def _as_it_lay(piece: Piece, size: str, field: Field, parts: int) -> Piece:
    return map_pieces((piece,), size, Ring.of(piece, size).straightened(field), parts=max(parts, BENT))[0]


def map_pieces(
    pieces: Iterable[Piece], size: str, field: Field, cuts: Cuts | None = None, parts: int = 1
) -> tuple[Piece, ...]:
    """Pieces with one size moved by a map as they are drawn; an edge that a lining shares is carried once."""
    field = cache(field)
    carry = cache(lambda chain: _carry(chain, field, cuts, parts))
    return tuple(_deformed(piece, size, field, carry) for piece in pieces)


def _deformed(piece: Piece, size: str, field: Field, carry: Callable[[Chain], _Carried]) -> Piece:
    shape = piece.shapes[size]
    carried = {name: carry(chain) for name, chain in shape.edges.items()}
    if not any(c.moved for c in carried.values()) and not _moves_inside(piece, size, field):
        return piece
    top, bottom = (field(p) for p in shape.grainline)
    level = (top[1] + bottom[1]) / 2
    edges = {name: c.chain for name, c in carried.items()}
    return replace(
        piece,
        shapes={**piece.shapes, size: Shape(edges, ((top[0], level), (bottom[0], level)))},
        marks=_marks(piece, size, carried),
        darts=tuple(replace(d, point={**d.point, size: field(d.point[size])}) for d in piece.darts),
        lines=tuple(
            replace(line, ends={**line.ends, size: (field(line.ends[size][0]), field(line.ends[size][1]))})
            for line in piece.lines
        ),
        points=tuple(replace(p, at={**p.at, size: field(p.at[size])}) for p in piece.points),
    )


def _moves_inside(piece: Piece, size: str, field: Field) -> bool:
    inside = [*(d.point[size] for d in piece.darts), *(p.at[size] for p in piece.points)]
    inside += [end for line in piece.lines for end in line.ends[size]]
    return any(math.dist(p, field(p)) > STILL for p in inside)


# ---------------------------------------------------------------- edges


@dataclass(frozen=True)
class _Carried:
    """A chain after the map; `parts[k]` are the (t from, t to, new segment) that segment k became."""

    chain: Chain
    parts: tuple[tuple[tuple[float, float, Segment], ...], ...]
    moved: bool

    def arc(self, index: int, t: float) -> float:
        """The distance along the new chain of the place that was at segment `index`, parameter `t`."""
        before = sum(new.length() for run in self.parts[:index] for _, _, new in run)
        for low, high, new in self.parts[index]:
            if t <= high or high == 1.0:
                share = (t - low) / (high - low)
                return before + (new.split(share)[0].length() if share < 1 else new.length())
            before += new.length()
        return before


def _carry(chain: Chain, field: Field, cuts: Cuts | None, parts: int) -> _Carried:
    runs = tuple(tuple(_carry_segment(segment, field, cuts, parts)) for segment in chain)
    # A segment that stays is handed back itself.
    moved = any(run[0][2] is not segment for run, segment in zip(runs, chain, strict=True))
    return _Carried(tuple(new for run in runs for _, _, new in run), runs, moved)


def _parts_of(segment: Segment, parts: int) -> int:
    """How many parts a segment is cut into: long ones into more, so that what is carried strays less than 0.1 mm."""
    return 1 if parts == 1 else max(1, math.ceil(segment.length() * parts / CUT_AT))


def _is_still(segment: Segment, field: Field, parts: int) -> bool:
    places = one_after_another(segment.points(), (segment.at(k / (2 * parts)) for k in range(1, 2 * parts)))
    return all(math.dist(p, field(p)) < STILL for p in places)


def _carry_segment(segment: Segment, field: Field, cuts: Cuts | None, parts: int) -> list[tuple[float, float, Segment]]:
    bends, parts = parts > 1, _parts_of(segment, parts)
    if _is_still(segment, field, parts):
        return [(0.0, 1.0, segment)]
    if parts == 1 and cuts is None:
        return [(0.0, 1.0, _mapped(segment, field, bends=bends))]
    borders = [] if cuts is None else sorted({t for line in cuts.lines for t in crossings(segment, *line)})
    # A cut this near to an end would leave a splinter, whose direction means nothing.
    least = SPLINTER / max(segment.length(), SPLINTER)
    borders = [t for t in borders if least < t < 1 - least]
    even = [k / parts for k in range(parts) if all(abs(k / parts - t) > least for t in borders)]
    kept = [0.0]
    for t in sorted([*even, *borders]):
        if least < t - kept[-1] and t < 1 - least:
            kept.append(t)
    kept.append(1.0)
    out: list[tuple[float, float, Segment]] = []
    for low, high in pairwise(kept):
        new = _mapped(_part(segment, low, high), field, bends=bends)
        if out:
            # Shared ends are computed twice; take them once, so that the chain stays closed to the last bit.
            new = replace(new, start=out[-1][2].end)
        out.append((low, high, new))
    return out


def _mapped(part: Segment, field: Field, *, bends: bool) -> Segment:
    """A short part after the map: by its control points where the map is affine, else through four carried points."""
    if not bends:
        a, b, c, d = (field(p) for p in part.points())
        return tidied(Segment(start=a, end=d, control1=b, control2=c), 1e-9)
    a, p, q, d = (field(at) for at in (part.start, part.at(1 / 3), part.at(2 / 3), part.end))
    return tidied(through(a, p, q, d))


def _part(segment: Segment, low: float, high: float) -> Segment:
    rest = segment.split(low)[1] if low > 0 else segment
    return rest.split((high - low) / (1 - low))[0] if high < 1 else rest


def crossings(segment: Segment, along: Point, value: float) -> list[float]:
    """Parameters (inside 0..1) at which a segment crosses the line where `along`·p = `value`."""
    s = [p[0] * along[0] + p[1] * along[1] - value for p in segment.points()]
    if min(s) > 0 or max(s) < 0:
        return []
    if not segment.is_curve:
        return [s[0] / (s[0] - s[3])] if s[0] * s[3] < 0 else []
    found = []
    steps = 24
    at = [_bernstein(s, k / steps) for k in range(steps + 1)]
    for k in range(steps):
        if at[k] * at[k + 1] < 0:
            low, high = k / steps, (k + 1) / steps
            rising = at[k] < 0
            for _ in range(40):
                middle = (low + high) / 2
                low, high = (middle, high) if (_bernstein(s, middle) < 0) == rising else (low, middle)
            found.append((low + high) / 2)
        elif at[k] == 0 and k > 0:
            found.append(k / steps)
    return found


def _bernstein(s: Sequence[float], t: float) -> float:
    u = 1 - t
    return u * u * u * s[0] + 3 * u * u * t * s[1] + 3 * u * t * t * s[2] + t * t * t * s[3]


# ---------------------------------------------------------------- marks


def _marks(piece: Piece, size: str, carried: Mapping[str, _Carried]) -> tuple[Mark, ...]:
    """Marks held at the same place of the cloth: their distances along the new edges."""
    places: dict[str, float] = {}
    out = []
    for mark in piece.marks:
        now = carried[mark.edge]
        if now.moved:
            index, t = locate(piece.shapes[size].edges[mark.edge], mark_distance(piece, size, mark))
            places[mark.id] = now.arc(index, t)
            distance = places[mark.id]
            if mark.anchor == "end":
                distance = chain_length(now.chain) - distance
            elif mark.anchor != "start":
                distance -= places[mark.anchor]
            mark = replace(mark, distance={**mark.distance, size: distance})
        out.append(mark)
    return tuple(out)


# ---------------------------------------------------------------- stretching a band


BAND = 60.0
"""Half the width, in mm, over which an edge is trued where the tissue is slashed and spread or folded out."""


def stretch(centre: Point, along: Point, by: float, half: float = BAND) -> tuple[Field, Cuts]:
    """Lengthen by `by` mm across a line, the edges trued over a band of `half` mm to either side.

    What lies before the band stays and what lies beyond is moved; between, every line is drawn out
    evenly, as if the tissue were slashed at many places. Shortening takes a band wider by what is folded
    out, so that it undoes a lengthening exactly.
    """
    reach = half + max(0.0, -by) / 2
    middle = centre[0] * along[0] + centre[1] * along[1]

    def field(p: Point) -> Point:
        s = p[0] * along[0] + p[1] * along[1] - middle
        share = min(max((s + reach) / (2 * reach), 0.0), 1.0)
        return (p[0] + along[0] * by * share, p[1] + along[1] * by * share)

    return field, Cuts.across(along, middle - reach, middle + reach)


def smooth(t: float) -> float:
    """0 up to 0, 1 from 1 on, and a smooth curve between."""
    t = min(max(t, 0.0), 1.0)
    return t * t * (3 - 2 * t)


def interpolate(xs: Sequence[float], ys: Sequence[float], x: float) -> float:
    """Linear between points sorted by x, constant beyond them."""
    if x <= xs[0]:
        return ys[0]
    for k in range(len(xs) - 1):
        if x <= xs[k + 1]:
            width = xs[k + 1] - xs[k]
            return ys[k] if width <= 0 else lerp((xs[k], ys[k]), (xs[k + 1], ys[k + 1]), (x - xs[k]) / width)[1]
    return ys[-1]
