"""Blending sizes: one size at one level, another at the next, and a smooth line between them.

Widths are blended; lengths are those of the size that is blended, as a person draws from one line of the nest to
another at one level.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace
from functools import cache, partial
from graphlib import TopologicalSorter

from rowanseed.core.alter.deform import map_pieces, smooth
from rowanseed.core.alter.frame import Frame, frames, with_pieces
from rowanseed.core.alter.hem import hem_edges, moved_hem
from rowanseed.core.alter.ring import Ring, is_let_in
from rowanseed.core.base.craft_refusals import NoPlaceFor
from rowanseed.core.geometry.outline import Chain, Point, Segment, chain_length, flatten, point_at, tidied
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Mark, Panel, Piece, Shape
from rowanseed.core.pattern.seamline import line_length, mark_distance
from rowanseed.core.pattern.stitching import FINE, in_step
from rowanseed.core.pattern.tiers import LOWER, UPPER
from rowanseed.core.pattern.turned_yoke import laid_open

PARTS = 4
HANGS_BY = ("waist", "yoke", UPPER)
"""Edges at which a skirt hangs from what is above it, and a tier."""

Blend = tuple[tuple[str, str], ...]
"""(level, size), from the top of the garment down."""


def blendable(pattern: Pattern, size: str) -> tuple[str, ...]:
    """The levels at which sizes can be chosen apart, from the top of the garment down: those of the body panels."""
    order = TopologicalSorter[str]()
    for frame in frames(laid_open(pattern), size):
        if frame.panel in (Panel.FRONT, Panel.BACK):
            levels = [id for id, _ in frame.levels() if id not in ("hem", "knee")]
            # A bodice and the skirt below it are drawn apart: the waist, which both have, says which is above.
            for above, level in zip([None, *levels], levels, strict=False):
                order.add(level, *(() if above is None else (above,)))
    return tuple(order.static_order())


def blend_sizes(pattern: Pattern, size: str, blend: Blend) -> Pattern:
    """The pattern with `size` drawn as a blend. Raises AlterationError for an unknown level or size."""
    levels, sizes = blendable(pattern, size), pattern.envelope.sizes
    for level, other in blend:
        if level not in levels:
            raise NoPlaceFor(
                f"The pieces do not say where the {level} is, so sizes cannot be blended there.",
                f"There are: {', '.join(levels)}." if levels else "",
                "blend",
            )
        if other not in sizes:
            raise NoPlaceFor(f"This pattern has no size {other}.", f"It has {', '.join(sizes)}.", "blend")
    if all(other == size for _, other in blend):
        return pattern
    ordered = _filled(pattern, size, blend, levels)
    weighed = [(frame, _Weights(frame, size, ordered)) for frame in frames(pattern, size)]
    of_piece = {piece.id: weights for frame, weights in weighed for piece in frame.pieces}
    hems = dict(hem_edges(pattern))
    changed: list[Piece] = []
    for frame, weights in weighed:
        other = size if weights.has_levels else _size_it_hangs_from(pattern, size, frame.pieces, of_piece)
        between = cache(partial(_blended_chain, weights, size))
        changed += [
            _blended(piece, size, weights, between)
            if other == size
            else _in_another_size(
                piece, size, other, foot=hems.get(piece.id) or (LOWER if piece.has_edge(LOWER) else None)
            )
            for piece in frame.pieces
        ]
    return with_pieces(pattern, changed)


def _filled(pattern: Pattern, size: str, blend: Blend, levels: Sequence[str]) -> Blend:
    """The blend from the top down. At a seam between two fronts or backs that says nothing, both take the size above
    it, or else the first one below: what is sewn together there changes alike."""
    said, bodies = dict(blend), [f for f in frames(pattern, size) if f.panel in (Panel.FRONT, Panel.BACK)]
    for k, level in enumerate(levels):
        meets = any(sum(f.level(level) is not None for f in bodies if f.panel is panel) > 1 for panel in Panel)
        if level not in said and meets:
            nearest = (said[one] for one in (*reversed(levels[:k]), *levels[k:]) if one in said)
            said[level] = next(nearest, size)
    return tuple((level, said[level]) for level in levels if level in said)


def _size_it_hangs_from(pattern: Pattern, size: str, pieces: Sequence[Piece], of_piece: Mapping[str, _Weights]) -> str:
    """The size of what a front or back without levels of its own is sewn to at its top, as a circle or a gathered skirt
    to a yoke or a bodice, a tier to the one above; its own size where nothing says another."""
    ids = {piece.id for piece in pieces}
    if pieces[0].panel not in (Panel.FRONT, Panel.BACK):
        return size
    for join in pattern.making.joins:
        for own, others in ((join.a, join.b), (join.b, join.a)):
            if not any(part.piece in ids and part.edge in HANGS_BY for part in own):
                continue
            for other in (one for one in others if one.piece not in ids):
                weights, above = of_piece[other.piece], pattern.piece(other.piece)
                if other.edge == LOWER and not weights.has_levels:
                    return _size_it_hangs_from(pattern, size, (above,), of_piece)
                if weights.has_levels and other.edge in (*HANGS_BY, LOWER):
                    shares = weights(above.shapes[size].edges[other.edge][0].at(0.5)[0])
                    return max(shares, key=lambda name: shares[name])
    return size


def _in_another_size(piece: Piece, size: str, other: str, *, foot: str | None) -> Piece:
    """A piece that is in one size as it is drawn in another, but for its length down to its hem or its next tier."""
    shape = piece.shapes[other]
    if foot is not None:
        names = [edge.name for edge in piece.edges]
        side = names[names.index(foot) - 1]
        longer = chain_length(piece.shapes[size].edges[side]) - chain_length(shape.edges[side])
        shape = moved_hem(piece, other, foot, longer)
    return replace(
        piece,
        shapes={**piece.shapes, size: shape},
        marks=tuple(replace(m, distance={**m.distance, size: m.distance[other]}) for m in piece.marks),
        darts=tuple(replace(d, point={**d.point, size: d.point[other]}) for d in piece.darts),
        lines=tuple(replace(line, ends={**line.ends, size: line.ends[other]}) for line in piece.lines),
        points=tuple(replace(p, at={**p.at, size: p.at[other]}) for p in piece.points),
    )


Weigh = Mapping[str, float]


class _Weights:
    """Shares of the sizes at a place along the grain of one frame."""

    def __init__(self, frame: Frame, size: str, blend: Sequence[tuple[str, str]]) -> None:
        drawn = dict(frame.levels())
        self.stops = sorted((drawn[level], other) for level, other in blend if level in drawn)
        self.has_levels = bool(self.stops)
        if frame.panel is Panel.SLEEVE or (frame.panel is Panel.OTHER and not self.stops):
            # A sleeve goes with its armhole, which is the topmost level's.
            self.stops = [(0.0, blend[0][1])]
        elif not self.stops:
            self.stops = [(0.0, size)]
        self.sizes = tuple(dict.fromkeys([size, *(other for _, other in self.stops)]))

    def __call__(self, x: float) -> Weigh:
        if x <= self.stops[0][0] or len(self.stops) == 1:
            return {self.stops[0][1]: 1.0}
        for (above, first), (below, second) in zip(self.stops, self.stops[1:], strict=False):
            if x <= below:
                if first == second:
                    return {first: 1.0}
                share = smooth((x - above) / max(1e-9, below - above))
                return {first: 1 - share, second: share}
        return {self.stops[-1][1]: 1.0}


def _blended(
    piece: Piece, size: str, weights: _Weights, between: Callable[[tuple[tuple[str, Chain], ...]], Chain]
) -> Piece:
    """A piece between the sizes; `between` blends an edge, once for all the pieces of a frame that share it."""
    if weights.sizes == (size,) and weights.stops[0][1] == size:
        return piece
    if is_let_in(piece):
        return _blended_ring(piece, size, weights)

    def mix(of: Mapping[str, Point]) -> Point:
        return _mixed(of, size, weights)

    def pair(ends: Mapping[str, tuple[Point, Point]]) -> tuple[Point, Point]:
        return mix({s: e[0] for s, e in ends.items()}), mix({s: e[1] for s, e in ends.items()})

    here = {s: piece.shapes[s] for s in weights.sizes}
    edges = {name: between(tuple((s, shape.edges[name]) for s, shape in here.items())) for name in here[size].edges}
    top, bottom = pair({s: shape.grainline for s, shape in here.items()})
    return replace(
        piece,
        shapes={**piece.shapes, size: Shape(edges, (top, (bottom[0], top[1])))},
        marks=tuple(_mark(piece, size, mark, weights, chain_length(edges[mark.edge])) for mark in piece.marks),
        darts=tuple(replace(d, point={**d.point, size: mix(d.point)}) for d in piece.darts),
        lines=tuple(replace(line, ends={**line.ends, size: pair(line.ends)}) for line in piece.lines),
        points=tuple(replace(p, at={**p.at, size: mix(p.at)}) for p in piece.points),
    )


def _blended_ring(piece: Piece, size: str, weights: _Weights) -> Piece:
    """A band let in as long above and below as its edges are between the sizes there, as deep as it is."""
    ring = Ring.of(piece, size)
    lengths = {s: Ring.of(piece, s) for s in weights.sizes}
    above = sum(w * lengths[s].above for s, w in weights(ring.foot[0] - ring.high).items())
    below = sum(w * lengths[s].below for s, w in weights(ring.foot[0]).items())
    return map_pieces((piece,), size, ring.onto(replace(ring, above=above, below=below)), parts=PARTS)[0]


def _mixed(of: Mapping[str, Point], size: str, weights: _Weights) -> Point:
    """A point between the sizes across the garment; down it where the base size has it, whose length is kept."""
    shares = weights(of[size][0])
    return (of[size][0], sum(w * of[s][1] for s, w in shares.items()))


def _blended_chain(weights: _Weights, size: str, of_sizes: Sequence[tuple[str, Chain]]) -> Chain:
    """An edge between the sizes: place by place at the same share of its length from corner to corner.

    So it does not matter how many curves an edge is drawn with, or along which of its two lines.
    """
    chains = dict(of_sizes)
    ends = [x for chain in chains.values() for segment in chain for x, _ in segment.points()]
    if len(weights.stops) < 3 and weights(min(ends)) == weights(max(ends)) == {size: 1.0}:
        return chains[size]
    found = dict(zip(chains, in_step([flatten(chain, FINE) for chain in chains.values()]), strict=True))
    out: list[Segment] = []
    for k, segment in enumerate(found[size]):
        runs = {s: (chain[k],) if segment.is_curve else _parts(chain[k]) for s, chain in found.items()}
        for part in range(len(runs[size])):
            corners = {s: run[part].points() for s, run in runs.items()}
            a, b, c, d = (_mixed({s: four[k] for s, four in corners.items()}, size, weights) for k in range(4))
            # What is straight in every size is so between them: a fold above all.
            out.append(tidied(Segment(start=out[-1].end if out else a, end=d, control1=b, control2=c)))
    return tuple(out)


def _parts(segment: Segment) -> tuple[Segment, ...]:
    """A straight line in parts, since what lies between two levels bends."""
    a, b, c, d = segment.points()
    rest, out = Segment(start=a, end=d, control1=b, control2=c), []
    for k in range(PARTS, 1, -1):
        first, rest = rest.split(1 / k)
        out.append(first)
    return (*out, rest)


def _mark(piece: Piece, size: str, mark: Mark, weights: _Weights, length: float) -> Mark:
    """A mark on an edge that runs down the garment keeps its share of it; across, it stands between the sizes."""
    edge = piece.shapes[size].edges[mark.edge]
    (x0, y0), (x1, y1) = edge[0].start, edge[-1].end
    if abs(x1 - x0) > abs(y1 - y0):
        whole = line_length(piece, size, mark.edge)
        return replace(mark, distance={**mark.distance, size: mark.distance[size] * length / whole})
    x = point_at(edge, min(mark_distance(piece, size, mark), chain_length(edge)))[0]
    shares = weights(x)
    return replace(mark, distance={**mark.distance, size: sum(w * mark.distance[s] for s, w in shares.items())})
