"""Full- and small-bust adjustment: room over the bust without a broader shoulder.

On a front in one piece: slash from the hem to the bust point and on to the armhole, and from the side to the
bust point; swing the side out about the armhole. The slash at the side becomes a dart. On a princess line
the side front is rounded out and the centre front lengthened by what the curve has grown.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace

from rowanseed.core.alter.deform import BAND, crossings, deform, smooth, stretch
from rowanseed.core.alter.frame import Frame, frames, with_pieces
from rowanseed.core.alter.seam import Side, edge_side
from rowanseed.core.base.errors import MoreThanItBears, NoPlaceFor
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
    split_chain,
    transform_chain,
)
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Dart, InnerPoint, Mark, MarkKind, Panel, Piece, PointKind, Shape
from rowanseed.core.pattern.seamline import mark_distance

HINGES = (1 / 3, 0.45, 0.57)
"""The hinge stands at one of these shares of the armhole, from the underarm: the first that is well above the bust."""
ABOVE_BUST = 80.0
"""A hinge nearer to the bust point's level than this, in mm, would turn the side too far."""
DART_SHORT_OF_POINT = 25.0
"""A bust dart ends about an inch from the bust point (common practice, no source)."""
DART_BELOW = 15.0
FAIR = 18.0
"""The armhole is drawn smooth so far to either side of the hinge, in mm."""
MOST = 130.0
"""More than this round the bust, in mm, distorts the front too far."""
WHOLE = Affine(a=1, b=0, c=0, d=1, e=0, f=0)


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
    return _slash(pattern, front, point, by / 2)


# ---------------------------------------------------------------- a princess line


def _princess(pattern: Pattern, front: Frame, point: Point, each: float) -> Pattern:
    size, changed = front.size, []
    grown = 0.0
    sides = [p for p in front.pieces if p.has_edge("princess") and p.has_edge("side")]
    for piece in sides:
        edge = piece.shapes[size].edges["princess"]
        ends = sorted((edge[0].start, edge[-1].end))
        top, waist = ends[0][0], front.level("waist") or ends[1][0]
        side = edge_side(front, piece, "princess")

        def field(p: Point, top: float = top, waist: float = waist, side: Side = side) -> Point:
            up = (
                smooth((p[0] - top) / (point[0] - top))
                if p[0] < point[0]
                else smooth((waist - p[0]) / (waist - point[0]))
            )
            return (p[0], p[1] + side.out * each * up * smooth(1 - side.depth(p)))

        moved = deform(piece, size, field, parts=6)
        if not grown:
            grown = chain_length(moved.shapes[size].edges["princess"]) - chain_length(edge)
        changed.append(moved)
    field_, cuts = stretch(point, (1.0, 0.0), grown, half=BAND / 2)
    others = [p for p in front.pieces if p not in sides]
    return with_pieces(pattern, [*changed, *(deform(p, size, field_, cuts) for p in others)])


# ---------------------------------------------------------------- slash, swing, spread


@dataclass(frozen=True)
class _Swing:
    """Where the front is slashed and how its parts move: `upper` swings about the hinge, `lower` is shifted."""

    bust: Point
    hinge: Point
    share: float
    mouth: Point
    upper: Affine
    shift: Point

    @property
    def apex(self) -> Point:
        """Where the bust point is afterwards: lowered with the front, in the middle of what was spread."""
        return (self.bust[0] + self.shift[0], self.bust[1] + self.shift[1] / 2)

    def part(self, p: Point) -> Affine:
        """The motion of a point inside the piece."""
        if p[1] <= self.bust[1]:
            return WHOLE if p[0] < self.bust[0] else Affine(a=1, b=0, c=0, d=1, e=self.shift[0], f=0)
        slope = (self.mouth[0] - self.bust[0]) / max(1e-9, self.mouth[1] - self.bust[1])
        if p[0] > self.bust[0] + slope * (p[1] - self.bust[1]):
            return Affine(1, 0, 0, 1, *self.shift)
        beyond = (p[0] - self.hinge[0]) * (self.bust[1] - self.hinge[1]) - (p[1] - self.hinge[1]) * (
            self.bust[0] - self.hinge[0]
        )
        return self.upper if beyond < 0 else WHOLE


def _slash(pattern: Pattern, front: Frame, point: Point, each: float) -> Pattern:
    whole = [p for p in front.pieces if all(p.has_edge(e) for e in ("hem", "side", "armhole"))]
    if not whole:
        raise NoPlaceFor(
            "The front has no side seam and armhole of its own to work from.", "Choose the size by the full bust."
        )
    swing = _swing(whole[0], front.size, point, each)
    field, cuts = stretch(point, (1.0, 0.0), swing.shift[0], half=BAND / 2)
    changed = []
    for piece in front.pieces:
        if piece in whole:
            changed.append(_swung(piece, front.size, swing, each))
        else:
            changed.append(deform(piece, front.size, field, cuts))
    return with_pieces(pattern, changed)


