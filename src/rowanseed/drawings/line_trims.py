"""What is sewn onto a garment in its line drawing: trims, ruffles, straps, belts, cuffs, slits, rows of elastic.

Everything is a stroke over one half of the garment, in mm, x down, y outwards from the centre, or over one hand alone.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from enum import Enum
from itertools import pairwise

from rowanseed.core.geometry.outline import Point, bounds, flatten
from rowanseed.core.pattern.making import POCKET_DOTS, VENT_EDGE, ClosureKind, Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import InnerPoint, LineKind, Mark, Piece, PointKind
from rowanseed.drawings.line_laid import Laid, along

Run = list[Point]
STRAP_UP = 110.0
"""A strap is drawn so far above the edge that it is sewn to, in mm."""
BELT, UNDERARM_TO_WAIST = 34.0, 190.0
LACE, RICKRACK, PIPING_IN, STITCHED_IN = 12.0, 9.0, 2.0, 7.0
PATCH, FLAP = 120.0, 50.0
ROWS, ROW = 4, 14.0
"""Shirring is shown as so many rows, so far apart, in mm."""


class Line(Enum):
    """How a stroke is drawn."""

    FINE = "fine"
    BOLD = "bold"
    DASHED = "dashed"
    FILLED = "filled"


@dataclass(frozen=True)
class Stroke:
    """A line of what is sewn on, the part of the form it belongs to, and on which hands it is there."""

    part: str
    run: Run
    line: Line = Line.FINE
    hands: tuple[int, ...] = (-1, 1)


@dataclass(frozen=True)
class Dressed:
    """One side of a garment with what has been laid of it."""

    pattern: Pattern
    size: str
    is_front: bool
    pieces: Sequence[Laid]
    sleeves: Sequence[Run]

    def hands(self, hand: str | None) -> tuple[int, ...]:
        """Which halves of the drawing are a hand as worn: left lies on the right of the front, on the left of the
        back."""
        if hand is None:
            return (-1, 1)
        return (1,) if (hand == "left") is self.is_front else (-1,)

    def laid(self, piece: str) -> Laid | None:
        return next((one for one in self.pieces if one.piece.id == piece), None)

    def drawn(self, id: str) -> Piece | None:
        return next((p for p in self.pattern.pieces if p.id == id), None)

    def runs(self, ids: Sequence[str]) -> Iterator[tuple[Laid, Run]]:
        """The edges of this side that seams or finishes of these ids run along, each once."""
        making = self.pattern.making
        for id in ids:
            join = next((j for j in making.joins if j.id == id), None)
            finish = next((f for f in making.finishes if f.id == id), None)
            sides = (join.a, join.b) if join is not None else (finish.parts,) if finish is not None else ()
            for parts in sides:
                found = [(one, one.edges[p.edge]) for p in parts if (one := self.laid(p.piece)) and p.edge in one.edges]
                if found:
                    yield from found
                    break

    def level(self, name: str) -> float | None:
        """How far down a level lies on this side."""
        for one in self.pieces:
            line = one.piece.line(LineKind.LEVEL, name)
            if line is not None:
                return line.ends[self.size][0][0] + one.down
        return None

    def half_width(self, x: float) -> float:
        """How far out the garment reaches at a level."""
        out = 0.0
        for one in self.pieces:
            for run in one.edges.values():
                for (ax, ay), (bx, by) in pairwise(run):
                    if min(ax, bx) <= x <= max(ax, bx):
                        t = (x - ax) / (bx - ax) if bx != ax else 0.0
                        out = max(out, ay + (by - ay) * t)
        return out


def sewn_on(dressed: Dressed) -> Iterator[Stroke]:
    """All that is sewn onto this side."""
    for detail in dressed.pattern.making.details:
        draw = DRAWN.get(detail.kind)
        if draw is not None:
            yield from draw(dressed, detail)
    yield from _hem_ruffle(dressed)
    yield from _cuffs(dressed)
    yield from _casing(dressed)
    yield from _back_belt(dressed)
    yield from _front_band(dressed)
    yield from _waistband_button(dressed)
    yield from _pockets(dressed)
    yield from _on_one_hand(dressed)


def _on_one_hand(dressed: Dressed) -> Iterator[Stroke]:
    """A tuck or a pleat on one hand only: its two lines, down from its edge as far as it is held and falls."""
    for one in dressed.pieces:
        for alone in one.piece.one_sided:
            mark = one.piece.mark(alone.mark)
            x, y = along(one.edges[mark.edge], mark.distance[dressed.size], from_end=mark.anchor == "end")
            part = "front" if dressed.is_front else "back"
            for beside, falls in ((-3.0, 1.0), (5.0, 2.2)):
                down = [(x, y + beside), (x + falls * alone.long, y + beside)]
                yield Stroke(part, down, Line.FINE, dressed.hands(alone.hand))


# ---------------------------------------------------------------- along an edge


def _inward(one: Laid, run: Run, by: float) -> Run:
    """A run of a piece's ring moved towards the inside of it (mm)."""
    ring = [q for edge in one.edges.values() for q in edge]
    turn = sum(ax * by - bx * ay for (ax, ay), (bx, by) in pairwise([*ring, ring[0]]))
    hand = 1.0 if turn > 0 else -1.0
    out: Run = []
    for k, (x, y) in enumerate(run):
        (ax, ay), (bx, by_) = run[max(0, k - 1)], run[min(len(run) - 1, k + 1)]
        long = math.hypot(bx - ax, by_ - ay) or 1.0
        nx, ny = (ay - by_) / long, (bx - ax) / long
        out.append((x + hand * nx * by, max(0.0, y + hand * ny * by)))
    return out


