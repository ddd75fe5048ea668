"""Geometry on outlines: chains of straight and curved segments, their lengths, offsets and mirrors.

Everything is in millimetres in a right-handed plane (x to the right, y up). Rings run counter-clockwise
unless a function says otherwise.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cached_property, lru_cache
from itertools import pairwise

Point = tuple[float, float]

FLATNESS = 0.05
"""How far a flattened curve may stray from the true one, in millimetres."""

# Nodes and weights of 16-point Gauss-Legendre quadrature on -1..1, the positive half by symmetry.
_GAUSS = (
    (0.0950125098376374, 0.1894506104550685),
    (0.2816035507792589, 0.1826034150449236),
    (0.4580167776572274, 0.1691565193950025),
    (0.6178762444026438, 0.1495959888165767),
    (0.7554044083550030, 0.1246289712555339),
    (0.8656312023878318, 0.0951585116824928),
    (0.9445750230732326, 0.0622535239386479),
    (0.9894009349916499, 0.0271524594117541),
)


@dataclass(frozen=True)
class Segment:
    """A straight line, or a cubic Bézier curve when both control points are set."""

    start: Point
    end: Point
    control1: Point | None = None
    control2: Point | None = None

    @property
    def is_curve(self) -> bool:
        return self.control1 is not None and self.control2 is not None

    def points(self) -> tuple[Point, Point, Point, Point]:
        """The four control points; a straight line's are spaced evenly."""
        if self.control1 is not None and self.control2 is not None:
            return self.start, self.control1, self.control2, self.end
        return self.start, lerp(self.start, self.end, 1 / 3), lerp(self.start, self.end, 2 / 3), self.end

    def at(self, t: float) -> Point:
        """The point at parameter `t` (0..1)."""
        if not self.is_curve:
            return lerp(self.start, self.end, t)
        a, b, c, d = self.points()
        u = 1 - t
        wa, wb, wc, wd = u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t
        return (wa * a[0] + wb * b[0] + wc * c[0] + wd * d[0], wa * a[1] + wb * b[1] + wc * c[1] + wd * d[1])

    def derivative(self, t: float) -> Point:
        """The derivative by the parameter at `t`; never zero, so that it gives a direction."""
        a, b, c, d = self.points()
        u = 1 - t
        wa, wb, wc = 3 * u * u, 6 * u * t, 3 * t * t
        dx = wa * (b[0] - a[0]) + wb * (c[0] - b[0]) + wc * (d[0] - c[0])
        dy = wa * (b[1] - a[1]) + wb * (c[1] - b[1]) + wc * (d[1] - c[1])
        if dx == 0 and dy == 0:
            return (d[0] - a[0], d[1] - a[1])
        return (dx, dy)

    def length(self) -> float:
        """Arc length, by Gauss-Legendre quadrature, over quarters of a curve that bends much."""
        return self._length

    @cached_property
    def _length(self) -> float:
        return _curve_length(self) if self.is_curve else math.dist(self.start, self.end)

    def split(self, t: float) -> tuple[Segment, Segment]:
        """The parts before and after parameter `t`, by de Casteljau's construction."""
        middle = self.at(t)
        if not self.is_curve:
            return Segment(self.start, middle), Segment(middle, self.end)
        a, b, c, d = self.points()
        ab, bc, cd = lerp(a, b, t), lerp(b, c, t), lerp(c, d, t)
        abc, bcd = lerp(ab, bc, t), lerp(bc, cd, t)
        return Segment(start=a, end=middle, control1=ab, control2=abc), Segment(
            start=middle, end=d, control1=bcd, control2=cd
        )

    def reversed(self) -> Segment:
        return Segment(start=self.end, end=self.start, control1=self.control2, control2=self.control1)


GENTLE = 0.02
"""A curve whose control polygon is longer than its chord by less than this share is integrated in one run."""


