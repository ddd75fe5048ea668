"""A facing derived from the garment: a strip along an edge, cut from the same outline (common practice, no source)."""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping
from dataclasses import replace

from shapely import make_valid
from shapely.geometry import LineString, Polygon

from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.shaping import Run, chain_of, neighbours, strip
from rowanseed.core.geometry.outline import Point, chain_length
from rowanseed.core.pattern.making import EdgePart, Finish, FinishKind, Join, Layer, LayerKind, Press
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Corner, Cut, Derived, DerivedAs, Drawn, EdgeSpec, Panel, Piece, Role, Shape
from rowanseed.core.pattern.seamline import line_length, lines

DEPTH = 50.0
"""A facing is so deep, in mm, or as deep as what it ends on leaves room for (common practice, no source)."""
GRAIN_SHORT = 0.08
"""Its grainline ends so much of its length within the strip."""
SHARE = 0.75
"""So much of an edge that it ends on it takes at the most: of a narrow shoulder, say."""
APART = 10.0
"""Where the ends of two strips that are sewn together differ by so much, in mm, the edge bends too sharply there."""
JOINED = 10.0
INNER = "inner"


def facing_of(piece: Piece, size: str, edge: str, number: int, role: Role, depth: float = DEPTH) -> Piece:
    """The facing of one edge of a piece, `depth` mm deep and neatened inside; on the fold where its piece is."""
    made, runs = Derived(DerivedAs.FACING, piece.id, edge), strip(piece, size, edge, depth)
    sides = {e.name: e.allowance for e in piece.edges}
    specs = tuple(
        EdgeSpec(name, JOINED if name == edge else 0.0 if name == INNER else sides[name], Corner.MITRE) for name in runs
    )
    middle = sum(p[1] for p in runs[edge]) / len(runs[edge])
    shape = Shape({name: chain_of(run) for name, run in runs.items()}, _grainline(runs, middle))
    cuts = tuple(_cut(cut, role, runs.keys()) for cut in piece.cuts if cut.role is Role.MAIN)
    return Piece(
        id=made.piece_id,
        derived=made,
        name=f"{piece.name}, {edge} facing",
        number=number,
        drawn=Drawn.SEAM,
        edges=specs,
        shapes={size: shape},
        cuts=cuts,
        panel=Panel.OTHER,
    )


def _grainline(runs: Mapping[str, Run], across: float) -> tuple[Point, Point]:
    """Along the grain of the piece it is cut from, within the strip, `across` from the centre: downwards, whether the
    faced edge lies above or below."""
    # One that crosses itself is refused afterwards.
    strip = make_valid(Polygon([p for run in runs.values() for p in run[:-1]]))
    left, _, right, _ = strip.bounds
    inside = strip.intersection(LineString([(left - 1, across), (right + 1, across)]))
    part = max(getattr(inside, "geoms", [inside]), key=lambda one: one.length)
    top, _, low, _ = strip.bounds if part.is_empty else part.bounds
    short = GRAIN_SHORT * (low - top)
    return (top + short, across), (low - short, across)


def _cut(cut: Cut, role: Role, edges: Collection[str]) -> Cut:
    fold = cut.fold if cut.fold in edges else None
    return replace(cut, role=role, fold=fold, selvedge=None)


def can_be_faced(pattern: Pattern, view: str) -> tuple[Finish, ...]:
    """The hems and bound edges of the shell that may be faced instead, with a strip of the pieces' own shape.

    Not a casing: nothing would draw it in.
    """
    shell = {p.id for p, _ in pattern.pieces_for(Role.MAIN, view) if p.panel in (Panel.FRONT, Panel.BACK, Panel.SLEEVE)}
    kinds = (FinishKind.HEM, FinishKind.BINDING)
    return tuple(f for f in pattern.making.finishes if f.kind in kinds and {p.piece for p in f.parts} <= shell)


def faceable(pattern: Pattern, size: str, view: str) -> tuple[Finish, ...]:
    """Those of them along which a strip can be cut in a size, as the pieces are drawn."""
    return tuple(f for f in can_be_faced(pattern, view) if strips(pattern, size, f, Role.MAIN))


def with_facings(pattern: Pattern, size: str, finishes: Collection[str], role: Role) -> Pattern:
    """The pattern with these edges faced from a cloth: pieces, their seams and layers, and the edges' allowances.

    A hem stays a hem, since it is still levelled last; any other edge becomes the seam to its facing.
    """
    for finish in pattern.making.finishes:
        if finish.id in finishes and not _is_faced(pattern, finish):
            pattern = _faced(pattern, size, finish, role)
    return pattern


def _is_faced(pattern: Pattern, finish: Finish) -> bool:
    """Whether it has its facing already, from another cloth to save some of the main one."""
    known = {piece.id for piece in pattern.pieces}
    return any(Derived(DerivedAs.FACING, p.piece, p.edge).piece_id in known for p in finish.parts)