def _stepped(run: Run, step: float) -> Run:
    """Points along a run, so far apart."""
    long = sum(math.dist(a, b) for a, b in pairwise(run))
    n = max(2, round(long / step))
    return [along(run, long * k / n, from_end=False) for k in range(n + 1)]


def _waved(one: Laid, run: Run, near: float, far: float, step: float) -> Run:
    """A zigzag along a run between two distances from it."""
    points = _stepped(run, step)
    inner, outer = _inward(one, points, near), _inward(one, points, far)
    return [(outer if k % 2 else inner)[k] for k in range(len(points))]


def _trim(part: str, lines: Callable[[Laid, Run], Iterator[tuple[Run, Line]]]) -> Draw:
    def draw(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
        for one, run in dressed.runs(detail.along):
            for found, line in lines(one, run):
                yield Stroke(part, found, line)

    return draw


def _piping(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    yield _inward(one, run, PIPING_IN), Line.BOLD


def _braid(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    yield _inward(one, run, 6.0), Line.FINE
    yield _inward(one, run, 16.0), Line.FINE


def _rickrack(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    yield _waved(one, run, 8.0, 8.0 + RICKRACK, 12.0), Line.FINE


def _lace(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    points = _stepped(run, 18.0)
    for a, b in pairwise(points):
        middle = ((a[0] + b[0]) / 2, (a[1] + b[1]) / 2)
        yield [a, *_inward(one, [a, middle, b], -LACE)[1:2], b], Line.FINE


def _topstitching(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    yield _inward(one, run, STITCHED_IN), Line.DASHED


def _ruffle(one: Laid, run: Run) -> Iterator[tuple[Run, Line]]:
    """It falls from its seam over the piece, wider than the seam is long."""
    points = _stepped(run, 22.0)
    yield [*points, *reversed(_waved(one, points, 42.0, 52.0, 22.0))], Line.FILLED
    for a, b in zip(points[1:-1:2], _inward(one, points, 26.0)[1:-1:2], strict=True):
        yield [a, b], Line.FINE


def _embroidery(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """A small flower where the chest is, or the middle of a skirt."""
    one = next((found for id in detail.on if (found := dressed.laid(id)) is not None), None)
    if one is None:
        return
    x0, y0, x1, y1 = bounds([q for run in one.edges.values() for q in run])
    x, y = x0 + 0.3 * (x1 - x0), y0 + 0.45 * (y1 - y0)
    for k in range(4):
        angle = k * math.pi / 4
        dx, dy = 14.0 * math.cos(angle), 14.0 * math.sin(angle)
        yield Stroke("trims", [(x - dx, y - dy), (x + dx, y + dy)], Line.FINE, (1,))


# ---------------------------------------------------------------- straps and belts


def _straps(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """From where they are marked on the upper edge, or from the waist of an apron, upwards."""
    wide = max(10.0, detail.width or 20.0)
    top = _strap_mark(dressed)
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
    yield Stroke("pockets", _round((x + 14.0, y - wide / 2), 7.0), Line.FILLED)


def _strap_mark(dressed: Dressed) -> Point | None:
    """The inner side of a strap, where the pattern marks it on its upper edge."""
    for one in dressed.pieces:
        for mark in one.piece.marks:
            if mark.id == "strap" and mark.edge in one.edges:
                x, y = along(one.edges[mark.edge], mark.distance[dressed.size], from_end=mark.anchor == "end")
                return x, y + 4.0
    return None


BANDED = ("opening", "placket")
"""Edges that a band of its own is sewn to."""
FASTENED = (PointKind.BUTTON, PointKind.BUTTONHOLE)
HALF_LAP = 40.0
"""So near to the centre, in mm, a waist is drawn where it opens."""


def _round(at: Point, radius: float) -> Run:
    turns = [k * math.pi / 6 for k in range(12)]
    return [(at[0] + radius * math.cos(t), at[1] + radius * math.sin(t)) for t in turns]


def _waist_at(dressed: Dressed) -> tuple[float, float] | None:
    """How far down the waist lies and how far out it reaches; on a band where it has one."""
    level = dressed.level("waist")
    holes = [q for one in dressed.pieces for q in one.edges.get("armhole", [])]
    edge = [q for one in dressed.pieces for q in one.edges.get("waist", [])]
    if holes:
        x = level if level is not None else max(holes)[0] + UNDERARM_TO_WAIST
        return x, dressed.half_width(x)
    if not edge:
        return None
    banded = BELT / 2 if dressed.drawn("waistband") is not None else -BELT / 2
    return min(edge)[0] - banded, max(y for _, y in edge)


def _tie_belt(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
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


def _back_belt(dressed: Dressed) -> Iterator[Stroke]:
    found = _waist_at(dressed)
    if dressed.is_front or found is None or dressed.drawn("back-belt") is None:
        return
    x, end = found[0], 0.5 * found[1]
    yield Stroke(
        "pockets", [(x - BELT / 2, 0.0), (x - BELT / 2, end), (x + BELT / 2, end), (x + BELT / 2, 0.0)], Line.FILLED
    )
    yield Stroke("pockets", _round((x, end - 16.0), 8.0), Line.FILLED)


# ---------------------------------------------------------------- bands and pockets


def _front_band(dressed: Dressed) -> Iterator[Stroke]:
    """A band of its own along an open edge or in a half placket, with its buttons."""
    band = dressed.drawn("band")
    edges = [q for one in dressed.pieces for edge in BANDED for q in one.edges.get(edge, [])]
    if band is None or not edges:
        return
    wide = _narrow(band, dressed.size) / 4
    top, low = min(edges)[0], max(edges)[0]
    yield Stroke("opening", [(top, -wide), (top, wide), (low, wide), (low, -wide)], Line.FILLED, (1,))
    for q in band.points:
        if q.kind in FASTENED and dressed.size in q.at:
            yield Stroke("opening", _round((top + q.at[dressed.size][0], 0.0), 7.0), Line.FILLED, (1,))


def _waistband_button(dressed: Dressed) -> Iterator[Stroke]:
    """The button of a waistband, on the side that opens."""
    band = dressed.drawn("waistband")
    opens = dressed.pattern.making.details
    sides = {d.to_mark[0] for d in opens if d.kind is DetailKind.SLIT and d.to_mark is not None}
    here = any("opening" in one.edges or one.piece.id in sides for one in dressed.pieces)
    tops = [q[0] for one in dressed.pieces for q in one.edges.get("waist", []) if q[1] < HALF_LAP]
    if band is None or not here or not tops or not any(q.kind in FASTENED for q in band.points):
        return
    yield Stroke("waist", _round((min(tops) - _narrow(band, dressed.size) / 4, 0.0), 7.0), Line.FILLED, (1,))


def _pockets(dressed: Dressed) -> Iterator[Stroke]:
    """Each pocket by its own piece: a patch, a welt's bar, with a flap over it where it has one."""
    marked = [
        (one, q)
        for one in dressed.pieces
        for q in one.piece.points
        if q.kind is PointKind.POCKET and dressed.size in q.at
    ]
    # One that lies across a seam has a corner on each of two pieces.
    inner = {q.id.removesuffix("-inner"): (one, q) for one, q in marked if q.id.endswith("-inner")}
    outer = {q.id.removesuffix("-outer"): (one, q) for one, q in marked if q.id.endswith("-outer")}
    named = [(inner[id], outer[id]) for id in inner if id in outer]
    rest = [pair for pair in marked if not pair[1].id.endswith(("-inner", "-outer"))]
    for (first, a), (last, b) in (*named, *zip(rest[::2], rest[1::2], strict=False)):
        yield from _pocket(dressed, first, a, last, b)


def _pocket(dressed: Dressed, first: Laid, a: InnerPoint, last: Laid, b: InnerPoint) -> Iterator[Stroke]:
    id = a.id.removesuffix("-inner")
    own, flap = dressed.drawn(id), dressed.drawn(id.replace("pocket", "flap"))
    x, y = a.at[dressed.size][0] + first.down, a.at[dressed.size][1] + first.out
    end = b.at[dressed.size][1] + last.out
    deep = PATCH if own is None else _deep(own, dressed.size)
    hands = dressed.hands(a.hand)
    yield Stroke("pockets", [(x, y), (x, end), (x + deep, end), (x + deep, y)], Line.FILLED, hands)
    if flap is not None and "flap" in flap.id:
        low = x - 12.0 + FLAP
        shape = [
            (x - 12.0, y - 3),
            (x - 12.0, end + 3),
            (low - 8, end + 3),
            (low, (y + end) / 2),
            (low - 8, y - 3),
        ]
        yield Stroke("pockets", shape, Line.FILLED, hands)


MOUTH_DRAWN = 7.0
"""The mouth of an in-seam pocket is shown so far inside its seam, in mm."""


def _in_seam(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """The mouth, from dot to dot, on the hands whose seam has it."""
    join = next((j for j in dressed.pattern.making.joins if j.id in detail.along), None)
    for part in (*join.a, *join.b) if join is not None else ():
        one = dressed.laid(part.piece)
        dots = [mark for mark in one.piece.marks if mark.id in POCKET_DOTS and mark.edge == part.edge] if one else []
        if one is None or len(dots) != len(POCKET_DOTS):
            continue
        run = one.edges[part.edge]
        ends = [along(run, mark.distance[dressed.size], from_end=mark.anchor == "end") for mark in dots]
        mouth = [(x, y - MOUTH_DRAWN) for x, y in ends]
        yield Stroke("pockets", mouth, Line.BOLD, dressed.hands(part.hand))


def _deep(piece: Piece, size: str) -> float:
    """How deep a pocket's piece lies on the garment: half of a welt, which is folded."""
    x0, _, x1, _ = bounds([q for chain in piece.shapes[size].edges.values() for q in flatten(chain, 1.0)])
    return (x1 - x0) / 2 if piece.line(LineKind.FOLD, "fold") is not None else x1 - x0


# ---------------------------------------------------------------- ends: hems, cuffs, casings, slits


def _hem_ruffle(dressed: Dressed) -> Iterator[Stroke]:
    """A ruffle below the lower edge, as deep as its piece."""
    piece = dressed.drawn("ruffle")
    if piece is None:
        return
    deep = _narrow(piece, dressed.size)
    for one in dressed.pieces:
        run = one.edges.get("hem")
        if run is None:
            continue
        points = _stepped(sorted(run, key=lambda q: q[1]), 26.0)
        wave = [(x + deep + (10.0 if k % 2 else 0.0), y * 1.05) for k, (x, y) in enumerate(points)]
        yield Stroke("hem", [*points, *reversed(wave)], Line.FILLED)
        for a, b in zip(points[1::2], wave[1::2], strict=False):
            yield Stroke("hem", [a, (a[0] + 0.4 * (b[0] - a[0]), a[1] + 0.4 * (b[1] - a[1]))])


def _narrow(piece: Piece, size: str) -> float:
    x0, y0, x1, y1 = bounds([q for chain in piece.shapes[size].edges.values() for q in flatten(chain, 1.0)])
    return min(x1 - x0, y1 - y0)


def _cuffs(dressed: Dressed) -> Iterator[Stroke]:
    """Where a cuff, or elastic in a casing, ends a sleeve."""
    cuff = dressed.drawn("cuff")
    cased = any(f.kind is FinishKind.CASING and f.id == "wrist" for f in dressed.pattern.making.finishes)
    if cuff is None and not cased:
        return
    deep = _narrow(cuff, dressed.size) / 2 if cuff is not None else 22.0
    for ring in dressed.sleeves:
        tip, outer, low, under = ring[-4:]
        run = [_towards(outer, tip, deep), _towards(low, under, deep)]
        yield Stroke("sleeve", run, Line.FINE if cuff is not None else Line.DASHED)


def _towards(a: Point, b: Point, by: float) -> Point:
    long = math.dist(a, b) or 1.0
    return (a[0] + (b[0] - a[0]) * by / long, a[1] + (b[1] - a[1]) * by / long)


def _casing(dressed: Dressed) -> Iterator[Stroke]:
    """The stitching of a tunnel at the waist, and what it draws in below."""
    finish = next((f for f in dressed.pattern.making.finishes if f.kind is FinishKind.CASING and f.id == "waist"), None)
    if finish is None:
        return
    for p in finish.parts:
        one = dressed.laid(p.piece)
        if one is None:
            continue
        points = _stepped(one.edges[p.edge], 24.0)
        lower = [(x + 34.0, y) for x, y in points]
        yield Stroke("waist", lower, Line.DASHED)
        for k, (x, y) in enumerate(lower[1:-1]):
            yield Stroke("waist", [(x, y), (x + 24.0 + 14.0 * (k % 2), y * 1.03)])


def _slit(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
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
    reach, at_top = mark.distance[dressed.size], _is_at_top(dressed, detail, mark)
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
        yield Stroke("opening" if at_top else "skirt", [high, (low[0], low[1] + inside)])
        if detail.kind is DetailKind.VENT:
            yield Stroke("skirt", [high, (high[0] + 24.0, high[1] + 40.0)], Line.DASHED, (1,))
        return


def _is_at_top(dressed: Dressed, detail: Detail, mark: Mark) -> bool:
    """Whether the open part begins at the neck or the waist: beside the end that its dot is measured from."""
    piece = None if detail.to_mark is None else dressed.drawn(detail.to_mark[0])
    if piece is None or mark.anchor not in ("start", "end"):
        return False
    names = [edge.name for edge in piece.edges]
    k = names.index(mark.edge)
    beside = names[(k + 1) % len(names)] if mark.anchor == "end" else names[k - 1]
    return beside in ("neck", "waist")


def _shirring(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """Rows about the waist on the pieces that are shirred, or below the top of a panel."""
    pieces = [one for id in detail.on if (one := dressed.laid(id)) is not None]
    if not pieces:
        return
    x = dressed.level("waist")
    if x is None:
        x = min(q[0] for one in pieces for run in one.edges.values() for q in run) + ROWS * ROW
    for k in range(-ROWS, ROWS + 1):
        level = x + k * ROW
        waves = [(level + (3.0 if n % 2 else -3.0), y) for n, y in enumerate(_across(dressed.half_width(level)))]
        yield Stroke("waist", waves)


def _across(wide: float) -> list[float]:
    n = max(2, int(wide / 10.0))
    return [wide * k / n for k in range(n + 1)]


Draw = Callable[[Dressed, Detail], Iterator[Stroke]]
DRAWN: dict[DetailKind, Draw] = {
    DetailKind.PIPING: _trim("trims", _piping),
    DetailKind.BRAID: _trim("trims", _braid),
    DetailKind.RICKRACK: _trim("trims", _rickrack),
    DetailKind.LACE: _trim("trims", _lace),
    DetailKind.TOPSTITCHING: _trim("trims", _topstitching),
    DetailKind.RUFFLE: _trim("trims", _ruffle),
    DetailKind.EMBROIDERY: _embroidery,
    DetailKind.STRAP: _straps,
    DetailKind.TIE_BELT: _tie_belt,
    DetailKind.SLIT: _slit,
    DetailKind.VENT: _slit,
    DetailKind.SHIRRED_PANEL: _shirring,
    DetailKind.IN_SEAM_POCKET: _in_seam,
}
"""How each kind of what is made on the pieces is shown; the rest is shown by its pieces, or not at all."""
