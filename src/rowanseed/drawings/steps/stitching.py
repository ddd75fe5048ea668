"""The stitching line of a seam as it is drawn on the pieces: from where to where, which way, what stays open."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from dataclasses import replace
from itertools import pairwise

from shapely.geometry import LineString
from shapely.geometry import Point as Spot
from shapely.geometry.base import BaseGeometry
from shapely.ops import substring

from rowanseed.core.geometry.outline import Point, chain_length, point_at
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.make.runs import Run
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind, Join
from rowanseed.core.pattern.pieces import MarkKind
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps.paper import Paper
from rowanseed.drawings.steps.placing import Lying
from rowanseed.drawings.svg import PAPER, number, path_of

BACKSTITCH = 14.0
"""How long a backstitch is drawn, in mm."""


def stitching(
    paper: Paper,
    bench: Workbench,
    op: Operation,
    join: Join,
    line: list[Point],
    above: BaseGeometry,
    *,
    lyings: Sequence[Lying],
) -> str:
    """The stitching line with its beginning, direction, end and backstitches; the same in words.

    Where a zip, a slit or a lining's opening leaves a part of the seam open, only the rest is drawn.
    """
    run = bench.runs.over(join.a, each_hand=join.each_hand, from_end=join.sewn_from == "end")
    sewn = line[::-1] if join.sewn_from == "end" else line
    more: list[Point] = []
    if op.act is Act.JOIN:
        whole = sewn
        sewn, run = _less_what_is_open(bench, join, sewn, run, lyings)
        more = _above_the_zip(bench, join, whole, lyings)
    width = paper.letter * 0.16
    dash = f"{number(paper.letter * 0.5)} {number(paper.letter * 0.26)}"
    if op.act is Act.BASTE:
        dash = f"{number(paper.letter * 0.9)} {number(paper.letter * 0.5)}"
    paper.line(sewn, width, dash)
    arrow(paper, sewn)
    if more:
        paper.line(more, width, dash)
        arrow(paper, more)
    secured = op.act in (Act.JOIN, Act.FACE, Act.BAND, Act.LINE) and not run.ring and op.bench.is_machine
    if secured:
        for end in (sewn, sewn[::-1]):
            paper.line(_shifted(end, BACKSTITCH, paper.letter * 0.28), width * 0.8)
    for point in (sewn[0], sewn[-1]):
        paper.add("circle", cx=point[0], cy=point[1], r=paper.letter * 0.22, fill=PAPER, stroke=paper.thread)
    centre = above.centroid
    mid = sewn[len(sewn) // 2]
    off = (mid[0] - centre.x, mid[1] - centre.y)
    paper.outside(sewn[0], off, "begin")
    if not run.ring:
        paper.outside(sewn[-1], off, "end")
    backstitch = "; a few stitches back at both ends" if secured else ""
    on = ", and on above its upper mark" if more else ""
    where = f"Sew {run.words}{on}" if op.bench.is_machine or op.act.sews_join else f"It runs {run.words}"
    marks = _matched(bench, join)
    return f"{where}{backstitch}.{f' Match {marks}.' if marks else ''}"


def _less_what_is_open(
    bench: Workbench, join: Join, line: list[Point], run: Run, lyings: Sequence[Lying]
) -> tuple[list[Point], Run]:
    """A seam without the parts beyond the marks of its zip and its slit, and where it begins and ends then."""
    whole = LineString(line)
    first, last = 0.0, whole.length
    for (piece, id), words in _open_from(bench, join):
        lying = next((one for one in lyings if one.piece.id == piece), None)
        if lying is None or whole.length < 1.0:
            continue
        mark = lying.piece.mark(id)
        chain = lying.piece.shapes[lying.size].edges.get(mark.edge)
        if chain is None or not any((p.piece, p.edge) == (piece, mark.edge) for p in (*join.a, *join.b)):
            continue
        at = mark_distance(lying.piece, lying.size, mark)
        at_start = mark.anchor == "start" or (mark.anchor != "end" and at < chain_length(chain) / 2)
        corner = chain[0].start if at_start else chain[-1].end
        place, end = (whole.project(Spot(lying.move(upright(p)))) for p in (point_at(chain, at), corner))
        if abs(place - end) < 1.0:
            continue
        if end < place:
            first, run = place, replace(run, start=words)
        else:
            last, run = place, replace(run, end=words)
    if last - first < 1.0 or (first, last) == (0.0, whole.length):
        return line, run
    return [(x, y) for x, y in substring(whole, first, last).coords], run


def _above_the_zip(bench: Workbench, join: Join, line: list[Point], lyings: Sequence[Lying]) -> list[Point]:
    """The stretch of a seam above a zip that lies between two marks; none of any other."""
    closure = bench.openings.zip_on(join)
    if closure is None or closure.from_mark is None:
        return []
    lying = next((one for one in lyings if one.piece.id == closure.from_mark[0]), None)
    whole = LineString(line)
    if lying is None or whole.length < 1.0:
        return []
    mark = lying.piece.mark(closure.from_mark[1])
    chain = lying.piece.shapes[lying.size].edges[mark.edge]
    upper = chain[0].start if mark.anchor == "start" else chain[-1].end
    at = point_at(chain, mark_distance(lying.piece, lying.size, mark))
    place, end = (whole.project(Spot(lying.move(upright(p)))) for p in (at, upper))
    if abs(place - end) < 1.0:
        return []
    found = substring(whole, min(place, end), max(place, end))
    return [(x, y) for x, y in found.coords]


def _open_from(bench: Workbench, join: Join) -> Iterator[tuple[tuple[str, str], str]]:
    """The marks (piece, mark) from which a seam stays open, each with what it is called."""
    closure = bench.openings.zip_on(join)
    if closure is not None and closure.to_mark is not None:
        yield closure.to_mark, "mark of the zip"
    for detail in bench.details_of(DetailKind.SLIT):
        if join.id in detail.along and detail.to_mark is not None:
            yield detail.to_mark, "mark of the slit"


def _matched(bench: Workbench, join: Join) -> str:
    """The points to be matched, by name."""
    kinds = {
        MarkKind.NOTCH: "the single notches",
        MarkKind.DOUBLE_NOTCH: "the double notches",
        MarkKind.DOT: "the dots",
        MarkKind.QUARTER: "the quarter marks",
        MarkKind.ZIP_END: "the mark of the zip",
    }
    found = [
        words
        for kind, words in kinds.items()
        if any(m.kind is kind and m.edge == p.edge for p in (*join.a, *join.b) for m in bench.piece(p.piece).marks)
    ]
    return " and ".join((", ".join(found[:-1]), found[-1])) if len(found) > 1 else "".join(found)


def _shifted(line: Sequence[Point], reach: float, aside: float) -> list[Point]:
    """The first stretch of a line, moved a little aside."""
    out, gone = [line[0]], 0.0
    for a, b in pairwise(line):
        step = math.dist(a, b)
        if gone + step >= reach:
            t = (reach - gone) / (step or 1.0)
            out.append((a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t))
            break
        out.append(b)
        gone += step
    (x0, y0), (x1, y1) = out[0], out[-1]
    length = math.dist((x0, y0), (x1, y1)) or 1.0
    dx, dy = -(y1 - y0) / length * aside, (x1 - x0) / length * aside
    return [(x + dx, y + dy) for x, y in out]


def arrow(paper: Paper, line: Sequence[Point]) -> None:
    """An arrow head at the middle of a line, in its direction."""
    total = sum(math.dist(a, b) for a, b in pairwise(line))
    gone = 0.0
    for a, b in pairwise(line):
        step = math.dist(a, b)
        if gone + step >= total * 0.55 and step:
            ux, uy = (b[0] - a[0]) / step, (b[1] - a[1]) / step
            h = paper.letter * 0.55
            head = [(b[0] - ux * h - uy * h / 2, b[1] - uy * h + ux * h / 2), b]
            head.append((b[0] - ux * h + uy * h / 2, b[1] - uy * h - ux * h / 2))
            paper.add("path", d=path_of(head), fill=paper.thread, stroke=PAPER, stroke_width=paper.letter * 0.06)
            return
        gone += step
