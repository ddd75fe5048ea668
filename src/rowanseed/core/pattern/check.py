"""Does a pattern hold together? Every fault names the piece and the edge.

Faults of the drawing (a ring that does not close, an edge missing in a size) make a pattern unusable.
Faults of the making graph are found too, so that no edge of a garment is forgotten.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np
import shapely

from rowanseed.core.base.errors import PatternError
from rowanseed.core.geometry.outline import Point, chain_length, flatten
from rowanseed.core.geometry.polyline import signed_area, without_repeats
from rowanseed.core.pattern.making import EdgePart, FinishKind, LayerKind
from rowanseed.core.pattern.opened_out import cannot_be_opened
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Mark, Piece, Shape
from rowanseed.core.pattern.references import gaps
from rowanseed.core.pattern.seamline import lines

CLOSING = 0.05
"""Ends of neighbouring edges may be this far apart, in mm, and still count as one corner."""


@dataclass(frozen=True)
class Fault:
    """What is wrong and where (`piece`, `size` and `edge`, as far as they apply)."""

    where: str
    problem: str


def check(pattern: Pattern) -> None:
    """Raise PatternError with the first fault of a pattern; return quietly if there is none."""
    for fault in faults(pattern):
        raise PatternError(fault.problem, "Nothing was stored; put it right and bring the pattern again.", fault.where)


ALLOWANCES_CROSS = "With its seam allowances the outline crosses itself."


def faults(pattern: Pattern) -> Iterator[Fault]:
    """Every fault, drawing first, then envelope, then making."""
    if not pattern.pieces:
        yield Fault("pieces", "The pattern has no pieces.")
        return
    if not pattern.envelope.sizes:
        yield Fault("envelope, sizes", "The pattern has no sizes.")
        return
    yield from _repeated([piece.id for piece in pattern.pieces], "pieces", "piece")
    drawing_faults = 0
    for piece in pattern.pieces:
        for fault in piece_faults(piece, pattern.envelope.sizes):
            drawing_faults += 1
            yield fault
    yield from _envelope_faults(pattern)
    missing = 0
    for gap in gaps(pattern):
        missing += 1
        yield Fault(_place_of(pattern, gap.piece, gap.size), gap.problem)
    if not drawing_faults and not missing:
        for piece in pattern.pieces:
            if piece.one_sided and (problem := cannot_be_opened(piece)):
                yield Fault(place(piece), problem)
    if not drawing_faults:
        yield from _making_faults(pattern)


def _place_of(pattern: Pattern, piece: str, size: str) -> str:
    found = next((p for p in pattern.pieces if p.id == piece), None)
    return place(found, size) if found is not None else "pattern"


def _repeated(names: list[str], where: str, what: str) -> Iterator[Fault]:
    for name in sorted({name for name in names if names.count(name) > 1}):
        yield Fault(where, f"There are two of the {what} “{name}”.")


# ---------------------------------------------------------------- the drawing


def place(piece: Piece, size: str = "", edge: str = "") -> str:
    """Words for a place: piece “Front gore”, size 12, edge “side”."""
    parts = [f"Piece “{piece.name}”"]
    if size:
        parts.append(f"size {size}")
    if edge:
        parts.append(f"edge “{edge}”")
    return ", ".join(parts)


def piece_faults(piece: Piece, sizes: tuple[str, ...]) -> Iterator[Fault]:
    """Every fault of the drawing of one piece."""
    yield from _repeated([edge.name for edge in piece.edges], place(piece), "edge")
    if len(piece.edges) < 1:
        yield Fault(place(piece), "The piece has no edges.")
        return
    for edge in piece.edges:
        if not 0 <= edge.allowance <= 200:
            yield Fault(place(piece, edge=edge.name), f"A seam allowance of {edge.allowance:g} mm cannot be right.")
    before = None
    for size in sizes:
        shape = piece.shapes.get(size)
        if shape is None:
            yield Fault(place(piece, size), "This size is missing from the piece.")
            continue
        found = list(_shape_faults(piece, size, shape))
        yield from found
        if found:
            continue
        structure = {name: tuple(s.is_curve for s in chain) for name, chain in shape.edges.items()}
        if before is not None and structure != before:
            edge_name = next(name for name in structure if structure[name] != before[name])
            yield Fault(
                place(piece, size, edge_name),
                "The edge is not made of the same segments as in the other sizes.",
            )
        before = before or structure
    yield from _cut_faults(piece, sizes)
    yield from _mark_faults(piece, sizes)


def _shape_faults(piece: Piece, size: str, shape: Shape) -> Iterator[Fault]:
    for edge in piece.edges:
        if not shape.edges.get(edge.name):
            yield Fault(place(piece, size, edge.name), "The edge is missing.")
            return
    for name in shape.edges:
        if name not in {edge.name for edge in piece.edges}:
            yield Fault(place(piece, size, name), "The piece has no edge of this name.")
            return
    names = [edge.name for edge in piece.edges]
    for name, following in pairwise([*names, names[0]]):
        end, start = shape.edges[name][-1].end, shape.edges[following][0].start
        apart = math.dist(end, start)
        if apart > CLOSING:
            yield Fault(
                place(piece, size, name), f"It ends {apart:.1f} mm away from where the edge “{following}” begins."
            )
            return
    ring = without_repeats([p for name in names for p in flatten(shape.edges[name], 0.2)])
    if not _is_simple(ring):
        yield Fault(place(piece, size), "The outline crosses itself.")
    elif signed_area(ring) <= 1:
        yield Fault(place(piece, size), "The edges run clockwise or enclose nothing; they go round counter-clockwise.")
    elif not _is_simple(lines(piece, size).cutting_ring()):
        yield Fault(place(piece, size), ALLOWANCES_CROSS)
    top, bottom = shape.grainline
    if math.dist(top, bottom) < 1 or abs(top[1] - bottom[1]) > 0.01 * math.dist(top, bottom):
        yield Fault(place(piece, size), "The grainline has to run along x, from the top of the garment down.")


def _is_simple(ring: Sequence[Point]) -> bool:
    """Whether an outline encloses something and does not cross itself."""
    return len(ring) >= 3 and bool(shapely.is_valid(shapely.polygons(np.asarray(ring))))


def _cut_faults(piece: Piece, sizes: tuple[str, ...]) -> Iterator[Fault]:
    for cut in piece.cuts:
        if not 1 <= cut.count <= 100:
            yield Fault(place(piece), f"Cutting {cut.count} of it in {cut.role.words} cannot be right.")
        if cut.fold is None:
            continue
        if cut.fold not in {edge.name for edge in piece.edges}:
            yield Fault(place(piece, edge=cut.fold), "The fold is on an edge that the piece does not have.")
            continue
        if piece.edge(cut.fold).allowance:
            yield Fault(place(piece, edge=cut.fold), "An edge on a fold has no seam allowance.")
        for size in sizes:
            if size in piece.shapes and not _is_along_grain(piece.shapes[size], cut.fold):
                yield Fault(place(piece, size, cut.fold), "An edge on a fold has to be straight and along the grain.")
            elif size in piece.shapes and not _is_on_one_side(piece, size, cut.fold):
                yield Fault(place(piece, size, cut.fold), "The piece lies on both sides of its fold.")


def _is_along_grain(shape: Shape, edge: str) -> bool:
    chain = shape.edges.get(edge, ())
    return bool(chain) and all(not s.is_curve and abs(s.start[1] - s.end[1]) < 0.01 for s in chain)


def _is_on_one_side(piece: Piece, size: str, edge: str) -> bool:
    level = piece.shapes[size].edges[edge][0].start[1]
    ys = [y for _, y in lines(piece, size).cutting_ring()]
    return min(ys) > level - 0.5 or max(ys) < level + 0.5


def _mark_faults(piece: Piece, sizes: tuple[str, ...]) -> Iterator[Fault]:
    yield from _repeated([mark.id for mark in piece.marks], place(piece), "mark")
    known: dict[str, Mark] = {}
    for mark in piece.marks:
        if mark.edge not in {edge.name for edge in piece.edges}:
            yield Fault(
                place(piece, edge=mark.edge),
                f"The mark “{mark.id}” is on an edge that the piece does not have.",
            )
            continue
        anchor = known.get(mark.anchor)
        if mark.anchor not in ("start", "end") and (anchor is None or anchor.edge != mark.edge):
            yield Fault(
                place(piece, edge=mark.edge),
                f"The mark “{mark.id}” is measured from “{mark.anchor}”, which is not a mark before it on this edge.",
            )
            continue
        known[mark.id] = mark
        for size in sizes:
            if size not in mark.distance:
                yield Fault(place(piece, size, mark.edge), f"The mark “{mark.id}” has no distance.")
            elif size in piece.shapes and mark.edge in piece.shapes[size].edges:
                longest = chain_length(piece.shapes[size].edges[mark.edge]) + 0.5
                if not 0 <= mark.distance[size] <= longest:
                    yield Fault(place(piece, size, mark.edge), f"The mark “{mark.id}” lies off the end of the edge.")
    for dart in piece.darts:
        for leg in dart.legs:
            if leg not in known or known[leg].edge != dart.edge:
                yield Fault(place(piece, edge=dart.edge), f"The dart “{dart.id}” has no leg “{leg}” on this edge.")


# ---------------------------------------------------------------- the envelope


def _envelope_faults(pattern: Pattern) -> Iterator[Fault]:
    envelope = pattern.envelope
    if not envelope.views:
        yield Fault("envelope, views", "The pattern has no views; one is needed, even if it is the only one.")
    hems = any(f.kind is FinishKind.HEM for f in pattern.making.finishes)
    for one in envelope.views:
        if one.below and not hems:
            yield Fault("envelope, views", f"View {one.id} has a lower edge of its own, and no hem is named.")
    for measure in envelope.sized_by:
        if measure not in envelope.body_chart:
            yield Fault("envelope, body chart", f"The pattern is sized by {measure}, which the chart does not give.")
    yield from _chart_faults("envelope, body chart", envelope.body_chart, envelope.sizes, rising=True)
    for view, charts in envelope.finished.items():
        if view not in {v.id for v in envelope.views}:
            yield Fault("envelope, finished measurements", f"There is no view “{view}”.")
        yield from _chart_faults(f"envelope, finished measurements, view {view}", charts, envelope.sizes, rising=False)


def _chart_faults(
    where: str, chart: Mapping[str, Mapping[str, float]], sizes: tuple[str, ...], *, rising: bool
) -> Iterator[Fault]:
    for measure, row in chart.items():
        missing = [size for size in sizes if size not in row]
        if missing:
            yield Fault(where, f"The {measure} has no figure for size {', '.join(missing)}.")
            continue
        for smaller, larger in pairwise(sizes):
            if rising and row[larger] < row[smaller]:
                yield Fault(where, f"The {measure} of size {larger} is less than that of size {smaller}.")


# ---------------------------------------------------------------- the making graph


def _making_faults(pattern: Pattern) -> Iterator[Fault]:
    making = pattern.making
    if not making.joins and not making.finishes:
        return
    pieces = {piece.id: piece for piece in pattern.pieces}
    used: set[tuple[str, str]] = set()
    places: list[tuple[str, tuple[EdgePart, ...]]] = [
        *((f"Join “{join.name}”", (*join.a, *join.b)) for join in making.joins),
        *((f"Finish “{finish.name}”", finish.parts) for finish in making.finishes),
    ]
    for where, parts in places:
        for part in parts:
            piece = pieces.get(part.piece)
            if piece is None:
                yield Fault(where, f"There is no piece “{part.piece}”.")
            elif part.edge not in {edge.name for edge in piece.edges}:
                yield Fault(where, f"The piece “{piece.name}” has no edge “{part.edge}”.")
            else:
                used.add((part.piece, part.edge))
    yield from _repeated([join.id for join in making.joins], "joins", "join")
    yield from _closure_faults(pattern, pieces)
    for layer in making.layers:
        for id in (layer.piece, layer.of):
            if id not in pieces:
                yield Fault(f"Layer “{layer.kind.words}”", f"There is no piece “{id}”.")
    yield from _detail_faults(pattern, pieces)
    yield from _loose_edges(pattern, used)


def _detail_faults(pattern: Pattern, pieces: dict[str, Piece]) -> Iterator[Fault]:
    making = pattern.making
    lines = {join.id for join in making.joins} | {finish.id for finish in making.finishes}
    yield from _repeated([detail.id for detail in making.details], "details", "detail")
    for detail in making.details:
        where = f"Detail “{detail.name}”"
        for id in (*detail.pieces, *detail.on):
            if id not in pieces:
                yield Fault(where, f"There is no piece “{id}”.")
        for id in detail.along:
            if id not in lines:
                yield Fault(where, f"There is no join or finish “{id}”.")
        if detail.to_mark is not None:
            piece, mark = detail.to_mark
            if piece not in pieces or mark not in {m.id for m in pieces[piece].marks}:
                yield Fault(where, f"There is no mark “{mark}” on a piece “{piece}”.")


def _closure_faults(pattern: Pattern, pieces: dict[str, Piece]) -> Iterator[Fault]:
    joins = {join.id for join in pattern.making.joins} | {finish.id for finish in pattern.making.finishes}
    for closure in pattern.making.closures:
        where = f"Closure “{closure.kind.words}”"
        if closure.join not in joins:
            yield Fault(where, f"There is no join “{closure.join}”.")
        for piece, mark in (found for found in (closure.to_mark, closure.from_mark) if found is not None):
            if piece not in pieces or mark not in {m.id for m in pieces[piece].marks}:
                yield Fault(where, f"There is no mark “{mark}” on a piece “{piece}”.")


def _loose_edges(pattern: Pattern, used: set[tuple[str, str]]) -> Iterator[Fault]:
    """An edge in no join, no finish and on no fold has been forgotten; a lining's may be caught with the edge of the
    garment that it lies behind."""
    behind = {layer.piece: layer.of for layer in pattern.making.layers if layer.kind is LayerKind.LINING}
    for piece in pattern.pieces:
        folds = {cut.fold for cut in piece.cuts}
        for edge in piece.edges:
            ends = {(piece.id, edge.name), (behind.get(piece.id, piece.id), edge.name)}
            if edge.name not in folds and not ends & used:
                yield Fault(place(piece, edge=edge.name), "The edge is neither sewn to another nor finished.")
