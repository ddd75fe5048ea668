"""From the line a pattern draws to the other one: cutting line and seam line, edge by edge.

Each edge is moved by its own allowance and joined to its neighbours: mitred, or at a hem turned, so
that the allowance folded up mirrors the garment above it.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise

from rowanseed.core.base.same import Same
from rowanseed.core.geometry.outline import FLATNESS, Chain, Point, chain_length, flatten, point_at, unit
from rowanseed.core.geometry.polyline import intersect_lines, offset_polyline, without_repeats
from rowanseed.core.pattern.pieces import EASE_PLEAT, SHUT_PLEAT, Corner, Drawn, EdgeSpec, Mark, Piece

KEPT = 256
"""Lines that are remembered: an altered piece is looked at for crossings, then drawn, laid and printed."""


@dataclass(frozen=True)
class PieceLines:
    """Both lines of a piece in one size, each as polylines by edge name, in ring order."""

    cutting: Mapping[str, Sequence[Point]]
    seam: Mapping[str, Sequence[Point]]

    def cutting_ring(self) -> list[Point]:
        return ring_of(self.cutting)

    def seam_ring(self) -> list[Point]:
        return ring_of(self.seam)


def ring_of(edges: Mapping[str, Sequence[Point]]) -> list[Point]:
    """The closed outline of edge polylines, without repeated points."""
    return without_repeats([point for polyline in edges.values() for point in polyline])


def lines(piece: Piece, size: str, flatness: float = FLATNESS) -> PieceLines:
    """Cutting line and seam line of a piece in one size, within `flatness` mm of the curves drawn."""
    return _lines(Same(piece), size, flatness)


@lru_cache(maxsize=KEPT)
def _lines(same: Same[Piece], size: str, flatness: float) -> PieceLines:
    piece = same.it
    drawn = {edge.name: _run(piece.shapes[size].edges[edge.name], flatness) for edge in piece.edges}
    if piece.drawn is Drawn.SEAM:
        return PieceLines(cutting=_offset(piece.edges, drawn, outwards=True), seam=drawn)
    return PieceLines(cutting=drawn, seam=_offset(piece.edges, drawn, outwards=False))


HAIR = 0.5
"""Drawings are true to so much, in mm."""
END = 1.0
"""So far from its ends, in mm, a curved edge has a point more: corners are built on the direction in which it ends."""


def _run(chain: Chain, flatness: float) -> list[Point]:
    """An edge as a polyline whose first and last stretch run as the curve itself does there."""
    run = flatten(chain, flatness)
    first, last = chain[0], chain[-1]
    if first.is_curve and math.dist(run[0], run[1]) > 2 * END:
        run.insert(1, first.at(END / first.length()))
    if last.is_curve and math.dist(run[-2], run[-1]) > 2 * END:
        run.insert(len(run) - 1, last.at(1 - END / last.length()))
    return run


def seam_length(piece: Piece, size: str, edge: str) -> float:
    """Length of an edge along the seam line, less what darts on it take in and an ease pleat folds away.

    Exact along a drawn seam line; within the flatness of the curve along a derived one.
    """
    intake = folded_away(piece, size, edge)
    for dart in piece.darts:
        if dart.edge == edge:
            first, second = (mark_distance(piece, size, piece.mark(leg)) for leg in dart.legs)
            intake += abs(second - first)
    return line_length(piece, size, edge) - intake


def folded_away(piece: Piece, size: str, edge: str) -> float:
    """What of an edge lies beyond the line of an ease pleat, which ends on it, in mm."""
    ends = [end for line in piece.lines if line.id in (EASE_PLEAT, SHUT_PLEAT) for end in line.ends.get(size, ())]
    if not ends:
        return 0.0
    run = lines(piece, size).seam[edge]
    on_it = [end for end in ends if min(math.dist(end, point) for point in run) < FLATNESS]
    return sum(min(math.dist(end, run[0]), math.dist(end, run[-1])) for end in on_it)


def line_length(piece: Piece, size: str, edge: str) -> float:
    """Length of an edge along the seam line of the flat piece, darts open."""
    if piece.drawn is Drawn.SEAM:
        return chain_length(piece.shapes[size].edges[edge])
    return sum(math.dist(a, b) for a, b in pairwise(lines(piece, size).seam[edge]))


def mark_distance(piece: Piece, size: str, mark: Mark) -> float:
    """How far along its edge (from the edge's start, on the seam line) a mark stands in a size."""
    whole = line_length(piece, size, mark.edge)
    if mark.anchor == "start":
        return mark.distance[size]
    if mark.anchor == "end":
        return whole - mark.distance[size]
    return mark_distance(piece, size, piece.mark(mark.anchor)) + mark.distance[size]


def mark_point(piece: Piece, size: str, mark: Mark) -> Point:
    """Where a mark stands, on the drawn line."""
    return point_at(piece.shapes[size].edges[mark.edge], mark_distance(piece, size, mark))


# ---------------------------------------------------------------- offsetting a ring


def trimmed(specs: Sequence[EdgeSpec], edges: dict[str, list[Point]]) -> dict[str, list[Point]]:
    """The edges of a ring moved inwards by the allowances of `specs`, each cut to meet its neighbours."""
    return _offset(specs, edges, outwards=False)


def _offset(specs: Sequence[EdgeSpec], edges: dict[str, list[Point]], *, outwards: bool) -> dict[str, list[Point]]:
    sign = 1 if outwards else -1
    if not outwards:
        edges = _without_turned_ends(specs, edges)
    moved = [offset_polyline(edges[spec.name], sign * spec.allowance) for spec in specs]
    for k, spec in enumerate(specs):
        following = (k + 1) % len(specs)
        corner = edges[specs[following].name][0]
        moved[k], moved[following] = _join(
            before=moved[k], after=moved[following], a=spec, b=specs[following], corner=corner, outwards=outwards
        )
    return {spec.name: polyline for spec, polyline in zip(specs, moved, strict=True)}


def _without_turned_ends(specs: Sequence[EdgeSpec], edges: dict[str, list[Point]]) -> dict[str, list[Point]]:
    """A ring drawn on the cutting line, its sides only as far as the fold of a turned hem.

    Below the fold a side's cutting line is the mirror image of what is above it, and says nothing of the seam.
    """
    out = dict(edges)
    for k, spec in enumerate(specs):
        if spec.corner is not Corner.TURNED or not spec.allowance or len(specs) < 3:
            continue
        fold = _drawn_out(offset_polyline(edges[spec.name], -spec.allowance), 4 * spec.allowance)
        before, after = specs[k - 1], specs[(k + 1) % len(specs)]
        if before.allowance and before.corner is not Corner.TURNED:
            out[before.name] = _up_to(out[before.name], fold)
        if after.allowance and after.corner is not Corner.TURNED:
            out[after.name] = list(reversed(_up_to(list(reversed(out[after.name])), fold)))
    return out


def _drawn_out(run: list[Point], by: float) -> list[Point]:
    """A run carried on straight at both ends."""
    first = unit((run[0][0] - run[1][0], run[0][1] - run[1][1]))
    last = unit((run[-1][0] - run[-2][0], run[-1][1] - run[-2][1]))
    start = (run[0][0] + first[0] * by, run[0][1] + first[1] * by)
    return [start, *run[1:-1], (run[-1][0] + last[0] * by, run[-1][1] + last[1] * by)]


def _up_to(run: list[Point], line: list[Point]) -> list[Point]:
    """The run up to where it last crosses a line, which may be drawn out across a curved run before; all of it if it
    does not."""
    for i in range(len(run) - 2, -1, -1):
        a, b = run[i], run[i + 1]
        for c, d in pairwise(line):
            crossing = _crossing(a, b, c, d)
            if crossing is not None and (i or math.dist(crossing, run[0]) > 1e-6):
                # Where the line was drawn a hair short of a corner, what lies beyond that corner is no side.
                return [*(run[:i] if i and math.dist(a, crossing) < HAIR else run[: i + 1]), crossing]
    return run


def _join(
    before: list[Point], after: list[Point], a: EdgeSpec, b: EdgeSpec, corner: Point, outwards: bool
) -> tuple[list[Point], list[Point]]:
    """Bring two moved edges together at a corner."""
    if a.allowance == 0 and b.allowance == 0:
        return before, after
    if outwards and a.allowance and b.allowance and (a.corner is Corner.TURNED) != (b.corner is Corner.TURNED):
        if b.corner is Corner.TURNED:
            return _at_the_fold(before, after, corner)
        hem, side = _at_the_fold(list(reversed(after)), list(reversed(before)), corner)
        return list(reversed(side)), list(reversed(hem))
    return _meet(before, after, max(a.allowance, b.allowance))


def _at_the_fold(side: list[Point], hem: list[Point], corner: Point) -> tuple[list[Point], list[Point]]:
    """A side and the hem after it, whose corner is the mirror image of the side beyond the fold."""
    extra = _turned(side, hem, corner)
    edge = reversed(_short_of(list(reversed(hem)), extra[-1]))
    return [*_short_of(side, extra[0]), *extra], [extra[-1], *edge]


def _short_of(side: list[Point], fold: Point) -> list[Point]:
    """A cutting line without its end and what else of it lies beyond a point: the fold of the hem, or its corner."""
    along = unit((side[-1][0] - side[-2][0], side[-1][1] - side[-2][1]))
    kept = side[:-1]
    while len(kept) > 1 and (kept[-1][0] - fold[0]) * along[0] + (kept[-1][1] - fold[1]) * along[1] > -1e-9:
        kept.pop()
    return kept


def _turned(side: list[Point], hem: list[Point], corner: Point) -> list[Point]:
    """The cutting line from a side seam's allowance to the edge of a hem that is turned up.

    `side` runs towards the corner, `hem` away from it. The side's cutting line is followed to the
    hem's fold line and mirrored there.
    """
    along = unit((side[-1][0] - side[-2][0], side[-1][1] - side[-2][1]))
    fold = unit((hem[1][0] - hem[0][0], hem[1][1] - hem[0][1]))
    at_fold = intersect_lines(side[-1], along, corner, fold)
    if at_fold is None:
        return [side[-1], hem[0]]
    dot = along[0] * fold[0] + along[1] * fold[1]
    mirrored = (2 * dot * fold[0] - along[0], 2 * dot * fold[1] - along[1])
    at_edge = intersect_lines(at_fold, mirrored, hem[0], fold)
    return [at_fold, at_edge if at_edge is not None else hem[0]]


def _meet(before: list[Point], after: list[Point], allowance: float) -> tuple[list[Point], list[Point]]:
    """Extend or trim two polylines to where they cross; leave a jog where they run on in parallel.

    A corner sharper than a mitre four allowances long is blunted; of two allowances the wider counts, so that an edge
    on a fold, which has none, is met as far along it.
    """
    reach = 4 * allowance + 1
    along = unit((before[-1][0] - before[-2][0], before[-1][1] - before[-2][1]))
    away = unit((after[1][0] - after[0][0], after[1][1] - after[0][1]))
    longer = [*before, (before[-1][0] + along[0] * reach, before[-1][1] + along[1] * reach)]
    earlier = [(after[0][0] - away[0] * reach, after[0][1] - away[1] * reach), *after]
    # Most cross at once, on what was extended: no more boxes are reckoned than are asked for.
    boxes: list[tuple[float, float, float, float]] = []
    for i in range(len(longer) - 2, -1, -1):
        own = _box(longer[i], longer[i + 1])
        for j in range(len(earlier) - 1):
            if j == len(boxes):
                boxes.append(_box(earlier[j], earlier[j + 1]))
            box = boxes[j]
            if own[2] < box[0] or own[0] > box[2] or own[3] < box[1] or own[1] > box[3]:
                continue
            crossing = _crossing(longer[i], longer[i + 1], earlier[j], earlier[j + 1])
            if crossing is not None:
                # An extension runs on straight, so the end that was extended is no corner.
                kept = longer[:-2] if i == len(longer) - 2 else longer[: i + 1]
                return [*kept, crossing], [crossing, *earlier[2 if j == 0 else j + 1 :]]
    return before, after


def _box(a: Point, b: Point) -> tuple[float, float, float, float]:
    """Left, top, right and low of a segment, a hair wider, so that none that touches it is passed over."""
    return (
        min(a[0], b[0]) - HAIR,
        min(a[1], b[1]) - HAIR,
        max(a[0], b[0]) + HAIR,
        max(a[1], b[1]) + HAIR,
    )


def _crossing(a: Point, b: Point, c: Point, d: Point) -> Point | None:
    """Where two segments cross, ends included; None for parallel ones."""
    v, w = (b[0] - a[0], b[1] - a[1]), (d[0] - c[0], d[1] - c[1])
    cross = v[0] * w[1] - v[1] * w[0]
    if abs(cross) <= 1e-9 * math.hypot(*v) * math.hypot(*w):
        return None
    t = ((c[0] - a[0]) * w[1] - (c[1] - a[1]) * w[0]) / cross
    u = ((c[0] - a[0]) * v[1] - (c[1] - a[1]) * v[0]) / cross
    if -1e-12 <= t <= 1 + 1e-12 and -1e-12 <= u <= 1 + 1e-12:
        return (a[0] + t * v[0], a[1] + t * v[1])
    return None
