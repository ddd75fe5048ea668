"""How a facing is drawn: along an edge of its piece, or along two that meet, its darts folded out."""

from __future__ import annotations

import math
from collections.abc import Mapping

import numpy as np
from shapely import line_merge
from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as Place

from rowanseed.core.compose.build import Edges
from rowanseed.core.compose.drafting import backwards, curve, parallel, straight
from rowanseed.core.geometry.outline import (
    Affine,
    Chain,
    Point,
    Segment,
    chain_length,
    flatten,
    split_chain,
    through,
    transform_chain,
    unit,
)
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.pieces import Dart, Panel, Piece
from rowanseed.core.pattern.seamline import mark_distance

LEANS = 120.0
"""A front's facing leaves its straight line so far below the neck, in mm, and goes round to the shoulder."""
ROUNDED, TURNS = 60.0, 6
"""The corner that it goes round is rounded by so much, in mm, and drawn through so many places and one."""
BESIDE_SLIT, BELOW_SLIT = 40.0, 40.0
"""A facing reaches so far, in mm, beside a slit and below its end."""
LEAVES, SLIMMER = 0.45, 0.7
"""Round the neck it leaves its line at such a share of it, and is nowhere wider beside the slit than such a share of
how far that lies from the centre."""
FINER, SMOOTHED = 6, 24
"""Between these places it is looked at so finely, and evened out so often, that no kink is left."""


def beside_of(piece: Piece, edge: str) -> tuple[str, str]:
    """The edges before and after an edge in the ring of a piece."""
    names = [e.name for e in piece.edges]
    k = names.index(edge)
    return names[k - 1], names[(k + 1) % len(names)]


def has_dart(piece: Piece, edge: str) -> bool:
    return any(dart.edge == edge for dart in piece.darts)


def along_one(piece: Piece, edge: str, size: str, depth: float) -> Edges:
    """The facing along an edge, its ends so far along the edges beside it, in mm."""
    before, after = beside_of(piece, edge)
    edges = _smoothed(piece, edge, _dart_closed(piece, edge, size))
    first = split_chain(edges[before], chain_length(edges[before]) - depth)[1]
    last = split_chain(edges[after], depth)[0]
    inner = _inner_edge(piece, edge, edges[edge], size, last[-1].end, first[0].start, depth)
    return {edge: edges[edge], after: last, "inner": inner, before: first}


def along_both(piece: Piece, opening: str, neck: str, size: str, deep: float, at_neck: float) -> Edges:
    """The facing along an edge that opens and the edge above it, as deep as this beside each, in mm.

    It goes out to the shoulder, or to the side where that upper edge runs on under the arm.
    """
    edges = dict(piece.shapes[size].edges)
    below, beside = beside_of(piece, opening)[1], beside_of(piece, neck)[0]
    last = split_chain(edges[below], deep)[0]
    first = split_chain(edges[beside], chain_length(edges[beside]) - at_neck)[1]
    inner = (
        _across_to_the_side(edges, opening, last, first)
        if beside == "side"
        else _round_the_corner(edges, opening, neck, deep, at_neck, last, first)
    )
    return {opening: edges[opening], below: last, "inner": inner, beside: first, neck: edges[neck]}


def _inner_edge(piece: Piece, edge: str, faced: Chain, size: str, first: Point, last: Point, depth: float) -> Chain:
    """From the end of one neighbouring edge to that of the other, beside the faced edge."""
    if edge == "neck" and beside_of(piece, edge)[0] == "side":
        # Below an edge that runs on to the side, up to a strap and down again, a facing ends straight across.
        return straight(first, last)
    if piece.panel is Panel.SLEEVE and has_dart(piece, edge):
        return (_bent(first, last, _at_depth(piece, edge, size, depth), -1),)
    return parallel(_followed(piece, edge, faced), first, last, -depth)


