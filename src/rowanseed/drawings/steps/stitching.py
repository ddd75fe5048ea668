"""The stitching line of a seam as it is drawn on the pieces, as its step says: where it begins, which way, its end."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

from shapely.geometry import LineString
from shapely.geometry import Point as Spot
from shapely.geometry.base import BaseGeometry
from shapely.ops import substring

from rowanseed.core.geometry.outline import Point, chain_length, point_at
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.make.run import RAW_EDGE, Marked, Run, Secured
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.pieces import MarkKind
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps.paper import Paper
from rowanseed.drawings.steps.placing import Lying, Share
from rowanseed.drawings.svg import PAPER, number, path_of

BEGUN_AT = ("side seam", "underarm seam", "inner leg seam")
"""Where what is sewn all round begins, by what lies beside its edge there."""
BACKSTITCH = 14.0
"""How long a backstitch is drawn, in mm."""


@dataclass(frozen=True)
class Drawn:
    """A row as far as the drawn pieces go, in the direction it is sewn, and whether it begins and ends there."""

    line: list[Point]
    begins: bool
    ends: bool


def stitching(
    paper: Paper,
    bench: Workbench,
    op: Operation,
    join: Join,
    line: list[Point],
    above: BaseGeometry,
    *,
    own: Sequence[EdgePart],
    share: Share,
    lyings: Sequence[Lying],
) -> str:
    """The stitching line with its beginning, direction, end and backstitches; the same in words.

    Nothing is drawn of a beginning and an end where the step names none. `own` are the edges that are drawn of side a,
    `share` is how much of them.
    """
    width = paper.letter * 0.16
    dash = f"{number(paper.letter * 0.5)} {number(paper.letter * 0.26)}"
    if op.act is Act.BASTE:
        dash = f"{number(paper.letter * 0.9)} {number(paper.letter * 0.5)}"
    if op.run is None:
        paper.line(line, width, dash)
        return "Where it begins and ends, the step says." if op.act.sews_join and op.bench.is_machine else ""
    run = op.run
    drawn = row(bench, join, run, line, own=own, share=share, lyings=lyings)
    paper.line(drawn.line, width, dash)
    arrow(paper, drawn.line)
    more = _above_the_zip(bench, join, run, line, lyings)
    if more:
        paper.line(more, width, dash)
        arrow(paper, more)
    held = {True: drawn.begins and run.secured in (Secured.BOTH, Secured.BEGINNING)}
    held[False] = drawn.ends and run.secured in (Secured.BOTH, Secured.END)
    stitched_back = op.bench.is_machine and not run.ring
    centre = above.centroid
    mid = drawn.line[len(drawn.line) // 2]
    off = (mid[0] - centre.x, mid[1] - centre.y)
    for is_first, is_there, word in ((True, drawn.begins, "begin"), (False, drawn.ends, "end")):
        along = drawn.line if is_first else drawn.line[::-1]
        if held[is_first] and stitched_back:
            paper.line(_shifted(along, BACKSTITCH, paper.letter * 0.28), width * 0.8)
        if is_there:
            paper.add("circle", cx=along[0][0], cy=along[0][1], r=paper.letter * 0.22, fill=PAPER, stroke=paper.thread)
            paper.outside(along[0], off, word)
    back = f"; {run.secured.words}" if stitched_back else ""
    on = ", and on above its upper mark" if more else ""
    marks = _matched(bench, join)
    return f"Sew {run.words}{on}{back}.{f' Match {marks}.' if marks else ''}"


def row(
    bench: Workbench,
    join: Join,
    run: Run,
    line: list[Point],
    *,
    own: Sequence[EdgePart],
    share: Share,
    lyings: Sequence[Lying],
) -> Drawn:
    """What of a run lies on the drawn pieces: cut off at the marks where it begins and ends, in its direction."""
    whole = LineString(line)
    first, last = 0.0, whole.length
    is_end, backwards = list(ends_at(bench, join, run, own, share)), run.backwards
    for marked, begins in ((run.to_mark, False), (run.from_mark, True)):
        at = _place(join, marked, whole, lyings)
        if at is None:
            continue
        place, at_start = at
        if at_start:
            first, is_end[0], backwards = place, True, not begins
        else:
            last, is_end[1], backwards = place, True, begins
    if run.ring:
        backwards = is_end[1]
    elif is_end[0] is not is_end[1] and is_end[0] is backwards and run.start == run.end:
        # Only one of two ends alike is drawn: that is where it begins.
        backwards = not backwards
    if run.short != (0.0, 0.0):
        begun, ended = run.short[::-1] if backwards else run.short
        first += begun if is_end[0] else 0.0
        last -= ended if is_end[1] else 0.0
    if last - first < 1.0:
        first, last = 0.0, whole.length
    kept = [(x, y) for x, y in substring(whole, first, last).coords]
    begins, ends = is_end[::-1] if backwards else is_end
    return Drawn(kept[::-1] if backwards else kept, begins, ends and not run.goes_on)


def ends_at(bench: Workbench, join: Join, run: Run, own: Sequence[EdgePart], share: Share) -> tuple[bool, bool]:
    """Whether a run begins or ends at the first and at the last end of what is drawn of side a; a ring begins under the
    arm, at a side or between the legs, where that is on what is drawn."""
    if run.ring:
        seams = [bench.runs.beside(part, end) in BEGUN_AT for part, end in ((own[0], 0), (own[-1], 1))]
        return seams[0] and share[0] == 0.0, seams[1] and not seams[0] and share[1] == 1.0
    names = [bench.runs.ends_of(part, join.a, each_hand=join.each_hand) for part in join.a]
    # Where a chain ends nowhere by itself, a side that is still open or has a zip is where it ends.
    by_neighbour = not any(name for both in names for name in both)
    found = []
    for part, end in ((own[0], 0), (own[-1], 1)):
        name = names[join.a.index(part)][end]
        is_raw = run.start == RAW_EDGE and bench.neighbours(part)[end] not in bench.folds(part.piece)
        is_beside = by_neighbour and bench.runs.beside(part, end) in (run.start, run.end)
        is_there = name is not None or is_raw or is_beside
        found.append(is_there and share[end] == float(end))
    return found[0], found[1]


def _place(join: Join, marked: Marked | None, whole: LineString, lyings: Sequence[Lying]) -> tuple[float, bool] | None:
    """How far along a drawn line a mark is, and whether what it leaves open is the line's beginning; None where the
    mark is not on what is drawn."""
    if marked is None or whole.length < 1.0:
        return None
    lying = next((one for one in lyings if one.piece.id == marked[0]), None)
    if lying is None:
        return None
    mark = lying.piece.mark(marked[1])
    chain = lying.piece.shapes[lying.size].edges.get(mark.edge)
    if chain is None or not any((p.piece, p.edge) == (marked[0], mark.edge) for p in (*join.a, *join.b)):
        return None
    at = mark_distance(lying.piece, lying.size, mark)
    at_start = mark.anchor == "start" or (mark.anchor != "end" and at < chain_length(chain) / 2)
    corner = chain[0].start if at_start else chain[-1].end
    place, end = (whole.project(Spot(lying.move(upright(p)))) for p in (point_at(chain, at), corner))
    return (place, end < place) if abs(place - end) >= 1.0 else None


def _above_the_zip(bench: Workbench, join: Join, run: Run, line: list[Point], lyings: Sequence[Lying]) -> list[Point]:
    """The stretch of a seam above a zip that lies between two marks; none of any other."""
    closure = bench.openings.zip_on(join)
    if closure is None or closure.from_mark is None or run.to_mark != closure.to_mark:
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


def _matched(bench: Workbench, join: Join) -> str:
    """The points to be matched, by name: what both sides are marked with."""
    kinds = {
        MarkKind.NOTCH: "the single notches",
        MarkKind.DOUBLE_NOTCH: "the double notches",
        MarkKind.DOT: "the dots",
        MarkKind.QUARTER: "the quarter marks",
        MarkKind.ZIP_END: "the mark of the zip",
    }
    on = [{m.kind for p in side for m in bench.piece(p.piece).marks if m.edge == p.edge} for side in (join.a, join.b)]
    if bench.openings.zip_on(join) is None:
        on[0].discard(MarkKind.ZIP_END)
    found = [words for kind, words in kinds.items() if all(kind in side for side in on)]
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
