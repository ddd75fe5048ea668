"""Pieces laid as a garment would lie: the skirt under the bodice, legs beside each other, panels closed up, fullness
drawn in. In mm, x down the garment, y outwards from its centre line."""

from __future__ import annotations

import math
from bisect import bisect_right
from collections.abc import Callable, Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import partial
from itertools import pairwise

from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.pattern.below_waist import hangs_below
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Drawn, LineKind, Panel, Piece, Role
from rowanseed.core.pattern.tiers import is_tier
from rowanseed.core.pattern.turned_yoke import as_worn
from rowanseed.drawings.line.below_yokes import hanging_from, yoke_of
from rowanseed.drawings.line.hanging import (
    Edges,
    as_wide_as,
    closed_fan,
    drawn_in,
    falling,
    hung,
    under_a_yoke,
    undraped,
)
from rowanseed.drawings.line.tiers import hung_below

STEP = 12.0
CENTRES = ("centre", "opening", "crotch")
NEAR_FORK = 20.0
"""Nearer to the fork than this, in mm, legs touch anyway."""
APART = 0.04
"""Legs are drawn so far apart at least for each mm below the fork, so that they are seen to be two."""
AT_THE_CENTRE = (*CENTRES, "princess", "armhole", "shoulder", "neck")
"""Edges of pieces that have their place on the figure by themselves."""
Move = Callable[[Point], Point]


@dataclass(frozen=True)
class Laid:
    """A piece where it lies on the figure: its rings by edge, in mm, x down, y outwards from the centre."""

    piece: Piece
    edges: dict[str, list[Point]]
    down: float
    back: tuple[Point, ...] = ()
    """What is turned back over the front: a lapel."""
    moves: tuple[Move, ...] = ()
    """How the piece was moved from where it is drawn to where it lies, but for how far down."""

    def at(self, q: Point) -> Point:
        """Where a point of the piece lies on the figure."""
        for move in self.moves:
            q = move(q)
        return (q[0] + self.down, q[1])


def have_places(pattern: Pattern) -> bool:
    """Whether front and back can be laid on a figure: every piece drawn on its stitching line, and at the centre or
    sewn to one that is."""
    for panel in (Panel.FRONT, Panel.BACK):
        pieces = list(_from_the_centre(pattern, panel))
        ids = [piece.id for piece in pieces]
        lost = (
            piece.drawn is not Drawn.SEAM
            or (
                not any(piece.has_edge(edge) for edge in AT_THE_CENTRE)
                and _sewn_inside(pattern, piece, [id for id in ids if id != piece.id]) is None
            )
            for piece in pieces
        )
        if not any(piece.has_edge(edge) for piece in pieces for edge in CENTRES) or any(lost):
            return False
    return True


def laid(pattern: Pattern, panel: Panel, size: str) -> Iterator[Laid]:
    """The shell's pieces of one side, the skirt below the bodice, gores beside each other, yokes on their half."""
    pattern = as_worn(pattern)
    below = _waist_level(pattern, panel, size)
    placed: dict[str, Edges] = {}
    hanging: dict[str, Edges] = {}
    bodice = 0.0
    for piece in _from_the_centre(pattern, panel):
        down = below if hangs_below(piece.frame) else 0.0
        edges = {name: _fine(flatten(chain, 1.0)) for name, chain in piece.shapes[size].edges.items()}
        moves: list[Move] = []
        edges = _moved(edges, _legs_together(pattern, piece, size), moves)
        for find in (_outwards, _to_the_centre, closed_fan, partial(undraped, piece, size)):
            edges = _moved(edges, find(edges), moves)
        edges = falling(piece, size, edges)
        edges = _turned_back(piece, edges, size)
        edges = hung(_moved(edges, _closed_up(pattern, piece, edges, size), moves))
        for move in _beside(pattern, piece, edges, placed):
            edges = _moved(edges, move, moves)
        placed[piece.id] = edges
        yoke = yoke_of(pattern, piece)
        if is_tier(piece):
            edges = _moved(edges, hung_below(pattern, piece, size, edges, hanging), moves)
        elif yoke is not None:
            edges = _moved(edges, hanging_from(pattern, piece, edges, _yoke_laid(pattern, yoke, size)), moves)
        else:
            edges = _moved(edges, as_wide_as(bodice, pattern, piece, edges, size), moves)
            if "waist" in edges and not hangs_below(piece.frame):
                bodice = max(bodice, *(y for _, y in edges["waist"]))
            edges = drawn_in(pattern, piece, under_a_yoke(pattern, piece, edges), bodice)
        hanging[piece.id] = edges
        back = tuple(
            q for name in ("neck", "lapel", "collar-neck", "collar-back", "opening") for q in edges.get(name, ())
        )
        back = tuple(q for q in back if "roll" in edges and q[0] <= edges["roll"][1][0])
        lying = {name: [(x + down, y) for x, y in run] for name, run in edges.items()}
        yield Laid(piece, lying, down, back, tuple(moves))