@lru_cache(maxsize=1 << 16)
def _curve_length(segment: Segment) -> float:
    """Arc length of a curve; its derivative is written as a quadratic, which is evaluated many times."""
    (ax, ay), (bx, by), (cx, cy), (dx, dy) = segment.points()
    ux, uy = 3 * (bx - ax), 3 * (by - ay)
    vx, vy = 6 * (cx - 2 * bx + ax), 6 * (cy - 2 * by + ay)
    wx, wy = 3 * (dx - 3 * cx + 3 * bx - ax), 3 * (dy - 3 * cy + 3 * by - ay)
    chord = math.hypot(dx - ax, dy - ay)
    polygon = math.hypot(bx - ax, by - ay) + math.hypot(cx - bx, cy - by) + math.hypot(dx - cx, dy - cy)
    runs = 1 if polygon - chord < GENTLE * chord else 4
    total = 0.0
    for run in range(runs):
        middle = (run + 0.5) / runs
        for node, weight in _GAUSS:
            for t in (middle - node / (2 * runs), middle + node / (2 * runs)):
                total += weight * math.hypot(ux + t * (vx + t * wx), uy + t * (vy + t * wy))
    return total / (2 * runs)


Chain = tuple[Segment, ...]
"""Segments, each beginning where the one before it ends."""


@dataclass(frozen=True)
class Affine:
    """The map (x, y) → (a·x + b·y + e, c·x + d·y + f)."""

    a: float
    b: float
    c: float
    d: float
    e: float
    f: float

    def __call__(self, p: Point) -> Point:
        return (self.a * p[0] + self.b * p[1] + self.e, self.c * p[0] + self.d * p[1] + self.f)


def through(a: Point, p: Point, q: Point, d: Point) -> Segment:
    """The curve that passes through four points, a third of its parameter apart."""
    return Segment(start=a, end=d, control1=_handle(a, p, q, d), control2=_handle(d, q, p, a))


def _handle(a: Point, p: Point, q: Point, d: Point) -> Point:
    """The control point next to `a` of the curve through four points."""
    return (
        (-5 * a[0] + 18 * p[0] - 9 * q[0] + 2 * d[0]) / 6,
        (-5 * a[1] + 18 * p[1] - 9 * q[1] + 2 * d[1]) / 6,
    )


def tidied(segment: Segment, within: float = 1e-4) -> Segment:
    """A curve whose control points stand on its chord, within so many mm, is a straight line."""
    a, b, c, d = segment.points()
    chord = math.dist(a, d)
    if chord == 0:
        return Segment(a, d)
    along, up = (d[0] - a[0]) / chord, (d[1] - a[1]) / chord
    off = max(abs((b[0] - a[0]) * up - (b[1] - a[1]) * along), abs((c[0] - a[0]) * up - (c[1] - a[1]) * along))
    return Segment(a, d) if off < within else segment


def similarity(from_a: Point, from_b: Point, to_a: Point, to_b: Point) -> Affine:
    """The turn, scale and shift that takes two points to two others (which must differ)."""
    z = complex(to_b[0] - to_a[0], to_b[1] - to_a[1]) / complex(from_b[0] - from_a[0], from_b[1] - from_a[1])
    return Affine(
        a=z.real,
        b=-z.imag,
        c=z.imag,
        d=z.real,
        e=to_a[0] - z.real * from_a[0] + z.imag * from_a[1],
        f=to_a[1] - z.imag * from_a[0] - z.real * from_a[1],
    )


def rotation(centre: Point, angle: float) -> Affine:
    """The map that turns the plane about a point by an angle in radians, from x towards y."""
    c, s, (x, y) = math.cos(angle), math.sin(angle), centre
    return Affine(a=c, b=-s, c=s, d=c, e=x - c * x + s * y, f=y - s * x - c * y)


def lerp(a: Point, b: Point, t: float) -> Point:
    return (a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t)


def transform_chain(chain: Chain, move: Affine) -> Chain:
    """A chain with every control point moved; exact for curves, since Bézier curves are affine."""
    return tuple(
        Segment(
            start=move(s.start),
            end=move(s.end),
            control1=move(s.control1) if s.control1 else None,
            control2=move(s.control2) if s.control2 else None,
        )
        for s in chain
    )


def chain_length(chain: Chain) -> float:
    return sum(segment.length() for segment in chain)


def locate(chain: Chain, distance: float) -> tuple[int, float]:
    """The segment and parameter at an arc length from the chain's start, clamped to its ends."""
    left = max(0.0, distance)
    for index, segment in enumerate(chain):
        whole = segment.length()
        if left <= whole or index == len(chain) - 1:
            return index, _parameter(segment, min(left, whole), whole)
        left -= whole
    raise ValueError("a chain has at least one segment")


