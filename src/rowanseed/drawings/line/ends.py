"""How edges end, and what draws them in: ruffles at the hem, cuffs, casings, slits and vents, shirring, a fold."""

from __future__ import annotations

import math
from collections.abc import Iterator

import numpy as np

from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.fastenings import opens_at_top
from rowanseed.core.pattern.making import VENT_EDGE, Detail, DetailKind, DifferenceKind, FinishKind
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.drawings.line.dressed import Dressed, Line, Stroke, inward, narrow, round_at, stepped
from rowanseed.drawings.line.laid import along

ROWS, ROW = 4, 14.0
"""Shirring is shown as so many rows, so far apart, in mm."""
OVERLAP = 25.0
"""The overlap of a sleeve's placket is shown so wide, and the button of the cuff in its middle, in mm."""
TUNNEL = 14.0
"""The row that makes a tunnel of a seam's allowances is shown so far above it, in mm."""


def hem_ruffle(dressed: Dressed) -> Iterator[Stroke]:
    """A ruffle below the lower edge, as deep as its piece."""
    piece = dressed.drawn("ruffle")
    if piece is None:
        return
    deep = narrow(piece, dressed.size)
    for one in dressed.pieces:
        run = one.edges.get("hem")
        if run is None:
            continue
        points = stepped(sorted(run, key=lambda q: q[1]), 26.0)
        wave = [(x + deep + (10.0 if k % 2 else 0.0), y * 1.05) for k, (x, y) in enumerate(points)]
        yield Stroke("hem", [*points, *reversed(wave)], Line.FILLED)
        for a, b in zip(points[1::2], wave[1::2], strict=False):
            yield Stroke("hem", [a, (a[0] + 0.4 * (b[0] - a[0]), a[1] + 0.4 * (b[1] - a[1]))])


def cuffs(dressed: Dressed) -> Iterator[Stroke]:
    """Where a cuff, or elastic in a casing, ends a sleeve."""
    cuff = dressed.drawn("cuff")
    cased = any(f.kind is FinishKind.CASING and f.id == "wrist" for f in dressed.pattern.making.finishes)
    if cuff is None and not cased:
        return
    deep = narrow(cuff, dressed.size) / 2 if cuff is not None else 22.0
    for ring in dressed.sleeves:
        tip, outer, low, under = ring[-4:]
        run = [towards(outer, tip, deep), towards(low, under, deep)]
        yield Stroke("sleeve", run, Line.FINE if cuff is not None else Line.DASHED)
        if cased or _is_gathered(dressed, "wrist"):
            for k, q in enumerate(stepped(run, 16.0)[1:-1]):
                yield Stroke("sleeve", [q, _up(q, outer, tip, k)])