def _yoke_laid(pattern: Pattern, yoke: Piece, size: str) -> Edges:
    """The edges of a yoke at the waist where they lie on the figure."""
    edges = {name: _fine(flatten(chain, 1.0)) for name, chain in yoke.shapes[size].edges.items()}
    for find in (_outwards, _to_the_centre):
        edges = _moved(edges, find(edges), [])
    return drawn_in(pattern, yoke, edges)


def _from_the_centre(pattern: Pattern, panel: Panel) -> Iterator[Piece]:
    """The shell's pieces of one side, gores after the one that they are sewn to on the way to the centre."""
    view = pattern.envelope.views[0].id
    left = [p for p in pattern.pieces if p.panel is panel and p.cuts_for(Role.MAIN, view)]
    given: list[str] = []
    while left:
        ready = (p for p in left if not _is_gore(p) or _sewn_inside(pattern, p, given) is not None)
        piece = next(ready, left[0])
        left.remove(piece)
        given.append(piece.id)
        yield piece


def _is_gore(piece: Piece) -> bool:
    """Whether a piece hangs from the waist beside others: in a frame of its own, away from the centre."""
    return piece.has_edge("waist") and piece.has_edge("hem") and not any(piece.has_edge(edge) for edge in AT_THE_CENTRE)


def _sewn_inside(pattern: Pattern, piece: Piece, given: Collection[str]) -> tuple[str, EdgePart] | None:
    """The edge of a gore that is sewn to one of these, and the edge of that one."""
    for join in pattern.making.joins:
        for own, other in ((join.a, join.b), (join.b, join.a)):
            if len(own) == len(other) == 1 and own[0].piece == piece.id and other[0].piece in given:
                return own[0].edge, other[0]
    return None


def _beside(pattern: Pattern, piece: Piece, edges: Edges, placed: Mapping[str, Edges]) -> Iterator[Move]:
    """A gore moved to the one that it is sewn to, level by level, its other side outwards."""
    found = _sewn_inside(pattern, piece, placed) if _is_gore(piece) else None
    if found is None:
        return
    edge, inner = found
    if _middle(edges[edge]) > _middle([q for run in edges.values() for q in run]):
        yield _mirrored
        edges = _moved(edges, _mirrored, [])
    own, other = _across(edges[edge]), _across(placed[inner.piece][inner.edge])
    yield lambda q: (q[0], q[1] - own(q[0]) + other(q[0]))


def _moved(edges: Edges, move: Move | None, moves: list[Move]) -> Edges:
    """The edges moved, and the move kept with those before it."""
    if move is None:
        return edges
    moves.append(move)
    return {name: [move(q) for q in run] for name, run in edges.items()}


def _outwards(edges: Edges) -> Move | None:
    """A piece that is drawn to the other side of its centre line is turned over, so that all lie to one side of it."""
    return _mirrored if _middle([q for run in edges.values() for q in run]) < 0 else None


def _mirrored(q: Point) -> Point:
    return (q[0], -q[1])


def _middle(run: Sequence[Point]) -> float:
    return sum(y for _, y in run) / len(run)


