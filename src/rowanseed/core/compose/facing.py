"""Shaped facings: a strip along an edge of several pieces, joined as they are, sewn to the edge and turned inside."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from dataclasses import replace
from functools import lru_cache

import numpy as np
from shapely import line_merge
from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as Place

from rowanseed.core.base.same import Same
from rowanseed.core.compose.build import Build, Edges, part
from rowanseed.core.compose.description import Interfaced
from rowanseed.core.compose.drafting import backwards, curve, parallel, solve, straight
from rowanseed.core.compose.figures import Size
from rowanseed.core.geometry.outline import (
    Affine,
    Chain,
    Point,
    chain_length,
    flatten,
    split_chain,
    through,
    transform_chain,
    unit,
)
from rowanseed.core.pattern.making import EdgePart, FinishKind, Join, LayerKind, Press
from rowanseed.core.pattern.pieces import Panel, Piece
from rowanseed.core.pattern.seamline import mark_distance

FACING, ARMHOLE_FACING, AT_OPENING = 55.0, 35.0, 70.0
"""How deep facings are, in mm: those of armholes less, those of an edge that buttons as deep again behind its lap."""
USUAL = {"armhole": ARMHOLE_FACING, "opening": AT_OPENING}
LEAST, CLEAR = 25.0, 5.0
"""A facing ends so far, in mm, before a dart or a pleat of the edge beside it, if that leaves it so much."""
ALONG_OPENING = "opening-facing"
"""The seam of a facing to the edges of an opening."""
INNER_EDGES = "Inner edges of the facings"
ENOUGH = 0.75
"""A facing ends in the first segment of the edge beside it that leaves it this share of its depth."""
LEANS = 120.0
"""A front's facing leaves its straight line so far below the neck, in mm, and goes round to the shoulder."""
ROUNDED, TURNS = 60.0, 6
"""The corner that it goes round is rounded by so much, in mm, and drawn through so many places and one."""
FINER, SMOOTHED = 6, 24
"""Between these places it is looked at so finely, and evened out so often, that no kink is left."""


def face(build: Build, id: str, words: str, parts: Iterable[EdgePart], neck: Iterable[EdgePart] = ()) -> None:
    """Facings of an edge of several pieces, joined to each other where the pieces are, and sewn to the edge.

    A piece that has its part of the `neck`, too, gets one facing for both edges, and the neck's own facing goes on
    from it.
    """
    parts, neck = tuple(parts), tuple(neck)
    deep, at_neck = _deep(build, parts), _deep(build, neck)
    made, new = dict[str, str](), list[str]()
    for p in parts:
        known = build.faced.get((p.piece, p.edge))
        if known is None:
            known = f"{p.piece}-{id}-facing"
            beside = next(
                (q for q in neck if q.piece == p.piece and not _has_dart(build.pieces[q.piece], q.edge)), None
            )
            if beside is None:
                facing_of(build, known, p, deep)
            else:
                _facing_of_both(build, known, p, beside, deep, at_neck)
                build.faced[beside.piece, beside.edge] = known
            build.layer(LayerKind.FACING, known, p.piece)
            new.append(known)
        made[p.piece] = known
    _facing_seams(build, id, made)
    faced = tuple(part(made[p.piece], p.edge) for p in parts)
    inner = tuple(part(facing, "inner") for facing in new)
    if len(new) < len(made):
        _in_one(build, words, parts, faced, inner)
        build.along[id] = (ALONG_OPENING,)
    else:
        build.join(f"{id}-facing", f"Facing to {words}", parts, faced, press=Press.FACING, each_hand=id == "armhole")
        build.finish(f"{id}-facing-edge", f"Inner edge of the {words} facing", FinishKind.NEATENED, inner)
        build.along[id] = (f"{id}-facing",)
    _facing_ends(build, id, words, new)


def _in_one(
    build: Build, words: str, parts: tuple[EdgePart, ...], faced: tuple[EdgePart, ...], inner: tuple[EdgePart, ...]
) -> None:
    """The neck goes on from the edge that opens: one seam from the hem up and round, and one inner edge."""
    last = parts[-1].piece in {piece for piece, _ in build.faced}
    above, facings = (parts, faced) if last else (parts[::-1], faced[::-1])
    build.joins = [
        replace(join, name=f"{join.name} and {words}", a=(*above, *join.a), b=(*facings, *join.b))
        if join.id == ALONG_OPENING
        else join
        for join in build.joins
    ]
    build.finishes = [
        replace(finish, name=INNER_EDGES, parts=(*finish.parts, *inner))
        if finish.id == f"{ALONG_OPENING}-edge"
        else finish
        for finish in build.finishes
    ]


