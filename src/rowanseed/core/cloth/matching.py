"""Matching a print, stripes or checks: which points of the pieces have to stand at the same place of the repeat.

Common practice, no source: crosswise bars are matched at the stitching line, at a notch or where the seam ends
below, and lengthwise lines stand alike at the centres. A seam that would close a ring of matches is left out: along a
ring the seams' lengths decide, not the cloth.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from rowanseed.core.alter.hem import hem_edges
from rowanseed.core.base.words import Worded
from rowanseed.core.cloth.cloth import Cloth, PrintBorder
from rowanseed.core.geometry.outline import Point, point_at
from rowanseed.core.lay.problem import Match, MatchPoint
from rowanseed.core.lay.problem import OnLine as HemLine
from rowanseed.core.pattern.making import DifferenceKind, EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, MarkKind, Panel, Piece, Role
from rowanseed.core.pattern.seamline import mark_distance, mark_point


class Matching(Worded):
    """How far the sewist goes in matching a cloth."""

    NONE = "none", "not matched"
    BARS = "bars", "bars meet at the seams"
    BOTH = "both", "bars meet, lines centred"


@dataclass(frozen=True)
class MatchedSeam:
    """A seam that is matched, by name, or one that is not, with the reason."""

    name: str
    why_not: str = ""


SHELL = (Panel.FRONT, Panel.BACK)


def can_match(cloth: Cloth) -> bool:
    return bool(cloth.repeat)


def matches(
    pattern: Pattern, size: str, role: Role, view: str, cloth: Cloth, how: Matching
) -> tuple[tuple[Match, ...], tuple[MatchedSeam, ...]]:
    """The matches of a garment's pieces on a cloth, and which seams they hold at."""
    along, across = cloth.ready_repeat
    here = {piece.id for piece, _ in pattern.pieces_for(role, view)}
    found: list[Match] = []
    seams: list[MatchedSeam] = []
    if how is Matching.NONE:
        return (), ()
    if along is not None:
        bars = list(_bars(pattern, size, here))
        seams += [seam for _, seam in bars]
        found += _in_order([match for match, _ in bars if match is not None])
    if how is Matching.BOTH and across is not None:
        centres = tuple(
            MatchPoint(id, at)
            for id in sorted(here)
            if (at := centre_point(pattern, pattern.piece(id), size)) is not None
        )
        found += [Match("y", centres)] if centres else []
        seams += [MatchedSeam("Lines alike at the centres")] if centres else []
    return tuple(found), tuple(seams)


def _bars(pattern: Pattern, size: str, here: set[str]) -> Iterator[tuple[Match | None, MatchedSeam]]:
    """Matches along the cloth, seam by seam; pieces already tied together are not tied again."""
    tied: dict[str, str] = {}

    def root(id: str) -> str:
        while tied.get(id, id) != id:
            id = tied[id]
        return id

    for join in pattern.making.joins:
        parts = (*join.a, *join.b)
        if not {p.piece for p in parts} <= here or len(join.a) > 1 or len(join.b) > 1:
            continue
        if not {pattern.piece(p.piece).panel for p in parts} <= {*SHELL, Panel.SLEEVE}:
            continue
        a, b = join.a[0], join.b[0]
        if not runs_along(pattern, size, a):
            continue
        if a.piece == b.piece:
            if root(a.piece) not in tied.values():
                tied.setdefault(a.piece, a.piece)
            yield Match("x", (MatchPoint(a.piece, _below(pattern, size, a)),)), MatchedSeam(join.name)
            continue
        if join.difference.kind is DifferenceKind.GATHERS:
            yield None, MatchedSeam(join.name, "one side is gathered")
            continue
        if root(a.piece) == root(b.piece):
            yield None, MatchedSeam(join.name, "its pieces are matched already, round the garment the other way")
            continue
        tied[root(a.piece)] = root(b.piece)
        yield Match("x", meeting(pattern, size, join)), MatchedSeam(join.name)