def _parameter(segment: Segment, distance: float, whole: float) -> float:
    """The parameter at an arc length along one segment, by Newton's method kept within a bracket."""
    if whole == 0:
        return 0.0
    if not segment.is_curve or distance in (0.0, whole):
        return distance / whole
    low, high, t = 0.0, 1.0, distance / whole
    for _ in range(48):
        over = segment.split(t)[0].length() - distance
        if abs(over) < 1e-10 * whole:
            break
        low, high = (low, t) if over > 0 else (t, high)
        speed = math.hypot(*segment.derivative(t))
        t -= over / speed
        if not low < t < high:
            t = (low + high) / 2
    return t


def point_at(chain: Chain, distance: float) -> Point:
    index, t = locate(chain, distance)
    return chain[index].at(t)


def direction_at(chain: Chain, distance: float) -> Point:
    """The unit tangent at an arc length from the chain's start."""
    index, t = locate(chain, distance)
    return unit(chain[index].derivative(t))


def split_chain(chain: Chain, distance: float) -> tuple[Chain, Chain]:
    """The chain up to an arc length from its start, and the rest (either may be empty at the ends)."""
    index, t = locate(chain, distance)
    if t <= 0:
        return chain[:index], chain[index:]
    if t >= 1:
        return chain[: index + 1], chain[index + 1 :]
    before, after = chain[index].split(t)
    return (*chain[:index], before), (after, *chain[index + 1 :])


def flatten(chain: Chain, flatness: float = FLATNESS) -> list[Point]:
    """Points along a chain, within `flatness` mm of the true curve; both ends included."""
    points = [chain[0].start]
    for segment in chain:
        if segment.is_curve:
            points += _within(segment, _pieces(segment, flatness))
        points.append(segment.end)
    return points


def _within(segment: Segment, pieces: int) -> list[Point]:
    """The points of a curve at equal steps of its parameter, without its ends: its cubics written out once."""
    (ax, ay), (bx, by), (cx, cy), (dx, dy) = segment.points()
    px, py = 3 * (bx - ax), 3 * (by - ay)
    qx, qy = 3 * (cx - 2 * bx + ax), 3 * (cy - 2 * by + ay)
    rx, ry = dx - 3 * cx + 3 * bx - ax, dy - 3 * cy + 3 * by - ay
    steps = [k / pieces for k in range(1, pieces)]
    return [(((rx * t + qx) * t + px) * t + ax, ((ry * t + qy) * t + py) * t + ay) for t in steps]


def _pieces(segment: Segment, flatness: float) -> int:
    """Equal parameter steps that keep the chord within `flatness`: the bound by second differences."""
    a, b, c, d = segment.points()
    bend = max(
        math.hypot(a[0] - 2 * b[0] + c[0], a[1] - 2 * b[1] + c[1]),
        math.hypot(b[0] - 2 * c[0] + d[0], b[1] - 2 * c[1] + d[1]),
    )
    return max(1, math.ceil(math.sqrt(0.75 * bend / flatness)))


def unit(v: Point) -> Point:
    size = math.hypot(*v)
    return (v[0] / size, v[1] / size) if size else (1.0, 0.0)


def arc_chain(centre: Point, radius: float, from_angle: float, to_angle: float) -> Chain:
    """A circular arc as cubic curves of at most 30°, the standard 4/3·tan(θ/4) construction.

    At 30° a piece strays from the circle by less than a millionth of the radius.
    """
    pieces = max(1, math.ceil(abs(to_angle - from_angle) / math.radians(30)))
    step = (to_angle - from_angle) / pieces
    handle = 4 / 3 * math.tan(step / 4) * radius
    chain = []
    for k in range(pieces):
        a, b = from_angle + k * step, from_angle + (k + 1) * step
        start = (centre[0] + radius * math.cos(a), centre[1] + radius * math.sin(a))
        end = (centre[0] + radius * math.cos(b), centre[1] + radius * math.sin(b))
        chain.append(
            Segment(
                start=start,
                end=end,
                control1=(start[0] - handle * math.sin(a), start[1] + handle * math.cos(a)),
                control2=(end[0] + handle * math.sin(b), end[1] - handle * math.cos(b)),
            )
        )
    return tuple(chain)


def line_chain(*points: Point) -> Chain:
    """Straight segments through the points."""
    return tuple(Segment(a, b) for a, b in pairwise(points))
