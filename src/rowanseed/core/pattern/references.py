"""Is a pattern complete: everything drawn in every size, and everything spoken of there?"""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass

from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Making
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece

FARTHEST = 20_000.0
"""No point of a pattern is farther from its piece's origin than this, in mm."""
MOST_SEGMENTS = 2000
MOST_STRETCHED = 4.0
"""An edge is at most so many times as long as the band that is stretched on to it."""
LONGEST_NAME = 200


@dataclass(frozen=True)
class Gap:
    """What is missing, by piece (id, empty for the whole pattern), size and what of it."""

    piece: str
    size: str
    problem: str


def gaps(pattern: Pattern) -> Iterator[Gap]:
    """Everything that is missing or beyond measure, in the order of the pieces, then of the graph."""
    sizes = pattern.envelope.sizes
    yield from (Gap("", "", f"The size “{s[:40]}” is named twice.") for s in sizes if sizes.count(s) > 1)
    for piece in pattern.pieces:
        yield from _of_piece(piece, sizes, {view.id for view in pattern.envelope.views})
    yield from _of_graph(pattern)


def _of_piece(piece: Piece, sizes: tuple[str, ...], views: set[str]) -> Iterator[Gap]:
    if not piece.name.strip() or len(piece.name) > LONGEST_NAME or len(piece.id) > LONGEST_NAME:
        yield Gap(piece.id, "", f"A piece has a name and an id of at most {LONGEST_NAME} letters.")
    drawn: list[tuple[str, Mapping[str, Iterable[Point]]]] = [
        *((f"line “{line.id}”", line.ends) for line in piece.lines),
        *((f"mark “{point.id}”", {s: (at,) for s, at in point.at.items()}) for point in piece.points),
        *((f"point of the dart “{dart.id}”", {s: (at,) for s, at in dart.point.items()}) for dart in piece.darts),
    ]
    for what, in_size in drawn:
        for size in sizes:
            if size not in in_size:
                yield Gap(piece.id, size, f"The {what} is missing in this size.")
            elif any(not abs(v) <= FARTHEST for point in in_size[size] for v in point):
                yield Gap(piece.id, size, f"The {what} lies metres away from its piece.")
    for size, shape in piece.shapes.items():
        segments = [s for chain in shape.edges.values() for s in chain]
        if len(segments) > MOST_SEGMENTS:
            yield Gap(piece.id, size, f"The outline has more than {MOST_SEGMENTS} segments.")
        places = [p for s in segments for p in s.points()] + list(shape.grainline)
        if any(not abs(v) <= FARTHEST for p in places for v in p):
            yield Gap(piece.id, size, "A point of the outline lies metres away.")
    edges = {edge.name for edge in piece.edges}
    for cut in piece.cuts:
        for view in cut.views:
            if view not in views:
                yield Gap(piece.id, "", f"It is cut for a view “{view}” that the envelope does not have.")
        if cut.selvedge is not None and cut.selvedge not in edges:
            yield Gap(piece.id, "", f"The edge “{cut.selvedge}” that lies along the selvedge is not one of its own.")
    yield from _of_one_hand(piece)
    for mark in piece.marks:
        if any(not math.isfinite(mm) for mm in mark.distance.values()):
            yield Gap(piece.id, "", f"The mark “{mark.id}” has a distance that is no number.")


def _of_one_hand(piece: Piece) -> Iterator[Gap]:
    """What only one hand has is let in where a half on the fold is opened out, on one of its own edges."""
    edges = {mark.id: mark.edge for mark in piece.marks}
    folds = {cut.fold for cut in piece.cuts}
    for one in piece.one_sided:
        if None in folds or len(folds) != 1:
            yield Gap(piece.id, "", f"“{one.id}” is on one hand only: the piece is cut on one fold, and only so.")
        if edges.get(one.mark) is None or edges[one.mark] in folds:
            yield Gap(piece.id, "", f"“{one.id}” is on one hand only, at a mark “{one.mark}” that no edge of it has.")
    if len({one.hand for one in piece.one_sided}) > 1:
        yield Gap(piece.id, "", "What is on one hand only is all on the same hand.")


def _of_graph(pattern: Pattern) -> Iterator[Gap]:
    pieces, making = {piece.id: piece for piece in pattern.pieces}, pattern.making
    for join in making.joins:
        if not join.a or not join.b:
            yield Gap("", "", f"The join “{join.name}” has a side without edges.")
        if not math.isfinite(join.difference.amount) or not -1000 <= join.difference.amount <= 1000:
            yield Gap("", "", f"The join “{join.name}” differs by an amount that cannot be right.")
        if join.difference.kind is DifferenceKind.STRETCHED_ON and not 1 < join.difference.amount <= MOST_STRETCHED:
            yield Gap("", "", f"The join “{join.name}” is stretched on: its band has to be shorter than its edge.")
    for where, part in _parts(making):
        yield from _of_part(where, part, pieces)
    for finish in making.finishes:
        if not finish.parts:
            yield Gap("", "", f"The finish “{finish.name}” has no edges.")
        if any(not 0 <= fold <= 1000 for fold in finish.folds):
            yield Gap("", "", f"The finish “{finish.name}” has a turning that cannot be right.")
    known = {join.id for join in making.joins} | {c.id for c in making.closures} | {f.id for f in making.finishes}
    known |= {detail.id for detail in making.details}
    for step in making.booklet:
        for about in step.about:
            # Preparations are spoken of by what they prepare: “darts:front”, “fullness:armholes”.
            of = about.partition(":")[2]
            if about not in known and of not in known and of not in pieces:
                yield Gap("", "", f"Step {step.number} of the booklet speaks of “{about}”, which there is not.")
    for piece in pattern.pieces:
        if piece.derived is not None and piece.derived.of not in pieces:
            yield Gap(piece.id, "", f"It is derived from a piece “{piece.derived.of}” that there is not.")
    if len(making.joins) and any(layer.piece == layer.of for layer in making.layers if layer.kind.value == "lining"):
        yield Gap("", "", "A piece is said to be its own lining.")


def _parts(making: Making) -> Iterator[tuple[str, EdgePart]]:
    for join in making.joins:
        for part in (*join.a, *join.b):
            yield f"join “{join.name}”", part
    for finish in making.finishes:
        for part in finish.parts:
            yield f"finish “{finish.name}”", part


def _of_part(where: str, part: EdgePart, pieces: Mapping[str, Piece]) -> Iterator[Gap]:
    piece = pieces.get(part.piece)
    if piece is None:
        return
    on_edge = {mark.id for mark in piece.marks if mark.edge == part.edge}
    for mark in (part.from_mark, part.to_mark):
        if mark is not None and mark not in on_edge:
            yield Gap(
                piece.id, "", f"The {where} begins or ends at a mark “{mark}” that is not on the edge “{part.edge}”."
            )
