"""Pieces by themselves, their worked edges, darts and marks."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from shapely.affinity import translate
from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from rowanseed.core.base.words import lower_first
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Operation
from rowanseed.core.make.runs import ENDS, edge_name
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.double_darts import double_darts_of
from rowanseed.core.pattern.fastenings import holed
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.opened_out import opened_out
from rowanseed.core.pattern.pieces import Dart, InnerPoint, LineKind, Panel, Piece, PointKind
from rowanseed.core.pattern.pleats import is_of_pleat, pleats_of
from rowanseed.core.printing.lines import dart_runs, upright
from rowanseed.drawings.steps.buttonholes import called, draw_fastenings, hand_worked, has_holes, mirrored
from rowanseed.drawings.steps.edges import BEGIN, Manner, ends_told, manner_of, parts_of, worked_edges
from rowanseed.drawings.steps.paper import Paper, about, runs
from rowanseed.drawings.steps.placing import Lying, as_drawn, stretch
from rowanseed.drawings.steps.shown import Laid
from rowanseed.drawings.steps.stitching import arrow
from rowanseed.drawings.steps.together import listed, notches
from rowanseed.drawings.steps.turned import outside
from rowanseed.drawings.svg import INK, QUIET, number, path_of

ON_WRONG_SIDE = frozenset({Act.FUSE, Act.BACK, Act.MARK, Act.PRESS, Act.PAD, Act.DART})
WHOLE = frozenset({Act.FUSE, Act.BACK, Act.PAD})
"""What is done all over a piece."""
MOST_PIECES = 4
MOST_FOLDED = 2
"""Pieces whose long edges are folded in lie flat across the drawing: more of them could not be read on a phone."""
SHARE = 0.4
"""Of a piece whose edge is folded in, what lies about that is drawn, so far as a share of its length."""
BETWEEN_ROWS = 40.0
"""Rows of pieces lie so far apart at least, in mm: names stand between them."""
FOLDED = "10 5"
"""The dashes of a line that is folded."""
ABOUT_A_DART = ABOUT_AN_EDGE = 0.8
"""Of a piece with darts, or of one that is worked along an edge, the same."""
HOOK_AND_EYE = "hook and eye"
"""The technique that closes the upper ends of two edges, above a zip."""
DOUBLE_ENDED = "double-ended darts"
"""The technique of darts inside a piece, beside which those that end on an edge are not worked."""
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


@dataclass(frozen=True)
class OnTable:
    """A piece on the table: the edges of it that are worked, what is seen of it, and within what it is drawn."""

    lying: Lying
    worked: Sequence[tuple[EdgeShown | None, EdgePart]]
    shape: BaseGeometry
    window: BaseGeometry | None
    name: str

    def moved(self, dx: float, dy: float) -> OnTable:
        window = None if self.window is None else translate(self.window, dx, dy)
        return OnTable(_moved(self.lying, dx, dy), self.worked, translate(self.shape, dx, dy), window, self.name)


def by_themselves(paper: Paper, bench: Workbench, op: Operation) -> Laid | None:
    """The pieces that a step works on, beside each other; None where it works on none."""
    edges = _edges_of(bench, op)
    names = list(dict.fromkeys([*(p for p, _ in edges), *op.on.pieces]))
    known = {piece.id for piece in bench.pattern.pieces}
    names = [name for name in names if name in known]
    if op.act in (Act.BUTTON, Act.BUTTONHOLE):
        closures = [bench.closures[id] for id in op.on.closures if id in bench.closures]
        names = [piece.id for one in closures for piece in holed(bench.pattern, one)] or names
    if not names:
        return None
    right, is_whole = _right_side_up(op), op.act in WHOLE
    names, left_out = _drawn_of(bench, op, names, edges)
    table = _in_rows([_on_table(bench, op, name, edges, right_side_up=right) for name in names])
    paper.areas += [one.shape for one in table]
    paper.scale_to([one.shape for one in table])
    told = ends_told(bench, op, [part for one in table for _, part in one.worked])
    for one in table:
        paper.cloth(one.shape, right_side=right, window=one.window)
        inner = one.lying.seam()
        for run in runs(LineString([*inner, inner[0]]).intersection(one.shape)):
            paper.line(run, paper.letter * 0.04, stroke=QUIET)
        if op.act is Act.FUSE:
            paper.add("path", d=path_of(inner), fill=QUIET, fill_opacity=0.22)
        if op.technique == HOOK_AND_EYE:
            _fastened_at_the_top(paper, one.lying, (part for _, part in one.worked))
        elif not (is_whole or _is_about_darts(op) or _is_fastened(op, one.lying)):
            worked_edges(paper, op, one.lying, one.worked, told, shape=one.shape, window=one.window)
        notches(paper, one.lying, within=one.shape)
        _worked_marks(paper, bench, op, one)
    side = "right side" if right else "wrong side"
    for one in table:
        if not paper.inside(one.shape.intersection(Polygon(one.lying.seam()).buffer(0)), one.name, side):
            left, _, over, low = one.shape.bounds
            paper.outside(((left + over) / 2, low), (0, 1), one.name, side, leader=True)
    listing = listed(lower_first(one.name) for one in table)
    fastened = any(_is_fastened(op, one.lying) for one in table)
    along = "" if is_whole else _along_words(bench, op, edges)
    along = f", with its {'buttonholes' if op.act is Act.BUTTONHOLE else 'buttons'}" if fastened else along
    sewn = f" Sew {op.run.words}." if op.run is not None else ""
    if op.act is Act.FOLD and any(pleats_of(one.lying.piece, one.lying.size) for one in table):
        sewn += " Each dashed line is folded and laid on the line that its arrow points to."
    more = f" Not drawn: {listed(bench.name(name) for name in left_out)}." if left_out else ""
    words = f"{listing[0].upper()}{listing[1:]}, {side} up{along}.{sewn}{more}"
    return Laid(paper.finish("What it is done on", words), words)


def _drawn_of(
    bench: Workbench, op: Operation, names: list[str], edges: Sequence[tuple[str, str]]
) -> tuple[list[str], list[str]]:
    """What is drawn of the pieces and what is not: where a row begins before the others."""
    if op.turned is None:
        return names[:MOST_PIECES], names[MOST_PIECES:]
    parts = [part for name in names for _, part in parts_of(op, name, [edge for p, edge in edges if p == name])]
    begun = {part.piece for part, words in ends_told(bench, op, parts).items() if BEGIN in words}
    found = sorted(names, key=lambda name: name not in begun)
    return found[:MOST_FOLDED], found[MOST_FOLDED:]


def _on_table(
    bench: Workbench, op: Operation, name: str, edges: Sequence[tuple[str, str]], *, right_side_up: bool
) -> OnTable:
    """A piece in its own place; of one whose edges are folded in, what lies about them."""
    piece = bench.piece(name)
    shown_whole = opened_out(piece) if op.technique == ONE_SIDED else piece
    lying = as_drawn(shown_whole, bench.size, right_side_up=right_side_up)
    hand, of_the_other = hand_worked(bench, op, piece)
    lying = mirrored(lying) if of_the_other else lying
    worked = parts_of(op, name, [edge for piece, edge in edges if piece == name])
    parts = [part for _, part in worked]
    shape = outside(lying, parts) if op.turned is not None else Polygon(lying.cutting()).buffer(0)
    window = _looked_at(op, lying, worked)
    seen = shape if window is None else shape.intersection(window)
    return OnTable(lying, worked, seen, window, called(piece, hand))


def _looked_at(op: Operation, lying: Lying, worked: Sequence[tuple[EdgeShown | None, EdgePart]]) -> BaseGeometry | None:
    """What lies about the darts or the edges that are worked; None for a piece that is drawn whole."""
    if op.act in WHOLE or _wanted(op, lying):
        return None
    if _is_about_darts(op):
        darts = _dart_lines(op, lying)
        return about(darts, ABOUT_A_DART).envelope if darts and not pleats_of(lying.piece, lying.size) else None
    if not worked or manner_of(op, lying) is Manner.WHOLE:
        return None
    lines = [stretch(lying.stitched((part,)), shown.share if shown else (0.0, 1.0)) for shown, part in worked]
    return about(lines, SHARE if op.turned is not None else ABOUT_AN_EDGE)


def _in_rows(found: Sequence[OnTable]) -> list[OnTable]:
    """Pieces beside each other, their lower ends level, in as many rows as let them be drawn largest."""
    ways = [_rows_of(found, per_row) for per_row in range(1, len(found) + 1)]
    # Wide drawings are easier to read than high ones: of two alike the one with fewer rows.
    return min(reversed(ways), key=_lettering)


def _rows_of(found: Sequence[OnTable], per_row: int) -> list[OnTable]:
    out: list[OnTable] = []
    down = 0.0
    for k in range(0, len(found), per_row):
        row, across = found[k : k + per_row], 0.0
        high = max(one.shape.bounds[3] - one.shape.bounds[1] for one in row)
        down += high + (max(BETWEEN_ROWS, high * 0.3) if k else 0.0)
        for one in row:
            left, top, over, low = one.shape.bounds
            out.append(one.moved(across - left, down - low))
            across += (over - left) + max(30.0, (low - top) * 0.06)
    return out


def _lettering(table: Sequence[OnTable]) -> float:
    """How large the lettering would be, as the drawing is scaled: the larger, the smaller the pieces."""
    left, top, over, low = unary_union([one.shape.envelope for one in table]).bounds
    return float(max((over - left) / 26, (low - top) / 22))


def _along_words(bench: Workbench, op: Operation, edges: Sequence[tuple[str, str]]) -> str:
    named = (
        edge_name(bench, edge, piece) if edge in ENDS else f"{edge.replace('-', ' ')} edge" for piece, edge in edges
    )
    names = list(dict.fromkeys(named))
    is_told = 0 < len(names) <= 3
    said = f"the {', '.join(names[:-1])}{' and ' if names[1:] else ''}{names[-1]}" if is_told else "its edges"
    if op.turned is not None:
        return f"; {said} folded to the wrong side"
    return f", at {said}" if is_told else ""


def _moved(lying: Lying, dx: float, dy: float) -> Lying:
    before = lying.move

    def move(p: Point) -> Point:
        x, y = before(p)
        return (x + dx, y + dy)

    return replace(lying, move=move)


def _fastened_at_the_top(paper: Paper, lying: Lying, parts: Iterable[EdgePart]) -> None:
    """The upper ends of the edges that a hook and an eye close."""
    for part in parts:
        line = lying.stitched((part,))
        paper.spot(min((line[0], line[-1]), key=lambda p: p[1]))


def _worked_darts(op: Operation, piece: Piece) -> tuple[Dart, ...]:
    """The darts that a step sews, or the tucks and pleats that it folds."""
    if op.technique == DOUBLE_ENDED:
        return ()
    if op.technique not in (ONE_SIDED, "folds", "darts"):
        return piece.darts
    return tuple(dart for dart in piece.darts if dart.is_folded is (op.technique != "darts"))


def _dart_lines(op: Operation, lying: Lying) -> list[list[Point]]:
    """The lines of what a step sews or folds, as they lie."""
    piece, size = lying.piece, lying.size
    found: list[Sequence[Point]] = [run for dart in _worked_darts(op, piece) for run in dart_runs(piece, size, dart)]
    if op.technique == DOUBLE_ENDED:
        found += [double.ring for double in double_darts_of(piece, size)]
    return [[lying.move(upright(p)) for p in run] for run in found]


def _is_fastened(op: Operation, lying: Lying) -> bool:
    """Whether a step works buttonholes or sews on buttons at the marks of a piece."""
    return op.act in (Act.BUTTON, Act.BUTTONHOLE) and has_holes(lying.piece)


def _is_about_darts(op: Operation) -> bool:
    """Whether a step is about darts, tucks or pleats, which are drawn instead of the edges that they end on."""
    words = ("dart", "folds", "pleat", "tuck", ONE_SIDED)
    return op.act in (Act.DART, Act.FOLD) or any(word in op.technique for word in words)


def _worked_marks(paper: Paper, bench: Workbench, op: Operation, one: OnTable) -> None:
    """Darts, pleat and fold lines, buttons, buttonholes, pocket corners, where the step is about them."""
    lying = one.lying
    piece, size = lying.piece, lying.size
    width = paper.letter * 0.14
    if _is_about_darts(op):
        for run in _dart_lines(op, lying):
            paper.line(run, width, f"{number(paper.letter * 0.4)} 4")
    for pleat in pleats_of(piece, size) if _is_about_darts(op) or op.act is Act.MARK else ():
        lines = [[lying.move(upright(p)) for p in run] for run in (pleat.fold, pleat.meeting, pleat.arrow)]
        paper.line(lines[0], width * 0.8, FOLDED, stroke=INK)
        paper.line(lines[1], width * 0.5, stroke=INK)
        paper.line(lines[2], width * 0.5)
        arrow(paper, lines[2])
    shown = {LineKind.PLEAT, LineKind.FOLD, LineKind.ROLL, LineKind.PLACEMENT}
    if _is_fastened(op, lying):
        # Holes and buttons stand on it, or as far from it on both sides.
        shown.add(LineKind.CENTRE)
    for line in piece.lines:
        if is_of_pleat(line):
            continue
        if line.kind in shown and size in line.ends:
            ends = LineString([lying.move(upright(p)) for p in line.ends[size]])
            for run in runs(ends.intersection(one.shape)):
                paper.line(run, width * 0.8, FOLDED, stroke=INK)
    if op.act in (Act.BUTTON, Act.BUTTONHOLE):
        draw_fastenings(paper, bench, op, lying)
        return
    for point in _wanted(op, lying):
        paper.spot(lying.move(upright(point.at[size])))


def _wanted(op: Operation, lying: Lying) -> list[InnerPoint]:
    """The marks inside a piece that a step works at."""
    kinds = {
        Act.BUTTON: (PointKind.BUTTON, PointKind.BUTTONHOLE),
        Act.BUTTONHOLE: (PointKind.BUTTONHOLE, PointKind.BUTTON),
        Act.ATTACH: (PointKind.POCKET,),
        Act.FASTEN: (PointKind.BUTTON, PointKind.HOOK, PointKind.TIE),
    }.get(op.act, ())
    return [point for point in lying.piece.points if point.kind in kinds and lying.size in point.at]
