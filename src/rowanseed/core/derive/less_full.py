"""The lining of a full skirt: cut with less fullness than the skirt, since two full layers are bulky at the waist.

One and a half times the waist it is drawn in to, and no narrower than the hip with room to walk (common practice, no
source). Only straight lengths of cloth are cut narrower: what is shaped keeps its shape.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace

from rowanseed.core.derive.shaping import Run, chain_of, seam_runs
from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Drawn, InnerLine, LineKind, Mark, Piece, Shape
from rowanseed.core.pattern.walk import copies, part_length

FULL = 1.5
"""How many times the waist a full skirt's lining is wide."""
ROOM = 100.0
"""It is so much wider than the hip at least, in mm."""
WORTH = 0.95
"""A lining that would keep more than this share of the skirt's width is cut like the skirt."""
STRAIGHT = 0.5
"""The edges of a straight length run along or across the grain to so much, in mm."""
KEPT = (LineKind.LEVEL, LineKind.LENGTHEN_SHORTEN)
"""Lines that a narrower piece still has; where the skirt's pleats lie is no matter of its lining."""


def less_full(pattern: Pattern, size: str, piece: Piece) -> Piece:
    """The piece as its lining is cut from it: as narrow as it may be, if it is drawn in at its waist."""
    share = share_kept(pattern, size, piece)
    if share == 1.0:
        return piece
    runs = seam_runs(piece, size)
    low = min(y for run in runs.values() for _, y in run)

    def narrower(p: Point) -> Point:
        return (p[0], low + share * (p[1] - low))

    def line(one: InnerLine) -> InnerLine:
        start, end = one.ends[size]
        return replace(one, ends={size: (narrower(start), narrower(end))})

    def mark(one: Mark) -> Mark:
        return replace(one, distance={size: one.distance[size] * (share if _runs_across(runs[one.edge]) else 1.0)})

    start, end = piece.shapes[size].grainline
    return replace(
        piece,
        drawn=Drawn.SEAM,
        shapes={
            size: Shape(
                {name: chain_of([narrower(p) for p in run]) for name, run in runs.items()},
                (narrower(start), narrower(end)),
            )
        },
        marks=tuple(mark(one) for one in piece.marks),
        lines=tuple(line(one) for one in piece.lines if one.kind in KEPT),
    )


def share_kept(pattern: Pattern, size: str, piece: Piece) -> float:
    """How much of its width a piece keeps in the lining: 1 for all of it."""
    join = _drawn_in(pattern, piece)
    if join is None or not all(_is_straight(pattern.piece(p.piece), size) for p in join.a):
        return 1.0
    long, short = (_over_garment(pattern, size, side) for side in (join.a, join.b))
    hip = pattern.envelope.body_chart.get("hip", {}).get(size)
    wanted = max(FULL * short, 0.0 if hip is None else hip + ROOM)
    return wanted / long if wanted < WORTH * long else 1.0


def _drawn_in(pattern: Pattern, piece: Piece) -> Join | None:
    """The seam whose gathers draw the piece in at its waist."""
    return next(
        (
            join
            for join in pattern.making.joins
            if join.difference.kind is DifferenceKind.GATHERS
            and any(p.piece == piece.id and p.edge == "waist" for p in join.a)
        ),
        None,
    )


def _over_garment(pattern: Pattern, size: str, parts: Iterable[EdgePart]) -> float:
    return sum(part_length(pattern, size, part) * copies(pattern, part) for part in parts)


def _is_straight(piece: Piece, size: str) -> bool:
    """Whether it is a length of cloth between straight edges along and across the grain, without darts."""
    runs = seam_runs(piece, size)
    return not piece.darts and all(_runs_across(run) or _runs_along(run) for run in runs.values())


def _runs_across(run: Run) -> bool:
    xs = [x for x, _ in run]
    return max(xs) - min(xs) <= STRAIGHT


def _runs_along(run: Run) -> bool:
    ys = [y for _, y in run]
    return max(ys) - min(ys) <= STRAIGHT
