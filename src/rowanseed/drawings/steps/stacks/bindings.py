"""A strip along an edge: as it is sewn on, and as it is wrapped over the edge."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from itertools import pairwise

from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.binding import BINDING
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.bias_facing import FACING, IN_ALLOWANCE
from rowanseed.core.make.techniques.double_binding import DOUBLE
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.drawings.steps.edges import BEGIN, END, NOWHERE, Ends, ends_told, parts_of
from rowanseed.drawings.steps.paper import about
from rowanseed.drawings.steps.placing import Lying, as_drawn, in_ring_order
from rowanseed.drawings.steps.stack import Layer, Row, Stack, Stuff
from rowanseed.drawings.steps.together import listed
from rowanseed.drawings.steps.turned import inward, outside

SINGLE = (-BINDING, 2 * BINDING)
"""How far a single strip with one fold open reaches to both sides of the stitching line: outwards, and inwards."""
FOLDED_DOUBLE = (-DOUBLE, 2 * DOUBLE + 3.0)
TURNED_INSIDE = (-IN_ALLOWANCE, 2 * FACING - IN_ALLOWANCE)
SHARE = 0.8


@dataclass(frozen=True)
class WorkedEdge:
    """An edge on the piece where its row begins, and what is not drawn of it."""

    lying: Lying
    parts: tuple[EdgePart, ...]
    ends: Ends
    others: str

    @property
    def line(self) -> list[Point]:
        return self.lying.stitched(self.parts)

    def strip(self, outwards: float, inwards: float) -> BaseGeometry:
        """From so far outside the stitching line to so far inside it."""
        line, sign = LineString(self.line), inward(self.lying, self.line)
        return (
            line.buffer(sign * inwards, single_sided=True).union(line.buffer(sign * outwards, single_sided=True))
        ).buffer(0.05)

    @property
    def rows(self) -> tuple[Row, ...]:
        """The row on the stitching line, from where it begins."""
        line = self.line if self.ends != (END, BEGIN) and self.ends != ("", BEGIN) else self.line[::-1]
        return (Row(tuple(line), begins=BEGIN in self.ends, ends=END in self.ends),)


def edge_worked(bench: Workbench, op: Operation, *, but: frozenset[str] = frozenset()) -> WorkedEdge | None:
    """The edge that a strip goes on, `but` not on these pieces, of which it is. None where what is worked on is not one
    run of edges on the piece where its row begins."""
    names = list(dict.fromkeys(edge.piece for edge in op.edges if edge.piece not in but))
    if not names:
        return None
    worked = {
        name: [part for _, part in parts_of(op, name, [e.edge for e in op.edges if e.piece == name])] for name in names
    }
    told = ends_told(bench, op, [part for parts in worked.values() for part in parts])
    found = next((name for name in names if any(BEGIN in told[part] for part in worked[name])), names[0])
    parts = tuple(in_ring_order(bench.piece(found), list(dict.fromkeys(worked[found]))))
    if not _is_one(bench, found, parts):
        return None
    ends = (told.get(parts[0], NOWHERE)[0], told.get(parts[-1], NOWHERE)[1])
    others = listed(lower_first(bench.piece(name).name) for name in names if name != found)
    more = f" Not drawn: {others}." if others else ""
    return WorkedEdge(as_drawn(bench.piece(found), bench.size), parts, ends, more)


def _is_one(bench: Workbench, piece: str, parts: Sequence[EdgePart]) -> bool:
    """Whether edges of a piece run on from one to the next."""
    names = [edge.name for edge in bench.piece(piece).edges]
    places = [names.index(part.edge) for part in parts]
    return all((b - a) % len(names) == 1 for a, b in pairwise(places))


def laid(
    reach: tuple[float, float], what: str, *, trimmed: bool = False
) -> Callable[[Workbench, Operation], Stack | None]:
    """A strip on the right side of an edge, right sides together, its row on the stitching line; the edge `trimmed` as
    far out as the strip reaches, or not yet."""

    def builds(bench: Workbench, op: Operation) -> Stack | None:
        edge = edge_worked(bench, op)
        if edge is None:
            return None
        window = about([edge.line], SHARE)
        piece = edge.lying.piece
        below = Polygon(edge.lying.cutting()).buffer(0).intersection(window)
        if trimmed:
            left = outside(edge.lying, edge.parts).buffer(0.05)
            below = below.intersection(left.union(edge.strip(reach[0], 0.0)).buffer(0.05))
        run = f" Sew {op.run.words}." if op.run is not None else ""
        words = (
            f"The strip lies on the {lower_first(piece.name)}, right sides together, {what}; the row runs on the "
            f"stitching line.{run}{edge.others}"
        )
        layers = (
            Layer(below, Stuff.RIGHT, piece.name, window),
            Layer(edge.strip(*reach), Stuff.WRONG, "strip"),
        )
        return Stack(layers, words, rows=edge.rows)

    return builds


def wrapped(wide: float) -> Callable[[Workbench, Operation], Stack | None]:
    """A strip folded over the edge, and the row in the ditch of its seam."""

    def builds(bench: Workbench, op: Operation) -> Stack | None:
        edge = edge_worked(bench, op)
        if edge is None:
            return None
        window = about([edge.line], SHARE)
        piece = edge.lying.piece
        below = outside(edge.lying, edge.parts).intersection(window)
        words = (
            f"The {lower_first(piece.name)}, right side up; the strip goes round its edge and is stitched down in the "
            f"ditch of its seam, its far fold caught on the inside.{edge.others}"
        )
        layers = (
            Layer(below, Stuff.RIGHT, piece.name, window),
            Layer(edge.strip(-wide, 0.0), Stuff.RIGHT, "binding"),
        )
        return Stack(layers, words, rows=edge.rows)

    return builds


STACKS = {
    ("bias binding", "bind"): laid(SINGLE, "one of its folds open, its crease on the stitching line"),
    ("bias binding", "turn"): wrapped(BINDING),
    ("double binding", "bind"): laid(
        FOLDED_DOUBLE, "folded double, its raw edges level with the trimmed edge", trimmed=True
    ),
    ("double binding", "turn"): wrapped(DOUBLE),
    ("bias facing", "face"): laid(TURNED_INSIDE, "its edge in the allowance"),
}