def _to_the_centre(edges: Edges) -> Move | None:
    """A centre seam that is shaped hangs straight once it is sewn: each level is moved in to the centre line."""
    if "centre" not in edges or max(abs(y) for _, y in edges["centre"]) < 1.0:
        return None
    centre = _across(edges["centre"])
    return lambda q: (q[0], q[1] - centre(q[0]))


def _waist_level(pattern: Pattern, panel: Panel, size: str) -> float:
    own = [p for p in pattern.pieces if p.panel is panel and p.has_edge("waist") and p.has_edge("side")]
    bodice = [p for p in own if not hangs_below(p.frame)]
    return max((p.shapes[size].edges["waist"][0].start[0] for p in bodice), default=0.0)


BEYOND_THE_ROLL = ("neck", "lapel", "collar-neck", "collar-back", "opening")


def _back(edges: dict[str, list[Point]]) -> tuple[Point, ...]:
    """The outline of what lies turned back over the front, above the end of its roll line."""
    if "roll" not in edges:
        return ()
    low = edges["roll"][1][0]
    return tuple(q for name in BEYOND_THE_ROLL for q in edges.get(name, ()) if q[0] <= low)


def _turned_back(piece: Piece, edges: dict[str, list[Point]], size: str) -> dict[str, list[Point]]:
    """A front with lapels or a shawl collar: what lies beyond its roll line is turned over it, and that line shows."""
    roll = piece.line(LineKind.ROLL, "roll")
    if roll is None:
        return edges
    (ax, ay), (bx, by) = roll.ends[size]
    dx, dy = bx - ax, by - ay
    long = math.hypot(dx, dy)

    def at(q: Point) -> Point:
        beyond = ((q[0] - ax) * dy - (q[1] - ay) * dx) / long
        if beyond <= 0 or q[0] > bx:
            return q
        # Mirrored at the roll line.
        return (q[0] - 2 * beyond * dy / long, q[1] + 2 * beyond * dx / long)

    turned = {name: [at(q) for q in run] for name, run in edges.items()}
    return {**turned, "roll": [(ax, ay), (bx, by)]}


def _legs_together(pattern: Pattern, piece: Piece, size: str) -> Move | None:
    """A trouser leg drawn so that its centre seam stands on the centre line; its outer side stays where it is, but for
    a leg so wide that it would cross the other: it is spread from the fork down. A yoke has no inner leg, and the
    corner cut off for a slant pocket goes with its leg. None for any other piece."""
    beside = [p for p in pattern.pieces if p.frame == piece.frame and p.panel is piece.panel]
    leg = next((p for p in (piece, *beside) if p.has_edge("crotch")), None)
    if leg is None:
        return None
    edges = {name: _fine(flatten(chain, 1.0)) for name, chain in leg.shapes[size].edges.items()}
    corners = (p for p in beside if p.has_edge("outseam") and not p.has_edge("crotch"))
    above = [q for p in corners for q in flatten(p.shapes[size].edges["outseam"], 1.0)]
    crotch, outer = _across(edges["crotch"]), _across([*edges["outseam"], *above])
    inner = _across(edges.get("inseam", edges["crotch"]))
    turn = max(q[0] for q in edges["crotch"]) if "inseam" in edges else math.inf
    fork = inner(turn)
    below = [(x - turn, fork - y) for x, y in edges.get("inseam", ()) if x > turn + NEAR_FORK]
    # Legs that part by themselves hang as they are cut.
    spread = max([0.0, *(beyond / down + APART for down, beyond in below)])

    def at(q: Point) -> Point:
        x, y = q
        out = spread * max(0.0, x - turn)
        side = outer(x)
        inside, goal = (crotch(x), 0.0) if x < turn else (inner(x), inner(x) - fork + 2.0 + out)
        return (x, goal + (y - inside) * (side + out - goal) / max(1.0, side - inside))

    return at


