"""How pieces hang: drawn in by gathers, elastic or a yoke, or falling in folds; in mm, x down, y from the centre."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence

from rowanseed.core.geometry.outline import Point, chain_length, flatten
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.geometry.solving import solve
from rowanseed.core.pattern.below_waist import hangs_below
from rowanseed.core.pattern.draped import is_draped
from rowanseed.core.pattern.making import DetailKind, DifferenceKind, FinishKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, Piece
from rowanseed.core.pattern.tiers import LOWER

Edges = dict[str, list[Point]]


def drawn_in(pattern: Pattern, piece: Piece, drawn: Edges, bodice: float = 0.0) -> Edges:
    """A piece that is gathered at its waist hangs narrow there, as wide as what it is sewn to (a `bodice` so wide, in
    mm from the centre), and wide below."""
    cased = _is_cased(pattern, piece)
    ratio = _fullness(pattern, piece)
    stands_out = STANDS_OUT if piece.has_edge(LOWER) else FULL_STANDS_OUT
    if ratio <= 1.0 or not (piece.has_edge("hem") or piece.has_edge(LOWER)):
        return _in_a_casing(drawn) if cased else drawn
    x0, y0, x1, y1 = bounds([q for run in drawn.values() for q in run])
    # What laps over the centre reaches as far beyond it as the band does.
    laps = min(0.0, y0)
    hang = bodice / y1 if bodice and hangs_below(piece.id) else 1.0 / ratio
    hang *= CASED if cased else 1.0

    def at(q: Point) -> Point:
        below = (q[0] - x0) / (x1 - x0)
        return (q[0], laps + (q[1] - laps) * (hang + (min(1.0, stands_out * hang) - hang) * below**0.8))

    return {name: [at(q) for q in run] for name, run in drawn.items()}


def _fullness(pattern: Pattern, piece: Piece) -> float:
    """How many times as wide as what it is sewn to a piece is cut at its waist."""
    joins = [j for j in pattern.making.joins if any(p.piece == piece.id and p.edge == "waist" for p in j.a)]
    return max((j.difference.amount for j in joins if j.difference.kind is DifferenceKind.GATHERS), default=1.0)


FULL_STANDS_OUT, STANDS_OUT = 1.7, 1.3
"""A skirt that is gathered or pleated is drawn so many times as wide at its hem as at its top; a tier at its foot."""
CASED, CASED_TO = 0.78, 170.0
"""What elastic leaves of a waist, and how far from it the garment has its width again, in mm."""
IN_A_TUNNEL = (DetailKind.ELASTIC, DetailKind.DRAWSTRING)


def _is_cased(pattern: Pattern, piece: Piece) -> bool:
    """Whether its waist is a tunnel that draws it in, or is sewn into a seam whose allowances are one."""
    making = pattern.making
    ends = [f.parts for f in making.finishes if f.kind is FinishKind.CASING]
    seams = {id for d in making.details if d.kind in IN_A_TUNNEL for id in d.along}
    ends += [(*j.a, *j.b) for j in making.joins if j.id in seams]
    return any(p.piece == piece.id and p.edge == "waist" for parts in ends for p in parts)


def _in_a_casing(drawn: Edges) -> Edges:
    """Narrow at its waist, and as wide as it is cut a hand further down, or up where it is a bodice."""
    waist, others = (
        [x for x, _ in drawn["waist"]],
        [x for name, run in drawn.items() for x, _ in run if name != "waist"],
    )
    level = min(waist) if max(others) > max(waist) + 1.0 else max(waist)

    def at(q: Point) -> Point:
        away = min(1.0, abs(q[0] - level) / CASED_TO)
        return (q[0], q[1] * (CASED + (1.0 - CASED) * away**0.7))

    return {name: [at(q) for q in run] for name, run in drawn.items()}


FITTED_TO = 150.0
"""So far below a waist seam, in mm, a skirt or a leg that fits there has the width that it is cut with: darts lie open
in the drawing, and those of the bodice need not be as deep."""


def as_wide_as(
    bodice: float, pattern: Pattern, piece: Piece, drawn: Edges, size: str
) -> Callable[[Point], Point] | None:
    """A panel below a waist seam moved so that it is as wide there as the bodice above it, in mm from the centre; None
    for any other piece, and for one that stands out by its fullness."""
    if not bodice or not hangs_below(piece.frame) or "waist" not in drawn or _fullness(pattern, piece) > 1.0:
        return None
    beside = (p for p in pattern.pieces if p is not piece and p.frame == piece.frame and p.panel is piece.panel)
    runs = (flatten(p.shapes[size].edges["waist"]) for p in beside if p.has_edge("waist"))
    level = min(x for x, _ in drawn["waist"])
    # A corner cut off for a slant pocket goes with the panel it is cut off.
    wide = max(y for run in (drawn["waist"], *runs) for _, y in run)
    if abs(bodice / wide - 1.0) > MOST_MOVED:
        return None

    def at(q: Point) -> Point:
        near = max(0.0, 1.0 - max(0.0, q[0] - level) / FITTED_TO)
        return (q[0], q[1] * (1.0 + (bodice / wide - 1.0) * near))

    return at


MOST_MOVED = 0.4
"""What is wider by more than this share of it than the bodice above is drawn in by something else."""
UNDER_YOKES = ("yoke", "yoke-base")
BENT = 0.02
"""A waist that turns by so much, in radians, is that of a piece that was fanned out from there."""


def closed_fan(edges: Edges) -> Callable[[Point], Point] | None:
    """A piece below a yoke that was slashed down to its waist and spread: as it lay before. None for any other."""
    if "yoke" not in edges or "waist" not in edges:
        return None
    if max(x for x, _ in edges["waist"]) < max(x for x, _ in edges["yoke"]):
        # It is the yoke itself, at the waist.
        return None
    run = sorted(edges["waist"], key=lambda q: q[1])
    (foot, centre), turned = run[0], _slope(run[-2], run[-1])
    if turned < BENT:
        return None
    along, up = math.cos(turned), math.sin(turned)
    # As far as its waist bends, it is an arc; from there outwards it lies turned, as it was.
    down, out = run[-1][0] - foot, run[-1][1] - centre
    return _closed(foot, centre, turned, (out * up - down * along) / (1.0 - along))


def _closed(foot: float, centre: float, turned: float, radius: float) -> Callable[[Point], Point]:
    """How what was fanned out from its `foot`, by an angle in radians along an arc of that radius, lay before."""
    along, up = math.cos(turned), math.sin(turned)
    until, edge = radius * turned, (foot + radius * (1.0 - along), centre + radius * up)

    def at(q: Point) -> Point:
        x, y = q[0] - foot - radius, q[1] - centre
        turn = math.atan2(y, -x)
        if turn <= turned:
            return (foot + radius - math.hypot(x, y), centre + turn * radius)
        dx, dy = q[0] - edge[0], q[1] - edge[1]
        return (foot + dx * along - dy * up, centre + until + dx * up + dy * along)

    return at


MOST_SPREAD, CLOSE = 0.6, 0.5
"""No front is spread by more than this, in radians; its level is met within so many mm."""
LOOP = 10
"""Half a loop is drawn through so many places and one."""
DRAPED = 0.94
"""A straight edge that hangs between two shoulders falls so much of what two straight lines would, as a chain does."""


def undraped(piece: Piece, size: str, edges: Edges) -> Callable[[Point], Point] | None:
    """A front with a cowl, as it lay before it was spread; None for any other. Its uppermost level tells by what angle
    it was, since there it begins as far from the fold as was let in."""
    levels = [one.ends[size] for one in piece.lines if one.kind is LineKind.LEVEL and size in one.ends]
    if not is_draped(piece, size) or not levels:
        return None
    (level, let_in), (_, outer) = min(levels)
    foot, top, long = max(x for x, _ in edges["centre"]), edges["neck"][0][0], max(y for _, y in edges["neck"])

    def radius(turned: float) -> float:
        return top - foot + long / math.tan(turned)

    def lies(turned: float) -> float:
        """Where the level would lie, had the piece been turned so far."""
        r, from_foot = radius(turned), let_in / turned
        return foot + r - (r + from_foot) * math.cos(turned) + (outer - let_in - r * turned) * math.sin(turned)

    turned = solve(lies, level, BENT, MOST_SPREAD)
    r = radius(turned)
    return _closed(foot, 0.0, turned, r) if r > 0 and abs(lies(turned) - level) < CLOSE else None


def falling(piece: Piece, size: str, edges: Edges) -> Edges:
    """The neck of a cowl hanging from shoulder to shoulder, and its fold from there down."""
    if not is_draped(piece, size):
        return edges
    point = max(edges["neck"], key=lambda q: q[1])
    low = point[0] + drop_of(piece, size, point[1])
    loop = hanging_between(point, low)
    centre = sorted(edges["centre"])
    neck = loop if edges["neck"][0] == point else loop[::-1]
    return {**edges, "neck": neck, "centre": [(low, 0.0), *(q for q in centre if q[0] > low)]}


def hanging_between(point: Point, low: float) -> list[Point]:
    """Half of what hangs in a loop from a point to its like on the other side, from there to the centre."""
    x, y = point
    return [(low - (low - x) * share**2, y * share) for share in (k / LOOP for k in range(LOOP, -1, -1))]


def drop_of(piece: Piece, size: str, wide: float) -> float:
    """How far a cowl falls below its shoulders, which are twice so `wide` apart, in mm."""
    long = chain_length(piece.shapes[size].edges["neck"])
    return DRAPED * math.sqrt(max(0.0, long**2 - wide**2))


def _slope(a: Point, b: Point) -> float:
    return math.atan2(b[0] - a[0], b[1] - a[1])


def under_a_yoke(pattern: Pattern, piece: Piece, edges: Edges) -> Edges:
    """A piece that is gathered to a yoke lies as wide as the yoke there, and hangs out below the arms."""
    name = next((edge for edge in UNDER_YOKES if edge in edges), None)
    drawn_up = [
        j
        for j in pattern.making.joins
        if j.difference.kind is DifferenceKind.GATHERS and any(p.piece == piece.id and p.edge == name for p in j.a)
    ]
    if name is None or not drawn_up or "hem" not in edges:
        return edges
    wide = max(y for _, y in edges[name])
    more = wide * (1 - 1 / drawn_up[0].difference.amount)
    arms = max((x for x, _ in edges.get("armhole", [(0.0, 0.0)])), default=0.0)
    low = max(x for x, _ in edges["hem"])

    def at(q: Point) -> Point:
        fade = 1.0 if q[0] <= arms else 1.0 - 0.65 * (q[0] - arms) / max(1.0, low - arms)
        return (q[0], q[1] - more * fade * min(1.0, max(0.0, q[1]) / wide))

    return {edge: [at(q) for q in run] for edge, run in edges.items()}


HANGS_OUT = 0.62
"""How far the hem of a full circle stands out beyond its waist, as a share of its length, hanging in folds."""


def ring_of(edges: Mapping[str, Sequence[Point]], upper: str) -> tuple[float, float] | None:
    """(radius, angle) of the upper edge of a ring cut from a circle; None for anything else."""
    centre = edges.get("centre") or edges.get("opening")
    if centre is None or upper not in edges or len(edges) != 4:
        return None
    radius = min(x for x, _ in centre)
    if radius < 20.0 or any(abs(math.hypot(*q) - radius) > 1.0 for q in edges[upper]):
        return None
    return radius, max(math.atan2(y, x) for x, y in edges[upper])


def hung(edges: Edges) -> Edges:
    """A ring cut from a circle as it hangs from the waist in folds; anything else as it is."""
    ring = ring_of(edges, "waist")
    if ring is None:
        return edges
    radius, whole = ring
    wide = radius * whole

    def at(q: Point) -> Point:
        down = math.hypot(*q) - radius
        share = math.atan2(q[1], q[0]) / whole
        wave = 7.0 * math.sin(share * 5 * math.pi) ** 2 * down / 600.0
        return (down + wave, share * (wide + HANGS_OUT * whole / (math.pi / 2) * down))

    return {name: [at(q) for q in run] for name, run in edges.items()}
