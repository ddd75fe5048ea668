"""Where facing and lining meet: how deep the lining begins, and the stitching line that the facing is given for it."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import replace
from itertools import pairwise

from rowanseed.core.derive.shaping import derived, seam_runs, trim
from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.making import EdgePart, FinishKind, LayerKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import EdgeSpec, Piece
from rowanseed.core.pattern.seamline import lines

ALLOWANCE = 15.0


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
    """How deep a facing's stitching line to a lining lies below the edge it faces, in mm.

    Where the facing ends in a raw or neatened edge, the seam lies one allowance inside that edge: the lining then
    passes the facing's edge by two allowances.
    """
    piece = pattern.piece(part.piece)
    inner = inner_edge(pattern, piece, part.edge)
    if inner is None:
        return 0.0
    both = lines(piece, size)
    run = both.seam[part.edge]
    middle = run[len(run) // 2]
    own = piece.edge(inner).allowance
    edge = both.seam[inner] if own else both.cutting[inner]
    return min(_distance(middle, a, b) for a, b in pairwise(edge)) - (0.0 if own else ALLOWANCE)


def inner_edge(pattern: Pattern, piece: Piece, outer: str) -> str | None:
    """The edge of a facing that lies inside the garment: one that ends in no seam."""
    joined = {(p.piece, p.edge) for join in pattern.making.joins for p in (*join.a, *join.b)}
    folds = {cut.fold for cut in piece.cuts}
    loose = {(p.piece, p.edge) for f in pattern.making.finishes if f.kind is FinishKind.NEATENED for p in f.parts}
    free = [e.name for e in piece.edges if e.name != outer and e.name not in folds and (piece.id, e.name) not in joined]
    return next((name for name in free if (piece.id, name) in loose), free[0] if free else None)


def _distance(p: Point, a: Point, b: Point) -> float:
    v = (b[0] - a[0], b[1] - a[1])
    size = v[0] ** 2 + v[1] ** 2 or 1.0
    t = max(0.0, min(1.0, ((p[0] - a[0]) * v[0] + (p[1] - a[1]) * v[1]) / size))
    return math.dist(p, (a[0] + v[0] * t, a[1] + v[1] * t))


def with_lining_seams(pattern: Pattern, facings: Mapping[tuple[str, str], float]) -> tuple[Piece, ...]:
    """The pattern's pieces, the inner edges of facings given a stitching line for the lining: the cut stays."""
    if not facings:
        return pattern.pieces
    inner = inner_edges(pattern)
    out = []
    for piece in pattern.pieces:
        edge = inner.get(piece.id)
        if edge is None or piece.edge(edge).allowance:
            out.append(piece)
            continue
        size = next(iter(piece.shapes))
        shapes = dict(piece.shapes)
        for size in piece.shapes:
            runs = trim(piece, seam_runs(piece, size), {edge: ALLOWANCE})
            shaped = derived(
                piece=piece, size=size, made=None, name=piece.name, number=piece.number, runs=runs, cuts=piece.cuts
            )
            shapes[size] = shaped.shapes[size]
        edges = tuple(EdgeSpec(e.name, ALLOWANCE, e.corner) if e.name == edge else e for e in piece.edges)
        out.append(replace(piece, edges=edges, shapes=shapes))
    return tuple(out)


def inner_edges(pattern: Pattern) -> dict[str, str]:
    facings = {layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.FACING}
    out = {}
    for join in pattern.making.joins:
        for part in (*join.a, *join.b):
            other = {p.piece for p in (*join.a, *join.b)} - facings
            if part.piece in facings and other:
                edge = inner_edge(pattern, pattern.piece(part.piece), part.edge)
                if edge:
                    out[part.piece] = edge
    return out