def _closed_up(pattern: Pattern, piece: Piece, edges: Edges, size: str) -> Move | None:
    """A side panel moved in to the panel that it is sewn to, level by level, as it hangs when it is sewn."""
    inner = next((p for p in pattern.pieces if p is not piece and _princess_of(pattern, p, piece)), None)
    if "princess" not in edges or inner is None:
        return None
    own, other = _across(edges["princess"]), _across(flatten(inner.shapes[size].edges["princess"], 1.0))
    return lambda q: (q[0], q[1] - own(q[0]) + other(q[0]))


def _princess_of(pattern: Pattern, inner: Piece, outer: Piece) -> bool:
    """Whether one piece lies inside another, sewn to it by the princess seam."""
    sewn = inner.has_edge("princess") and outer.has_edge("side") and not inner.has_edge("side")
    return sewn and inner.panel is outer.panel and bool(inner.cuts_for(Role.MAIN, pattern.envelope.views[0].id))


def sleeve(pattern: Pattern, laid: list[Laid], size: str) -> list[list[Point]]:
    """The sleeve hanging from the shoulder's tip, as wide as its piece."""
    piece = next((p for p in pattern.pieces if p.panel is Panel.SLEEVE), None)
    raglan = [q for one in laid for name, run in one.edges.items() if name == "raglan" for q in run]
    if piece is not None and raglan:
        return [_raglan(piece, raglan, size)]
    holes = [(one, run) for one in laid for name, run in one.edges.items() if name == "armhole"]
    if piece is None or not holes:
        return []
    tip = min((q for _, run in holes for q in run), key=lambda q: q[0])
    under = max((q for _, run in holes for q in run), key=lambda q: q[1])
    hole = sorted({q for _, run in holes for q in run}, key=lambda q: -q[0])
    edges = piece.shapes[size].edges
    top = edges["cap"][0].start
    long = edges["wrist"][0].start[0] - top[0]
    end = abs(edges["wrist"][-1].end[1] - edges["wrist"][0].start[1]) / 2
    low = (under[0] + long * 0.94, under[1] + long * 0.34)
    return [[*hole, tip, (low[0] - end * 0.34, low[1] + end * 0.94), low, under]]


def _raglan(piece: Piece, seam: list[Point], size: str) -> list[Point]:
    """A raglan sleeve: from the neck over the shoulder down the arm, and back along its seam."""
    under, neck = max(seam, key=lambda q: q[1]), min(seam)
    edges = piece.shapes[size].edges
    long = edges["wrist"][0].start[0] - edges["underarm-front"][0].start[0]
    end = abs(edges["wrist"][-1].end[1] - edges["wrist"][0].start[1]) / 2
    point = (neck[0] - 22.0, neck[1] + 18.0)
    tip = (point[0] + 46.0, under[1] * 0.8)
    low = (under[0] + long * 0.94, under[1] + long * 0.34)
    up = sorted(seam, key=lambda q: -q[0])
    return [*up, point, tip, (low[0] - end * 0.34, low[1] + end * 0.94), low, under]


def along(run: list[Point], distance: float, *, from_end: bool) -> Point:
    points = run[::-1] if from_end else run
    left = distance
    for a, b in pairwise(points):
        step = math.dist(a, b)
        if step >= left:
            t = left / step if step else 0.0
            return (a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t)
        left -= step
    return points[-1]


def _fine(run: list[Point]) -> list[Point]:
    """A run with a point at least every so many mm, so that it can be bent."""
    out = [run[0]]
    for a, b in pairwise(run):
        n = max(1, math.ceil(math.dist(a, b) / STEP))
        out += [(a[0] + (b[0] - a[0]) * k / n, a[1] + (b[1] - a[1]) * k / n) for k in range(1, n + 1)]
    return out


def _across(run: list[Point]) -> Callable[[float], float]:
    """Where a run that goes steadily down the garment stands across it, by level; its nearer end beyond it."""
    rows = sorted(run)
    levels = [x for x, _ in rows]

    def at(x: float) -> float:
        k = bisect_right(levels, x)
        if k == 0 or k == len(rows):
            return rows[min(k, len(rows) - 1)][1]
        (x0, y0), (x1, y1) = rows[k - 1], rows[k]
        return y0 + (y1 - y0) * (x - x0) / (x1 - x0) if x1 > x0 else y0

    return at
