"""The parts of a line drawing that have no panel of their own: collars and waistbands, by what they are sewn to."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass
from itertools import pairwise

from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.pattern.making import BESIDE_CENTRE, NECK_CENTRE, RUNS_ON
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, Panel, Piece

Ring = list[Point]
Parts = Iterator[tuple[str, Ring]]
"""The part of the form that it belongs to, and its outline over one half of the garment."""
STAND = 30.0
SHAWL = 70.0
"""How deep a shawl collar falls at the back, in mm."""
LEAST, MOST = 18.0, 80.0
HOOD_UP, HEAD_WIDE, FACE = 0.8, 210.0, 28.0
"""A hood that is up stands so much of its height above the neck; how wide it is, and its edge round the face, in mm."""


@dataclass(frozen=True)
class Figure:
    """One view of a garment as it lies: the edges of its pieces, in mm, x down, y outwards from the centre."""

    pattern: Pattern
    edges: tuple[tuple[str, Ring], ...]
    is_front: bool

    def run(self, name: str) -> Ring:
        """All edges of a name in one run from the centre outwards."""
        points = [q for own, run in self.edges if own == name for q in run]
        return sorted(points, key=lambda q: (q[1], q[0]))

    def piece(self, id: str) -> Piece | None:
        return next((p for p in self.pattern.pieces if p.id == id), None)

    @property
    def meets_at_centre(self) -> bool:
        """Whether what is sewn to the neck ends at the centre, and not where the edges lap to."""
        panel = Panel.FRONT if self.is_front else Panel.BACK
        here = (p for p in self.pattern.pieces if p.panel is panel)
        return any(mark.id in (NECK_CENTRE, BESIDE_CENTRE) for p in here for mark in p.marks)


def collars(figure: Figure) -> Parts:
    """The collar, or the stand alone, over the neck of one half."""
    neck = figure.run("neck")
    if neck and not figure.is_front and any(p.has_edge("collar-back") for p in figure.pattern.pieces):
        yield "neck", _behind(neck[-1], neck[0], SHAWL, STAND * 0.8)
        return
    if figure.meets_at_centre:
        neck = _to_the_centre(neck)
    hood = figure.piece("hood")
    if neck and hood is not None:
        yield "neck", _hood(figure, neck, hood)
        return
    if not neck or (figure.piece("collar") is None and figure.piece("stand") is None):
        return
    centre, point = neck[0], neck[-1]
    collar = figure.piece("collar")
    if collar is None or _only_stands(collar):
        # It follows the neck, a little narrower above than below.
        yield "neck", [*neck, *((x - STAND, y * 0.9) for x, y in reversed(neck))]
        return
    if figure.is_front and figure.run("lapel"):
        yield "neck", _above_the_notch(figure)
        return
    if _lies_flat(collar):
        # In two halves it ends at the centre back too.
        ends = figure.is_front or collar.cuts[0].fold is None
        outer = _flat(neck, _fall(collar), is_front=figure.is_front)
        yield "neck", [*neck, *reversed(outer), *neck[: 1 if ends else 0]]
        return
    deep = _wide(collar) / 2 - STAND if _is_folded(collar) else _wide(collar)
    stands = figure.piece("stand") is not None or _is_folded(collar) or collar.cuts[0].fold is not None
    up = STAND * 0.8 if stands else 4.0
    if figure.is_front:
        yield (
            "neck",
            [
                centre,
                (centre[0] + deep * 0.95, centre[1] + deep * 0.62),
                (point[0] + deep * 0.42, point[1] + deep * 0.5),
                (point[0] - up, point[1] + 2.0),
                (point[0] - up, 0.0),
                (point[0] - up + 10.0, 0.0),
                (point[0] - up + 10.0, point[1] * 0.8),
                centre,
            ],
        )
        return
    yield "neck", _behind(point, centre, deep, up)


def _to_the_centre(neck: Ring) -> Ring:
    """A run without what lies beyond the centre."""
    for (ax, ay), (bx, by) in pairwise(neck):
        if ay < 0.0 <= by:
            return [(ax + (bx - ax) * ay / (ay - by), 0.0), *(q for q in neck if q[1] > 0.0)]
    return neck


def _hood(figure: Figure, neck: Ring, hood: Piece) -> Ring:
    """A hood that is up: from the neck round the head to its top; in front with the opening for the face."""
    size = list(hood.shapes)[len(hood.shapes) // 2]
    x0, _, x1, _ = bounds([q for chain in hood.shapes[size].edges.values() for q in flatten(chain, 1.0)])
    point, high, wide = min(neck), HOOD_UP * (x1 - x0), HEAD_WIDE / 2
    top = point[0] - high

    def round_the_head(out: float, up: float) -> Ring:
        turns = [math.radians(a) for a in range(0, 91, 10)]
        middle = top + up + out * 1.1
        return [(middle - 1.1 * out * math.sin(t), out * math.cos(t)) for t in turns]

    outer = [*neck, *round_the_head(wide, 0.0)]
    return [*outer, *reversed(round_the_head(wide - FACE, FACE)), neck[0]] if figure.is_front else outer


def _is_folded(collar: Piece) -> bool:
    return any(line.kind is LineKind.FOLD for line in collar.lines)


FLAT, TIP = 0.9, 0.12
"""A collar whose neck edge is so much longer than the way between its ends lies flat; its tip swings out by so much."""


def _lies_flat(collar: Piece) -> bool:
    run = _neck_of(collar)
    return math.dist(run[0], run[-1]) < FLAT * sum(math.dist(a, b) for a, b in pairwise(run))


def _fall(collar: Piece) -> float:
    """How deep a flat collar lies: from its neck edge to its outer one."""
    size = list(collar.shapes)[len(collar.shapes) // 2]
    run = _neck_of(collar)
    middle = run[len(run) // 2]
    outer = [q for name, c in collar.shapes[size].edges.items() if name == "outer" for q in flatten(c, 1.0)]
    return min((math.dist(middle, q) for q in outer), default=STAND)


def _neck_of(collar: Piece) -> Ring:
    size = list(collar.shapes)[len(collar.shapes) // 2]
    return (
        list(flatten(collar.shapes[size].edges["neck"], 1.0)) if collar.has_edge("neck") else [(0.0, 0.0), (1.0, 0.0)]
    )


def _flat(neck: Ring, deep: float, *, is_front: bool) -> Ring:
    """The outer edge of a collar that lies on the garment round its neck, from the centre over the shoulder."""
    out: Ring = []
    for k, (x, y) in enumerate(neck):
        (ax, ay), (bx, by) = neck[max(0, k - 1)], neck[min(len(neck) - 1, k + 1)]
        long = math.dist((ax, ay), (bx, by)) or 1.0
        # Away from the neck: down at the centre, outwards at the shoulder.
        nx, ny = abs(by - ay) / long, abs(bx - ax) / long
        out.append((x + deep * nx, y + deep * ny))
    if is_front:
        # Its ends part at the centre front.
        out[0] = (out[0][0] - deep * TIP, out[0][1] + deep * TIP)
    return out


def _only_stands(collar: Piece) -> bool:
    """Whether a collar folded on itself is too low to fall over, or drawn up by a bow."""
    return _is_folded(collar) and (_wide(collar) / 2 < STAND + LEAST or collar.has_edge(RUNS_ON[1]))


def _above_the_notch(figure: Figure) -> Ring:
    """The collar of a front with lapels: from the roll line's top round the shoulder to the notch, turned over."""
    gorge, lapel = figure.run("neck"), figure.run("lapel")
    point = min(gorge)
    notch = min((q for q in gorge if q in lapel), default=gorge[0])
    roll = min(figure.run("roll"))
    return [
        (point[0] - STAND * 0.8, point[1] - 6.0),
        (point[0] + 8.0, point[1] + 34.0),
        (notch[0] - 22.0, notch[1] + 40.0),
        notch,
        roll,
        (point[0] - STAND * 0.8, point[1] - 6.0),
    ]


