"""Straps, belts and bands, with the buttons that stand on them."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.geometry.outline import Point, lerp
from rowanseed.core.pattern.belt_loops import loops_of_a_half
from rowanseed.core.pattern.fastenings import opens_at_top
from rowanseed.core.pattern.making import INSET_EDGE, ClosureKind, Detail, Join
from rowanseed.core.pattern.pieces import Panel, PointKind
from rowanseed.drawings.line.bibs import NECK, round_the_neck
from rowanseed.drawings.line.dressed import Dressed, Line, Stroke, narrow, round_at
from rowanseed.drawings.line.laid import along

STRAP_UP = 110.0
"""A strap is drawn so far above the edge that it is sewn to, in mm."""
TO_THE_NECK = 150.0
"""One that goes round the neck so far."""
UP_TO_BAND = 18.0
"""A bow at a waistband lies so far above the waist, in mm."""
BELT, UNDERARM_TO_WAIST = 34.0, 190.0
BANDED = ("opening", "placket")
"""Edges that a band of its own is sewn to."""
FASTENED = (PointKind.BUTTON, PointKind.BUTTONHOLE)
AT_THE_SIDE = ("side", "outseam")
BESIDE = 14.0
"""A button stands so far from the end of its band, in mm."""
LOOP = 12.0
"""How wide a belt loop is drawn, in mm."""
HALF_LAP = 40.0
"""So near to the centre, in mm, a waist is drawn where it opens."""


def straps(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """From where they are marked on the upper edge, or from the waist of an apron, upwards."""
    wide = max(10.0, detail.width or 20.0)
    top = _strap_mark(dressed)
    if detail.on and dressed.pattern.piece(detail.on[0]).panel is Panel.FRONT:
        if dressed.is_front and top is not None:
            yield from _to_the_neck(dressed, top, wide)
        return
    if top is None:
        waist = [q for one in dressed.pieces for q in one.edges.get("waist", [])]
        if not waist:
            return
        top = (min(x for x, _ in waist), 0.55 * max(y for _, y in waist))
    x, y = top
    lean = 0.12 * STRAP_UP
    ring = [(x, y - wide), (x - STRAP_UP, y - wide - lean), (x - STRAP_UP, y - lean), (x + 4.0, y)]
    yield Stroke("pockets", ring, Line.FILLED)
    closed = next((c.kind for c in dressed.pattern.making.closures if c.id == "strap-closure"), None)
    if not dressed.is_front or closed is None:
        return
    if closed is ClosureKind.TIES:
        knot = (x - STRAP_UP, y - lean - wide / 2)
        for out in (-1, 1):
            loop = [knot, (knot[0] - 20.0, knot[1] + out * 34.0), (knot[0] + 12.0, knot[1] + out * 30.0)]
            yield Stroke("pockets", loop, Line.FILLED)
        return
    yield Stroke("pockets", round_at((x + 14.0, y - wide / 2), 7.0), Line.FILLED)


def _to_the_neck(dressed: Dressed, top: Point, wide: float) -> Iterator[Stroke]:
    """From the front's upper edge up and in, round the neck or tied there."""
    (x, y), up = top, top[0] - TO_THE_NECK
    yield Stroke("pockets", [(x, y - wide), (up, NECK - wide), (up, NECK), (x + 4.0, y)], Line.FILLED)
    yield from round_the_neck(dressed, up, wide)


def _strap_mark(dressed: Dressed) -> Point | None:
    """The inner side of a strap, where the pattern marks it on its upper edge."""
    for one in dressed.pieces:
        for mark in one.piece.marks:
            if mark.id == "strap" and mark.edge in one.edges:
                x, y = along(one.edges[mark.edge], mark.distance[dressed.size], from_end=mark.anchor == "end")
                return x, y + 4.0
    return None


def _waist_at(dressed: Dressed) -> tuple[float, float] | None:
    """How far down the waist lies and how far out it reaches; on a band where it has one."""
    level = dressed.level("waist")
    holes = [q for one in dressed.pieces for q in one.edges.get("armhole", [])]
    edge = [q for one in dressed.pieces for q in one.edges.get("waist", [])]
    bodice = holes or any("neck" in one.edges for one in dressed.pieces)
    if holes or (bodice and level is not None):
        x = level if level is not None else max(holes)[0] + UNDERARM_TO_WAIST
        return x, dressed.half_width(x)
    if not edge:
        return None
    banded = BELT / 2 if dressed.drawn("waistband") is not None else -BELT / 2
    return min(edge)[0] - banded, max(y for _, y in edge)


