"""Pieces by themselves, their worked edges, darts and marks."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from shapely.geometry import Polygon

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.make.operation import Act, Bench, Operation
from rowanseed.core.make.runs import ENDS, edge_name
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.opened_out import opened_out
from rowanseed.core.pattern.pieces import Dart, LineKind, Panel, Piece, PointKind
from rowanseed.core.printing.lines import dart_runs, upright
from rowanseed.drawings.steps.paper import Paper
from rowanseed.drawings.steps.placing import Lying, as_drawn
from rowanseed.drawings.steps.shown import Laid
from rowanseed.drawings.steps.stitching import arrow
from rowanseed.drawings.steps.together import listed, notches
from rowanseed.drawings.svg import INK, PAPER, QUIET, number, path_of

ON_WRONG_SIDE = frozenset({Act.FUSE, Act.BACK, Act.MARK, Act.PRESS, Act.PAD, Act.DART})
MOST_PIECES = 4
ONE_SIDED = "one-sided"
"""The technique whose piece is shown opened out: what one hand has is not on the half that is drawn."""


def _edges_of(bench: Workbench, op: Operation) -> list[tuple[str, str]]:
    edges = [(shown.piece, shown.edge) for shown in op.edges]
    if not edges:
        closures = [bench.closures[id] for id in op.on.closures if id in bench.closures]
        edges = [(p.piece, p.edge) for c in closures for p in bench.parts(c.join)]
    if not edges:
        edges = [(p.piece, p.edge) for id in op.on.joins for p in bench.parts(id)]
    return list(dict.fromkeys(_on_the_band(bench, op, edges)))


def _on_the_band(bench: Workbench, op: Operation, edges: list[tuple[str, str]]) -> list[tuple[str, str]]:
    """Of a fastening of a band on the garment, the band: what it is sewn to has neither hook nor buttonhole."""
    if op.act not in (Act.FASTEN, Act.BUTTON, Act.BUTTONHOLE):
        return edges
    for join in bench.joins.values():
        for side, other in ((join.a, join.b), (join.b, join.a)):
            if bench.panels(side) != {Panel.BAND} or Panel.BAND in bench.panels(other) or bench.is_faced(join):
                continue
            if set(edges) == {(p.piece, p.edge) for p in (*side, *other)}:
                return [(p.piece, p.edge) for p in side]
    return edges


def _right_side_up(op: Operation) -> bool:
    """Which side is seen as the step is worked. Strips and tapes are laid on the wrong side; only a row of the machine
    holds an edge from the right one. Hems are sewn from inside but where the step says otherwise."""
    match op.act:
        case Act.STAY:
            return op.bench.is_machine
        case Act.HEM | Act.TACK:
            return "right side up" in " ".join(op.how).lower()
        case Act.TURN | Act.BONE:
            told = " ".join(op.how).lower()
            return not (op.bench is Bench.IRON or "from the wrong side" in told or "on the wrong side" in told)
        case _:
            return op.act not in ON_WRONG_SIDE


def by_themselves(paper: Paper, bench: Workbench, op: Operation) -> Laid | None:
    """The pieces that a step works on, beside each other; None where it works on none."""
    edges = _edges_of(bench, op)
    whole = op.act in (Act.FUSE, Act.BACK, Act.PAD)
    names = list(dict.fromkeys([*(p for p, _ in edges), *op.on.pieces]))
    known = {piece.id for piece in bench.pattern.pieces}
    names = [name for name in names if name in known]
    if not names:
        return None
    shown, left_out = names[:MOST_PIECES], names[MOST_PIECES:]
    right = _right_side_up(op)
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
        notches(paper, lying)
        _worked_marks(paper, op, lying)
    side = "right side" if right else "wrong side"
    for lying in lyings:
        shape = Polygon(lying.seam()).buffer(0)
        if not paper.inside(shape, lying.piece.name, side):
            left, _, over, low = bounds(lying.cutting())
            paper.outside(((left + over) / 2, low), (0, 1), f"{lying.piece.name}, {side}", leader=True)
    told = listed(lower_first(lying.piece.name) for lying in lyings)
    along = "" if whole else _along_words(bench, edges)
    more = f" Not drawn: {listed(bench.name(p) for p in left_out)}." if left_out else ""
    words = f"{told[0].upper()}{told[1:]}, {side} up{along}.{more}"
    return Laid(paper.finish("What it is done on", words), words)


def _along_words(bench: Workbench, edges: Sequence[tuple[str, str]]) -> str:
    named = (
        edge_name(bench, edge, piece) if edge in ENDS else f"{edge.replace('-', ' ')} edge" for piece, edge in edges
    )
    names = list(dict.fromkeys(named))
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
        if shown is not None and shown.backwards is not None:
            arrow(paper, run[::-1] if shown.backwards else run)


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
