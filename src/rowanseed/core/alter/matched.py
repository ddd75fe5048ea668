"""Notches that met before an alteration meet after it: an edge that grew or bent carries its notch elsewhere."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from itertools import product

from rowanseed.core.pattern.making import DifferenceKind, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Mark, MarkKind, Panel, Piece
from rowanseed.core.pattern.walk import from_ends, notches_on, part_length

MET, SEEN = 1.0, 0.5
"""Notches met that stood so far apart, in mm; what is less apart now is left."""
SEEN_ON_BAND = 0.6
"""A notch of a band belongs to where edges meet that it stands so near, in mm."""
Found = tuple[Piece, Mark]


def matched(before: Pattern, after: Pattern, size: str) -> Pattern:
    """The altered pattern with its notches on each other again: a sleeve's go to where the armhole's stand, else those
    of the second side of a seam to the first's."""
    for join in after.making.joins:
        for kind in (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH):
            after = _pair(before, after, size, join, kind)
        after = _on_band(before, after, size, join)
    return after


def _pair(before: Pattern, after: Pattern, size: str, join: Join, kind: MarkKind) -> Pattern:
    a, b = (notches_on(after, side, kind) for side in (join.a, join.b))
    if len(a) != 1 or len(b) != 1 or a[0] == b[0]:
        return after
    sides = ((join.a, a[0]), (join.b, b[0]))
    if a[0][0].panel is Panel.SLEEVE and b[0][0].panel is not Panel.SLEEVE:
        sides = (sides[1], sides[0])
    earlier = [_before(before, found) for _, found in sides]
    if None in earlier:
        return after
    was = [from_ends(before, size, side, *old) for (side, _), old in zip(sides, earlier, strict=True) if old]
    near, i, j = min((abs(x - y), i, j) for i, x in enumerate(was[0]) for j, y in enumerate(was[1]))
    now = [from_ends(after, size, side, *found) for side, found in sides]
    if near > MET or len(now[0]) <= i or len(now[1]) <= j or abs(gap := now[0][i] - now[1][j]) < SEEN:
        return after
    piece, mark = sides[1][1]
    from_start = _counts_from_start(j, len(now[1]))
    return _moved(after, piece, mark, size, gap if from_start else -gap)


def _before(before: Pattern, found: Found) -> Found | None:
    """The same notch before it was altered."""
    piece = before.piece(found[0].id)
    mark = next((one for one in piece.marks if one.id == found[1].id), None)
    return None if mark is None else (piece, mark)


def _counts_from_start(k: int, number: int) -> bool:
    """Whether one of the distances that `from_ends` gives grows as the notch moves on along its edge."""
    beyond = (number - 2) // 2
    return (k if k < 2 else (k - 2) // beyond) == 0


def _moved(pattern: Pattern, piece: Piece, mark: Mark, size: str, on: float) -> Pattern:
    """A notch moved on along its edge, in one size."""
    by = -on if mark.anchor == "end" else on
    now = replace(mark, distance={**mark.distance, size: mark.distance[size] + by})
    changed = replace(piece, marks=tuple(now if one.id == mark.id else one for one in piece.marks))
    return replace(pattern, pieces=tuple(changed if one.id == piece.id else one for one in pattern.pieces))


def _on_band(before: Pattern, after: Pattern, size: str, join: Join) -> Pattern:
    """Notches of a band that stand where the edges of what it is sewn to meet, on both hands or one."""
    half = [part for part in join.a if part.hand in (None, "left")]
    if len(join.b) != 1 or len(half) < 2 or join.difference.kind is not DifferenceKind.NONE:
        return after
    was, now = ([part_length(of, size, part) for part in half] for of in (before, after))
    if was == now:
        return after
    # How often each edge is counted, up to a notch: those with the fewest first.
    counts = sorted(product(range(3), repeat=len(half)), key=sum)
    band = before.piece(join.b[0].piece)
    for mark in (one for one in band.marks if one.edge == join.b[0].edge and one.kind is MarkKind.NOTCH):
        at = mark.distance[size]
        found = next((c for c in counts if any(c) and abs(_summed(c, was) - at) < SEEN_ON_BAND), None)
        if found is not None and mark.anchor in ("start", "end"):
            now_at = after.piece(band.id).mark(mark.id).distance[size]
            by = _summed(found, now) - now_at
            if abs(by) < SEEN:
                continue
            on = by if mark.anchor == "start" else -by
            after = _moved(after, after.piece(band.id), after.piece(band.id).mark(mark.id), size, on)
    return after


def _summed(counts: Sequence[int], lengths: Sequence[float]) -> float:
    return sum(count * length for count, length in zip(counts, lengths, strict=True))