def _deep(build: Build, parts: tuple[EdgePart, ...]) -> dict[str, float]:
    """One depth for all of a facing, so that its ends meet."""
    return build.each(lambda size: min((facing_depth(build, p, size) for p in parts), default=0.0))


def _has_dart(piece: Piece, edge: str) -> bool:
    return any(dart.edge == edge for dart in piece.darts)


def _ends(piece: Piece, edge: str) -> tuple[str, str]:
    """The edges before and after an edge in the ring of a piece."""
    names = [e.name for e in piece.edges]
    k = names.index(edge)
    return names[k - 1], names[(k + 1) % len(names)]


def facing_depth(build: Build, p: EdgePart, size: Size) -> float:
    """How deep a facing can be on a piece, in mm."""
    before, after = _ends(build.pieces[p.piece], p.edge)
    piece = build.pieces[p.piece]
    usual = USUAL.get(p.edge, FACING)
    deep = usual
    if p.edge == "armhole":
        whole = sum(
            chain_length(one.shapes[size.name].edges["armhole"])
            for one in build.pieces.values()
            if one.panel is piece.panel and one.has_edge("armhole")
        )
        deep = min(usual, 0.12 * whole + 8.0)
    ends = (_reaches(Same(piece), edge, usual, from_end=edge == before)[size.name] for edge in (before, after))
    return min(deep, *ends)


@lru_cache(maxsize=256)
def _reaches(piece: Same[Piece], edge: str, deep: float, *, from_end: bool) -> dict[str, float]:
    """Size → how far a facing's end may run along the edge beside it: into the same of its segments in every size, and
    not into what a dart or a pleat takes in there."""
    every: dict[str, list[float]] = {}
    for size, shape in piece.it.shapes.items():
        chain = shape.edges[edge]
        every[size] = [chain_length((s,)) for s in (reversed(chain) if from_end else chain)]
    before = min(_before_darts(piece.it, edge, size, from_end=from_end) for size in every) - CLEAR
    if before >= LEAST:
        deep = min(deep, before)
    count = len(next(iter(every.values())))
    k = next((k for k in range(count) if all(sum(one[: k + 1]) >= deep * ENOUGH for one in every.values())), 0)
    return {size: min(deep, sum(own[:k]) + 0.8 * own[k]) for size, own in every.items()}


def _before_darts(piece: Piece, edge: str, size: str, *, from_end: bool) -> float:
    """How far along an edge its first dart, tuck or pleat begins, in mm."""
    legs = [
        mark_distance(piece, size, piece.mark(leg)) for dart in piece.darts if dart.edge == edge for leg in dart.legs
    ]
    whole = chain_length(piece.shapes[size].edges[edge])
    return min((whole - at if from_end else at for at in legs), default=math.inf)


def _round_the_corner(
    edges: Mapping[str, Chain], opening: str, neck: str, deep: float, at_neck: float, last: Chain, first: Chain
) -> Chain:
    """The inner edge of a facing in one with the neck's: beside the opening, then round to the shoulder.

    Straight first, then in smooth curves, in the same segments whatever the neck.
    """
    piece = Polygon([q for chain in edges.values() for q in flatten(chain, 0.2)[:-1]])
    beside = LineString(flatten(edges[opening], 0.2)).buffer(deep, cap_style="flat")
    round_neck = LineString(flatten(edges[neck], 0.2)).buffer(at_neck)
    strip = piece.intersection(beside.union(round_neck))
    strip = piece.intersection(strip.buffer(ROUNDED).buffer(-ROUNDED))
    foot, top = last[-1].end, first[0].start
    within = strip.boundary.difference(piece.exterior.buffer(0.05))
    merged = within if within.geom_type == "LineString" else line_merge(within)
    line = max(getattr(merged, "geoms", [merged]), key=lambda part: part.length)
    if math.dist(line.coords[0], foot) > math.dist(line.coords[-1], foot):
        line = line.reverse()
    level = edges[opening][0].start[0] + LEANS
    share = min(0.5, max(0.05, (foot[0] - level) / line.length))
    count = TURNS * FINER
    way = np.array(
        [line.interpolate(share + (1 - share) * k / count, normalized=True).coords[0] for k in range(count)] + [top]
    )
    for _ in range(SMOOTHED):
        way[1:-1] = (way[:-2] + 2 * way[1:-1] + way[2:]) / 4
    points = [(float(x), float(y)) for x, y in way[::FINER]]
    return (*straight(foot, points[0]), *(through(*points[k : k + 4]) for k in range(0, TURNS, 3)))


