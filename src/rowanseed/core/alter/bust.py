"""Full- and small-bust adjustment: room over the bust without a broader shoulder.

A front in one piece is slashed and its side swung out (see `bust_swing`); on a princess line the side front is rounded
out and the centre front lengthened by what the curve has grown.
"""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.alter.bust_swing import slash
from rowanseed.core.alter.deform import BAND, STILL, deform, smooth, stretch
from rowanseed.core.alter.frame import Frame, frames, with_pieces
from rowanseed.core.alter.ring import is_let_in
from rowanseed.core.alter.seam import edge_side
from rowanseed.core.base.craft_refusals import MoreThanItBears, NoPlaceFor
from rowanseed.core.geometry.outline import Point, chain_length
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, Panel, Piece, PointKind

MOST = 130.0
"""More than this round the bust, in mm, distorts the front too far."""


def has_bust(pattern: Pattern, size: str) -> bool:
    return any(f.panel is Panel.FRONT and f.point(PointKind.BUST) is not None for f in frames(pattern, size))


def change_bust(pattern: Pattern, size: str, by: float) -> Pattern:
    """Give `by` mm more round the bust (less if negative), half on each side. Raises AlterationError."""
    front = next((f for f in frames(pattern, size) if f.panel is Panel.FRONT and f.point(PointKind.BUST)), None)
    point = front.point(PointKind.BUST) if front is not None else None
    if front is None or point is None:
        raise NoPlaceFor("No front of this pattern marks the bust point.", "Choose the size by the full bust.")
    if abs(by) > MOST:
        raise MoreThanItBears(
            abs(by), MOST, "Take a larger size and narrow its shoulders: more distorts the front too far."
        )
    if front.edge("princess") is not None:
        return _princess(pattern, front, point, by / 2)
    return slash(pattern, front, point, by / 2)


# ---------------------------------------------------------------- a princess line


SHORT = 60.0
"""An armhole's facing is no deeper than this along a princess seam, in mm."""


def _princess(pattern: Pattern, front: Frame, point: Point, each: float) -> Pattern:
    size, changed = front.size, []
    grown = 0.0
    sides = [p for p in front.pieces if p.has_edge("princess") and p.has_edge("side")]
    # What faces a part of the side front is rounded out as the side front is.
    own = sides[0].shapes[size].edges["princess"]
    ends = sorted((own[0].start, own[-1].end))
    # Where the seam begins in the armhole, nothing changes above the lower end of what faces it there, so that the
    # facing's own short seam meets.
    lows = (max(c[0].start[0], c[-1].end[0]) for p in sides[1:] for c in [p.shapes[size].edges["princess"]])
    top = max((low for low in lows if low - ends[0][0] < SHORT), default=ends[0][0])
    waist = front.level("waist") or ends[1][0]
    side = edge_side(front, sides[0], "princess")

    def field(p: Point) -> Point:
        up = smooth((p[0] - top) / (point[0] - top)) if p[0] < point[0] else smooth((waist - p[0]) / (waist - point[0]))
        return (p[0], p[1] + side.out * each * up * smooth(1 - side.depth(p)))

    for piece in sides:
        edge = piece.shapes[size].edges["princess"]
        moved = deform(piece, size, field, parts=6)
        if not grown:
            grown = chain_length(moved.shapes[size].edges["princess"]) - chain_length(edge)
        changed.append(_measured_where_fullest(piece, moved, size, side.out * each))
    field_, cuts = stretch(point, (1.0, 0.0), grown, half=BAND / 2)
    others = [p for p in front.pieces if p not in sides]
    # What faces the armhole lies on the side front, which is rounded out and not drawn out.
    beside = [p for p in others if p.has_edge("side") and not is_let_in(p)]
    changed += [deform(p, size, field, parts=6) for p in beside]
    return with_pieces(pattern, [*changed, *(deform(p, size, field_, cuts) for p in others if p not in beside)])


def _measured_where_fullest(before: Piece, moved: Piece, size: str, by: float) -> Piece:
    """The level of the bust as far out as the princess edge is at its fullest, wherever the level is drawn."""

    def end(was: Point, now: Point) -> Point:
        return (was[0], was[1] + by) if abs(now[1] - was[1]) > STILL else now

    lines = []
    for old, new in zip(before.lines, moved.lines, strict=True):
        if new.kind is LineKind.LEVEL and new.id == "bust":
            (a, b), (c, d) = old.ends[size], new.ends[size]
            new = replace(new, ends={**new.ends, size: (end(a, c), end(b, d))})
        lines.append(new)
    return replace(moved, lines=tuple(lines))
