"""A frame: pieces drawn where they lie together, and moved together."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace

from rowanseed.core.alter.deform import Cuts, Field, deform_all
from rowanseed.core.geometry.outline import Chain, Point, flatten
from rowanseed.core.pattern.making import LayerKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, Panel, Piece, PointKind, Role
from rowanseed.core.pattern.seamline import mark_point

MEETS = 0.1
"""Ends of edges so near to each other, in mm, are one."""
ROUGH = 0.5
"""Flatness in mm of edges that only tell a map where they run."""


@dataclass(frozen=True)
class Frame:
    """The pieces of one frame in one size; the garment's own pieces stand before its layers."""

    name: str
    panel: Panel
    pieces: tuple[Piece, ...]
    size: str

    def edge(self, name: str) -> Chain | None:
        """The edge of this name, of the first piece that has it."""
        return next((p.shapes[self.size].edges[name] for p in self.pieces if p.has_edge(name)), None)

    def neck_point(self, neck: Chain) -> Point:
        """The end of a neck edge at the shoulder; where no shoulder is drawn, its upper one.

        The other end lies at the centre, which a round back lifts above the neck point, or far beyond the centre
        where fronts cross.
        """
        ends, shoulder = (neck[0].start, neck[-1].end), self.edge("shoulder")
        tips = (shoulder[0].start, shoulder[-1].end) if shoulder else ()
        return next((end for end in ends for tip in tips if math.dist(end, tip) < MEETS), min(ends))

    def led_on(self, edge: Chain, name: str) -> Chain:
        """An edge led on by what other pieces have of it: above a slant pocket's mouth the side is its side piece's."""
        for other in (p.shapes[self.size].edges[name] for p in self.pieces if p.has_edge(name)):
            if (other[-1].end[0] - other[0].start[0]) * (edge[-1].end[0] - edge[0].start[0]) <= 0:
                continue
            if math.dist(other[0].start, edge[-1].end) < MEETS:
                edge = (*edge, *other)
            elif math.dist(other[-1].end, edge[0].start) < MEETS:
                edge = (*other, *edge)
        return edge

    def level(self, id: str) -> float | None:
        """Where a measure's level stands along the grain, or None if it is not drawn."""
        found = [line for p in self.pieces if (line := p.line(LineKind.LEVEL, id)) is not None]
        if not found:
            return None
        a, b = found[0].ends[self.size]
        return (a[0] + b[0]) / 2

    def without_darts(self, edge: str = "side") -> Callable[[float], float]:
        """A place along an edge → the same with what the darts and folds on it take in before it left out.

        Down the side it is a level, across the shoulder a distance from the centre's side. Both lines of a dart are at
        one place then: a change that dies away along the edge leaves it as deep as it is.
        """
        every = [found for piece in self.pieces if (found := mouths(piece, self.size, edge))]
        if not every:
            return lambda at: at

        def place(at: float) -> float:
            taken = (sum(min(max(at - first, 0.0), last - first) for first, last in own) for own in every)
            return at - max(taken, default=0.0)

        return place

    def at_darts(self, *edges: str) -> Cuts | None:
        """Where a map that goes by `without_darts` of these edges changes its rule."""
        lines = {
            ((1.0, 0.0) if edge == "side" else (0.0, 1.0), at)
            for edge in edges
            for piece in self.pieces
            for mouth in mouths(piece, self.size, edge)
            for at in mouth
        }
        return Cuts(tuple(sorted(lines))) if lines else None

    def levels(self) -> tuple[tuple[str, float], ...]:
        """Every level with where it stands, from the top down."""
        ids = dict.fromkeys(line.id for p in self.pieces for line in p.lines if line.kind is LineKind.LEVEL)
        return tuple(sorted(((id, x) for id in ids if (x := self.level(id)) is not None), key=lambda entry: entry[1]))

    def point(self, kind: PointKind) -> Point | None:
        return next((q.at[self.size] for p in self.pieces for q in p.points if q.kind is kind), None)

    def bounds(self) -> tuple[float, float, float, float]:
        """(least x, least y, greatest x, greatest y) of all edges."""
        points = [q for p in self.pieces for chain in p.shapes[self.size].edges.values() for q in flatten(chain, ROUGH)]
        xs, ys = [q[0] for q in points], [q[1] for q in points]
        return min(xs), min(ys), max(xs), max(ys)

    def centre_y(self) -> float:
        """The line of the body's centre: a drawn centre line, else the centre edge, else y = 0."""
        for p in self.pieces:
            for line in p.lines:
                if line.kind is LineKind.CENTRE:
                    return line.ends[self.size][0][1]
        centre = self.edge("centre")
        return centre[0].start[1] if centre else 0.0


def mouths(piece: Piece, size: str, edge: str) -> list[tuple[float, float]]:
    """From where to where along an edge each dart or fold of a piece takes it in: down a side, across a shoulder."""
    axis = 0 if edge == "side" else 1
    ends = [
        sorted(mark_point(piece, size, piece.mark(leg))[axis] for leg in dart.legs)
        for dart in piece.darts
        if dart.edge == edge
    ]
    return [(first, last) for first, last in ends]


def frames(pattern: Pattern, size: str) -> tuple[Frame, ...]:
    """All frames of a pattern, in the order of its pieces."""
    return tuple(_frame(pattern, size, name) for name in dict.fromkeys(piece.frame for piece in pattern.pieces))


def frame_of(pattern: Pattern, size: str, piece: str) -> Frame:
    """The frame that a piece is drawn in."""
    return _frame(pattern, size, pattern.piece(piece).frame)


def _frame(pattern: Pattern, size: str, name: str) -> Frame:
    pieces = [piece for piece in pattern.pieces if piece.frame == name]
    layered = {layer.piece for layer in pattern.making.layers if layer.piece != layer.of}
    own_first = sorted(pieces, key=lambda p: (p.id in layered, Role.MAIN not in {c.role for c in p.cuts}))
    panel = next((p.panel for p in own_first if p.panel not in (Panel.OTHER, Panel.BAND)), own_first[0].panel)
    return Frame(name=name, panel=panel, pieces=tuple(own_first), size=size)


def with_pieces(pattern: Pattern, changed: Iterable[Piece]) -> Pattern:
    """The pattern with some pieces taken for those of the same id."""
    by_id = {piece.id: piece for piece in changed}
    return replace(pattern, pieces=tuple(by_id.get(piece.id, piece) for piece in pattern.pieces))


def move(pattern: Pattern, frame: Frame, field: Field, cuts: Cuts | None = None, parts: int = 1) -> Pattern:
    """The pattern with every piece of a frame moved by one map."""
    return with_pieces(pattern, deform_all(frame.pieces, frame.size, field, cuts, parts))


def move_some(pattern: Pattern, pieces: Iterable[Piece], size: str, field: Field, parts: int = 1) -> Pattern:
    """The pattern with these pieces moved by one map."""
    return with_pieces(pattern, deform_all(pieces, size, field, parts=parts))


def why_along(pattern: Pattern, piece: Piece, frame: Frame, reason: Callable[[Piece], str]) -> str:
    """Why a piece of a moved frame went along: as what it is to another, or for the alteration's own reason."""
    for layer in pattern.making.layers:
        if layer.piece == piece.id and any(p.id == layer.of for p in frame.pieces if p.id != piece.id):
            kind = {LayerKind.FACING: "facing", LayerKind.LINING: "lining"}.get(layer.kind, layer.kind.words)
            return f"it is the {kind} of “{pattern.piece(layer.of).name}”"
    return reason(piece)