def round_a_slit(edges: Mapping[str, Chain], long: float) -> Edges:
    """The facing of a neck on the fold, led down along its centre and round the end of a slit that is so long, in mm.

    Its edges are neck, centre, inner and shoulder, in this order.
    """
    top = edges["neck"][-1].end
    low = (top[0] + long + BELOW_SLIT, 0.0)
    inner = edges["inner"]
    _, on = split_chain(inner, LEAVES * chain_length(inner))
    leaves = on[0].start
    wide = min(BESIDE_SLIT, SLIMMER * leaves[1])
    corner = (leaves[0] + (leaves[1] - wide), wide)
    start = on[0].derivative(0.0)
    path = (*straight(low, (low[0], wide), corner), curve(corner, (-1.0, 0.0), leaves, unit(start)))
    return {**edges, "centre": straight(top, low), "inner": (*path, *on)}


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


def _across_to_the_side(edges: Edges, opening: str, last: Chain, first: Chain) -> Chain:
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


def _smoothed(piece: Piece, edge: str, edges: Edges) -> Edges:
    """The short top of a raglan sleeve, which a folded dart bends, runs in one curve of the same length."""
    if piece.panel is not Panel.SLEEVE or not has_dart(piece, edge):
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


def _at_depth(piece: Piece, edge: str, size: str, depth: float) -> float:
    """How long a piece is beside an edge at a depth, its darts taken off as wide as they are there."""
    edges = piece.shapes[size].edges
    within = Polygon([q for chain in edges.values() for q in flatten(chain, 0.2)[:-1]])
    beside = LineString(flatten(edges[edge], 0.2)).buffer(depth).boundary.intersection(within)
    taken = 0.0
    for dart in piece.darts:
        if dart.edge == edge:
            a, b = (mark_distance(piece, size, piece.mark(leg)) for leg in dart.legs)
            deep = LineString(flatten(edges[edge], 0.2)).distance(Place(dart.point[size]))
            taken += abs(b - a) * max(0.0, 1 - depth / deep)
    return float(beside.length) - taken


def _followed(piece: Piece, edge: str, chain: Chain) -> Chain:
    """What a facing's inner edge runs beside: the faced edge backwards, in one curve where a folded dart bends it."""
    if not has_dart(piece, edge):
        return backwards(chain)
    points = flatten(chain, 0.2)
    away, towards = ((b[0] - a[0], b[1] - a[1]) for a, b in (points[-1:-3:-1], points[1::-1]))
    return (curve(points[-1], away, points[0], towards, 0.36),)


def _dart_closed(piece: Piece, edge: str, size: str) -> Edges:
    """The edges of a piece with the darts on one of them folded: what lies before a dart is turned about its point, as
    far as its legs stand apart; what lies before a pleat or a tuck is moved so far."""
    edges = dict(piece.shapes[size].edges)
    names = [e.name for e in piece.edges]
    before, gone = names[names.index(edge) - 1], 0.0
    for dart, (near, far) in _along(piece, edge, size):
        # What was folded before it is missing from the edge.
        first, rest = split_chain(edges[edge], near - gone)
        last = split_chain(rest, far - near)[1]
        point = dart.point[size]
        one, other = first[-1].end, last[0].start
        turn = _shifted(one, other) if dart.is_folded else _turned(point, one, other)
        edges[edge] = (*transform_chain(first, turn), *last)
        edges[before] = transform_chain(edges[before], turn)
        gone += far - near
    return edges


def _along(piece: Piece, edge: str, size: str) -> list[tuple[Dart, tuple[float, float]]]:
    """The darts on an edge with how far along it their legs stand, in mm, the first one first."""
    found = []
    for dart in piece.darts:
        if dart.edge == edge:
            near, far = sorted(mark_distance(piece, size, piece.mark(leg)) for leg in dart.legs)
            found.append((dart, (near, far)))
    return sorted(found, key=lambda one: one[1])


def _shifted(one: Point, other: Point) -> Affine:
    return Affine(1.0, 0.0, 0.0, 1.0, other[0] - one[0], other[1] - one[1])


def _turned(about: Point, one: Point, other: Point) -> Affine:
    """A turn about a dart's point that brings one leg onto the other, without stretching anything."""
    angle = math.atan2(other[1] - about[1], other[0] - about[0]) - math.atan2(one[1] - about[1], one[0] - about[0])
    c, s = math.cos(angle), math.sin(angle)
    x, y = c * one[0] - s * one[1], s * one[0] + c * one[1]
    return Affine(c, -s, s, c, other[0] - x, other[1] - y)
