"""Shaping a copy of a piece in one size: trim along an edge, move edges, keep names, corners and notches.

All work on the stitching line as polylines by edge, in ring order; all lengths in mm.
"""

from __future__ import annotations

from collections.abc import Callable, Collection, Iterator, Mapping, Sequence
from dataclasses import replace
from itertools import pairwise

from shapely.geometry import LineString
from shapely.geometry import Point as Spot
from shapely.ops import nearest_points

from rowanseed.core.geometry.outline import Chain, Point, Segment, flatten
from rowanseed.core.pattern.inner_lines import with_own_lines
from rowanseed.core.pattern.pieces import Cut, Dart, Derived, Drawn, EdgeSpec, Mark, Piece, Shape
from rowanseed.core.pattern.seamline import lines, mark_distance, trimmed

Run = list[Point]
FARTHEST = 30.0
"""A mark goes along with an edge that moves sideways by so much at most, in mm: more than an ease pleat's depth."""
OVER = 0.2
"""How far a dart's leg is followed beyond its edge, as a share of its length."""


def seam_runs(piece: Piece, size: str) -> dict[str, Run]:
    """The stitching line of a piece, edge by edge."""
    return {name: list(run) for name, run in lines(piece, size).seam.items()}


def trim(runs: Mapping[str, Run], by: Mapping[str, float]) -> dict[str, Run]:
    """The runs, in ring order, with some edges moved inwards, their neighbours cut to meet them."""
    return trimmed([EdgeSpec(name, by.get(name, 0.0)) for name in runs], dict(runs))


def neighbours(runs: Collection[str], edge: str) -> tuple[str, str]:
    """The edges before and after an edge in the ring."""
    order = list(runs)
    k = order.index(edge)
    return order[k - 1], order[(k + 1) % len(order)]


def moved_in(
    runs: Mapping[str, Run],
    edge: str,
    by: float,
    *,
    ends: tuple[float, float] | None = None,
    taken: Mapping[str, Sequence[tuple[float, float]]] | None = None,
) -> dict[str, Run]:
    """The runs with an edge moved in by so much, or by `ends` at its two ends, measured along its neighbours.

    What two pieces have joined to each other is then as long on both, whichever way the edge comes to it. `taken` are
    the stretches of the neighbours, from and to as distances from their start, that darts take in: they do not count.
    """
    before, after = neighbours(runs, edge)
    one, other, gaps = LineString(runs[before]), LineString(runs[after]), taken or {}
    at_start, at_end = ends or (by, by)
    before_end = [(one.length - b, one.length - a) for a, b in gaps.get(before, ())]
    start = one.interpolate(one.length - _net(at_start, before_end)).coords[0]
    end = other.interpolate(_net(at_end, gaps.get(after, ()))).coords[0]
    drawn = trim(runs, {edge: by})[edge]
    line, bent = LineString(drawn), []
    for p in drawn:
        share = line.project(Spot(p)) / line.length
        dx, dy = ((start[k] - drawn[0][k]) * (1 - share) + (end[k] - drawn[-1][k]) * share for k in (0, 1))
        bent.append((p[0] + dx, p[1] + dy))
    return {
        **runs,
        before: as_far_as(runs[before], start),
        edge: [start, *bent[1:-1], end],
        after: list(reversed(as_far_as(list(reversed(runs[after])), end))),
    }


def _net(by: float, gaps: Sequence[tuple[float, float]]) -> float:
    """How far along an edge so much of it is reached, what darts take in left out."""
    for a, b in sorted(gaps):
        if a < by:
            by += b - a
    return by


def moved(runs: Mapping[str, Run], move: Callable[[Point], Point], edges: frozenset[str]) -> dict[str, Run]:
    """The runs with the points of some edges moved; corners they share with others go along."""
    names = list(runs)
    out = {name: [move(p) for p in run] if name in edges else list(run) for name, run in runs.items()}
    for k, name in enumerate(names):
        following = names[(k + 1) % len(names)]
        if name in edges and following not in edges:
            out[following][0] = out[name][-1]
        elif following in edges and name not in edges:
            out[name][-1] = out[following][0]
    return out


def chain_of(run: Run) -> Chain:
    return tuple(Segment(a, b) for a, b in pairwise(run) if a != b) or (Segment(run[0], run[-1]),)


