"""The length of the crotch: the inner leg moved out or in at the crotch point, front and back together or apart."""

from __future__ import annotations

from collections.abc import Callable

from rowanseed.core.alter.deform import smooth
from rowanseed.core.alter.frame import Frame, frames, move
from rowanseed.core.base.craft_refusals import NoPlaceFor, TooNarrow
from rowanseed.core.geometry.outline import Chain, Point, chain_length, flatten
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Panel

PARTS = 4
FRONT_ONLY, BACK_ONLY = "front", "back"
ROUNDS = 30


def has_crotch(pattern: Pattern, size: str) -> bool:
    return bool(legs(pattern, size))


def legs(pattern: Pattern, size: str) -> tuple[Frame, ...]:
    """The frames of fronts and backs with a crotch and an inner leg."""
    return tuple(
        frame
        for frame in frames(pattern, size)
        if frame.panel in (Panel.FRONT, Panel.BACK) and frame.edge("crotch") and frame.edge("inseam")
    )


def crotch_point(frame: Frame) -> Point:
    """Where crotch and inner leg meet."""
    crotch, inseam = _edges(frame)
    ends = {point_key(inseam[0].start), point_key(inseam[-1].end)}
    both = [q for q in (crotch[0].start, crotch[-1].end) if point_key(q) in ends]
    return both[0] if both else max((crotch[0].start, crotch[-1].end), key=lambda q: q[0])


def _edges(frame: Frame) -> tuple[Chain, Chain]:
    crotch, inseam = frame.edge("crotch"), frame.edge("inseam")
    if crotch is None or inseam is None:
        raise NoPlaceFor("No piece of this pattern has a crotch.")
    return crotch, inseam


def change_length(pattern: Pattern, size: str, by: float, at: str = "") -> Pattern:
    """Lengthen the crotch seam by `by` mm at the crotch point, dying away to the knee and up to the hip.

    Half on the front and half on the back, or all of it `at` the front or the back. Raises AlterationError.
    """
    found = legs(pattern, size)
    if not found:
        raise NoPlaceFor("No piece of this pattern has a crotch.")
    chosen = [frame for frame in found if not at or frame.panel.value == at]
    for frame in chosen:
        pattern = _lengthened(pattern, frame, by / len(chosen))
    return pattern


def _lengthened(pattern: Pattern, frame: Frame, by: float) -> Pattern:
    """One leg's crotch seam made longer by exactly so much, while the inner leg seam keeps its length.

    Raises TooNarrow where no place for the crotch point gives both.
    """
    wide, moved = moving(pattern, frame)
    if by < -0.8 * wide:
        raise TooNarrow("The crotch point reaches out", wide, "Shorten the crotch by less.")
    crotch_was, inseam_was = length_of(pattern, frame, "crotch"), length_of(pattern, frame, "inseam")
    reach, drop, now = by, 0.0, moved(by, 0.0)
    for _ in range(ROUNDS):
        grown, inner = length_of(now, frame, "crotch") - crotch_was, length_of(now, frame, "inseam") - inseam_was
        if abs(grown - by) < 0.01 and abs(inner) < 0.05:
            break
        # The point is lowered by what the inner leg has grown, so that it still meets the other leg's.
        reach, drop = reach + (by - grown), drop + inner
        now = moved(reach, drop)
    else:
        # So near to the centre the curve folds over itself, and no place for the point gives what is asked.
        raise TooNarrow("The crotch point reaches out", wide, "Shorten the crotch by less.")
    return now


def moving(pattern: Pattern, frame: Frame) -> tuple[float, Callable[[float, float], Pattern]]:
    """How far the crotch point of a leg reaches out, in mm; and how far it goes out, and down, → the pattern with it
    moved so, dying away to the knee and up to the hip."""
    crotch, _ = _edges(frame)
    point = crotch_point(frame)
    straight = min(flatten(crotch, 1.0), key=lambda q: q[0])
    out = 1.0 if point[1] > straight[1] else -1.0
    wide = max(1.0, abs(point[1] - straight[1]))
    knee = frame.level("knee") or (point[0] + frame.bounds()[2]) / 2
    hip = frame.level("hip") or point[0] - 80.0
    top = max(hip, point[0] - 80.0) if hip < point[0] - 20.0 else point[0] - 80.0

    def moved(reach: float, drop: float) -> Pattern:
        def field(p: Point) -> Point:
            up, down = (p[0] - top) / (point[0] - top), (p[0] - point[0]) / (knee - point[0])
            along = smooth(up) if p[0] < point[0] else 1 - smooth(down)
            share = along * min(max((p[1] - straight[1]) * out / wide, 0.0), 1.0)
            return (p[0] + drop * share, p[1] + out * reach * share)

        return move(pattern, frame, field, parts=PARTS)

    return wide, moved


def length_of(pattern: Pattern, frame: Frame, edge: str) -> float:
    piece = next(p for p in frame.pieces if p.has_edge(edge))
    return chain_length(pattern.piece(piece.id).shapes[frame.size].edges[edge])


def point_key(p: Point) -> Point:
    return (round(p[0], 3), round(p[1], 3))
