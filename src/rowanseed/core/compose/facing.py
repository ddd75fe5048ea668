"""Shaped facings: a strip along an edge of several pieces, joined as they are, sewn to the edge and turned inside."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping

from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Interfaced
from rowanseed.core.compose.drafting import backwards, curve, parallel, solve, straight
from rowanseed.core.compose.figures import Size
from rowanseed.core.geometry.outline import Affine, Chain, Point, chain_length, split_chain, transform_chain
from rowanseed.core.pattern.making import EdgePart, FinishKind, LayerKind, Press
from rowanseed.core.pattern.pieces import Panel, Piece

FACING, ARMHOLE_FACING = 55.0, 35.0
"""How deep facings are, in mm; those of armholes less."""


def face(build: Build, id: str, words: str, parts: Iterable[EdgePart]) -> None:
    """Facings of an edge of several pieces, joined to each other where the pieces are, and sewn to the edge."""
    faced: list[EdgePart] = []
    made: dict[str, str] = {}
    parts = tuple(parts)
    deep = build.each(lambda size: min(facing_depth(build, p, size) for p in parts))
    for p in parts:
        facing = f"{p.piece}-{id}-facing"
        facing_of(build, facing, p, deep)
        made[p.piece] = facing
        build.layer(LayerKind.FACING, facing, p.piece)
        faced.append(part(facing, p.edge))
    _facing_seams(build, id, made)
    build.join(f"{id}-facing", f"Facing to {words}", tuple(parts), faced, press=Press.FACING, each_hand=id == "armhole")
    inner = tuple(part(facing, "inner") for facing in made.values())
    build.finish(f"{id}-facing-edge", f"Inner edge of the {words} facing", FinishKind.NEATENED, inner)
    _facing_ends(build, id, words, made)
    build.along[id] = (f"{id}-facing",)


def _ends(build: Build, p: EdgePart) -> tuple[str, str]:
    """The edges before and after an edge in the ring of its piece."""
    names = [e.name for e in build.pieces[p.piece].edges]
    k = names.index(p.edge)
    return names[k - 1], names[(k + 1) % len(names)]


def facing_depth(build: Build, p: EdgePart, size: Size) -> float:
    """How deep a facing can be on a piece: one depth for all of them, so that their ends meet."""
    before, after = _ends(build, p)
    edges = build.pieces[p.piece].shapes[size.name].edges
    ends = (edges[before][-1:], edges[after][:1])
    deep = min(ARMHOLE_FACING, 0.12 * chain_length(edges[p.edge]) + 8.0) if p.edge == "armhole" else FACING
    return min(deep, *(0.8 * chain_length(end) for end in ends))


def facing_of(build: Build, facing: str, p: EdgePart, deep: Mapping[str, float]) -> None:
    """The strip along an edge of a piece, its ends along the neighbouring edges."""
    base = build.pieces[p.piece]
    before, after = _ends(build, p)
    own = base.cuts[0]

    def draw(size: Size) -> Edges:
        edges = _smoothed(base, p.edge, _dart_closed(base, p.edge, size))
        depth = deep[size.name]
        first = split_chain(edges[before], chain_length(edges[before]) - depth)[1]
        last = split_chain(edges[after], depth)[0]
        # Below an edge that runs on to the side, up to a strap and down again, a facing ends straight across.
        inner = (
            straight(last[-1].end, first[0].start)
            if p.edge == "neck" and before == "side"
            else parallel(_followed(base, p.edge, edges[p.edge]), last[-1].end, first[0].start, -depth)
        )
        return {p.edge: edges[p.edge], after: last, "inner": inner, before: first}

    fold = own.fold if own.fold in (before, after) else None
    build.piece(
        facing,
        f"{base.name}, {p.edge} facing",
        draw,
        panel=Panel.BAND,
        count=1 if fold else 2,
        pair=fold is None,
        fold=fold,
        allowances={"inner": 0.0},
    )
    build.interface(facing, Interfaced.FACINGS)


def _smoothed(base: Piece, edge: str, edges: Edges) -> Edges:
    """The short top of a raglan sleeve, which a folded dart bends, runs in one curve of the same length."""
    if base.panel is not Panel.SLEEVE or not any(dart.edge == edge for dart in base.darts):
        return edges
    start, end, goal = edges[edge][0].start, edges[edge][-1].end, chain_length(edges[edge])

    def drawn(by: float) -> Chain:
        return (curve(start, (by, -1.0), end, (-by, -1.0), 0.36),)

    return {**edges, edge: drawn(solve(lambda by: chain_length(drawn(by)), goal, 0.0, 4.0))}


def _followed(base: Piece, edge: str, chain: Chain) -> Chain:
    """What a facing's inner edge runs beside: the faced edge backwards, or its chord where a folded dart bends it."""
    if any(dart.edge == edge for dart in base.darts):
        return straight(chain[-1].end, chain[0].start)
    return backwards(chain)


