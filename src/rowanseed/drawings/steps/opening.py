"""The two edges of an opening, side by side: what a zip is sewn to, from its top to its lower end."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace

from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as Spot
from shapely.geometry.base import BaseGeometry
from shapely.ops import substring

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point, point_at
from rowanseed.core.make.openings import ENDING
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.joined import sides_run_against
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps.aside import aside
from rowanseed.drawings.steps.edges import parts_of
from rowanseed.drawings.steps.hands import OTHER, hand_of
from rowanseed.drawings.steps.paper import about
from rowanseed.drawings.steps.placing import Lying, as_drawn, opened_from, rigid
from rowanseed.drawings.steps.stack import Layer, Stuff
from rowanseed.drawings.steps.together import listed, pair_shown
from rowanseed.drawings.steps.turned import inward

TAPE = 12.0
"""Half of a zip's tape, in mm: common widths are 24 to 32 (common practice, no source)."""
TAIL = 20.0
"""A zip goes on so far below the end of its opening, in mm."""
NEAR = 5.0
"""What begins so close to the end of an edge, in mm, begins there."""


@dataclass(frozen=True)
class Edge:
    """One edge of an opening on the table: its stitching line from top to bottom, and on which side of it the piece
    lies (1 to the left, -1 to the right)."""

    lying: Lying
    line: tuple[Point, ...]
    piece_side: float
    name: str
    hand: str = ""
    goes_on: bool = False
    """Whether the opening goes on above, on a piece that is not drawn."""

    def inside(self, mm: float) -> tuple[Point, ...]:
        """The line so far inside the edge, or outside it where that is negative."""
        return tuple(aside(self.line, self.piece_side * mm))

    def strip(self, mm: float, *, tail: float = 0.0) -> BaseGeometry:
        """The area along the line so far inside it, or outside; it goes on below by a tail."""
        line = [*self.line, _below(self.line, tail)] if tail else list(self.line)
        return LineString(line).buffer(self.piece_side * mm, single_sided=True)

    def cloth(self, *, folded_at: float | None = None) -> Layer:
        """What is drawn of the piece about its edge; folded so far outside its stitching line, or lying flat."""
        window = about([self.line], 0.3)
        ring = self.lying.cutting() if folded_at is None else self.lying.seam()
        shape = Polygon(ring).buffer(0)
        if folded_at is not None and folded_at > 0:
            shape = shape.union(self.strip(-folded_at).buffer(0.05))
        elif folded_at is not None and folded_at < 0:
            shape = shape.difference(self.strip(-folded_at))
        stuff = Stuff.RIGHT if self.lying.right_side_up else Stuff.WRONG
        return Layer(shape.intersection(window), stuff, self.name, window)


def edges_of_opening(
    bench: Workbench, op: Operation, *, gap: float = 0.0, right_side_up: bool = True
) -> tuple[Edge, Edge] | None:
    """Both edges of the opening that a step's closure closes, `gap` mm apart; None where it closes no seam."""
    closure = next((bench.closures[id] for id in op.on.closures if id in bench.closures), None)
    join = bench.joins.get(closure.join) if closure is not None else None
    one, other = _sides_of(bench, op, join) if join is not None and join.b else ((), ())
    if closure is None or not one:
        return None
    against = sides_run_against(bench.pattern, one, other)
    first = as_drawn(bench.piece(one[0].piece), bench.size, right_side_up=right_side_up)
    second = opened_from(first, one, bench.piece(other[0].piece), other, against=against)
    lines = [_opened_part(op, lying, parts) for lying, parts in ((first, one), (second, other))]
    bottom = _lower_end(bench, closure.to_mark, (first, second)) or max(lines[0], key=lambda p: p[1])
    own, across = (_downwards(line, bottom) for line in _alike(lines))
    sides = inward(first, own), inward(second, across)
    ux, uy = _outward(own, sides[0])
    onto = rigid(across, [(x + ux * gap, y + uy * gap) for x, y in own], 0.0)
    before = second.move
    moved = replace(second, move=lambda p: onto(before(p)))
    pieces = (first.piece, moved.piece)
    hand = hand_of(bench, first.piece, one) if pieces[0].id == pieces[1].id else ""
    goes_on = bool(others(bench, op, [piece.id for piece in pieces]))
    return (
        Edge(first, tuple(own), sides[0], _called(first.piece, hand), hand, goes_on),
        Edge(moved, tuple(onto(p) for p in across), sides[1], _called(moved.piece, OTHER[hand]), OTHER[hand], goes_on),
    )


