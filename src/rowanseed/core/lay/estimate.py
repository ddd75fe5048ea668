"""A first answer before anything is searched: between which lengths a lay must come out, in milliseconds.

Below: no lay is shorter than the area of its pieces over the usable width, nor than its longest piece. Above: the
pieces' bounding boxes laid in rows, which anyone could do. The likely length takes the usual density of garments.
"""

from __future__ import annotations

from dataclasses import dataclass

from rowanseed.core.base.words import Worded
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.lay.problem import LayPiece, Problem, moved, turns

USUAL_DENSITY = 0.72
"""The share of cloth that garments' pieces cover in a good lay of theirs (common practice, no source)."""


class FirstSight(Worded):
    """What the bounds say of a length in hand."""

    SURE = "sure", "it will do for certain"
    LIKELY = "likely", "it will probably do"
    DOUBTFUL = "doubtful", "it will hardly do"
    NO = "no", "it cannot do as it is"


@dataclass(frozen=True)
class Estimate:
    """Lengths in mm: no lay is shorter than `least`; rows of boxes take `most` (None: a piece is too wide);
    `likely`."""

    least: float
    likely: float
    most: float | None

    def of(self, hand: float) -> FirstSight:
        """What a length ready to cut is good for."""
        if hand < self.least - 1:
            return FirstSight.NO
        if self.most is not None and hand >= self.most:
            return FirstSight.SURE
        return FirstSight.LIKELY if hand >= self.likely else FirstSight.DOUBTFUL


def estimate(problem: Problem) -> Estimate:
    """Bounds for the shortest lay of a problem on cloth laid open.

    There is no upper bound where more than the cloth's width decides: a match, a border, patches that are gone.
    """
    usable = problem.cloth.width - 2 * problem.cloth.selvedge
    boxes = [
        box for piece in problem.pieces for box in [_box(piece, usable, one_way=problem.cloth.one_way)] * piece.cut
    ]
    area = sum(piece.area * piece.cut for piece in problem.pieces) / usable
    least = max([area, *(along for along, _ in boxes)])
    bound = problem.matches or problem.forbidden or any(p.border or p.motif or p.selvedge for p in problem.pieces)
    most = None if bound else _rows(boxes, usable, problem.gap)
    likely = max(least, area / USUAL_DENSITY)
    return Estimate(least, likely if most is None else min(likely, most), most)


def _box(piece: LayPiece, usable: float, *, one_way: bool) -> tuple[float, float]:
    """(along, across) of a piece as it reaches least far along the cloth, among the turns that fit across it."""
    whole = piece.whole()
    extents = [bounds(moved(whole, turn, False)) for turn in turns(piece.grain, one_way or piece.one_way)]
    boxes = [(right - left, high - low) for left, low, right, high in extents]
    return min(boxes, key=lambda box: (box[1] > usable, box[0]))


def _rows(boxes: list[tuple[float, float]], usable: float, gap: float) -> float | None:
    """Length of boxes (along, across) laid in rows across the cloth, the longest first, each into the first row
    with room."""
    if any(across > usable for _, across in boxes):
        return None
    rows: list[list[float]] = []
    for along, across in sorted(boxes, reverse=True):
        for row in rows:
            if row[1] + gap + across <= usable:
                row[1] += gap + across
                break
        else:
            rows.append([along, across])
    return sum(row[0] for row in rows) + gap * max(0, len(rows) - 1)
