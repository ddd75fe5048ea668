"""What was measured is met: by every size, with every seam that met before; what cannot be is told by its field."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace

from rowanseed.core.base.units import in_both
from rowanseed.core.base.words import lower_first
from rowanseed.core.compose.as_printed import Measured
from rowanseed.core.compose.description import Description
from rowanseed.core.compose.refusals import Refusal
from rowanseed.core.compose.tape import dimensions, taken
from rowanseed.core.compose.tissue.net import Array
from rowanseed.core.compose.tissue.sheet import HARD, SOFT, Goal, Sheet, seam_goal, share_of
from rowanseed.core.compose.vocabulary import TapeLine
from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.check import piece_faults
from rowanseed.core.pattern.making import Difference, DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Dart, Mark, MarkKind, Piece, Shape
from rowanseed.core.pattern.seamline import line_length
from rowanseed.core.pattern.walk import EASED_IN, TOLERANCE

MET = 0.5
"""What was measured is met to this, in mm."""


def wrong(pattern: Pattern, description: Description) -> Iterator[Refusal]:
    """What of the measured figures nobody can take: pieces, dimensions, sizes that are not there; seams that differ."""
    for id, measured in description.measured.items():
        piece = next((p for p in pattern.pieces if p.id == id), None)
        if piece is None:
            pieces = ", ".join(p.id for p in pattern.pieces)
            yield Refusal(f"measured.{id}", f"This garment has no piece “{id}”; its pieces are {pieces}.")
            continue
        if measured.size not in pattern.envelope.sizes:
            yield Refusal(f"measured.{id}.size", f"There is no size {measured.size}.")
            continue
        known = {d.id: d for d in dimensions(piece)}
        for name, value in measured.dimensions.items():
            if name not in known:
                why = f"On the {lower_first(piece.name)} are measured: {', '.join(known)}."
                yield Refusal(f"measured.{id}.{name}", why)
                continue
            usual = taken(piece, measured.size, known[name], measured.line)
            if not 0.4 * usual <= value <= 2.5 * usual:
                why = f"{known[name].words}: {in_both(value)} is far from the usual {in_both(usual)}."
                yield Refusal(f"measured.{id}.{name}", f"{why} Is it cm, or inches?")


def fitted(pattern: Pattern, measured: Mapping[str, Measured]) -> tuple[Pattern, tuple[Refusal, ...]]:
    """The pattern met to what was measured, in every size; and the seams that cannot meet then."""
    eased, apart = _disagreements(pattern, measured)
    if apart:
        return pattern, apart
    joins = tuple(eased.get(join.id, join) for join in pattern.making.joins)
    pattern = replace(pattern, making=replace(pattern.making, joins=joins))
    found = pattern
    # On the cutting line a figure depends a little on its neighbours' allowances: measured again, and met again.
    rounds = 3 if any(m.line is TapeLine.CUTTING for m in measured.values()) else 1
    missed: list[Refusal] = []
    for _ in range(rounds):
        offsets = _offsets(found, measured)
        moves = {size: _met(pattern, size, measured, offsets, eased) for size in pattern.envelope.sizes}
        found = replace(pattern, pieces=tuple(_redrawn(piece, moves) for piece in pattern.pieces))
    for id, one in measured.items():
        piece = found.piece(id)
        is_whole = not any(piece_faults(piece, (one.size,)))
        for dimension in dimensions(piece):
            said = one.dimensions.get(dimension.id)
            reads = taken(piece, one.size, dimension, one.line)
            if said is not None and abs(reads - said) > MET:
                why = f"{piece.name}: {dimension.words.lower()} cannot be {in_both(said)} with the other figures"
                came = f" (it comes to {in_both(reads)})." if is_whole else ". Measure them again."
                missed.append(Refusal(f"measured.{id}.{dimension.id}", f"{why}{came}"))
    whole = {id for id, one in measured.items() if {d.id for d in dimensions(found.piece(id))} <= set(one.dimensions)}
    pieces = tuple(replace(p, approximate=p.approximate and p.id not in whole) for p in found.pieces)
    return replace(found, pieces=pieces), tuple(missed)


def _offsets(pattern: Pattern, measured: Mapping[str, Measured]) -> dict[tuple[str, str], float]:
    """What a figure on the cutting line is longer than on the stitching line, by piece and dimension."""
    out = {}
    for id, one in measured.items():
        piece = pattern.piece(id)
        for d in dimensions(piece):
            if d.id in one.dimensions:
                seam = taken(piece, one.size, d)
                out[id, d.id] = taken(piece, one.size, d, one.line) - seam
    return out


def _met(
    pattern: Pattern,
    size: str,
    measured: Mapping[str, Measured],
    offsets: Mapping[tuple[str, str], float],
    eased: Mapping[str, Join],
) -> tuple[Sheet, Array]:
    sheet = Sheet(pattern, size)
    goals: list[Goal] = []
    for piece in pattern.pieces:
        one = measured.get(piece.id)
        for d in dimensions(piece):
            usual = taken(piece, size, d)
            if one is not None and d.id in one.dimensions:
                step = usual - taken(piece, one.size, d)
                value = one.dimensions[d.id] - offsets[piece.id, d.id] + step
                goals.append(Goal(d.id, ((piece.id, d, 1.0),), value, HARD))
            else:
                goals.append(Goal(d.id, ((piece.id, d, 1.0),), usual, SOFT))
    for join in pattern.making.joins:
        seam = seam_goal(pattern, size, join)
        if seam is not None:
            more = eased[join.id].difference.amount if join.id in eased else 0.0
            more = -more if join.id in eased and eased[join.id].difference.kind is DifferenceKind.STRETCH else more
            goals.append(replace(seam, value=seam.value + more))
    return sheet, sheet.solved(goals)


def _disagreements(pattern: Pattern, measured: Mapping[str, Measured]) -> tuple[dict[str, Join], tuple[Refusal, ...]]:
    """Seams whose two sides were both measured and differ: a little is eased in, more is said."""
    eased: dict[str, Join] = {}
    apart: list[Refusal] = []
    for join in pattern.making.joins:
        sides = [_said(pattern, measured, side) for side in (join.a, join.b)]
        seam = None if join.align != "both" else seam_goal(pattern, pattern.envelope.sizes[0], join)
        if seam is None or None in sides:
            continue
        size = next(m.size for id, m in measured.items() if id == join.a[0].piece)
        seam = seam_goal(pattern, size, join)
        assert seam is not None
        ratio = join.difference.amount if join.difference.kind is DifferenceKind.GATHERS else 1.0
        over = (sides[0] or 0.0) - ratio * (sides[1] or 0.0) - seam.value
        if abs(over) <= TOLERANCE / 2:
            continue
        if abs(over) <= EASED_IN and join.difference.kind is DifferenceKind.NONE:
            kind = DifferenceKind.EASE if over > 0 else DifferenceKind.STRETCH
            eased[join.id] = replace(join, difference=Difference(kind, abs(over)))
            continue
        long, short = (join.a, join.b) if over > 0 else (join.b, join.a)
        names = [" and ".join(dict.fromkeys(pattern.piece(p.piece).name for p in side)) for side in (long, short)]
        apart.append(
            Refusal(
                f"measured.{join.a[0].piece}.{join.a[0].edge}",
                f"The seam “{join.name}” does not meet: the {names[0]} is {in_both(abs(over))} longer than the "
                f"{names[1]}. Measure both again, on the same line.",
            )
        )
    return eased, tuple(apart)


def _said(pattern: Pattern, measured: Mapping[str, Measured], side: Sequence[EdgePart]) -> float | None:
    """What was measured along one side of a join, on the stitching line; None where a part of it was not."""
    total = 0.0
    for part in side:
        one = measured.get(part.piece)
        if one is None or part.edge not in one.dimensions:
            return None
        piece = pattern.piece(part.piece)
        if not any(d.id == part.edge for d in dimensions(piece)):
            return None
        offset = _offsets(pattern, {part.piece: Measured(one.size, {part.edge: 0.0}, one.line)})[part.piece, part.edge]
        whole = line_length(piece, one.size, part.edge)
        total += (one.dimensions[part.edge] - offset) * share_of(pattern, one.size, part, whole)
    return total


# ---------------------------------------------------------------- drawn again


def _redrawn(piece: Piece, moves: Mapping[str, tuple[Sheet, Array]]) -> Piece:
    shapes: dict[str, Shape] = {}
    ratios: dict[str, dict[str, float]] = {}
    for size, (sheet, u) in moves.items():
        net = sheet.nets[piece.id]
        edges, _ = net.redrawn(u)
        (x0, y0), (x1, y1) = (net.carried(p, u) for p in piece.shapes[size].grainline)
        middle = (y0 + y1) / 2
        shapes[size] = Shape(edges, ((x0, middle), (x1, middle)))
        now = replace(piece, shapes={size: shapes[size]})
        ratios[size] = {e.name: line_length(now, size, e.name) / line_length(piece, size, e.name) for e in piece.edges}

    def each(at: Mapping[str, Point]) -> dict[str, Point]:
        return {size: moves[size][0].nets[piece.id].carried(p, moves[size][1]) for size, p in at.items()}

    ends = {
        line.id + line.kind.value: {
            size: (
                moves[size][0].nets[piece.id].carried(a, moves[size][1]),
                moves[size][0].nets[piece.id].carried(b, moves[size][1]),
            )
            for size, (a, b) in line.ends.items()
        }
        for line in piece.lines
    }
    return replace(
        piece,
        shapes=shapes,
        marks=scaled_marks(piece, ratios),
        darts=tuple(replace(dart, point=each(dart.point)) for dart in piece.darts),
        lines=tuple(replace(line, ends=ends[line.id + line.kind.value]) for line in piece.lines),
        points=tuple(replace(point, at=each(point.at)) for point in piece.points),
    )


def scaled_marks(piece: Piece, ratios: Mapping[str, Mapping[str, float]]) -> tuple[Mark, ...]:
    """Marks where they stood by the share of their edge; a dart keeps its width, a zip its length."""
    legs = {leg: dart for dart in piece.darts for leg in dart.legs}
    out = []
    for mark in piece.marks:
        if mark.kind is MarkKind.ZIP_END or mark.anchor not in ("start", "end"):
            out.append(mark)
            continue
        distance = {}
        for size, at in mark.distance.items():
            ratio = ratios[size][mark.edge]
            middle = _middle(piece, legs[mark.id], size) if mark.id in legs else at
            distance[size] = middle * ratio + (at - middle)
        out.append(replace(mark, distance=distance))
    return tuple(out)


def _middle(piece: Piece, dart: Dart, size: str) -> float:
    """Where the middle of a dart stands, from the anchor of its legs (both have one, as they are composed)."""
    first, second = (piece.mark(leg) for leg in dart.legs)
    if first.anchor == second.anchor:
        return (first.distance[size] + second.distance[size]) / 2
    return first.distance[size] + second.distance[size] / 2