def _sides_of(bench: Workbench, op: Operation, join: Join) -> tuple[tuple[EdgePart, ...], tuple[EdgePart, ...]]:
    """The edges that an opening lies between. Of one that is open all the way each edge has its facing: the other edge
    is that of the other hand."""
    one, other = pair_shown(bench, op, join)
    if not bench.is_faced(join):
        return one, other
    opened = {(edge.piece, edge.edge) for edge in op.edges}
    own = tuple(p for p in (*one, *other) if p.piece not in bench.inner and (p.piece, p.edge) in opened)
    return own, own


def _called(piece: Piece, hand: str) -> str:
    return f"{hand.capitalize()} {lower_first(piece.name)}" if hand else piece.name


def others(bench: Workbench, op: Operation, drawn: Sequence[str]) -> str:
    """What else an opening runs through, besides what is drawn, as a sentence after others; empty where nothing."""
    closure = bench.closures[op.on.closures[0]]
    join = bench.joins[closure.join]
    open_ = (e.piece for e in op.edges if any(bench.openings.opens(closure, join, e.piece, end) for end in ENDING))
    names = dict.fromkeys(bench.name(id) for id in open_ if id not in drawn and id not in bench.inner)
    return f" Not drawn: {listed(names)}." if names else ""


def _opened_part(op: Operation, lying: Lying, parts: Sequence[EdgePart]) -> list[Point]:
    found = parts_of(op, lying.piece.id, [part.edge for part in parts])
    return lying.stitched([part for _, part in found])


def _alike(lines: Sequence[Sequence[Point]]) -> list[list[Point]]:
    """Two lines of an opening, as long as the shorter: only one of the pieces carries the mark that it ends at."""
    long = [LineString(line).length for line in lines]
    short = long.index(min(long))
    if abs(long[0] - long[1]) < 1.0:
        return [list(line) for line in lines]
    whole, ends = LineString(lines[1 - short]), [Spot(lines[short][k]) for k in (0, -1)]
    first, last = sorted(whole.project(end) for end in ends)
    if whole.length - last < first:
        first = whole.length - long[short]
    elif first < NEAR:
        first = 0.0
    cut = [(x, y) for x, y in substring(whole, first, first + long[short]).coords]
    return [list(lines[0]), cut] if short == 0 else [cut, list(lines[1])]


def _lower_end(bench: Workbench, mark: tuple[str, str] | None, lyings: Sequence[Lying]) -> Point | None:
    lying = next((one for one in lyings if mark is not None and one.piece.id == mark[0]), None)
    if lying is None or mark is None:
        return None
    found = lying.piece.mark(mark[1])
    chain = lying.piece.shapes[bench.size].edges[found.edge]
    return lying.move(upright(point_at(chain, mark_distance(lying.piece, bench.size, found))))


def _downwards(line: Sequence[Point], bottom: Point) -> list[Point]:
    return list(line) if math.dist(line[-1], bottom) <= math.dist(line[0], bottom) else list(line)[::-1]


def _outward(line: Sequence[Point], piece_side: float) -> Point:
    """Across a line, away from its piece."""
    (x0, y0), (x1, y1) = line[0], line[-1]
    gone = math.dist(line[0], line[-1]) or 1.0
    return ((y1 - y0) / gone * piece_side, -(x1 - x0) / gone * piece_side)


def _below(line: Sequence[Point], by: float) -> Point:
    (x0, y0), (x1, y1) = line[-2], line[-1]
    gone = math.dist((x0, y0), (x1, y1)) or 1.0
    return (x1 + (x1 - x0) / gone * by, y1 + (y1 - y0) / gone * by)
