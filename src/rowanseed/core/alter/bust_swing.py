"""A bust adjusted on a front in one piece: slash, swing and spread.

The front is slashed from its lower edge to the bust point and on to the armhole, and from the side to the bust point;
the side is swung out about the armhole. The slash at the side becomes a dart. At a hem what was let in stays; at a
waist seam the waist dart takes it up, so that the seam keeps its length.
"""

from __future__ import annotations

import math
from dataclasses import replace

from rowanseed.core.alter.bust_facing import fanned
from rowanseed.core.alter.bust_foot import Foot, dart_point, foot_of, with_waist_dart
from rowanseed.core.alter.bust_parts import DART_SHORT_OF_POINT, Swing, distance_to, lower_edge
from rowanseed.core.alter.deform import BAND, crossings, deform, stretch
from rowanseed.core.alter.frame import Frame, frames, with_pieces
from rowanseed.core.base.craft_refusals import NoPlaceFor
from rowanseed.core.geometry.outline import (
    Affine,
    Chain,
    Point,
    Segment,
    chain_length,
    direction_at,
    lerp,
    locate,
    point_at,
    rotation,
    split_chain,
    transform_chain,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import (
    Dart,
    InnerLine,
    InnerPoint,
    LineKind,
    Mark,
    MarkKind,
    Panel,
    Piece,
    PointKind,
    Shape,
)
from rowanseed.core.pattern.seamline import mark_distance

HINGES = (1 / 3, 0.45, 0.57)
"""The hinge stands at one of these shares of the armhole, from the underarm: the first that is well above the bust."""
ABOVE_BUST = 80.0
"""A hinge nearer to the bust point's level than this, in mm, would turn the side too far."""
DART_BELOW = 15.0
FAIR = 18.0
"""The armhole is drawn smooth so far to either side of the hinge, in mm."""


def slash(pattern: Pattern, front: Frame, point: Point, each: float) -> Pattern:
    """Give a front in one piece, and what is drawn on it, `each` mm more across the bust. Raises AlterationError."""
    whole = [p for p in front.pieces if all(p.has_edge(e) for e in (lower_edge(p), "side", "armhole"))]
    if not whole:
        raise NoPlaceFor(
            "The front has no side seam and armhole of its own to work from.", "Choose the size by the full bust."
        )
    swing = _swing(whole[0], front.size, point, each)
    field, cuts = stretch(point, (1.0, 0.0), swing.shift[0], half=BAND / 2)
    changed = []
    own = _swung(whole[0], front.size, swing, each)
    for piece in front.pieces:
        if piece is whole[0]:
            changed.append(own)
        elif piece in whole:
            changed.append(_swung(piece, front.size, swing, each))
        elif piece.has_edge("armhole"):
            changed.append(fanned(piece, front.size, swing, whole[0], own))
        else:
            changed.append(deform(piece, front.size, field, cuts))
    return with_pieces(pattern, changed)


def _swing(piece: Piece, size: str, bust: Point, each: float) -> Swing:
    shape = piece.shapes[size]
    armhole, side = shape.edges["armhole"], shape.edges["side"]
    share = _hinge(armhole, bust)
    hinge = point_at(armhole, chain_length(armhole) * share)
    level = max(bust[0] + DART_BELOW, side[-1].end[0] + 45.0)
    dart = _side_dart(piece)
    legs = [mark_distance(piece, size, piece.mark(leg)) for leg in dart.legs] if dart else []
    mouth = point_at(side, sum(legs) / 2) if legs else _at_level(side, level)
    rx, ry = bust[0] - hinge[0], bust[1] - hinge[1]
    if rx <= 0 or ry >= 0:
        raise NoPlaceFor("The bust point does not lie below and inside the armhole.", "Look at the pattern's points.")
    low, high = -1.2, 1.2
    for _ in range(60):
        turn = (low + high) / 2
        low, high = (turn, high) if rx * math.sin(turn) + ry * math.cos(turn) - ry < each else (low, turn)
    if abs(turn) > 1.1:
        raise NoPlaceFor("The front cannot be swung so far.", "Adjust the bust by less.")
    upper = rotation(hinge, turn)
    moved = upper(bust)
    return Swing(
        bust=bust, hinge=hinge, share=share, mouth=mouth, upper=upper, shift=(moved[0] - bust[0], moved[1] - bust[1])
    )


def hinge_share(pattern: Pattern, size: str) -> float | None:
    """How far up the armhole from the underarm a front in one piece is hinged, as a share; None on a princess line."""
    for front in frames(pattern, size):
        point = front.point(PointKind.BUST)
        armhole = front.edge("armhole")
        if front.panel is Panel.FRONT and point is not None and armhole and front.edge("princess") is None:
            return _hinge(armhole, point)
    return None


def _hinge(armhole: Chain, bust: Point) -> float:
    """The share of the armhole at which the front is hinged."""
    long = chain_length(armhole)
    return next((h for h in HINGES if bust[0] - point_at(armhole, long * h)[0] >= ABOVE_BUST), HINGES[-1])


def _side_dart(piece: Piece) -> Dart | None:
    return next((d for d in piece.darts if d.edge == "side"), None)


def _at_level(chain: Chain, x: float) -> Point:
    """The first place where a chain crosses a level."""
    for segment in chain:
        for t in crossings(segment, (1.0, 0.0), x):
            return segment.at(t)
    return min((s.start for s in chain), key=lambda p: abs(p[0] - x))


def _swung(piece: Piece, size: str, swing: Swing, each: float) -> Piece:
    shape = piece.shapes[size]
    edges = dict(shape.edges)
    lower = Affine(1, 0, 0, 1, *swing.shift)
    down = Affine(a=1, b=0, c=0, d=1, e=swing.shift[0], f=0)
    # Edges of the centre part are drawn out below the bust; those above it stay.
    field, cuts = stretch(swing.bust, (1.0, 0.0), swing.shift[0], half=BAND / 2)
    centre = deform(piece, size, lambda p: field(p) if p[1] <= swing.bust[1] + 1 else p, cuts).shapes[size].edges
    low = lower_edge(piece)
    for name in edges:
        if name not in (low, "side", "armhole"):
            edges[name] = centre[name]
    side, armhole = shape.edges["side"], shape.edges["armhole"]
    foot = foot_of(piece, size, swing, each)
    inner = transform_chain(split_chain(shape.edges[low], foot.inner)[0], down)
    outer = transform_chain(split_chain(shape.edges[low], foot.outer)[1], lower)
    edges[low] = _joined(inner, outer)
    dart = _side_dart(piece)
    legs = sorted(mark_distance(piece, size, piece.mark(leg)) for leg in dart.legs) if dart else []
    where = distance_to(side, (1.0, 0.0), swing.mouth[0])
    first, last = (legs[0], legs[1]) if legs else (where, where)
    below, above = (
        transform_chain(split_chain(side, first)[0], lower),
        transform_chain(split_chain(side, last)[1], swing.upper),
    )
    wide = math.dist(below[-1].end, above[0].start)
    opens = below[-1].end[0] > above[0].start[0]
    if wide > 0.01 and not opens:
        raise NoPlaceFor(
            "There is no bust dart in the front to make so much smaller.",
            "Take the smaller size instead, or adjust by less.",
        )
    edges["side"] = _joined(below, above)
    turned, still = split_chain(armhole, chain_length(armhole) * swing.share)
    edges["armhole"] = _faired((*transform_chain(turned, swing.upper), *still), chain_length(turned))
    legs_at = (chain_length(below), chain_length(below) + wide)
    altered = replace(
        piece,
        shapes={**piece.shapes, size: Shape(edges, _grainline(shape, swing))},
        lines=tuple(replace(i, ends={**i.ends, size: _line(i, size, swing)}) for i in piece.lines),
        points=_moved_points(piece.points, size, swing),
        darts=tuple(replace(d, point={**d.point, size: dart_point(d, size, swing, foot)}) for d in piece.darts),
        marks=tuple(
            _mark(piece=piece, size=size, mark=mark, swing=swing, edges=edges, legs=legs_at, foot=foot)
            for mark in piece.marks
        ),
    )
    if low != "hem" and foot.dart is None and each > 0:
        altered = with_waist_dart(altered, size, swing, (foot.inner, foot.inner + each))
    return _with_dart(altered, size, swing, legs_at) if wide > 0.01 else altered


# ---------------------------------------------------------------- what lies inside and on it


def _moved_points(points: tuple[InnerPoint, ...], size: str, swing: Swing) -> tuple[InnerPoint, ...]:
    """Points inside the front. Those of one pocket, or of a double-ended dart, keep their distances: they go along
    with the middle of the slash where it runs between them."""
    together: dict[str, list[Point]] = {}
    for point in points:
        together.setdefault(_belongs_to(point), []).append(point.at[size])

    def moved(point: InnerPoint) -> Point:
        at, mates = point.at[size], together[_belongs_to(point)]
        parts = {swing.part(mate) for mate in mates}
        if point.kind is PointKind.BUST:
            return swing.apex
        if len(mates) > 1 and len(parts) > 1:
            lower = min(mate[0] for mate in mates) > swing.bust[0]
            return (at[0] + (swing.shift[0] if lower else 0.0), at[1] + swing.shift[1] / 2)
        return swing.part(at)(at)

    return tuple(replace(point, at={**point.at, size: moved(point)}) for point in points)


def _belongs_to(point: InnerPoint) -> str:
    """What a point inside a piece marks together with others: a pocket, a dart; its own id where it stands alone."""
    if point.kind in (PointKind.POCKET, PointKind.DOT):
        return point.id.rpartition("-")[0] or point.id
    return point.id


def _faired(chain: Chain, at: float) -> Chain:
    """A chain drawn smooth where it was hinged."""
    low, high = at - FAIR, at + FAIR
    if low < 1.0 or high > chain_length(chain) - 1.0:
        return chain
    before, after = split_chain(chain, low)[0], split_chain(chain, high)[1]
    start, end = before[-1].end, after[0].start
    a, b, pull = direction_at(chain, low), direction_at(chain, high), math.dist(start, end) * 0.36
    bridge = Segment(
        start=start,
        end=end,
        control1=(start[0] + a[0] * pull, start[1] + a[1] * pull),
        control2=(end[0] - b[0] * pull, end[1] - b[1] * pull),
    )
    return (*before, bridge, *after)


def _line(line: InnerLine, size: str, swing: Swing) -> tuple[Point, Point]:
    """A line's ends moved; the level of the bust stays level, as it is once the dart is sewn, and measures the bust."""
    one, other = line.ends[size]
    at_bust = line.kind is LineKind.LEVEL and line.id == "bust"
    if at_bust or all(abs(end[0] - swing.bust[0]) < 1.0 for end in (one, other)):
        down, across = swing.shift
        return (one[0] + down, one[1]), (other[0] + down, other[1] + across)
    return swing.part(one)(one), swing.part(other)(other)


def _grainline(shape: Shape, swing: Swing) -> tuple[Point, Point]:
    """Kept along the grain: its lower end only moves down."""
    top, bottom = shape.grainline
    return top, (bottom[0] + (swing.shift[0] if bottom[0] > swing.bust[0] else 0.0), top[1])


def _joined(before: Chain, after: Chain) -> Chain:
    """Two chains as one, with a straight line across a gap."""
    if not before or not after:
        return before or after
    gap = math.dist(before[-1].end, after[0].start)
    if gap < 0.01:
        return (*before, replace(after[0], start=before[-1].end), *after[1:])
    return (*before, Segment(before[-1].end, after[0].start), *after)


def _mark(
    piece: Piece,
    size: str,
    mark: Mark,
    swing: Swing,
    edges: dict[str, Chain],
    legs: tuple[float, float],
    foot: Foot,
) -> Mark:
    """A mark of the side, armhole or lower edge, held at its place of the cloth."""
    low = lower_edge(piece)
    if mark.edge not in ("side", "armhole", low, "centre", "opening"):
        return mark
    old = piece.shapes[size].edges[mark.edge]
    at = mark_distance(piece, size, mark)
    index, t = locate(old, at)
    here = old[index].at(t)
    dart = _side_dart(piece)
    if dart is not None and mark.id in dart.legs:
        ordered = sorted(dart.legs, key=lambda leg: mark_distance(piece, size, piece.mark(leg)))
        at = legs[ordered.index(mark.id)]
    elif mark.edge == "side":
        at = at if here[0] > swing.mouth[0] else chain_length(edges["side"]) - (chain_length(old) - at)
    elif mark.edge == low:
        at = at if at <= foot.inner + 1e-6 else chain_length(edges[low]) - (chain_length(old) - at)
    elif mark.edge in ("centre", "opening") and here[0] > swing.bust[0]:
        at += chain_length(edges[mark.edge]) - chain_length(old)
    if mark.anchor == "end":
        at = chain_length(edges[mark.edge]) - at
    elif mark.anchor != "start":
        return mark
    return replace(mark, distance={**mark.distance, size: at})


def _with_dart(piece: Piece, size: str, swing: Swing, legs: tuple[float, float]) -> Piece:
    """The dart at the side, pointing at the moved bust point and ending an inch short of it."""
    side = piece.shapes[size].edges["side"]
    mouth = lerp(point_at(side, legs[0]), point_at(side, legs[1]), 0.5)
    apex = swing.apex
    point = lerp(apex, mouth, min(0.5, DART_SHORT_OF_POINT / max(1.0, math.dist(apex, mouth))))
    known = _side_dart(piece)
    if known is not None:
        darts = tuple(replace(d, point={**d.point, size: point}) if d is known else d for d in piece.darts)
        return replace(piece, darts=darts)
    marks = tuple(
        Mark(id=f"bust-dart-{k + 1}", kind=MarkKind.DART_LEG, edge="side", anchor="start", distance={size: leg})
        for k, leg in enumerate(legs)
    )
    dart = Dart(id="bust", edge="side", legs=(marks[0].id, marks[1].id), point={size: point})
    return replace(piece, marks=(*piece.marks, *marks), darts=(*piece.darts, dart))