def _dart_closed(base: Piece, edge: str, size: Size) -> Edges:
    """The edges of a piece with the darts on one of them folded: what lies before a dart is turned about its point, as
    far as its legs stand apart."""
    edges = dict(base.shapes[size.name].edges)
    names = [e.name for e in base.edges]
    before = names[names.index(edge) - 1]
    for dart in base.darts:
        if dart.edge != edge:
            continue
        whole = chain_length(edges[edge])
        marks = [base.mark(leg) for leg in dart.legs]
        at = sorted(m.distance[size.name] if m.anchor == "start" else whole - m.distance[size.name] for m in marks)
        first, rest = split_chain(edges[edge], at[0])
        last = split_chain(rest, at[1] - at[0])[1]
        point = dart.point[size.name]
        turn = _turned(point, first[-1].end, last[0].start)
        edges[edge] = (*transform_chain(first, turn), *last)
        edges[before] = transform_chain(edges[before], turn)
    return edges


def _turned(about: Point, one: Point, other: Point) -> Affine:
    """A turn about a dart's point that brings one leg onto the other, without stretching anything."""
    angle = math.atan2(other[1] - about[1], other[0] - about[0]) - math.atan2(one[1] - about[1], one[0] - about[0])
    c, s = math.cos(angle), math.sin(angle)
    x, y = c * one[0] - s * one[1], s * one[0] + c * one[1]
    return Affine(c, -s, s, c, other[0] - x, other[1] - y)


def _facing_seams(build: Build, id: str, made: dict[str, str]) -> None:
    """Facings are joined as the pieces they lie on."""
    for join in list(build.joins):
        ends = [p for p in (*join.a, *join.b) if p.piece in made and build.pieces[made[p.piece]].has_edge(p.edge)]
        a = tuple(p for p in join.a if p in ends)
        b = tuple(p for p in join.b if p in ends)
        if a and b:
            build.join(
                f"{id}-{join.id}-facing",
                f"Facing, {join.name[:1].lower()}{join.name[1:]}",
                (part(made[p.piece], p.edge, p.hand) for p in a),
                (part(made[p.piece], p.edge, p.hand) for p in b),
                each_hand=join.each_hand,
            )


def _facing_ends(build: Build, id: str, words: str, made: dict[str, str]) -> None:
    """Ends of a facing that meet no other: at an opening they are turned in."""
    sewn = {(p.piece, p.edge) for j in build.joins for p in (*j.a, *j.b)}
    done = {(p.piece, p.edge) for f in build.finishes for p in f.parts}
    left = []
    for facing in made.values():
        folds = {cut.fold for cut in build.pieces[facing].cuts}
        for e in build.pieces[facing].edges:
            if (facing, e.name) not in sewn | done and e.name not in folds and e.name not in ("inner", id):
                left.append(part(facing, e.name))
    build.finish(f"{id}-facing-ends", f"Ends of the {words} facing", FinishKind.RAW, left)