def derived(
    piece: Piece,
    size: str,
    made: Derived | None,
    name: str,
    number: int,
    runs: Mapping[str, Run],
    cuts: tuple[Cut, ...],
    allowances: Mapping[str, float] | None = None,
) -> Piece:
    """A new piece with these stitching lines, in this size only; the same piece reshaped where `made` is None.

    Notches go along with their edge, darts stay wherever their legs still reach it; level and grain lines stay. Edges
    that have no run are gone.
    """
    before = seam_runs(piece, size)
    chains = {name: _chain(piece, size, name, run, before.get(name)) for name, run in runs.items()}
    same = {name for name, run in runs.items() if run == before.get(name)}
    given = allowances or {}
    known = {edge.name: edge for edge in piece.edges}
    specs = (known.get(name) or EdgeSpec(name, 0.0) for name in runs)
    edges = tuple(replace(edge, allowance=given.get(edge.name, edge.allowance)) for edge in specs)
    moved_legs = {
        mark.id: mark
        for dart in piece.darts
        if dart.edge in runs and dart.edge not in same
        for mark in _legs_on(piece, size, dart, before[dart.edge], runs[dart.edge])
    }
    marks = tuple(
        found
        for mark in piece.marks
        if mark.edge in runs
        and (
            found := mark if mark.edge in same else moved_legs.get(mark.id) or _beside(piece, size, mark, before, runs)
        )
    )
    kept = {mark.id for mark in marks}
    darts = tuple(dart for dart in piece.darts if set(dart.legs) <= kept)
    drawn = Piece(
        id=made.piece_id if made is not None else piece.id,
        derived=made if made is not None else piece.derived,
        name=name,
        number=number,
        drawn=Drawn.SEAM,
        edges=edges,
        shapes={size: Shape(chains, piece.shapes[size].grainline)},
        cuts=cuts,
        marks=marks,
        darts=darts,
        lines=piece.lines,
        points=(),
        one_sided=piece.one_sided if made is None else (),
        panel=piece.panel,
    )
    return with_own_lines(drawn)


def _beside(piece: Piece, size: str, mark: Mark, before: Mapping[str, Run], runs: Mapping[str, Run]) -> Mark | None:
    """A mark where its edge runs now, cut shorter, led on or moved sideways; None where it has moved away."""
    if any(mark.id in dart.legs for dart in piece.darts):
        return None
    at = LineString(before[mark.edge]).interpolate(mark_distance(piece, size, mark))
    line = LineString(runs[mark.edge])
    if line.distance(at) > FARTHEST:
        return None
    far = float(line.project(at))
    if mark.anchor == "end":
        return replace(mark, distance={size: float(line.length) - far})
    return replace(mark, anchor="start", distance={size: far})


def _legs_on(piece: Piece, size: str, dart: Dart, before: Run, run: Run) -> Iterator[Mark]:
    """The legs of a dart where they come to an edge that was moved; none for a dart that ends before it.

    Those of a dart run together at its point, those of a fold beside each other as far as that.
    """
    line, point = LineString(run), dart.point[size]
    marks = [piece.mark(leg) for leg in dart.legs]
    legs = [LineString(before).interpolate(mark_distance(piece, size, mark)) for mark in marks]
    middle = (sum(at.x for at in legs) / 2, sum(at.y for at in legs) / 2)
    found = []
    for mark, at in zip(marks, legs, strict=True):
        x, y = (point[0] + at.x - middle[0], point[1] + at.y - middle[1]) if dart.is_folded else point
        # A leg is drawn a little out over its mark: the edge may have moved outwards there, too.
        out = LineString([(at.x + (at.x - x) * OVER, at.y + (at.y - y) * OVER), (x, y)])
        crossing = out.intersection(line)
        if crossing.is_empty:
            return
        place = line.project(nearest_points(crossing, at)[0])
        found.append(replace(mark, anchor="start", distance={size: place}))
    yield from found


def _chain(piece: Piece, size: str, name: str, run: Run, before: Run | None) -> Chain:
    if run == before and piece.drawn is Drawn.SEAM:
        return piece.shapes[size].edges[name]
    return chain_of(run)


def at_depth(piece: Piece, size: str, edge: str, depth: float) -> Run:
    """The line `depth` mm inside an edge, cut to meet its neighbours."""
    return trim(seam_runs(piece, size), {edge: depth})[edge]


def strip(piece: Piece, size: str, edge: str, depth: float) -> dict[str, Run]:
    """The part of a piece between an edge and the line `depth` mm inside it, as runs named after its own edges.

    The inner line is called `inner`; edges that do not touch the strip are left out.
    """
    runs = seam_runs(piece, size)
    names = list(runs)
    k = names.index(edge)
    before, after = names[k - 1], names[(k + 1) % len(names)]
    inner = at_depth(piece, size, edge, depth)
    return {
        edge: runs[edge],
        after: as_far_as(runs[after], inner[-1]),
        "inner": list(reversed(inner)),
        before: list(reversed(as_far_as(list(reversed(runs[before])), inner[0]))),
    }


def as_far_as(run: Run, end: Point) -> Run:
    """The beginning of a run up to the point nearest to `end`, which becomes its last."""
    best, at = 1e18, 0
    for k, (a, b) in enumerate(pairwise(run)):
        along = (b[0] - a[0], b[1] - a[1])
        size = along[0] ** 2 + along[1] ** 2 or 1.0
        t = max(0.0, min(1.0, ((end[0] - a[0]) * along[0] + (end[1] - a[1]) * along[1]) / size))
        off = (a[0] + along[0] * t - end[0]) ** 2 + (a[1] + along[1] * t - end[1]) ** 2
        if off < best - 1e-9:
            best, at = off, k
    return [*run[: at + 1], end]


def flat(chain: Chain) -> Run:
    return flatten(chain)