def _across_to_the_side(edges: Edges, opening: str, deep: float, last: Chain, first: Chain) -> Chain:
    """The inner edge of a facing in one with that of an upper edge which runs on to the side: straight beside the
    opening, round a corner, then straight across below the upper edge."""
    foot, top = last[-1].end, first[0].start
    start, end = edges[opening][0].start, edges[opening][-1].end
    down = unit((end[0] - start[0], end[1] - start[1]))
    level = (top[0] - foot[0]) / down[0] if down[0] else 0.0
    corner = (foot[0] + level * down[0], foot[1] + level * down[1])
    before, after = _towards(corner, foot, ROUNDED), _towards(corner, top, ROUNDED)
    return (
        *straight(foot, before),
        curve(
            before, (corner[0] - before[0], corner[1] - before[1]), after, (after[0] - corner[0], after[1] - corner[1])
        ),
        *straight(after, top),
    )


def _towards(one: Point, other: Point, far: float) -> Point:
    """A place so far, in mm, from one point towards another, at most half the way."""
    share = min(0.5, far / math.dist(one, other))
    return one[0] + share * (other[0] - one[0]), one[1] + share * (other[1] - one[1])


def _facing_of_both(
    build: Build, facing: str, p: EdgePart, neck: EdgePart, deep: Mapping[str, float], at_neck: Mapping[str, float]
) -> None:
    """The facing of an edge that opens and of the edge above it in one: along the edge, then out to the shoulder.

    Or to the side, where that upper edge runs on under the arm.
    """
    base = build.pieces[p.piece]
    below, beside = _ends(base, p.edge)[1], _ends(base, neck.edge)[0]

    def draw(size: Size) -> Edges:
        edges = base.shapes[size.name].edges
        last = split_chain(edges[below], deep[size.name])[0]
        first = split_chain(edges[beside], chain_length(edges[beside]) - at_neck[size.name])[1]
        inner = (
            _across_to_the_side(edges, p.edge, deep[size.name], last, first)
            if beside == "side"
            else _round_the_corner(edges, p.edge, neck.edge, deep[size.name], at_neck[size.name], last, first)
        )
        return {p.edge: edges[p.edge], below: last, "inner": inner, beside: first, neck.edge: edges[neck.edge]}

    build.piece(facing, f"{base.name} facing", draw, panel=Panel.BAND, count=2, pair=True, allowances={"inner": 0.0})
    build.interface(facing, Interfaced.FACINGS)


def facing_of(build: Build, facing: str, p: EdgePart, deep: Mapping[str, float]) -> None:
    """The strip along an edge of a piece, its ends along the neighbouring edges."""
    base = build.pieces[p.piece]
    before, after = _ends(base, p.edge)
    own = base.cuts[0]

    def draw(size: Size) -> Edges:
        edges = _smoothed(base, p.edge, _dart_closed(base, p.edge, size))
        depth = deep[size.name]
        first = split_chain(edges[before], chain_length(edges[before]) - depth)[1]
        last = split_chain(edges[after], depth)[0]
        inner = _inner_edge(base, p.edge, edges[p.edge], size, last[-1].end, first[0].start, depth)
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


def _inner_edge(base: Piece, edge: str, faced: Chain, size: Size, first: Point, last: Point, depth: float) -> Chain:
    """From the end of one neighbouring edge to that of the other, beside the faced edge."""
    if edge == "neck" and _ends(base, edge)[0] == "side":
        # Below an edge that runs on to the side, up to a strap and down again, a facing ends straight across.
        return straight(first, last)
    if base.panel is Panel.SLEEVE and _has_dart(base, edge):
        return (_bent(first, last, _at_depth(base, edge, size, depth), -1),)
    return parallel(_followed(base, edge, faced), first, last, -depth)


def _smoothed(base: Piece, edge: str, edges: Edges) -> Edges:
    """The short top of a raglan sleeve, which a folded dart bends, runs in one curve of the same length."""
    if base.panel is not Panel.SLEEVE or not _has_dart(base, edge):
        return edges
    chain = edges[edge]
    return {**edges, edge: (_bent(chain[0].start, chain[-1].end, chain_length(chain), 1),)}


def _bent(start: Point, end: Point, long: float, left: int) -> Segment:
    """One even curve of this length between two points, out to the left of its way (1) or to the right (-1)."""
    along = unit((end[0] - start[0], end[1] - start[1]))

    def drawn(by: float) -> Segment:
        out = (-along[1] * by * left, along[0] * by * left)
        leaves, arrives = (along[0] + out[0], along[1] + out[1]), (along[0] - out[0], along[1] - out[1])
        return curve(start, leaves, end, arrives, 0.36)

    return drawn(solve(lambda by: chain_length((drawn(by),)), long, 0.0, 4.0))


