"""Pockets and welts on their ground: the print runs on over a patch pocket as if it were not there.

Common practice, no source. The middle of the pocket's upper edge stands at the same place of the print as the middle
between its two corner marks on the ground. A pocket that sits aslant is cut by eye on the table.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence

from rowanseed.core.cloth.matching.ground import Ground, MatchKind, points
from rowanseed.core.cloth.matching.record import Found, MatchedSeam
from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.problem import Match
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.pattern.pieces import MOUTH, LineKind, Panel, Piece, PointKind

ASLANT = 2.0
"""Corner marks that differ more than this along the grain, in mm, stand aslant."""
FITS = 4.0
"""A pocket is that of a pair of marks which is as wide as its mouth, to so many mm."""


def patches(ground: Ground) -> Iterator[Piece]:
    """Loose pieces turned in all round: patch pockets with a mouth, and welts, which are folded double."""
    named = {id for detail in ground.pattern.making.details for id in detail.pieces}
    for finish in ground.pattern.making.finishes:
        ids = {part.piece for part in finish.parts}
        if finish.kind is not FinishKind.TURNED or len(ids) > 1 or ids & named or not ids <= set(ground.cuts):
            continue
        piece = ground.pattern.piece(next(iter(ids)))
        if piece.panel is Panel.OTHER and ("pocket" in _called(piece) or "welt" in _called(piece)):
            yield piece


def _called(piece: Piece) -> str:
    return f"{piece.id} {piece.name}".lower()


def corners(ground: Ground, piece: Piece) -> Sequence[tuple[str, Point, Point]]:
    """Where a piece's upper corners stand: the ground's id and two marks of it."""
    return _pairs(ground, mouth(ground, piece)[1])


def lies_across(ground: Ground, piece: Piece) -> bool:
    """Whether a pair of marks is as wide as the piece is long: it is sewn on a quarter turned."""
    run = [p for chain in piece.shapes[ground.size].edges.values() for p in flatten(chain, 1.0)]
    left, _, right, _ = bounds(run)
    return bool(_pairs(ground, right - left))


def _why_not(ground: Ground, piece: Piece) -> str:
    if lies_across(ground, piece):
        return "its grain runs across that of its ground"
    if any(len(marks) == 1 for _, marks in _marks(ground)):
        return "it lies across a seam: match it by eye once that is sewn"
    return "no pair of pocket marks on this cloth is as wide as it is"


def _marks(ground: Ground) -> Iterator[tuple[str, list[Point]]]:
    """The pieces with pocket marks, and where they are."""
    for id, (carrier, _) in sorted(ground.cuts.items()):
        found = [p.at[ground.size] for p in carrier.points if p.kind is PointKind.POCKET and ground.size in p.at]
        if found:
            yield id, found


def _pairs(ground: Ground, wide: float) -> Sequence[tuple[str, Point, Point]]:
    out = []
    for id, marks in _marks(ground):
        pairs = zip(marks[::2], marks[1::2], strict=False)
        out += [(id, a, b) for a, b in pairs if abs(math.dist(a, b) - wide) <= FITS]
    return out


def mouth(ground: Ground, piece: Piece) -> tuple[Point, float]:
    """The middle of a pocket's upper finished edge, and how wide it is."""
    edges = piece.shapes[ground.size].edges
    name = next((name for name in edges if name in MOUTH), None)
    run = flatten(edges[name], 1.0) if name is not None else [p for c in edges.values() for p in flatten(c, 1.0)]
    left, low, right, high = bounds(run)
    return ((left + right) / 2 if name is not None else left, (low + high) / 2), high - low


def is_folded(piece: Piece) -> bool:
    return any(line.kind is LineKind.FOLD for line in piece.lines)


def _finds(ground: Ground) -> Iterator[Found]:
    for piece in patches(ground):
        on = corners(ground, piece)
        if not on:
            yield Found(MatchedSeam(piece.name, _why_not(ground, piece)))
            continue
        id, a, b = on[0]
        if abs(a[0] - b[0]) > ASLANT:
            yield Found(MatchedSeam(piece.name, "it sits aslant: lay it on the cut ground and match it by eye"))
            continue
        both = points((piece.id, mouth(ground, piece)[0]), (id, ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)))
        found, left_out = [], []
        if ground.along is not None:
            if is_folded(piece):
                left_out.append("bars: which half of it shows, the pattern does not say")
            elif ground.x.tie(piece.id, id):
                found.append(Match("x", both))
        if ground.across is not None:
            if ground.y.knows(id):
                left_out.append("lines: those of its ground stand by the centre or a motif already")
            elif ground.y.tie(piece.id, id):
                found.append(Match("y", both))
        where = f"{piece.name} on the {ground.pattern.piece(id).name.lower()}"
        if not found:
            yield Found(MatchedSeam(where, " and ".join(left_out) or "it is matched already"))
        else:
            yield Found(MatchedSeam(where), tuple(found))
            if left_out:
                yield Found(MatchedSeam(where, " and ".join(left_out)))


KIND = MatchKind("pockets", "pockets and welts on their ground", 60, frozenset("xy"), _finds)
