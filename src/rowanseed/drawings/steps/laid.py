"""How the pieces of a step lie on the table, from their real edges: laid together, opened out, or one by itself.

Right and wrong side are told apart by tone, by pattern and by word; the upper of two layers has a corner turned back.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.base.same import Same
from rowanseed.core.base.words import Worded, lower_first
from rowanseed.core.geometry.outline import Point, bounds, point_at
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.operation import Act, Meant, Operation
from rowanseed.core.make.runs import ENDS
from rowanseed.core.make.workbench import Workbench, workbench
from rowanseed.core.pattern.joined import runs_against
from rowanseed.core.pattern.making import PLACKET_BASE, EdgePart, Join, Press
from rowanseed.core.pattern.opened_out import opened_out
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Dart, LineKind, MarkKind, Panel, Piece, PointKind
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.printing.lines import dart_runs, upright
from rowanseed.drawings.steps.paper import Paper, dot, exterior, rings
from rowanseed.drawings.steps.placing import Lying, as_drawn, laid_on, opened_from
from rowanseed.drawings.steps.stitching import arrow, stitching
from rowanseed.drawings.svg import INK, PAPER, QUIET, number, path_of

TOGETHER = frozenset({Act.JOIN, Act.FACE, Act.BAND, Act.LINE, Act.BIND, Act.BASTE, Act.PIPE, Act.CLOSE})
OPENED = frozenset({Act.PRESS, Act.UNDERSTITCH, Act.TOPSTITCH, Act.TRIM, Act.CLIP, Act.TURN, Act.TACK})
FROM_RIGHT = frozenset({Act.UNDERSTITCH, Act.TOPSTITCH})
ON_WRONG_SIDE = frozenset({Act.FUSE, Act.BACK, Act.MARK, Act.PRESS, Act.PAD, Act.DART})
MOST_PIECES = 4
ONE_SIDED = "one-sided"
"""The technique whose piece is shown opened out: what one hand has is not on the half that is drawn."""
CORNER = 0.7
"""How far from the seam, as a share of its depth, the corner of the upper piece is turned back."""


@dataclass(frozen=True)
class Laid:
    """A drawing of how things lie, and the same in words."""

    svg: str
    words: str


def draw_laid(pattern: Pattern, view: str, size: str, op: Operation, thread: str, shade: str) -> Laid | None:
    """How the pieces of a step lie; None for one that is done on no piece. `shade` is the tone of the right side."""
    return _drawn(Same(pattern), view, size, op, thread, shade)


@lru_cache(maxsize=1024)
def _drawn(same: Same[Pattern], view: str, size: str, op: Operation, thread: str, shade: str) -> Laid | None:
    pattern = same.it
    bench = workbench(pattern, view, size, MakingChoices())
    join = next((bench.joins[id] for id in op.on.joins if id in bench.joins), None)
    paper = Paper(thread=thread, shade=shade, key=f"s{abs(hash((op.id, size))) % 10**8}")
    if join is not None and _is_apart(join) and op.act in TOGETHER | OPENED | {Act.NEATEN}:
        goes_round = len(_on_one_piece(join.a)) > 1
        if op.act in OPENED and not goes_round and _sides(op) is Together.RIGHT:
            return _opened(paper, bench, op, join)
        if op.act in TOGETHER | OPENED or Meant.TOGETHER in op.meant:
            return _together(paper, bench, op, join)
    return _by_themselves(paper, bench, op)


def _is_apart(join: Join) -> bool:
    """Whether two pieces, or two of one, are sewn to each other, and not a piece to itself along one edge; the bands of
    a half placket hang through the box that they are closed across."""
    return bool(join.a and join.b) and not any(p.edge == PLACKET_BASE for p in (*join.a, *join.b))


# ---------------------------------------------------------------- two pieces right sides together


def _together(paper: Paper, bench: Workbench, op: Operation, join: Join) -> Laid:
    one, other = _on_one_piece(join.a), _on_one_piece(join.b)
    against = runs_against(bench.pattern, one[0], other[-1 if len(one) > 1 else 0])
    under = as_drawn(bench.piece(one[0].piece), bench.size)
    over = laid_on(under, one, bench.piece(other[0].piece), other, against=against)
    sides = _sides(op)
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
        _notches(paper, lying, parts)
    sewn = stitching(paper, bench, op, join, line, above, lyings=(under, over))
    said = {True: "right side", False: "wrong side"}
    if not paper.inside(kept, over.piece.name, said[over.right_side_up]):
        far = _far_point(kept, line)
        paper.outside(far, _away(far, line), f"{over.piece.name}, {said[over.right_side_up]}", leader=True)
    seen = below.difference(kept).difference(flap)
    if not paper.inside(seen, under.piece.name, said[under.right_side_up]):
        far = _far_point(below, line)
        paper.outside(far, _away(far, line), f"{under.piece.name}, {said[under.right_side_up]}", leader=True)
    if not flap.is_empty:
        paper.inside(flap, said[not over.right_side_up])
    whose = _others(op, join, bench)
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


def _sides(op: Operation) -> Together:
    """Nearly every seam is sewn right sides together; a fell that shows, and a French seam's first row, are not."""
    if (op.technique, op.id.partition("-")[0]) in {("French seam", "first"), ("flat-felled seam", "sew")}:
        return Together.WRONG
    return Together.BOTH_UP if op.technique == "lapped seam" else Together.RIGHT


