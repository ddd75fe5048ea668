"""Lengthening and shortening at the hem, where there is no shaping below."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import replace

from shapely.geometry import LineString
from shapely.geometry import Point as Spot

from rowanseed.core.base.craft_refusals import AlterationError, EndsAboveMark, NoPlaceFor, TooShortToShorten
from rowanseed.core.geometry.outline import (
    Chain,
    Point,
    Segment,
    chain_length,
    direction_at,
    flatten,
    similarity,
    split_chain,
    transform_chain,
    unit,
)
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import InnerLine, LineKind, MarkKind, Panel, Piece, Shape

AT_THE_HEM = 1.0
"""A line that ends so near to the hem, in mm, runs out there."""
LEAST_LEFT = 50.0
"""A shortening has to leave this much of every edge that runs into the hem, in mm."""


def hem_edges(pattern: Pattern) -> tuple[tuple[str, str], ...]:
    """(piece id, edge name) of every edge that is hemmed, and of the linings and facings drawn on those pieces."""
    hemmed = [
        (part.piece, part.edge)
        for finish in pattern.making.finishes
        if finish.kind is FinishKind.HEM
        for part in finish.parts
        if pattern.piece(part.piece).panel in (Panel.FRONT, Panel.BACK)
    ]
    frames = {(pattern.piece(piece).frame, edge) for piece, edge in hemmed}
    layers = {layer.piece for layer in pattern.making.layers if layer.piece != layer.of}
    along = [
        (piece.id, edge.name)
        for piece in pattern.pieces
        for edge in piece.edges
        if piece.id in layers and (piece.frame, edge.name) in frames
    ]
    return tuple(dict.fromkeys([*hemmed, *along]))


def change_length_at_hem(pattern: Pattern, size: str, by: float) -> Pattern:
    """Lengthen (`by` > 0) or shorten every hemmed piece at the hem, in one size.

    The edges that run into the hem are drawn out along their own direction, or cut back, by `by` mm;
    the hem curve is scaled to meet them, which keeps a cone's hem an arc of the same cone.

    Raises AlterationError if the pattern has no hem, or a piece is too short for the change.
    """
    if by == 0:
        return pattern
    hems = hem_edges(pattern)
    if not hems:
        raise NoPlaceFor(
            "This pattern does not say which edges are hemmed, so the length cannot be changed there.",
            "Leave the change at nothing.",
        )
    pieces = {piece.id: piece for piece in pattern.pieces}
    for piece_id, edge in hems:
        piece = pieces[piece_id]
        shape = moved_hem(piece, size, edge, by)
        pieces[piece_id] = replace(piece, shapes={**piece.shapes, size: shape}, lines=_down_to(piece, size, edge, by))
    return replace(pattern, pieces=tuple(pieces[piece.id] for piece in pattern.pieces))


def _down_to(piece: Piece, size: str, hem: str, by: float) -> tuple[InnerLine, ...]:
    """The lines of a piece, those that run out at its hem `by` mm longer: a centre line, pleats."""
    edge = LineString(flatten(piece.shapes[size].edges[hem], 0.1))

    def ended(line: InnerLine) -> InnerLine:
        if size not in line.ends or line.kind in (LineKind.LEVEL, LineKind.LENGTHEN_SHORTEN):
            return line
        first, last = line.ends[size]
        if edge.distance(Spot(last)) > AT_THE_HEM:
            return line
        down = unit((last[0] - first[0], last[1] - first[1]))
        return replace(line, ends={**line.ends, size: (first, (last[0] + by * down[0], last[1] + by * down[1]))})

    return tuple(ended(line) for line in piece.lines)


def moved_hem(piece: Piece, size: str, hem: str, by: float) -> Shape:
    """The piece in one size with its edge `hem` `by` mm lower down. Raises TooShortToShorten, EndsAboveMark."""
    before, after = _beside(piece, hem)
    shape = piece.shapes[size]
    down, up, curve = shape.edges[before], shape.edges[after], shape.edges[hem]
    refusal = _too_short(piece, size, hem, by)
    if refusal is not None:
        raise refusal
    down = _lengthened(down, by)
    up = tuple(s.reversed() for s in reversed(_lengthened(tuple(s.reversed() for s in reversed(up)), by)))
    move = similarity(curve[0].start, curve[-1].end, down[-1].end, up[0].start)
    edges = {**shape.edges, before: down, after: up, hem: transform_chain(curve, move)}
    return Shape(edges, _longer_grainline(shape, by))


def bears(pattern: Pattern, by: float) -> bool:
    """Whether the length at the hem can be changed by so much, in mm, in every size."""
    pieces = {piece.id: piece for piece in pattern.pieces}
    return all(
        _too_short(pieces[id], size, edge, by) is None for id, edge in hem_edges(pattern) for size in pieces[id].shapes
    )


def _beside(piece: Piece, hem: str) -> tuple[str, str]:
    """The edges that run into a hem: the one before it in the ring, and the one after."""
    names = [edge.name for edge in piece.edges]
    at = names.index(hem)
    return names[at - 1], names[(at + 1) % len(names)]


def _too_short(piece: Piece, size: str, hem: str, by: float) -> AlterationError | None:
    """Why a piece cannot be shortened at its hem by so much; None where it can, or is lengthened."""
    if by >= 0:
        return None
    long = {edge: chain_length(piece.shapes[size].edges[edge]) for edge in _beside(piece, hem)}
    if min(long.values()) + by < LEAST_LEFT:
        return TooShortToShorten(piece.id, size, min(long.values()))
    above = _ends_above_a_mark(piece, size, {edge: mm + by for edge, mm in long.items()})
    return EndsAboveMark(piece.id, size) if above else None


def _ends_above_a_mark(piece: Piece, size: str, long: Mapping[str, float]) -> bool:
    """Whether edges of these lengths, in mm, end before a mark on them at which a zip, an opening or a pocket ends."""
    ends = (m for m in piece.marks if m.kind in (MarkKind.ZIP_END, MarkKind.DOT) and m.anchor in ("start", "end"))
    return any(mark.distance[size] > long.get(mark.edge, math.inf) for mark in ends)


def _lengthened(chain: Chain, by: float) -> Chain:
    """A chain drawn out straight beyond its end by `by` mm, or cut back."""
    if by < 0:
        return split_chain(chain, chain_length(chain) + by)[0]
    along = direction_at(chain, chain_length(chain))
    last = chain[-1]
    end: Point = (last.end[0] + along[0] * by, last.end[1] + along[1] * by)
    if last.is_curve:
        return (*chain, Segment(last.end, end))
    return (*chain[:-1], Segment(last.start, end))


def _longer_grainline(shape: Shape, by: float) -> tuple[Point, Point]:
    top, bottom = shape.grainline
    if bottom[0] + by - top[0] > math.dist(top, bottom) / 4:
        return top, (bottom[0] + by, bottom[1])
    return top, bottom
