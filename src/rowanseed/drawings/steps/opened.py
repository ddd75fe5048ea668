"""A seam opened out: both pieces beside each other, their allowances as they are pressed."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import replace

from shapely.geometry import LineString, Polygon

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.joined import sides_run_against
from rowanseed.core.pattern.making import EdgePart, Join, Press
from rowanseed.drawings.steps.folding import Folding, folded, folding
from rowanseed.drawings.steps.paper import Paper, dot, rings
from rowanseed.drawings.steps.placing import Lying, as_drawn, opened_from
from rowanseed.drawings.steps.shares import shares
from rowanseed.drawings.steps.shown import Laid
from rowanseed.drawings.steps.together import at_seam, away, far_point, others_beside, pair_shown
from rowanseed.drawings.svg import INK, number, path_of

OVERLAP = 0.12
"""So much of the smaller piece may lie over the other, as a share, where a seam curves a little."""
FROM_RIGHT = frozenset({Act.UNDERSTITCH, Act.TOPSTITCH})


def opened(paper: Paper, bench: Workbench, op: Operation, join: Join) -> Laid | None:
    """The two pieces of a seam that is sewn, from the side that is worked on; None where it curves so much that they
    cannot be laid flat beside each other."""
    one, other = pair_shown(bench, op, join)
    against = sides_run_against(bench.pattern, one, other)
    from_right = op.act in FROM_RIGHT
    first = as_drawn(bench.piece(one[0].piece), bench.size, right_side_up=from_right)
    second = opened_from(
        first, one, bench.piece(other[0].piece), other, against=against, shares=shares(bench, join, one, other)
    )
    is_tube = folding(bench, join) is Folding.EDGE_ON_EDGE
    if is_tube:
        halves = folded(first.piece, bench.size, one, other)
        first, second = replace(first, kept=halves.one), replace(second, kept=halves.other)
    elif _is_set_in(bench, join) or _overlap(first, second):
        return None
    paper.look_at(first.stitched(one))
    paper.scale([first, second])
    shapes = []
    for lying in (first, second):
        shapes.append(paper.seen(lying.seam()))
        paper.cloth(shapes[-1], right_side=from_right)
    paper.areas += shapes
    pressed = _pressed_to(op, (first, one), (second, other))
    if not from_right:
        for lying, parts in ((first, one), (second, other)):
            _flap(paper, lying, parts, pressed)
    line = first.stitched(one)
    paper.line(line, paper.letter * 0.14, f"{number(paper.letter * 0.45)} {number(paper.letter * 0.25)}")
    if op.act in FROM_RIGHT:
        at = 1 if _is_inner(bench, other[0]) or op.act is Act.TOPSTITCH else 0
        # Where a seam curves, the pieces lie over each other a little: the row is on one of them.
        rows = LineString(line).buffer(paper.letter * 0.6).exterior.intersection(shapes[at].difference(shapes[1 - at]))
        for run in getattr(rows, "geoms", [rows]):
            if isinstance(run, LineString) and run.length > paper.letter * 2:
                paper.line([(x, y) for x, y in run.coords], paper.letter * 0.16, f"{number(paper.letter * 0.4)} 4")
    if op.act in (Act.CLIP, Act.TRIM):
        _clips(paper, bench, first, one[0])
    side = "right side" if from_right else "wrong side"
    for lying, shape in zip((first, second)[: 1 if is_tube else 2], shapes, strict=False):
        if not paper.inside(shape, lying.piece.name, side):
            far = far_point(shape, line)
            paper.outside(far, away(far, line), lying.piece.name, side, leader=True)
    names = lower_first(first.piece.name)
    if not is_tube:
        is_pair = first.piece is second.piece
        names = f"left and right {names}" if is_pair else f"{names} and {lower_first(second.piece.name)}"
    way = f", the allowances {op.way}" if op.act is Act.PRESS and op.way else ""
    lies = f"The {names} inside out, its seam uppermost," if is_tube else f"The {names} opened out at the"
    lies += f" opened out at the {at_seam(join)}" if is_tube else f" {at_seam(join)}"
    more = others_beside(bench, op, one, other)
    words = f"{lies}, {side} up{way}.{' ' if more else ''}{more}"
    return Laid(paper.finish("The seam opened out", words), words)


def _is_set_in(bench: Workbench, join: Join) -> bool:
    """Whether it sews a sleeve into an armhole: a cap and its hole bend away from each other laid out."""
    return bench.holds_sleeve(join) and any(part.edge == "armhole" for part in (*join.a, *join.b))


def _overlap(one: Lying, other: Lying) -> bool:
    a, b = Polygon(one.seam()).buffer(0), Polygon(other.seam()).buffer(0)
    return bool(a.intersection(b).area > OVERLAP * min(a.area, b.area))


def _is_inner(bench: Workbench, part: EdgePart) -> bool:
    return part.piece in bench.inner


def _pressed_to(op: Operation, *sides: tuple[Lying, Sequence[EdgePart]]) -> frozenset[str] | None:
    """The pieces towards which the allowances lie: both for a seam pressed open; None where nothing says it."""
    if op.act is not Act.PRESS:
        return None
    if op.way in (Press.UP.words, Press.DOWN.words):
        above = {lying.piece.id: _is_above(lying, parts) for lying, parts in sides}
        found = frozenset(id for id, is_above in above.items() if is_above is (op.way == Press.UP.words))
        return found if len(found) == 1 else None
    return op.towards or None


def _is_above(lying: Lying, parts: Sequence[EdgePart]) -> bool:
    """Whether a piece lies above one of its edges as it is worn."""
    flat = as_drawn(lying.piece, lying.size)
    return bool(LineString(flat.stitched(parts)).centroid.y > Polygon(flat.seam()).buffer(0).centroid.y)


def _flap(paper: Paper, lying: Lying, parts: Sequence[EdgePart], pressed: frozenset[str] | None) -> None:
    """The allowance of one side as a strip along the seam, with an arrow where it is pressed to it."""
    seam = lying.stitched(parts)
    shape = paper.seen(lying.seam())
    allowance = lying.piece.edge(parts[0].edge).allowance
    if allowance <= 0 or len(seam) < 2 or (pressed is not None and lying.piece.id not in pressed):
        return
    strip = LineString(seam).buffer(allowance, cap_style="flat", quad_segs=2).intersection(shape)
    for ring in rings(strip):
        paper.add("path", d=path_of(ring), fill=paper.shade, stroke=INK, stroke_width=paper.letter * 0.06)
        paper.crossed(LineString([*ring, ring[0]]))
    if pressed is None:
        return
    line = LineString(seam)
    if paper.window is not None:
        held = line.intersection(paper.window)
        line = held if isinstance(held, LineString) and held.length > 5 else line
    mid, near = line.interpolate(0.5, normalized=True), line.interpolate(0.5 * line.length + 1.0)
    ux, uy = near.x - mid.x, near.y - mid.y
    sign = 1.0 if shape.contains(dot((mid.x - uy * 3, mid.y + ux * 3))) else -1.0
    reach = max(allowance * 1.9, paper.letter * 1.6)
    tip = (mid.x - uy * reach * sign, mid.y + ux * reach * sign)
    paper.line([(mid.x, mid.y), tip], paper.letter * 0.14, stroke=INK)
    _head(paper, (mid.x, mid.y), tip)


def _head(paper: Paper, a: Point, b: Point) -> None:
    gone = math.dist(a, b) or 1.0
    ux, uy = (b[0] - a[0]) / gone, (b[1] - a[1]) / gone
    h = paper.letter * 0.5
    head = [(b[0] - ux * h - uy * h / 2, b[1] - uy * h + ux * h / 2), b]
    head.append((b[0] - ux * h + uy * h / 2, b[1] - uy * h - ux * h / 2))
    paper.add("path", d=path_of(head), fill=INK)


def _clips(paper: Paper, bench: Workbench, lying: Lying, part: EdgePart) -> None:
    """Short cuts across the allowance where it is clipped."""
    if not bench.bends.needs_clips((part,)):
        return
    every = bench.bends.clip_every((part,))
    line = LineString(lying.stitched((part,)))
    shape = Polygon(lying.seam()).buffer(0)
    depth = max(4.0, lying.piece.edge(part.edge).allowance - 2)
    for k in range(1, int(line.length / every)):
        p, q = line.interpolate(k * every), line.interpolate(k * every + 1)
        ux, uy = q.x - p.x, q.y - p.y
        for sign in (1.0, -1.0):
            tip = (p.x - uy * depth * sign, p.y + ux * depth * sign)
            if shape.contains(dot(tip)):
                start = (p.x - uy * 2 * sign, p.y + ux * 2 * sign)
                paper.line([start, tip], paper.letter * 0.1, stroke=INK)
