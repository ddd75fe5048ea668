"""The parts of a line drawing that have no panel of their own: collars and waistbands, by what they are sewn to."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from rowanseed.core.geometry.outline import Point, bounds, flatten
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, Piece

Ring = list[Point]
Parts = Iterator[tuple[str, Ring]]
"""The part of the form that it belongs to, and its outline over one half of the garment."""
STAND = 30.0
SHAWL = 70.0
"""How deep a shawl collar falls at the back, in mm."""
LEAST, MOST = 18.0, 80.0


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


def collars(figure: Figure) -> Parts:
    """The collar, or the stand alone, over the neck of one half."""
    neck = figure.run("neck")
    if neck and not figure.is_front and any(p.has_edge("collar-back") for p in figure.pattern.pieces):
        yield "neck", _behind(neck[-1], neck[0], SHAWL, STAND * 0.8)
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


def _is_folded(collar: Piece) -> bool:
    return any(line.kind is LineKind.FOLD for line in collar.lines)


def _only_stands(collar: Piece) -> bool:
    """Whether a collar folded on itself is too low to fall over."""
    return _is_folded(collar) and _wide(collar) / 2 < STAND + LEAST


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
    high = max(LEAST, min(MOST, _wide(band) / (1 if figure.pattern.garment == "apron" else 2)))
    yield "waist", [*waist, *((x - high, y) for x, y in reversed(waist))]


def _wide(piece: Piece | None) -> float:
    """The shorter side of a piece in its middle size, in mm."""
    assert piece is not None
    size = list(piece.shapes)[len(piece.shapes) // 2]
    x0, y0, x1, y1 = bounds([q for chain in piece.shapes[size].edges.values() for q in flatten(chain, 1.0)])
    return min(x1 - x0, y1 - y0)
