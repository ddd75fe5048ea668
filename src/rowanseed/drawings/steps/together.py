"""Two pieces laid right sides together, the upper with a corner turned back."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import replace
from typing import assert_never

from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.base.words import Worded, lower_first
from rowanseed.core.geometry.outline import Point, point_at
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.joined import sides_run_against
from rowanseed.core.pattern.making import LOWER_FOLD, EdgePart, Join
from rowanseed.core.pattern.pieces import MarkKind
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.shown import shown_lines
from rowanseed.drawings.steps.folding import Folding, fold_of, folded, folding
from rowanseed.drawings.steps.paper import Paper, dot, exterior, rings
from rowanseed.drawings.steps.placing import Lying, Share, as_drawn, in_ring_order, laid_on, stretch
from rowanseed.drawings.steps.shares import shares
from rowanseed.drawings.steps.shown import Laid
from rowanseed.drawings.steps.stitching import ends_at, stitching
from rowanseed.drawings.svg import INK, path_of

CORNER = 0.7
"""How far from the seam, as a share of its depth, the corner of the upper piece is turned back."""
AFTER_SEWING = frozenset({Act.PRESS, Act.TRIM, Act.CLIP, Act.TURN, Act.TACK, Act.UNDERSTITCH, Act.TOPSTITCH})
"""What is done to a seam that is sewn."""


def together(paper: Paper, bench: Workbench, op: Operation, join: Join) -> Laid:
    """The two pieces of a seam as they are pinned, its stitching, its notches, what stands over at its ends."""
    one, other = pair_shown(bench, op, join)
    against = sides_run_against(bench.pattern, one, other)
    under = as_drawn(bench.piece(one[0].piece), bench.size)
    shared = shares(bench, join, one, other)
    over = laid_on(
        under,
        one,
        bench.piece(other[0].piece),
        other,
        against=against,
        shares=shared,
        met_at=_met_at(bench, op, join, in_ring_order(under.piece, one), shared[0]),
    )
    doubled = folding(bench, join)
    fold: tuple[Point, Point] | None = None
    if doubled is Folding.EDGE_ON_EDGE:
        halves = folded(under.piece, bench.size, one, other)
        under, over = replace(under, kept=halves.one), replace(over, kept=halves.other)
        fold = halves.fold
    elif doubled is Folding.ON_ITS_FOLD:
        ends = [upright(p) for p in shown_lines(under.piece, bench.size).seam[fold_of(bench, one[0].piece)]]
        fold = (ends[0], ends[-1])
    sides = sides_together(op)
    if sides is Together.WRONG:
        under, over = replace(under, right_side_up=False), replace(over, right_side_up=True)
    elif sides is Together.BOTH_UP:
        over = replace(over, right_side_up=True)
    line = over.stitched(other)
    line = stretch(line[::-1] if against else line, shared[1])
    paper.look_at(line)
    paper.scale([under, over])
    below, above = paper.seen(under.cutting()), paper.seen(over.cutting())
    kept, flap = (above, Polygon()) if fold is not None else _turned_back(above, line)
    paper.areas += [below, above]
    paper.cloth(below, right_side=under.right_side_up)
    paper.cloth(kept, right_side=over.right_side_up)
    paper.cloth(flap, right_side=not over.right_side_up)
    for lying, parts, seen in ((under, one, below), (over, other, kept)):
        notches(paper, lying, parts, within=seen)
    if fold is not None:
        _folded_edge(paper, fold, line)
    if op.act is Act.NEATEN:
        paper.line([p for part in in_ring_order(over.piece, other) for p in over.raw(part)], paper.letter * 0.2)
        sewn = ""
    else:
        own = in_ring_order(under.piece, one)
        sewn = stitching(paper, bench, op, join, line, above, own=own, share=shared[0], lyings=(under, over))
    said = {True: "right side", False: "wrong side"}
    if not paper.inside(kept, over.piece.name, said[over.right_side_up]):
        far = far_point(kept, line)
        paper.outside(far, away(far, line), over.piece.name, said[over.right_side_up], leader=True)
    seen = below.difference(kept).difference(flap)
    if fold is None and not paper.inside(seen, under.piece.name, said[under.right_side_up]):
        far = far_point(below, line)
        paper.outside(far, away(far, line), under.piece.name, said[under.right_side_up], leader=True)
    if not flap.is_empty:
        paper.inside(flap, said[not over.right_side_up])
    told = [f"{_lies(bench, join, under, over, sides)}{_worked(op)}.", sewn, others_beside(bench, op, one, other)]
    words = " ".join(part for part in told if part)
    return Laid(paper.finish("How the pieces lie", words), words)


def _met_at(bench: Workbench, op: Operation, join: Join, own: Sequence[EdgePart], share: Share) -> float:
    """Where two edges are laid on each other that are not of one length, since one is fuller or goes on: where the
    seam begins or ends, else at their middles."""
    match ends_at(bench, join, op.run or bench.runs.over(join.a, each_hand=join.each_hand), own, share):
        case True, False:
            return 0.0
        case False, True:
            return 1.0
        case _:
            return 0.5


def _lies(bench: Workbench, join: Join, under: Lying, over: Lying, sides: Together) -> str:
    above, below, at = lower_first(over.piece.name), lower_first(under.piece.name), at_seam(join)
    match folding(bench, join):
        case Folding.EDGE_ON_EDGE:
            return f"The {below} folded, {sides.words}, edge on edge at the {at}"
        case Folding.ON_ITS_FOLD:
            return f"The {below} folded on its fold line, {sides.words}, edge on edge at the {at}"
        case Folding.NONE:
            lies = f"The {above} lies on the {below}" if above != below else f"One {above} on the other"
            return f"{lies}, {sides.words}, their edges together at the {at}"
        case _ as never:
            assert_never(never)


def _worked(op: Operation) -> str:
    """What is said where a seam is drawn as it was sewn, since it curves too much to be drawn opened out."""
    if op.act is Act.PRESS and op.way:
        return f", as they were sewn: the allowances are pressed {op.way}"
    return ", as they were sewn" if op.act in AFTER_SEWING else ""


def _folded_edge(paper: Paper, fold: tuple[Point, Point], line: Sequence[Point]) -> None:
    """The fold of a piece that is sewn to itself, as far as it is drawn."""
    if paper.window is not None:
        held = LineString(fold).intersection(paper.window)
        if not isinstance(held, LineString) or held.is_empty:
            return
        fold = (held.coords[0], held.coords[-1])
    paper.line(fold, paper.letter * 0.22, stroke=INK)
    middle = ((fold[0][0] + fold[1][0]) / 2, (fold[0][1] + fold[1][1]) / 2)
    paper.outside(middle, away(middle, line), "fold")


def pair_shown(bench: Workbench, op: Operation, join: Join) -> tuple[tuple[EdgePart, ...], tuple[EdgePart, ...]]:
    """The edges of the two pieces that a seam is drawn on: those with the mark that it is sewn to, else those where it
    begins, else its first; of a step that works on some pieces of it only, on one of them."""
    zip_, run = bench.openings.zip_on(join), op.run
    marks = [run.to_mark, run.from_mark] if run is not None else []
    marks += [detail.to_mark for detail in bench.details.values() if join.id in detail.along]
    marks += [zip_.to_mark] if zip_ is not None else []
    worked = {shown.piece for shown in op.edges}
    a, b = (list(dict.fromkeys(part.piece for part in side)) for side in (join.a, join.b))
    if worked.isdisjoint(a) == worked.isdisjoint(b):
        a, b = ([id for id in side if id in worked] or side for side in (a, b))
    found = [side.index(mark[0]) for mark in marks if mark is not None for side in (a, b) if mark[0] in side]
    if not found and max(len(a), len(b)) > 1:
        found = _where_it_begins(bench, op, join, a, b)
    at = found[0] if found else 0
    if at < len(a) and len(a) > 1 and _is_an_end(bench, join, a[at]):
        # A band's end by itself does not show what is sewn to what: what lies beside it is drawn.
        at += -1 if at else 1
    one, other = a[min(at, len(a) - 1)], b[at if len(a) == len(b) or len(a) == 1 else 0]
    return _edges_on(join.a, one), _edges_on(join.b, other)


def _is_an_end(bench: Workbench, join: Join, piece: str) -> bool:
    """Whether all that a seam takes in of a piece is the end of a band."""
    ends = {p.piece for p in (*join.a, *join.b) if LOWER_FOLD in (p.from_mark, p.to_mark)}
    return piece in bench.folded_in(join) | ends


def _where_it_begins(bench: Workbench, op: Operation, join: Join, a: list[str], b: list[str]) -> list[int]:
    """Which of the pieces of the side that has several the seam begins or ends on; none for a ring."""
    run = op.run or bench.runs.over(join.a, each_hand=join.each_hand)
    out = []
    for k in range(len(a) if len(a) > 1 else len(b)) if not run.ring else ():
        one, other = _edges_on(join.a, a[min(k, len(a) - 1)]), _edges_on(join.b, b[min(k, len(b) - 1)])
        share = shares(bench, join, one, other)[0]
        if any(ends_at(bench, join, run, in_ring_order(bench.piece(one[0].piece), one), share)):
            out.append(k)
    return out


def _edges_on(side: Sequence[EdgePart], piece: str) -> tuple[EdgePart, ...]:
    """The edges of one piece in a side, each once where left and right are both named."""
    found = {(part.edge, part.from_mark, part.to_mark): part for part in side[::-1] if part.piece == piece}
    return tuple(found.values())[::-1]


def at_seam(join: Join) -> str:
    """The name of a seam after "at the"."""
    return lower_first(join.name).removeprefix("its ").removeprefix("the ")


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


def far_point(shape: BaseGeometry, line: Sequence[Point]) -> Point:
    """The point of an outline that is farthest from a seam."""
    seam = LineString(line) if len(line) > 1 else None
    points = exterior(shape)
    return max(points, key=lambda p: seam.distance(dot(p)) if seam is not None else 0.0)


def away(point: Point, line: Sequence[Point]) -> Point:
    """From the middle of a seam towards a point."""
    mid = line[len(line) // 2]
    return (point[0] - mid[0], point[1] - mid[1])


def others_beside(bench: Workbench, op: Operation, *drawn: Sequence[EdgePart]) -> str:
    """What is sewn the same way and is not drawn."""
    shown = {part.piece for parts in drawn for part in parts}
    more = dict.fromkeys(bench.name(edge.piece) for edge in op.edges if edge.piece not in shown)
    return f"Not drawn: {listed(more)}." if more else ""


def listed(names: Iterable[str]) -> str:
    """Pieces in a row; with semicolons where their own names have commas."""
    found = list(names)
    return ("; " if any("," in name for name in found) else ", ").join(found)


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


def notches(paper: Paper, lying: Lying, parts: Sequence[EdgePart] = (), within: BaseGeometry | None = None) -> None:
    """The notches and dots of some edges, of the whole piece where none are named; within what is seen of it."""
    seam = Polygon(lying.seam()).buffer(0)
    edges = {part.edge for part in parts}
    for mark in lying.piece.marks:
        if edges and mark.edge not in edges:
            continue
        chain = lying.piece.shapes[lying.size].edges[mark.edge]
        at = mark_distance(lying.piece, lying.size, mark)
        x, y = lying.move(upright(point_at(chain, at)))
        if within is not None and not within.intersects(dot((x, y))):
            continue
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
            paper.crossed(LineString([(sx, sy), tip]))