def _in_order(every: list[Match]) -> list[Match]:
    """Matches ordered so that each shares a piece with one before it where it can: the place of the print is then
    free once a garment. A match of one piece with its own mirror image holds wherever that piece is matched."""
    pairs = [m for m in every if len({p.piece for p in m.points}) > 1]
    out: list[Match] = []
    reached: set[str] = set()
    while pairs:
        following = next((m for m in pairs if reached & {p.piece for p in m.points}), pairs[0])
        pairs.remove(following)
        out.append(following)
        reached |= {p.piece for p in following.points}
    return out + [m for m in every if m.points[0].piece not in reached]


def runs_along(pattern: Pattern, size: str, part: EdgePart) -> bool:
    """Whether an edge runs more along the grain than across it."""
    chain = pattern.piece(part.piece).shapes[size].edges[part.edge]
    (x0, y0), (x1, y1) = chain[0].start, chain[-1].end
    return abs(x1 - x0) > abs(y1 - y0)


def meeting(pattern: Pattern, size: str, join: Join) -> tuple[MatchPoint, MatchPoint]:
    """Where both sides of a seam meet: at a pair of notches, or else where the seam ends below."""
    a, b = join.a[0], join.b[0]
    notches = _notch(pattern, size, a), _notch(pattern, size, b)
    if notches[0] is not None and notches[1] is not None:
        return MatchPoint(a.piece, notches[0]), MatchPoint(b.piece, notches[1])
    return MatchPoint(a.piece, _below(pattern, size, a)), MatchPoint(b.piece, _below(pattern, size, b))


def _notch(pattern: Pattern, size: str, part: EdgePart) -> Point | None:
    piece = pattern.piece(part.piece)
    marks = [m for m in piece.marks if m.edge == part.edge and m.kind in (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH)]
    lowest = max(marks, key=lambda m: mark_distance(piece, size, m), default=None)
    return None if lowest is None or len(marks) > 1 else mark_point(piece, size, lowest)


def _below(pattern: Pattern, size: str, part: EdgePart) -> Point:
    chain = pattern.piece(part.piece).shapes[size].edges[part.edge]
    return max(chain[0].start, chain[-1].end)


def centre_point(pattern: Pattern, piece: Piece, size: str) -> Point | None:
    """A point on the centre front or back of a piece: on its fold, its centre line or the seam of its two hands."""
    if piece.panel not in SHELL or size not in piece.shapes:
        return None
    fold = next((cut.fold for cut in piece.cuts if cut.fold), None)
    if fold is not None:
        return point_at(piece.shapes[size].edges[fold], 0.0)
    line = next((line for line in piece.lines if line.kind is LineKind.CENTRE), None)
    if line is not None:
        return line.ends[size][0]
    seam = next((j.a[0].edge for j in pattern.making.joins if j.a[0].hand and j.a[0].piece == piece.id), None)
    return None if seam is None else _below(pattern, size, EdgePart(piece.id, seam))


# ---------------------------------------------------------------- borders


def hem_points(pattern: Pattern, size: str) -> dict[str, Point]:
    """For each body or sleeve piece with a hem: a point of its hem line."""
    out = {}
    for id, edge in hem_edges(pattern):
        piece = pattern.piece(id)
        if piece.panel in (*SHELL, Panel.SLEEVE) and size in piece.shapes:
            out[id] = max(p for s in piece.shapes[size].edges[edge] for p in (s.start, s.end))
    return out


def border_line(cloth: Cloth, hem: Point, *, upper: bool = False) -> HemLine | None:
    """Where a hem lies on the border, `border_line` from the lower or the upper selvedge; None without a border."""
    if cloth.border is PrintBorder.NONE:
        return None
    y = cloth.border_line * cloth.across
    return HemLine(hem, cloth.ready_width - y if upper else y)


def rule_of_thumb(lengths_of_cloth: int, repeat: float) -> float:
    """About one repeat more for each length of cloth that the garment takes, in mm."""
    return lengths_of_cloth * repeat