def _swing(piece: Piece, size: str, bust: Point, each: float) -> _Swing:
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
    c, s = math.cos(turn), math.sin(turn)
    upper = Affine(
        a=c, b=-s, c=s, d=c, e=hinge[0] - c * hinge[0] + s * hinge[1], f=hinge[1] - s * hinge[0] - c * hinge[1]
    )
    moved = upper(bust)
    return _Swing(
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


def _distance_to(chain: Chain, along: Point, value: float) -> float:
    """The distance along a chain to where it crosses a line."""
    before = 0.0
    for segment in chain:
        for t in crossings(segment, along, value):
            return before + segment.split(t)[0].length()
        before += segment.length()
    return before / 2


def _swung(piece: Piece, size: str, swing: _Swing, each: float) -> Piece:
    shape = piece.shapes[size]
    edges = dict(shape.edges)
    lower = Affine(1, 0, 0, 1, *swing.shift)
    down = Affine(a=1, b=0, c=0, d=1, e=swing.shift[0], f=0)
    # Edges of the centre part are drawn out below the bust; those above it stay.
    field, cuts = stretch(swing.bust, (1.0, 0.0), swing.shift[0], half=BAND / 2)
    centre = deform(piece, size, lambda p: field(p) if p[1] <= swing.bust[1] + 1 else p, cuts).shapes[size].edges
    for name in edges:
        if name not in ("hem", "side", "armhole"):
            edges[name] = centre[name]
    hem, side, armhole = shape.edges["hem"], shape.edges["side"], shape.edges["armhole"]
    at_bust = _distance_to(hem, (0.0, 1.0), swing.bust[1] + min(0.0, each))
    inner, outer = split_chain(hem, at_bust)[0], split_chain(hem, _distance_to(hem, (0.0, 1.0), swing.bust[1]))[1]
    inner, outer = transform_chain(inner, down), transform_chain(outer, lower)
    edges["hem"] = _joined(inner, outer)
    dart = _side_dart(piece)
    legs = sorted(mark_distance(piece, size, piece.mark(leg)) for leg in dart.legs) if dart else []
    where = _distance_to(side, (1.0, 0.0), swing.mouth[0])
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
        lines=tuple(replace(i, ends={**i.ends, size: _pair(i.ends[size], swing)}) for i in piece.lines),
        points=tuple(replace(q, at={**q.at, size: _moved_point(q, size, swing)}) for q in piece.points),
        marks=tuple(
            _mark(piece=piece, size=size, mark=mark, swing=swing, edges=edges, legs=legs_at) for mark in piece.marks
        ),
    )
    return _with_dart(altered, size, swing, legs_at) if wide > 0.01 else altered


def _moved_point(point: InnerPoint, size: str, swing: _Swing) -> Point:
    at = point.at[size]
    return swing.apex if point.kind is PointKind.BUST else swing.part(at)(at)


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


def _pair(ends: tuple[Point, Point], swing: _Swing) -> tuple[Point, Point]:
    """A line's ends moved; one at the level of the bust stays level, as it is once the dart is sewn."""
    if all(abs(end[0] - swing.bust[0]) < 1.0 for end in ends):
        down, across = swing.shift
        inner, outer = ends
        return (inner[0] + down, inner[1]), (outer[0] + down, outer[1] + across)
    return swing.part(ends[0])(ends[0]), swing.part(ends[1])(ends[1])


def _grainline(shape: Shape, swing: _Swing) -> tuple[Point, Point]:
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
    piece: Piece, size: str, mark: Mark, swing: _Swing, edges: dict[str, Chain], legs: tuple[float, float]
) -> Mark:
    """A mark of the side, armhole or hem, held at its place of the cloth."""
    if mark.edge not in ("side", "armhole", "hem", "centre", "opening"):
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
    elif mark.edge == "hem":
        at = at if here[1] <= swing.bust[1] else chain_length(edges["hem"]) - (chain_length(old) - at)
    elif mark.edge in ("centre", "opening") and here[0] > swing.bust[0]:
        at += chain_length(edges[mark.edge]) - chain_length(old)
    if mark.anchor == "end":
        at = chain_length(edges[mark.edge]) - at
    elif mark.anchor != "start":
        return mark
    return replace(mark, distance={**mark.distance, size: at})


def _with_dart(piece: Piece, size: str, swing: _Swing, legs: tuple[float, float]) -> Piece:
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