def _on_one_piece(side: Sequence[EdgePart]) -> tuple[EdgePart, ...]:
    """The first edges of a side that are edges of one piece, one after the other."""
    own = [part for part in side if part.piece == side[0].piece]
    return tuple(own)


def _far_point(shape: BaseGeometry, line: Sequence[Point]) -> Point:
    """The point of an outline that is farthest from a seam."""
    seam = LineString(line) if len(line) > 1 else None
    points = exterior(shape)
    return max(points, key=lambda p: seam.distance(dot(p)) if seam is not None else 0.0)


def _away(point: Point, line: Sequence[Point]) -> Point:
    mid = line[len(line) // 2]
    return (point[0] - mid[0], point[1] - mid[1])


def _others(op: Operation, join: Join, bench: Workbench) -> str:
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


def _notches(paper: Paper, lying: Lying, parts: Sequence[EdgePart] = ()) -> None:
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


# ---------------------------------------------------------------- a seam opened out


def _opened(paper: Paper, bench: Workbench, op: Operation, join: Join) -> Laid:
    one, other = _on_one_piece(join.a), _on_one_piece(join.b)
    against = runs_against(bench.pattern, one[0], other[-1 if len(one) > 1 else 0])
    from_right = op.act in FROM_RIGHT
    first = as_drawn(bench.piece(one[0].piece), bench.size, right_side_up=from_right)
    second = opened_from(first, one, bench.piece(other[0].piece), other, against=against)
    paper.look_at(first.stitched(one))
    paper.scale([first, second])
    shapes = []
    for lying in (first, second):
        shapes.append(paper.seen(lying.seam()))
        paper.cloth(shapes[-1], right_side=from_right)
    paper.areas += shapes
    pressed = _pressed_to(bench, join)
    if not from_right:
        for lying, parts in ((first, one), (second, other)):
            _flap(paper, lying, parts, pressed)
    line = first.stitched(one)
    paper.line(line, paper.letter * 0.14, f"{number(paper.letter * 0.45)} {number(paper.letter * 0.25)}")
    if op.act in FROM_RIGHT:
        beside = shapes[1 if _is_inner(bench, other[0]) or op.act is Act.TOPSTITCH else 0]
        rows = LineString(line).buffer(paper.letter * 0.6).exterior.intersection(beside)
        for run in getattr(rows, "geoms", [rows]):
            if isinstance(run, LineString) and run.length > paper.letter * 2:
                paper.line([(x, y) for x, y in run.coords], paper.letter * 0.16, f"{number(paper.letter * 0.4)} 4")
    if op.act in (Act.CLIP, Act.TRIM):
        _clips(paper, bench, first, one[0])
    side = "right side" if from_right else "wrong side"
    for lying, shape in zip((first, second), shapes, strict=True):
        if not paper.inside(shape, lying.piece.name, side):
            far = _far_point(shape, line)
            paper.outside(far, _away(far, line), f"{lying.piece.name}, {side}", leader=True)
    names = lower_first(first.piece.name)
    names = (
        f"left and right {names}" if first.piece is second.piece else f"{names} and {lower_first(second.piece.name)}"
    )
    way = f", the allowances {join.press.words}" if op.act is Act.PRESS and pressed is not None else ""
    words = f"The {names} opened out at the {lower_first(join.name)}, {side} up{way}.{_others(op, join, bench)}"
    return Laid(paper.finish("The seam opened out", words), words)


def _is_inner(bench: Workbench, part: EdgePart) -> bool:
    return part.piece in bench.inner


def _pressed_to(bench: Workbench, join: Join) -> frozenset[str] | None:
    """The pieces towards which the allowances lie: both for a seam pressed open; None where the words alone say it."""
    pieces = {part.piece for part in (*join.a, *join.b)}
    match join.press:
        case Press.OPEN:
            return frozenset(pieces)
        case Press.BACK | Press.FRONT:
            panel = Panel.BACK if join.press is Press.BACK else Panel.FRONT
            found = {p for p in pieces if bench.panel(p) is panel}
        case Press.FACING:
            found = pieces & bench.inner
        case Press.BAND:
            found = {p for p in pieces if bench.panel(p) is Panel.BAND}
        case _:
            found = set()
    return frozenset(found) if 0 < len(found) < len(pieces) else None


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


# ---------------------------------------------------------------- pieces by themselves


def _edges_of(bench: Workbench, op: Operation) -> list[tuple[str, str]]:
    edges = [(shown.piece, shown.edge) for shown in op.edges]
    if not edges:
        closures = [bench.closures[id] for id in op.on.closures if id in bench.closures]
        edges = [(p.piece, p.edge) for c in closures for p in bench.parts(c.join)]
    if not edges:
        edges = [(p.piece, p.edge) for id in op.on.joins for p in bench.parts(id)]
    return list(dict.fromkeys(edges))


def _by_themselves(paper: Paper, bench: Workbench, op: Operation) -> Laid | None:
    edges = _edges_of(bench, op)
    whole = op.act in (Act.FUSE, Act.BACK, Act.PAD)
    names = list(dict.fromkeys([*(p for p, _ in edges), *op.on.pieces]))
    known = {piece.id for piece in bench.pattern.pieces}
    names = [name for name in names if name in known]
    if not names:
        return None
    shown, left_out = names[:MOST_PIECES], names[MOST_PIECES:]
    right = op.act not in ON_WRONG_SIDE
    lyings, across = [], 0.0
    for name in shown:
        piece = bench.piece(name)
        shown_whole = opened_out(piece) if op.technique == ONE_SIDED else piece
        lying = as_drawn(shown_whole, bench.size, right_side_up=right)
        left, top, over, low = bounds(lying.cutting())
        lyings.append(_moved(lying, across - left, -low))
        across += (over - left) + max(30.0, (low - top) * 0.06)
    paper.scale(lyings)
    for lying in lyings:
        ring = lying.cutting()
        shape = Polygon(ring).buffer(0)
        paper.areas.append(shape)
        paper.cloth(shape, right_side=right)
        inner = lying.seam()
        paper.line([*inner, inner[0]], paper.letter * 0.04, stroke=QUIET)
        if op.act is Act.FUSE:
            paper.add("path", d=path_of(inner), fill=QUIET, fill_opacity=0.22)
        if not whole:
            _worked_edges(paper, bench, op, lying, [edge for piece, edge in edges if piece == lying.piece.id])
        _notches(paper, lying)
        _worked_marks(paper, op, lying)
    side = "right side" if right else "wrong side"
    for lying in lyings:
        shape = Polygon(lying.seam()).buffer(0)
        if not paper.inside(shape, lying.piece.name, side):
            left, _, over, low = bounds(lying.cutting())
            paper.outside(((left + over) / 2, low), (0, 1), f"{lying.piece.name}, {side}", leader=True)
    told = ", ".join(lower_first(lying.piece.name) for lying in lyings)
    along = "" if whole else _along_words(edges)
    more = f" Not drawn: {', '.join(bench.name(p) for p in left_out)}." if left_out else ""
    words = f"{told[0].upper()}{told[1:]}, {side} up{along}.{more}"
    return Laid(paper.finish("What it is done on", words), words)


def _along_words(edges: Sequence[tuple[str, str]]) -> str:
    names = list(dict.fromkeys(ENDS.get(edge, f"{edge.replace('-', ' ')} edge") for _, edge in edges))
    if not names or len(names) > 3:
        return ""
    return f", at the {', '.join(names[:-1])}{' and ' if names[1:] else ''}{names[-1]}"


def _moved(lying: Lying, dx: float, dy: float) -> Lying:
    before = lying.move

    def move(p: Point) -> Point:
        x, y = before(p)
        return (x + dx, y + dy)

    return replace(lying, move=move)


def _worked_edges(paper: Paper, bench: Workbench, op: Operation, lying: Lying, edges: Sequence[str]) -> None:
    on_raw = op.act in (Act.NEATEN, Act.LEVEL)
    for edge in edges:
        shown = next((s for s in op.edges if (s.piece, s.edge) == (lying.piece.id, edge)), None)
        part = EdgePart(lying.piece.id, edge)
        if shown is not None and shown.to_mark is not None:
            part = EdgePart(part.piece, edge, from_mark=shown.mark, to_mark=shown.to_mark)
        elif shown is not None and shown.mark is not None:
            part = (
                EdgePart(part.piece, edge, from_mark=shown.mark)
                if shown.beyond_mark
                else EdgePart(part.piece, edge, to_mark=shown.mark)
            )
        run = lying.raw(part) if on_raw else lying.stitched((part,))
        dash = (
            None if on_raw or not op.bench.is_machine else f"{number(paper.letter * 0.5)} {number(paper.letter * 0.26)}"
        )
        paper.line(run, paper.letter * 0.2, dash)
        if op.bench.is_machine and not on_raw:
            arrow(paper, run)


def _worked_darts(op: Operation, piece: Piece) -> tuple[Dart, ...]:
    """The darts that a step sews, or the tucks and pleats that it folds."""
    if op.technique not in (ONE_SIDED, "folds", "darts"):
        return piece.darts
    return tuple(dart for dart in piece.darts if dart.is_folded is (op.technique != "darts"))


def _worked_marks(paper: Paper, op: Operation, lying: Lying) -> None:
    """Darts, pleat and fold lines, buttons, buttonholes, pocket corners, where the step is about them."""
    piece, size = lying.piece, lying.size
    width = paper.letter * 0.14
    if op.act in (Act.DART, Act.FOLD) or any(
        word in op.technique for word in ("dart", "folds", "pleat", "tuck", ONE_SIDED)
    ):
        for run in (run for dart in _worked_darts(op, piece) for run in dart_runs(piece, size, dart)):
            paper.line([lying.move(upright(p)) for p in run], width, f"{number(paper.letter * 0.4)} 4")
    for line in piece.lines:
        if line.kind in (LineKind.PLEAT, LineKind.FOLD, LineKind.ROLL, LineKind.PLACEMENT) and size in line.ends:
            paper.line([lying.move(upright(p)) for p in line.ends[size]], width * 0.8, "10 5", stroke=INK)
    wanted = {
        Act.BUTTON: (PointKind.BUTTON,),
        Act.BUTTONHOLE: (PointKind.BUTTONHOLE, PointKind.BUTTON),
        Act.ATTACH: (PointKind.POCKET,),
        Act.FASTEN: (PointKind.BUTTON, PointKind.HOOK, PointKind.TIE),
    }.get(op.act, ())
    for point in piece.points:
        if point.kind in wanted and size in point.at:
            x, y = lying.move(upright(point.at[size]))
            paper.add("circle", cx=x, cy=y, r=paper.letter * 0.3, fill=PAPER, stroke=paper.thread, stroke_width=width)
