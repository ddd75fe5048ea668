"""Two pieces laid right sides together, the upper with a corner turned back."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace

from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.base.words import Worded, lower_first
from rowanseed.core.geometry.outline import Point, point_at
from rowanseed.core.make.operation import Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.joined import runs_against
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.pieces import MarkKind
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps.paper import Paper, dot, exterior, rings
from rowanseed.drawings.steps.placing import Lying, as_drawn, laid_on
from rowanseed.drawings.steps.shown import Laid
from rowanseed.drawings.steps.stitching import stitching
from rowanseed.drawings.svg import INK, path_of

CORNER = 0.7
"""How far from the seam, as a share of its depth, the corner of the upper piece is turned back."""


def together(paper: Paper, bench: Workbench, op: Operation, join: Join) -> Laid:
    """The two pieces of a seam as they are pinned, its stitching, its notches, what stands over at its ends."""
    one, other = on_one_piece(join.a), on_one_piece(join.b)
    against = runs_against(bench.pattern, one[0], other[-1 if len(one) > 1 else 0])
    under = as_drawn(bench.piece(one[0].piece), bench.size)
    over = laid_on(under, one, bench.piece(other[0].piece), other, against=against)
    sides = sides_together(op)
    if sides is Together.WRONG:
        under, over = replace(under, right_side_up=False), replace(over, right_side_up=True)
    elif sides is Together.BOTH_UP:
        over = replace(over, right_side_up=True)
    line = over.stitched(other)
    line = line[::-1] if against else line
    paper.look_at(line)
    paper.scale([under, over])
    below, above = paper.seen(under.cutting()), paper.seen(over.cutting())
    kept, flap = _turned_back(above, line)
    paper.areas += [below, above]
    paper.cloth(below, right_side=under.right_side_up)
    paper.cloth(kept, right_side=over.right_side_up)
    paper.cloth(flap, right_side=not over.right_side_up)
    for lying, parts in ((under, one), (over, other)):
        notches(paper, lying, parts)
    sewn = stitching(paper, bench, op, join, line, above, lyings=(under, over))
    said = {True: "right side", False: "wrong side"}
    if not paper.inside(kept, over.piece.name, said[over.right_side_up]):
        far = far_point(kept, line)
        paper.outside(far, away(far, line), f"{over.piece.name}, {said[over.right_side_up]}", leader=True)
    seen = below.difference(kept).difference(flap)
    if not paper.inside(seen, under.piece.name, said[under.right_side_up]):
        far = far_point(below, line)
        paper.outside(far, away(far, line), f"{under.piece.name}, {said[under.right_side_up]}", leader=True)
    if not flap.is_empty:
        paper.inside(flap, said[not over.right_side_up])
    whose = others_beside(op, join, bench)
    facing = sides.words
    above_name, below_name = lower_first(over.piece.name), lower_first(under.piece.name)
    lies = (
        f"The {above_name} lies on the {below_name}" if above_name != below_name else f"One {above_name} on the other"
    )
    words = f"{lies}, {facing}, their edges together at the {lower_first(join.name)}. {sewn}{whose}"
    return Laid(paper.finish("How the pieces lie", words), words)


class Together(Worded):
    """Which sides of two pieces lie against each other."""

    RIGHT = "right", "right sides together"
    WRONG = "wrong", "wrong sides together"
    BOTH_UP = "both-up", "both right side up"


def sides_together(op: Operation) -> Together:
    """Nearly every seam is sewn right sides together; a fell that shows, and a French seam's first row, are not."""
    if (op.technique, op.id.partition("-")[0]) in {("French seam", "first"), ("flat-felled seam", "sew")}:
        return Together.WRONG
    return Together.BOTH_UP if op.technique == "lapped seam" else Together.RIGHT


def on_one_piece(side: Sequence[EdgePart]) -> tuple[EdgePart, ...]:
    """The first edges of a side that are edges of one piece, one after the other."""
    own = [part for part in side if part.piece == side[0].piece]
    return tuple(own)


