"""Shaping a copy of a piece in one size: trim along an edge, move edges, keep names, corners and notches.

All work on the stitching line as polylines by edge, in ring order; all lengths in mm.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace
from itertools import pairwise

from rowanseed.core.geometry.outline import Chain, Point, Segment, flatten
from rowanseed.core.pattern.pieces import Cut, Derived, Drawn, EdgeSpec, Piece, Shape
from rowanseed.core.pattern.seamline import lines, trimmed

Run = list[Point]


def seam_runs(piece: Piece, size: str) -> dict[str, Run]:
    """The stitching line of a piece, edge by edge."""
    return lines(piece, size).seam


def trim(piece: Piece, runs: Mapping[str, Run], by: Mapping[str, float]) -> dict[str, Run]:
    """The runs with some edges moved inwards, their neighbours cut to meet them."""
    specs = [EdgeSpec(edge.name, by.get(edge.name, 0.0)) for edge in piece.edges]
    return trimmed(specs, dict(runs))


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

    Notches and darts stay on edges that kept their stitching line; level and grain lines stay.
    """
    before = seam_runs(piece, size)
    chains = {name: _chain(piece, size, name, run, before[name]) for name, run in runs.items()}
    same = {name for name, run in runs.items() if run == before[name]}
    given = allowances or {}
    edges = tuple(
        replace(edge, allowance=given.get(edge.name, edge.allowance)) if edge.name in runs else edge
        for edge in piece.edges
    )
    marks = tuple(mark for mark in piece.marks if mark.edge in same)
    kept = {mark.id for mark in marks}
    darts = tuple(dart for dart in piece.darts if set(dart.legs) <= kept)
    return Piece(
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
        panel=piece.panel,
    )


def _chain(piece: Piece, size: str, name: str, run: Run, before: Run) -> Chain:
    if run == before and piece.drawn is Drawn.SEAM:
        return piece.shapes[size].edges[name]
    return chain_of(run)


def at_depth(piece: Piece, size: str, edge: str, depth: float) -> Run:
    """The line `depth` mm inside an edge, cut to meet its neighbours."""
    return trim(piece, seam_runs(piece, size), {edge: depth})[edge]


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
        after: _as_far_as(runs[after], inner[-1]),
        "inner": list(reversed(inner)),
        before: list(reversed(_as_far_as(list(reversed(runs[before])), inner[0]))),
    }


def _as_far_as(run: Run, end: Point) -> Run:
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