def _at_depth(base: Piece, edge: str, size: Size, depth: float) -> float:
    """How long a piece is beside an edge at a depth, its darts taken off as wide as they are there."""
    edges = base.shapes[size.name].edges
    within = Polygon([q for chain in edges.values() for q in flatten(chain, 0.2)[:-1]])
    beside = LineString(flatten(edges[edge], 0.2)).buffer(depth).boundary.intersection(within)
    taken = 0.0
    for dart in base.darts:
        if dart.edge == edge:
            a, b = (mark_distance(base, size.name, base.mark(leg)) for leg in dart.legs)
            deep = LineString(flatten(edges[edge], 0.2)).distance(Place(dart.point[size.name]))
            taken += abs(b - a) * max(0.0, 1 - depth / deep)
    return beside.length - taken


def _followed(base: Piece, edge: str, chain: Chain) -> Chain:
    """What a facing's inner edge runs beside: the faced edge backwards, in one curve where a folded dart bends it."""
    if not _has_dart(base, edge):
        return backwards(chain)
    points = flatten(chain, 0.2)
    away, towards = ((b[0] - a[0], b[1] - a[1]) for a, b in (points[-1:-3:-1], points[1::-1]))
    return (curve(points[-1], away, points[0], towards, 0.36),)


def _dart_closed(base: Piece, edge: str, size: Size) -> Edges:
    """The edges of a piece with the darts on one of them folded: what lies before a dart is turned about its point, as
    far as its legs stand apart; what lies before a pleat or a tuck is moved so far."""
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
        one, other = first[-1].end, last[0].start
        turn = _shifted(one, other) if dart.is_folded else _turned(point, one, other)
        edges[edge] = (*transform_chain(first, turn), *last)
        edges[before] = transform_chain(edges[before], turn)
    return edges


def _shifted(one: Point, other: Point) -> Affine:
    return Affine(1.0, 0.0, 0.0, 1.0, other[0] - one[0], other[1] - one[1])


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


def leave_open_at_zips(build: Build) -> None:
    """Facings are not sewn together where a zip opens the seam beneath: their ends are turned in beside it."""
    for closure in build.closures:
        join = next((j for j in build.joins if j.id == closure.join), None)
        if closure.to_mark is None or join is None:
            continue
        faced = _opens_on(build, join, closure.to_mark)
        gone = [j for j in build.joins if j.id == f"{faced}-{join.id}-facing"]
        for own in gone:
            build.joins.remove(own)
            parts = dict.fromkeys(part(p.piece, p.edge, p.hand) for p in (*own.a, *own.b))
            build.finish(f"{own.id}-ends", "Ends of the facing at the zip", FinishKind.RAW, parts)


def _opens_on(build: Build, join: Join, to_mark: tuple[str, str]) -> str:
    """The edge that a zip's seam runs out on where it is open.

    On one piece that is beside the end its mark is measured from; a seam over several is open from the farthest one.
    """
    side = next((one for one in (join.a, join.b) if any(p.piece == to_mark[0] for p in one)), join.a)
    mark = build.pieces[to_mark[0]].mark(to_mark[1])
    k = next((k for k, p in enumerate(side) if p.piece == to_mark[0]), 0)
    far = side[0] if k else side[-1]
    names = [e.name for e in build.pieces[far.piece].edges]
    own = names.index(far.edge)
    return names[(own + 1) % len(names)] if mark.anchor == "end" else names[own - 1]


def _facing_ends(build: Build, id: str, words: str, made: Iterable[str]) -> None:
    """Ends of a facing that meet no other: at a hem they are closed with it, at an opening turned in."""
    sewn = {(p.piece, p.edge) for j in build.joins for p in (*j.a, *j.b)}
    done = {(p.piece, p.edge) for f in build.finishes for p in f.parts}
    left: list[EdgePart] = []
    low: list[EdgePart] = []
    for facing in made:
        piece = build.pieces[facing]
        own = {id, "inner", *(cut.fold for cut in piece.cuts)}
        if facing in build.faced.values():
            own |= {"neck", "shoulder"}
        for e in piece.edges:
            if (facing, e.name) not in sewn | done and e.name not in own:
                (low if e.name == "hem" else left).append(part(facing, e.name))
    build.finish(f"{id}-facing-ends", f"Ends of the {words} facing", FinishKind.RAW, left)
    build.finish(f"{id}-facing-hems", "Lower ends of the facings", FinishKind.TURNED, low)