def sleeve_placket(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """A slash up from the cuff, seen at the back of the sleeve, and the button; a tower's overlap with its point."""
    cuff, on = dressed.drawn("cuff"), dressed.drawn(detail.on[0]) if detail.on else None
    slash = on.line(LineKind.PLACEMENT, "slash") if on is not None else None
    if dressed.is_front or cuff is None or slash is None or dressed.size not in slash.ends:
        return
    long, deep = math.dist(*slash.ends[dressed.size]), narrow(cuff, dressed.size) / 2
    for ring in dressed.sleeves:
        tip, outer, low, _ = ring[-4:]
        end = ((outer[0] + low[0]) / 2, (outer[1] + low[1]) / 2)
        up = towards((0.0, 0.0), (tip[0] - outer[0], tip[1] - outer[1]), 1.0)

        def at(along: float, across: float, end: Point = end, up: Point = up) -> Point:
            return (end[0] + up[0] * along - up[1] * across, end[1] + up[1] * along + up[0] * across)

        half = OVERLAP / 2
        if detail.kind is DetailKind.TOWER_PLACKET:
            top = deep + long + half
            run = [at(deep, -half), at(top, -half), at(top + half, 0.0), at(top, half), at(deep, half)]
            yield Stroke("sleeve", run)
            yield Stroke("sleeve", [at(0.0, -half), at(deep, -half)])
        else:
            yield Stroke("sleeve", [at(0.0, -half), at(deep, -half), at(deep + long, -half)])
        yield Stroke("sleeve", round_at(at(deep / 2, 0.0), 5.0), Line.FILLED)


def _is_gathered(dressed: Dressed, edge: str) -> bool:
    joins = (j for j in dressed.pattern.making.joins if j.difference.kind is DifferenceKind.GATHERS)
    return any(part.edge == edge for join in joins for part in (*join.a, *join.b))


def _up(q: Point, outer: Point, tip: Point, k: int) -> Point:
    """The end of a gather that runs up the sleeve from a place at its end, long and short in turn."""
    x, y = towards(outer, tip, 20.0 + 10.0 * (k % 2))
    return (q[0] + x - outer[0], q[1] + y - outer[1])


def towards(a: Point, b: Point, by: float) -> Point:
    long = math.dist(a, b) or 1.0
    return (a[0] + (b[0] - a[0]) * by / long, a[1] + (b[1] - a[1]) * by / long)


def casing(dressed: Dressed) -> Iterator[Stroke]:
    """The stitching of a tunnel at the waist, and what it draws in below."""
    finish = next((f for f in dressed.pattern.making.finishes if f.kind is FinishKind.CASING and f.id == "waist"), None)
    if finish is None:
        return
    for p in finish.parts:
        one = dressed.laid(p.piece)
        if one is None:
            continue
        points = stepped(one.edges[p.edge], 24.0)
        lower = [(x + 34.0, y) for x, y in points]
        yield Stroke("waist", lower, Line.DASHED)
        for k, (x, y) in enumerate(lower[1:-1]):
            yield Stroke("waist", [(x, y), (x + 24.0 + 14.0 * (k % 2), y * 1.03)])


def drawn_in_neck(dressed: Dressed) -> Iterator[Stroke]:
    """The tunnel of a neck that elastic draws in, and what it draws in below."""
    finish = next((f for f in dressed.pattern.making.finishes if f.kind is FinishKind.CASING and f.id == "neck"), None)
    for p in finish.parts if finish is not None else ():
        one = dressed.laid(p.piece)
        if one is None or p.edge not in one.edges:
            continue
        row = inward(one, one.edges[p.edge], TUNNEL)
        yield Stroke("neck", row, Line.DASHED)
        near, far = (stepped(inward(one, one.edges[p.edge], TUNNEL + by), 20.0) for by in (2.0, 26.0))
        for a, b in zip(near[1:-1], far[1:-1], strict=False):
            yield Stroke("neck", [a, b])


def in_a_seam(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """A seam whose allowances are a tunnel: its second row, and what it draws in on both sides; a cord's bow."""
    runs = [run for _, run in dressed.runs(detail.along)]
    joins = [j for j in dressed.pattern.making.joins if j.id in detail.along]
    # Below a bodice a gathered skirt shows its gathers anyhow.
    gathered = any(j.difference.kind is DifferenceKind.GATHERS for j in joins)
    for run in runs:
        points = stepped(run, 24.0)
        yield Stroke("waist", [(x - TUNNEL, y) for x, y in points], Line.DASHED)
        for k, (x, y) in enumerate(points[1:-1]):
            away = 24.0 + 14.0 * (k % 2)
            if not gathered:
                yield Stroke("waist", [(x, y), (x + away, y * 1.03)])
            yield Stroke("waist", [(x - TUNNEL, y), (x - TUNNEL - away, y * 1.03)])
    if detail.kind is DetailKind.DRAWSTRING and dressed.is_front and runs:
        x = min(q for run in runs for q in run)[0] - TUNNEL / 2
        for hand, long in ((-1, 120.0), (1, 140.0)):
            yield Stroke("waist", [(x, 0.0), (x - 14.0, 44.0), (x + 20.0, 40.0), (x, 0.0)], Line.FINE, (hand,))
            yield Stroke("waist", [(x, 0.0), (x + long, 26.0)], Line.BOLD, (hand,))


FLY = 35.0
"""The topstitching of a fly runs so far from the centre, in mm."""


def fly(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """The topstitching of a fly: straight down the front that laps over, and curved in to the end of its opening."""
    closure = next((c for c in dressed.pattern.making.closures if c.join in detail.along and c.to_mark), None)
    one = dressed.laid(closure.to_mark[0]) if closure is not None and closure.to_mark is not None else None
    if one is None or closure is None or closure.to_mark is None or not dressed.is_front:
        return
    mark = one.piece.mark(closure.to_mark[1])
    run = one.edges[mark.edge]
    top = run[-1] if mark.anchor == "end" else run[0]
    low, _ = along(run, mark.distance[dressed.size], from_end=mark.anchor == "end")
    turn = (top[0] + low) / 2
    curve = [(turn + (low - turn) * math.sin(a), FLY * math.cos(a)) for a in (k * math.pi / 16 for k in range(9))]
    yield Stroke("legs", [(top[0], FLY), *curve], Line.DASHED, (dressed.over,))


def slit(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """An edge left open from its end to its dot, a little apart; a vent's fold slants from it."""
    if detail.to_mark is None:
        return
    making = dressed.pattern.making
    join = next((j for j in making.joins if j.id in detail.along), None)
    if join is None:
        return
    mark = next(
        (
            m
            for piece in dressed.pattern.pieces
            if piece.id == detail.to_mark[0]
            for m in piece.marks
            if m.id == detail.to_mark[1]
        ),
        None,
    )
    if mark is None:
        return
    reach, at_top = mark.distance[dressed.size], opens_at_top(dressed.pattern, detail)
    for p in (*join.a[-1:], *join.b[-1:], *join.a[:1], *join.b[:1]):
        one = dressed.laid(p.piece)
        if one is None or p.edge not in one.edges:
            continue
        vent = VENT_EDGE in one.edges
        run = one.edges[VENT_EDGE if vent else p.edge]
        # The end that is open, and the dot.
        low = min(run[0], run[-1]) if at_top else max(run[0], run[-1])
        high = min(run[0], run[-1]) if vent else along(run, reach, from_end=low == run[-1])
        inside = -14.0 if low[1] > 40.0 else 6.0 if at_top else 14.0
        hands = dressed.hands(p.hand if at_top and p.edge != "centre" else None)
        yield Stroke("opening" if at_top else "skirt", [high, (low[0], low[1] + inside)], Line.FINE, hands)
        if detail.kind is DetailKind.VENT:
            yield Stroke("skirt", [high, (high[0] + 24.0, high[1] + 40.0)], Line.DASHED, (1,))
        return


def shirring(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """Rows about the waist on the pieces that are shirred, below the top of a panel, or along the top of a skirt."""
    pieces = [one for id in detail.on if (one := dressed.laid(id)) is not None]
    if not pieces:
        return
    number = detail.count if detail.count > 1 else 2 * ROWS + 1
    apart = detail.width / (number - 1) if detail.width else ROW
    edge = sorted((q[1], q[0]) for one in pieces for q in one.edges.get("waist", ()))
    ys, xs = [y for y, _ in edge], [x for _, x in edge]
    waist, top = dressed.level("waist"), min(q[0] for one in pieces for run in one.edges.values() for q in run)
    first = top if waist is None else waist - number // 2 * apart
    for k in range(number):

        def down(y: float, k: int = k) -> float:
            return float(np.interp(y, ys, xs)) + (k + 0.7) * apart if detail.along else first + k * apart

        wide = dressed.half_width(down(0.0))
        yield Stroke("waist", [(down(y) + (3.0 if n % 2 else -3.0), y) for n, y in enumerate(_across(wide))])


def _across(wide: float) -> list[float]:
    n = max(2, int(wide / 10.0))
    return [wide * k / n for k in range(n + 1)]


def on_one_hand(dressed: Dressed) -> Iterator[Stroke]:
    """A tuck or a pleat on one hand only: its two lines, down from its edge as far as it is held and falls."""
    for one in dressed.pieces:
        for alone in one.piece.one_sided:
            mark = one.piece.mark(alone.mark)
            x, y = along(one.edges[mark.edge], mark.distance[dressed.size], from_end=mark.anchor == "end")
            part = "front" if dressed.is_front else "back"
            for beside, falls in ((-3.0, 1.0), (5.0, 2.2)):
                down = [(x, y + beside), (x + falls * alone.long, y + beside)]
                yield Stroke(part, down, Line.FINE, dressed.hands(alone.hand))