def pleated(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """The folds of a pleated band, along the flat one that it is mounted on."""
    one = next((found for id in detail.on if (found := dressed.laid(id)) is not None), None)
    if one is None or INSET_EDGE not in one.edges:
        return
    top, low = (sorted(one.edges[edge], key=lambda q: q[1]) for edge in (INSET_EDGE, "waist"))
    for k in range(1, detail.count):
        share = k / detail.count
        yield Stroke("waist", [lerp(top[0], low[0], share), lerp(top[-1], low[-1], share)])


def tie_belt(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """Round the waist; its ends hang at the front."""
    found = _waist_at(dressed)
    if found is None:
        return
    x, out_to = found
    ring = [(x - BELT / 2, 0.0), (x - BELT / 2, out_to), (x + BELT / 2, out_to), (x + BELT / 2, 0.0)]
    yield Stroke("pockets", ring, Line.FILLED)
    if dressed.is_front:
        for out, long in ((-1, 230.0), (1, 260.0)):
            tail = [(x, 0.0), (x + long, out * 46.0), (x + long - 8.0, out * 46.0 + 30.0), (x, 24.0 * out)]
            yield Stroke("pockets", tail, Line.FILLED, (1,))
        knot = [(x - 18.0, -16.0), (x - 18.0, 16.0), (x + 20.0, 12.0), (x + 20.0, -12.0)]
        yield Stroke("pockets", knot, Line.FILLED, (1,))


def wrap_ties(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """A bow where the end that laps over meets the tie of the one beneath."""
    ends = [q for one in dressed.pieces for q in one.edges.get("opening", ())]
    if not ends:
        return
    x, y = min(ends)
    at, over = (x - UP_TO_BAND, y), (dressed.over,)
    for out in (-1.0, 1.0):
        loop = [at, (at[0] - 22.0, at[1] + 34.0 * out), (at[0] + 22.0, at[1] + 34.0 * out), at]
        yield Stroke("waist", loop, Line.FILLED, over)
        tail = [at, (at[0] + 150.0, at[1] + 26.0 * out), (at[0] + 158.0, at[1] + 8.0 * out), at]
        yield Stroke("waist", tail, Line.FILLED, over)


def belt_loops(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """Across the band: those before the side seams in front, those behind them at the back, a side's own on both."""
    band = next((found for id in detail.on if (found := dressed.drawn(id)) is not None), None)
    waist = [q for one in dressed.pieces for q in one.edges.get("waist", [])]
    if band is None or not waist:
        return
    high, end = narrow(band, dressed.size) / 2, max(y for _, y in waist)
    shares = loops_of_a_half(detail.count, 1.0, 1.0)
    here = [at for at in shares if at <= 1.0] if dressed.is_front else [2.0 - at for at in shares if at >= 1.0]
    if detail.count % 2 and not dressed.is_front:
        here.append(0.0)
    for share in here:
        y = min(share * end, end - LOOP)
        x = min(waist, key=lambda q: abs(q[1] - y))[0]
        low, left, right = x + LOOP / 2, y - LOOP / 2, y + LOOP / 2
        ring = [(low, left), (x - high, left), (x - high, right), (low, right)]
        yield Stroke("waist", ring, Line.FILLED)


def back_belt(dressed: Dressed) -> Iterator[Stroke]:
    found = _waist_at(dressed)
    if dressed.is_front or found is None or dressed.drawn("back-belt") is None:
        return
    x, end = found[0], 0.5 * found[1]
    yield Stroke(
        "pockets", [(x - BELT / 2, 0.0), (x - BELT / 2, end), (x + BELT / 2, end), (x + BELT / 2, 0.0)], Line.FILLED
    )
    yield Stroke("pockets", round_at((x, end - 16.0), 8.0), Line.FILLED)


def front_band(dressed: Dressed) -> Iterator[Stroke]:
    """A band of its own along an open edge or in a half placket, with its buttons."""
    band = dressed.drawn("band")
    edges = [q for one in dressed.pieces for edge in BANDED for q in one.edges.get(edge, [])]
    if band is None or not edges:
        return
    wide = narrow(band, dressed.size) / 4
    top, low = min(edges)[0], max(edges)[0]
    yield Stroke("opening", [(top, -wide), (top, wide), (low, wide), (low, -wide)], Line.FILLED, (1,))
    for q in band.points:
        if q.kind in FASTENED and dressed.size in q.at:
            yield Stroke("opening", round_at((top + q.at[dressed.size][0], 0.0), 7.0), Line.FILLED, (1,))


def waistband_button(dressed: Dressed) -> Iterator[Stroke]:
    """The button of a waistband: at the centre of the half that opens, or on the front above the left side."""
    band = dressed.drawn("waistband")
    waist = [q for one in dressed.pieces for q in one.edges.get("waist", [])]
    if band is None or not waist or not any(q.kind in FASTENED for q in band.points):
        return
    up, opens = narrow(band, dressed.size) / 4, _opens_at_top(dressed)
    if opens is not None and opens.each_hand is False and opens.a[0].edge in AT_THE_SIDE:
        if dressed.is_front:
            x, y = max(waist, key=lambda q: q[1])
            yield Stroke("waist", round_at((x - up, y - BESIDE), 7.0), Line.FILLED, dressed.hands(opens.a[0].hand))
        return
    here = any("opening" in one.edges for one in dressed.pieces) or (
        opens is not None and any(dressed.laid(p.piece) for p in opens.a)
    )
    tops = [q[0] for q in waist if q[1] < HALF_LAP]
    if here and tops:
        yield Stroke("waist", round_at((min(tops) - up, 0.0), 7.0), Line.FILLED, (1,))


def _opens_at_top(dressed: Dressed) -> Join | None:
    """The seam that is left open at the waist."""
    making = dressed.pattern.making
    along = [d.along[0] for d in making.details if opens_at_top(dressed.pattern, d)]
    return next((j for j in making.joins if j.id in along), None)