def strips(pattern: Pattern, size: str, finish: Finish, role: Role) -> dict[str, Piece]:
    """The facings of an edge by the pieces they face; none where the outline of one would cross itself, or two that are
    sewn together would not meet."""
    edges = [(pattern.piece(id), edge) for id, edge in {p.piece: p.edge for p in finish.parts}.items()]
    if any(size not in piece.shapes or not lines(piece, size).seam[edge] for piece, edge in edges):
        return {}
    number, deep = max(piece.number for piece in pattern.pieces), depth_of(pattern, size, finish)
    found = {
        piece.id: facing_of(piece, size, edge, number + k, role, deep) for k, (piece, edge) in enumerate(edges, start=1)
    }
    both = [lines(facing, size) for facing in found.values()]
    rings = (ring for one in both for ring in (one.seam_ring(), one.cutting_ring()))
    meet = all(_meets(found, size, join) for join in joins_between(pattern.making.joins, finish, found))
    return found if meet and all(Polygon(ring).is_valid for ring in rings) else {}


def _meets(facings: Mapping[str, Piece], size: str, join: Join) -> bool:
    by_id = {piece.id: piece for piece in facings.values()}
    a, b = (sum(line_length(by_id[p.piece], size, p.edge) for p in side) for side in (join.a, join.b))
    return abs(a - b) < APART


def _faced(pattern: Pattern, size: str, finish: Finish, role: Role) -> Pattern:
    edges = {p.piece: p.edge for p in finish.parts}
    added = strips(pattern, size, finish, role)
    if not added:
        return pattern
    pieces = tuple(
        replace(p, edges=tuple(replace(e, allowance=JOINED) if e.name == edges[p.id] else e for e in p.edges))
        if p.id in edges
        else p
        for p in pattern.pieces
    )
    making, lower = pattern.making, lower_first(finish.name)
    between = tuple(joins_between(making.joins, finish, added))
    joins = [*making.joins, *between]
    others = tuple(f for f in making.finishes if f.id != finish.id)
    seam = f"{finish.id}-facing"
    details = making.details
    if finish.kind is FinishKind.HEM:
        # The garment's edge has its finish, so the seam between the two is said of the facing's edge.
        others = (
            *others,
            replace(finish, folds=(JOINED,)),
            Finish(
                id=f"{finish.id}-facing-outer",
                name=f"Outer edge of the facing, sewn to the {lower}",
                kind=FinishKind.TURNED,
                parts=tuple(replace(p, piece=added[p.piece].id) for p in finish.parts),
            ),
        )
    else:
        joins.append(
            Join(
                id=seam,
                name=f"Facing to the {lower}",
                a=finish.parts,
                b=tuple(replace(p, piece=added[p.piece].id) for p in finish.parts),
                press=Press.FACING,
            )
        )
        # A trim along the edge runs along that seam.
        details = tuple(
            replace(d, along=tuple(seam if id == finish.id else id for id in d.along)) for d in making.details
        )
    inner = Finish(
        id=f"{finish.id}-facing-edge",
        name=f"Inner edge of the facing, {lower}",
        kind=FinishKind.NEATENED,
        parts=tuple(replace(p, piece=added[p.piece].id, edge=INNER) for p in finish.parts),
    )
    ends = _ends(finish, added, between)
    layers = tuple(Layer(LayerKind.FACING, facing.id, id) for id, facing in added.items())
    return replace(
        pattern,
        pieces=(*pieces, *added.values()),
        making=replace(
            making,
            joins=tuple(joins),
            finishes=(*others, inner, *ends),
            layers=(*making.layers, *layers),
            details=details,
        ),
    )


def depth_of(pattern: Pattern, size: str, finish: Finish) -> float:
    """How deep the facing of an edge is, in mm: alike all along it."""
    beside = (
        chain_length(pattern.piece(p.piece).shapes[size].edges[edge])
        for p in finish.parts
        for edge in neighbours(pattern.piece(p.piece).shapes[size].edges, p.edge)
    )
    return min(DEPTH, SHARE * min(beside))


def _ends(finish: Finish, added: Mapping[str, Piece], between: tuple[Join, ...]) -> tuple[Finish, ...]:
    """The facing's ends where the garment opens, which no seam takes in: they are turned in."""
    sewn = {(p.piece, p.edge) for join in between for p in (*join.a, *join.b)}
    outer = {p.piece: p.edge for p in finish.parts}
    left = tuple(
        EdgePart(facing.id, e.name)
        for id, facing in added.items()
        for e in facing.edges
        if e.name not in (outer[id], INNER, *(c.fold for c in facing.cuts)) and (facing.id, e.name) not in sewn
    )
    return (
        (Finish(id=f"{finish.id}-facing-ends", name="Ends of the facing", kind=FinishKind.TURNED, parts=left),)
        if left
        else ()
    )


def joins_between(joins: tuple[Join, ...], finish: Finish, added: Mapping[str, Piece]) -> Iterator[Join]:
    """The seams of the facing with itself: those of the garment that reach the edge."""

    def of_facing(parts: tuple[EdgePart, ...]) -> tuple[EdgePart, ...]:
        there = (p for p in parts if p.piece in added and added[p.piece].has_edge(p.edge))
        return tuple(replace(p, piece=added[p.piece].id) for p in there)

    for join in joins:
        a, b = of_facing(join.a), of_facing(join.b)
        if a and b:
            yield Join(
                id=f"{finish.id}-facing-{join.id}",
                name=(f"Facing {lower_first(join.name)}, at the {lower_first(finish.name)}"),
                a=a,
                b=b,
                each_hand=join.each_hand,
            )