def far_point(shape: BaseGeometry, line: Sequence[Point]) -> Point:
    """The point of an outline that is farthest from a seam."""
    seam = LineString(line) if len(line) > 1 else None
    points = exterior(shape)
    return max(points, key=lambda p: seam.distance(dot(p)) if seam is not None else 0.0)


def away(point: Point, line: Sequence[Point]) -> Point:
    """From the middle of a seam towards a point."""
    mid = line[len(line) // 2]
    return (point[0] - mid[0], point[1] - mid[1])


def others_beside(op: Operation, join: Join, bench: Workbench) -> str:
    """What is sewn the same way and is not drawn."""
    shown = {join.a[0].piece, join.b[0].piece}
    more = [bench.name(p) for p in dict.fromkeys(edge.piece for edge in op.edges) if p not in shown]
    return f" Not drawn: {', '.join(dict.fromkeys(more))}." if more else ""


def _turned_back(above: BaseGeometry, line: Sequence[Point]) -> tuple[BaseGeometry, BaseGeometry]:
    """The upper piece with its far corner turned back: what still lies, and the corner as it lies on it."""
    mid = line[len(line) // 2]
    centre = above.centroid
    nx, ny = centre.x - mid[0], centre.y - mid[1]
    gone = math.hypot(nx, ny) or 1.0
    turn = math.radians(32)
    nx, ny = nx / gone, ny / gone
    nx, ny = nx * math.cos(turn) - ny * math.sin(turn), nx * math.sin(turn) + ny * math.cos(turn)
    depths = [(x - mid[0]) * nx + (y - mid[1]) * ny for x, y in exterior(above)]
    at = max(depths) * CORNER
    far = 4 * max(1.0, max(abs(d) for d in depths), *(abs(v) for v in above.bounds))
    foot = (mid[0] + nx * at, mid[1] + ny * at)
    half = Polygon(
        [
            (foot[0] - ny * far, foot[1] + nx * far),
            (foot[0] + ny * far, foot[1] - nx * far),
            (foot[0] + ny * far + nx * far, foot[1] - nx * far + ny * far),
            (foot[0] - ny * far + nx * far, foot[1] + nx * far + ny * far),
        ]
    )
    corner = above.intersection(half)
    if corner.intersects(LineString(line)):
        return above, Polygon()

    def reflected(p: Point) -> Point:
        away = (p[0] - foot[0]) * nx + (p[1] - foot[1]) * ny
        return (p[0] - 2 * away * nx, p[1] - 2 * away * ny)

    flaps = [Polygon([reflected(p) for p in ring]) for ring in rings(corner)]
    return above.difference(half), unary_union(flaps) if flaps else Polygon()


def notches(paper: Paper, lying: Lying, parts: Sequence[EdgePart] = ()) -> None:
    """The notches and dots of some edges; of the whole piece where none are named."""
    seam = Polygon(lying.seam()).buffer(0)
    edges = {part.edge for part in parts}
    for mark in lying.piece.marks:
        if edges and mark.edge not in edges:
            continue
        chain = lying.piece.shapes[lying.size].edges[mark.edge]
        at = mark_distance(lying.piece, lying.size, mark)
        x, y = lying.move(upright(point_at(chain, at)))
        n, m = lying.move(upright(point_at(chain, max(0.0, at - 3)))), lying.move(upright(point_at(chain, at + 3)))
        length = math.dist(n, m) or 1.0
        ux, uy = (m[0] - n[0]) / length, (m[1] - n[1]) / length
        if mark.kind not in (MarkKind.NOTCH, MarkKind.DOUBLE_NOTCH):
            paper.add("circle", cx=x, cy=y, r=paper.letter * 0.16, fill=INK)
            continue
        outward = -1.0 if seam.contains(dot((x - uy * 2, y + ux * 2))) else 1.0
        h = paper.letter * 0.5
        for k in range(2 if mark.kind is MarkKind.DOUBLE_NOTCH else 1):
            sx, sy = x + ux * k * h * 0.7, y + uy * k * h * 0.7
            tip = (sx - uy * h * outward, sy + ux * h * outward)
            paper.add(
                "path",
                d=path_of([(sx, sy), tip], closed=False),
                stroke=INK,
                stroke_width=paper.letter * 0.14,
                fill="none",
            )
