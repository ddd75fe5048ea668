"""The lower edge of a front that is adjusted for the bust: a hem grows wider, at a waist seam the dart grows deeper."""

from __future__ import annotations

from dataclasses import dataclass, replace

from rowanseed.core.alter.bust_parts import DART_SHORT_OF_POINT, Swing, distance_to, lower_edge
from rowanseed.core.base.craft_refusals import NoPlaceFor
from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.pieces import Dart, Mark, MarkKind, Piece
from rowanseed.core.pattern.seamline import mark_distance


@dataclass(frozen=True)
class Foot:
    """Where the slash leaves the front at its lower edge: distances along the edge, and the dart there, if any."""

    inner: float
    outer: float
    dart: Dart | None


def foot_of(piece: Piece, size: str, swing: Swing, each: float) -> Foot:
    """At a waist seam the slash runs through the dart, so that what is let in makes the dart deeper."""
    low = lower_edge(piece)
    chain = piece.shapes[size].edges[low]
    if low == "hem":
        across = (0.0, 1.0)
        at = [distance_to(chain, across, swing.bust[1] + more) for more in (min(0.0, each), 0.0)]
        return Foot(at[0], at[1], None)
    darts = [d for d in piece.darts if d.edge == low]
    legs = {d.id: sorted(mark_distance(piece, size, piece.mark(leg)) for leg in d.legs) for d in darts}
    at_bust = distance_to(chain, (0.0, 1.0), swing.bust[1])
    dart = min(darts, key=lambda d: abs(sum(legs[d.id]) / 2 - at_bust), default=None)
    deep = legs[dart.id][1] - legs[dart.id][0] if dart is not None else 0.0
    if deep + each < -0.01:
        raise NoPlaceFor(
            "There is no waist dart in the front to make so much smaller.",
            "Take the smaller size instead, or adjust by less.",
        )
    return Foot(at_bust, at_bust, None) if dart is None else Foot(legs[dart.id][0], legs[dart.id][1], dart)


def with_waist_dart(piece: Piece, size: str, swing: Swing, legs: tuple[float, float]) -> Piece:
    """A dart from the waist seam below the moved bust point, which takes up what was let in there."""
    low = lower_edge(piece)
    marks = tuple(
        Mark(
            id=f"waist-dart-{k + 1}",
            kind=MarkKind.DART_LEG,
            edge=low,
            anchor="start",
            distance={size: leg},
        )
        for k, leg in enumerate(legs)
    )
    below = (swing.apex[0] + DART_SHORT_OF_POINT, swing.apex[1])
    dart = Dart(id="waist", edge=low, legs=(marks[0].id, marks[1].id), point={size: below})
    return replace(piece, marks=(*piece.marks, *marks), darts=(*piece.darts, dart))


def dart_point(dart: Dart, size: str, swing: Swing, foot: Foot) -> Point:
    """The point of a dart; that of the waist dart stays as far below the bust point as it was, in the dart's middle."""
    at = dart.point[size]
    if dart is foot.dart:
        return (at[0] + swing.shift[0], at[1] + swing.shift[1] / 2)
    return swing.part(at)(at)
