"""Where facing and lining meet: how deep the lining begins, and the stitching line that the facing is given for it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from shapely.geometry import LineString

from rowanseed.core.derive.shaping import Run, derived, moved_in, neighbours, seam_runs
from rowanseed.core.pattern.making import EdgePart, FinishKind, LayerKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import EdgeSpec, Piece
from rowanseed.core.pattern.seamline import lines

ALLOWANCE = 15.0
PLACES = 12
"""A facing's depth is the mean of so many places along it: one with a dart folded out is not equally deep."""


def facing_depths(pattern: Pattern, size: str, lined: tuple[Piece, ...]) -> dict[tuple[str, str], float]:
    """(piece, edge) → how deep the lining begins below it: to the stitching line it shares with the facing."""
    ids = {piece.id for piece in lined}
    facings = {layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.FACING}
    out: dict[tuple[str, str], float] = {}
    for join in pattern.making.joins:
        for one, other in ((join.a, join.b), (join.b, join.a)):
            if {p.piece for p in one} <= ids and {p.piece for p in other} <= facings:
                depth = min(facing_depth(pattern, size, part) for part in other)
                out |= {(p.piece, p.edge): depth for p in one}
    return out


def facing_depth(pattern: Pattern, size: str, part: EdgePart) -> float:
    """How deep a facing's stitching line to a lining lies below the edge it faces, on the mean, in mm.

    Where the facing ends in a raw or neatened edge, the seam lies one allowance inside that edge: the lining then
    passes the facing's edge by two allowances.
    """
    piece = pattern.piece(part.piece)
    inner = inner_edge(pattern, piece, part.edge)
    if inner is None:
        return 0.0
    both = lines(piece, size)
    outer = LineString(both.seam[part.edge])
    own = piece.edge(inner).allowance
    edge = LineString(both.seam[inner] if own else both.cutting[inner])
    places = (outer.interpolate(k / PLACES, normalized=True) for k in range(PLACES + 1))
    return sum(float(edge.distance(at)) for at in places) / (PLACES + 1) - (0.0 if own else ALLOWANCE)


def inner_edge(pattern: Pattern, piece: Piece, outer: str) -> str | None:
    """The edge of a facing that lies inside the garment: one that ends in no seam."""
    joined = {(p.piece, p.edge) for join in pattern.making.joins for p in (*join.a, *join.b)}
    folds = {cut.fold for cut in piece.cuts}
    loose = {(p.piece, p.edge) for f in pattern.making.finishes if f.kind is FinishKind.NEATENED for p in f.parts}
    free = [e.name for e in piece.edges if e.name != outer and e.name not in folds and (piece.id, e.name) not in joined]
    return next((name for name in free if (piece.id, name) in loose), free[0] if free else None)


def with_lining_seams(pattern: Pattern) -> Pattern:
    """The pattern with the inner edges of its facings given a stitching line for the lining: the cut stays."""
    inner = inner_edges(pattern)
    out = []
    for piece in pattern.pieces:
        edge = inner.get(piece.id)
        if edge is None or piece.edge(edge).allowance:
            out.append(piece)
            continue
        shapes = dict(piece.shapes)
        by = min(_allowance(seam_runs(piece, size), edge) for size in piece.shapes)
        for size in piece.shapes:
            runs = moved_in(seam_runs(piece, size), edge, by)
            shaped = derived(
                piece=piece, size=size, made=None, name=piece.name, number=piece.number, runs=runs, cuts=piece.cuts
            )
            shapes[size] = shaped.shapes[size]
        edges = tuple(EdgeSpec(e.name, by, e.corner) if e.name == edge else e for e in piece.edges)
        out.append(replace(piece, edges=edges, shapes=shapes))
    return replace(pattern, pieces=tuple(out))


def _allowance(runs: Mapping[str, Run], edge: str) -> float:
    """How far a facing's inner edge gives way to its seam: the usual allowance, or half of a narrow facing."""
    sides = (float(LineString(runs[name]).length) for name in neighbours(runs, edge))
    return min(ALLOWANCE, *(long / 2 for long in sides))


def inner_edges(pattern: Pattern) -> dict[str, str]:
    """Facing → its inner edge, for those that a seam sews to the garment, and those sewn to such a one."""
    facings = {layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.FACING}
    out: dict[str, str] = {}
    reached = {piece.id for piece in pattern.pieces} - facings
    grown = True
    while grown:
        grown = False
        for join in pattern.making.joins:
            parts = (*join.a, *join.b)
            for part in parts:
                known = {p.piece for p in parts if p.piece != part.piece} & reached
                if part.piece not in facings or part.piece in out or not known:
                    continue
                edge = inner_edge(pattern, pattern.piece(part.piece), part.edge)
                if edge:
                    out[part.piece] = edge
                    reached.add(part.piece)
                    grown = True
    return out