def _behind(point: Point, centre: Point, deep: float, up: float) -> Ring:
    """A collar from behind, from the neck point to the centre back."""
    return [
        (point[0] - up, 0.0),
        (point[0] - up, point[1]),
        (point[0] + deep * 0.42, point[1] + deep * 0.5),
        (centre[0] + deep * 0.8, 0.0),
    ]


def bands(figure: Figure) -> Parts:
    """The waistband above the waist of a skirt or of trousers."""
    band = figure.piece("waistband")
    waist = figure.run("waist")
    if band is None or not waist or any(name == "shoulder" for name, _ in figure.edges):
        return
    high = band_height(figure.pattern, band)
    yield "waist", [*waist, *((x - high, y) for x, y in reversed(waist))]


def band_height(pattern: Pattern, band: Piece) -> float:
    """How high a waistband is drawn above the waist, in mm."""
    return max(LEAST, min(MOST, _wide(band) / (1 if pattern.garment == "apron" else 2)))


def _wide(piece: Piece | None) -> float:
    """The shorter side of a piece in its middle size, in mm."""
    assert piece is not None
    size = list(piece.shapes)[len(piece.shapes) // 2]
    x0, y0, x1, y1 = bounds([q for chain in piece.shapes[size].edges.values() for q in flatten(chain, 1.0)])
    return min(x1 - x0, y1 - y0)
