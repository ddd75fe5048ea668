"""Where a cord comes out of its tunnel: upright openings to both sides of the centre front."""

from __future__ import annotations

import math

from shapely.geometry import LineString

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.families.seam_tunnels import tunnel_width
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.techniques.drawstring import HOLE, below_the_fold
from rowanseed.core.make.techniques.drawstring_in_a_seam import BESIDE, CLEAR, SHORTER
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.drawings.steps.folding import fold_of
from rowanseed.drawings.steps.paper import about
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.stack import Layer, Stack, Stuff, within
from rowanseed.drawings.steps.stacks.cuts import reflection, whole
from rowanseed.drawings.steps.turned import inward

CENTRES = ("opening", "centre", "crotch")
"""Edges at the centre of a front that does not lie on the fold."""
BESIDE_THEM = 70.0
"""So much of the front is drawn about the openings, in mm."""


def in_a_casing(bench: Workbench, op: Operation) -> Stack | None:
    """Where the tunnel will be that an edge is turned to."""
    edge = op.edges[0]
    part = EdgePart(edge.piece, edge.edge)
    down = below_the_fold(bench.edge_allowance(part))
    return _openings(bench, part, BESIDE, down, HOLE, f"{bench.margin(down)} below the line that it is folded on")


def in_a_seam(bench: Workbench, op: Operation) -> Stack | None:
    """Beside the seam whose allowances are the tunnel."""
    piece = op.on.pieces[0]
    along = {d.along[0] for d in bench.details.values() if op.id.endswith(f"-{d.id}") and d.along}
    found = [(join, p) for id in along if id in bench.joins for join in (bench.joins[id],) for p in (*join.b, *join.a)]
    join, part = next(((join, p) for join, p in found if p.piece == piece), (None, None))
    if join is None or part is None:
        return None
    wide = tunnel_width(bench, join)
    is_open = bench.piece(piece).has_edge("opening")
    said = f"{bench.margin(wide / 2)} from the seam's stitching line"
    return _openings(bench, part, CLEAR if is_open else BESIDE, wide / 2, wide - SHORTER, said)


def _openings(bench: Workbench, part: EdgePart, beside: float, down: float, long: float, said: str) -> Stack | None:
    piece = bench.piece(part.piece)
    lying, fold = as_drawn(piece, bench.size), fold_of(bench, piece.id)
    line = lying.stitched((part,))
    first, last = bench.neighbours(part)
    centres = (fold, *CENTRES) if fold else CENTRES
    if last in centres:
        line = line[::-1]
    elif first not in centres:
        return None
    hand = inward(lying, lying.stitched((part,))) * (-1.0 if last in centres else 1.0)
    at, ahead = (LineString(line).interpolate(mm) for mm in (beside, beside + 1.0))
    ux, uy = (ahead.x - at.x) / (ahead.distance(at) or 1.0), (ahead.y - at.y) / (ahead.distance(at) or 1.0)
    nx, ny = -uy * hand, ux * hand
    hole = tuple((at.x + nx * mm, at.y + ny * mm) for mm in (down - long / 2, down + long / 2))
    holes = [hole, *(() if (matrix := reflection(bench, piece)) is None else (_turned(hole, matrix),))]
    window = about(holes, BESIDE_THEM / math.dist(*hole))
    name = lower_first(piece.name)
    other = "" if len(holes) > 1 else " The other front alike."
    words = (
        f"The {name}, right side up, about its centre: the openings stand {bench.margin(beside)} beside it, "
        f"{said}.{other}"
    )
    layer = Layer(whole(bench, piece).intersection(window), Stuff.RIGHT, piece.name, window)
    stitched = [tuple(line), *(() if matrix is None else (_turned(tuple(line), matrix),))]
    return Stack((layer,), words, cuts=tuple(holes), folds=tuple(within(run, window) for run in stitched))


def _turned(points: tuple[Point, ...], matrix: list[float]) -> tuple[Point, ...]:
    a, b, d, e, x, y = matrix
    return tuple((a * px + b * py + x, d * px + e * py + y) for px, py in points)


STACKS = {("drawstring", "openings"): in_a_casing, ("drawstring in a seam", "openings"): in_a_seam}
