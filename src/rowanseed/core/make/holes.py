"""Where the buttonholes of a piece lie, from their marks: the same for what a step says and for what it shows.

Holes that lie across the edge take the strain at one end: they begin 3 mm beyond their mark towards the edge, and the
button sits on the mark. Upright ones, in a band along the edge, have the mark at their middle (common practice, no
source).
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from shapely.geometry import LineString, Polygon
from shapely.geometry import Point as Spot

from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.double_breasted import rows
from rowanseed.core.pattern.fastenings import cuffs, fly_pieces
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import LineKind, Panel, Piece, PointKind
from rowanseed.core.pattern.seamline import mark_point

THICK = 3.0
"""The thickness of a button where only its diameter is known, in mm (common practice, no source)."""
BEYOND = 3.0
"""A hole that lies across begins so far beyond its mark towards the edge, in mm."""
FAR = 5000.0
"""Longer than any piece, in mm."""
USUAL = 15.0
"""A hole is drawn for a button so wide where the envelope prints none, in mm."""


@dataclass(frozen=True)
class Hole:
    """A buttonhole in the piece's frame: its mark, and its ends, that towards the edge first."""

    mark: Point
    ends: tuple[Point, Point]


def is_along_edge(join: Join) -> bool:
    """Whether a seam sews a band to an edge that opens."""
    return any(p.edge in ("opening", "placket") for p in (*join.a, *join.b))


def is_upright(bench: Workbench, piece: Piece) -> bool:
    """Whether the holes of a piece run along the edge that opens."""
    joins = [join for join in bench.joins.values() if is_along_edge(join)]
    return piece.panel is Panel.BAND and any(piece.id == p.piece for join in joins for p in (*join.a, *join.b))


def holes_of_piece(bench: Workbench, piece: Piece) -> tuple[Hole, ...]:
    """The holes at the marks of a piece, from the first mark on."""
    at = [p.at[bench.size] for p in piece.points if p.kind is PointKind.BUTTONHOLE and bench.size in p.at]
    long = (bench.button_size(on_cuffs=piece.id in cuffs(bench.pattern)) or USUAL) + THICK
    before = long / 2 if is_upright(bench, piece) else BEYOND
    out = []
    for mark in at:
        ux, uy = _towards_the_end(bench, piece, mark)
        ends = [(mark[0] + ux * d, mark[1] + uy * d) for d in (before, before - long)]
        out.append(Hole(mark, (ends[0], ends[1])))
    return tuple(out)


def button_under(bench: Workbench, piece: Piece, hole: Hole) -> Point:
    """Where the button of a hole stands: at its mark, on the other hand's piece. Of a band that is closed across its
    ends it is in the end beneath, as far from where the upper one comes to lie: a cuff's hole lies in the middle of its
    lap, a waistband's end lies on the notch at which its underlap begins. On double-breasted
    fronts it is in the column beside."""
    beside = [button for hole_at, button in rows(piece, bench.size) if hole_at.at[bench.size] == hole.mark]
    if beside:
        return beside[0].at[bench.size]
    ends = _ends_at(bench, piece, hole)
    if ends is None or is_upright(bench, piece) or any(cut.fold for cut in piece.cuts):
        return hole.mark
    near, far = ends
    if _is_half(bench, piece):
        return hole.mark
    notch = None if piece.id in cuffs(bench.pattern) else _underlap(bench, piece)
    if notch is None:
        return (near[0] + far[0] - hole.mark[0], near[1] + far[1] - hole.mark[1])
    (ux, uy), (nx, ny), (mx, my) = _way(far, near), notch, hole.mark
    along = (nx - mx) * ux + (ny - my) * uy
    if any(cut.pair for cut in piece.cuts):
        # Both halves are drawn with the underlap, which is cut off where the band laps over.
        return (mx + 2 * along * ux, my + 2 * along * uy)
    along -= math.dist(near, hole.mark)
    return (mx + along * ux, my + along * uy)


def _ends_at(bench: Workbench, piece: Piece, hole: Hole) -> tuple[Point, Point] | None:
    """Both finished ends of a band on a line along a hole, that which the hole points to first."""
    if piece.panel is not Panel.BAND or piece.id in fly_pieces(bench.pattern):
        return None
    ring = Polygon([p for chain in piece.shapes[bench.size].edges.values() for p in flatten(chain, 1.0)])
    (ux, uy), (x, y) = _way(hole.ends[1], hole.ends[0]), hole.mark
    across = ring.intersection(LineString([(x + ux * FAR, y + uy * FAR), (x - ux * FAR, y - uy * FAR)]))
    if not isinstance(across, LineString) or across.is_empty:
        return None
    (ax, ay), (bx, by) = across.coords[0], across.coords[-1]
    first, last = sorted(((ax, ay), (bx, by)), key=lambda p: -(p[0] * ux + p[1] * uy))
    return first, last


def _is_half(bench: Workbench, piece: Piece) -> bool:
    """Whether a band is one half of one that is closed end to end, without an underlap: its button is on the other."""
    is_cuff = piece.id in cuffs(bench.pattern)
    return not is_cuff and any(cut.pair for cut in piece.cuts) and _underlap(bench, piece) is None


def _underlap(bench: Workbench, piece: Piece) -> Point | None:
    """Where the underlap of a band begins on its seam, where one is notched."""
    parts = (p for join in bench.joins.values() for p in (*join.a, *join.b) if p.piece == piece.id)
    mark = next((p.from_mark or p.to_mark for p in parts if p.from_mark or p.to_mark), None)
    return None if mark is None else mark_point(piece, bench.size, piece.mark(mark))


def _way(a: Point, b: Point) -> Point:
    gone = math.dist(a, b) or 1.0
    return ((b[0] - a[0]) / gone, (b[1] - a[1]) / gone)


def _towards_the_end(bench: Workbench, piece: Piece, mark: Point) -> Point:
    """The way from a mark along its hole, towards the edge that it takes the strain from."""
    edges = {name: flatten(chain, 1.0) for name, chain in piece.shapes[bench.size].edges.items()}
    folds = [line.ends[bench.size] for line in piece.lines if line.kind is LineKind.FOLD and bench.size in line.ends]
    folds += [(edges[cut.fold][0], edges[cut.fold][-1]) for cut in piece.cuts if cut.fold is not None]
    across = piece.panel is not Panel.BAND or piece.id in fly_pieces(bench.pattern)
    if across and folds:
        return _across_to(folds[0], mark)
    if across:
        # A front or a back: across the grain, towards the centre.
        _, low, _, high = bounds([p for line in edges.values() for p in line])
        return (0.0, 1.0 if mark[1] > (low + high) / 2 else -1.0)
    long = LineString(max(edges.values(), key=lambda line: math.dist(line[0], line[-1])))
    on = long.project(Spot(mark))
    a, b = (long.interpolate(max(0.0, min(long.length, on + d))) for d in (-5.0, 5.0))
    gone = a.distance(b) or 1.0
    sign = 1.0 if on > long.length / 2 else -1.0
    return (sign * (b.x - a.x) / gone, sign * (b.y - a.y) / gone)


def _across_to(line: tuple[Point, Point], mark: Point) -> Point:
    """The way from a mark straight to a line."""
    (x0, y0), (x1, y1) = line
    gone = math.dist(*line) or 1.0
    nx, ny = (y1 - y0) / gone, (x0 - x1) / gone
    sign = 1.0 if (x0 - mark[0]) * nx + (y0 - mark[1]) * ny > 0 else -1.0
    return (sign * nx, sign * ny)
