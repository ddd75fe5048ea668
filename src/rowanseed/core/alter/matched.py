"""Notches that met before an alteration meet after it: an edge that grew or bent carries its notch elsewhere."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from itertools import pairwise, product

from rowanseed.core.geometry.outline import Point, chain_length, unit
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import InnerLine, LineKind, Mark, MarkKind, Panel, Piece
from rowanseed.core.pattern.seamline import mark_distance
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
    # Where its underlap comes first, the garment begins at its end.
    under = mark_distance(band, size, band.mark(join.b[0].from_mark)) if join.b[0].from_mark else 0.0
    for mark in (one for one in band.marks if one.edge == join.b[0].edge and one.kind is MarkKind.NOTCH):
        at = mark.distance[size] - under
        found = next((c for c in counts if any(c) and abs(_summed(c, was) - at) < SEEN_ON_BAND), None)
        if found is not None and mark.anchor in ("start", "end"):
            now_at = after.piece(band.id).mark(mark.id).distance[size] - under
            by = _summed(found, now) - now_at
            if abs(by) < SEEN:
                continue
            on = by if mark.anchor == "start" else -by
            after = _moved(after, after.piece(band.id), after.piece(band.id).mark(mark.id), size, on)
    return _with_lines(before, after, size, join.b[0])


def _with_lines(before: Pattern, after: Pattern, size: str, part: EdgePart) -> Pattern:
    """Lines across a straight band, such as those of belt loops, as far between its notches as they were."""
    old, now = before.piece(part.piece), after.piece(part.piece)
    lines = tuple(line for line in old.lines if line.kind is LineKind.PLACEMENT and size in line.ends)
    edges = [piece.shapes[size].edges[part.edge] for piece in (old, now)]
    if not lines or any(segment.is_curve for edge in edges for segment in edge):
        return after
    shared = [mark.id for mark in old.marks if mark.edge == part.edge and mark.kind is MarkKind.NOTCH]
    places = sorted(
        [
            (0.0, 0.0),
            *((mark_distance(old, size, old.mark(id)), mark_distance(now, size, now.mark(id))) for id in shared),
            (chain_length(edges[0]), chain_length(edges[1])),
        ]
    )
    ways = [unit((edge[-1].end[0] - edge[0].start[0], edge[-1].end[1] - edge[0].start[1])) for edge in edges]

    def moved(p: Point) -> Point:
        """As far along the edge as its neighbours say, and as far across as before."""
        (ax, ay), (ux, uy), (bx, by), (vx, vy) = edges[0][0].start, ways[0], edges[1][0].start, ways[1]
        x, y = p[0] - ax, p[1] - ay
        along, across = _between(places, x * ux + y * uy), y * ux - x * uy
        return bx + along * vx - across * vy, by + along * vy + across * vx

    def fitted(line: InnerLine) -> InnerLine:
        first, last = line.ends[size]
        return replace(line, ends={**line.ends, size: (moved(first), moved(last))})

    found = {line.id: fitted(line) for line in lines}
    changed = replace(now, lines=tuple(found.get(line.id, line) for line in now.lines))
    return replace(after, pieces=tuple(changed if piece.id == now.id else piece for piece in after.pieces))


def _between(places: Sequence[tuple[float, float]], at: float) -> float:
    """Where a place comes to lie, by the places before and behind it."""
    for (a, b), (c, d) in pairwise(places):
        if at <= c or (c, d) == places[-1]:
            return b + (at - a) * (d - b) / ((c - a) or 1.0)
    return at


def _summed(counts: Sequence[int], lengths: Sequence[float]) -> float:
    return sum(count * length for count, length in zip(counts, lengths, strict=True))
