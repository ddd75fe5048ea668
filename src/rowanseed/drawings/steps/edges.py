"""The edges that a step works on, on a piece by itself: as they lie folded, and how the row along them runs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import assert_never

from shapely.geometry import LineString
from shapely.geometry.base import BaseGeometry
from shapely.ops import substring

from rowanseed.core.base.words import Worded
from rowanseed.core.geometry.outline import Point
from rowanseed.core.make.hem_length import SIDE
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Operation
from rowanseed.core.make.run import Run
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import EdgePart
from rowanseed.drawings.steps import turned
from rowanseed.drawings.steps.aside import aside
from rowanseed.drawings.steps.paper import Paper
from rowanseed.drawings.steps.placing import Lying, stretch
from rowanseed.drawings.steps.stitching import BEGUN_AT, arrow
from rowanseed.drawings.svg import PAPER, number

ON_RAW = frozenset({Act.NEATEN, Act.LEVEL})
"""What is done to a raw edge, not along a stitching line."""
APART = 0.28
"""Rows of gathering or easing are drawn so far from the stitching line, as a share of the lettering."""
LEAST = 0.45
"""A row that lies closer to a fold than this share of the lettering is drawn so far from it, else they are one."""


Ends = tuple[str, str]
"""What is written at the first and at the last end of an edge: `begin`, `end` or nothing."""
BEGIN, END = "begin", "end"
NOWHERE: Ends = ("", "")


def ends_told(bench: Workbench, op: Operation, parts: Sequence[EdgePart]) -> dict[EdgePart, Ends]:
    """Where the row of a step begins and ends on edges: once over all of them, though a ring has many seams."""
    run, out, told = op.run, dict.fromkeys(parts, NOWHERE), set[str]()
    if run is None:
        return out
    if run.ring:
        begun = _begun(bench, run, parts)
        return out if begun is None else out | {begun[0]: (BEGIN, "") if begun[1] == 0 else ("", BEGIN)}
    chain = tuple(EdgePart(edge.piece, edge.edge) for edge in op.edges)
    for part in parts:
        words = ["", ""]
        for end, name in enumerate(bench.runs.ends_of(part, chain, each_hand=False)):
            words[end] = _word(name, run, told | {*words})
        told |= {word for word in words if word}
        out[part] = words[0], words[1]
    return out


def _begun(bench: Workbench, run: Run, parts: Sequence[EdgePart]) -> tuple[EdgePart, int] | None:
    """Where a row that goes all round begins: at the seam that it names, between front and back rather than between two
    gores; the edge and which of its ends. None where no edge has such a seam beside it."""
    ends = [(part, end) for part in parts for end in (0, 1)]
    named = [found for found in ends if bench.runs.beside(*found) in ((run.start,) if run.start else BEGUN_AT)]
    # Between gores edges are called sides that are none, and what is one may be called by its gore.
    sides = [found for found in ends if _is_at_the_side(bench, *found)] if run.start in ("", SIDE) else []
    return next(iter((*sides, *named)), None)


def _is_at_the_side(bench: Workbench, part: EdgePart, end: int) -> bool:
    """Whether the seam at one end of an edge closes a side of the garment."""
    beside = (part.piece, bench.neighbours(part)[end])
    joins = (j for j in bench.joins.values() if bench.closes_side(j))
    return any(beside in {(p.piece, p.edge) for p in (*j.a, *j.b)} for j in joins)


def _word(name: str | None, run: Run, told: set[str]) -> str:
    """What an end that is called so is of a run, whose ends may be alike."""
    if name is None:
        return ""
    if run.start != run.end:
        return BEGIN if name == run.start else END if name == run.end else ""
    return next((word for word in (BEGIN, END) if word not in told), "")


def parts_of(op: Operation, piece: str, edges: Sequence[str]) -> list[tuple[EdgeShown | None, EdgePart]]:
    """The worked edges of a piece, or their parts from mark to mark."""
    out: list[tuple[EdgeShown | None, EdgePart]] = []
    for edge in edges:
        shown = next((s for s in op.edges if (s.piece, s.edge) == (piece, edge)), None)
        part = EdgePart(piece, edge)
        if shown is not None and shown.to_mark is not None:
            part = EdgePart(piece, edge, from_mark=shown.mark, to_mark=shown.to_mark)
        elif shown is not None and shown.mark is not None:
            from_mark, to_mark = (shown.mark, None) if shown.beyond_mark else (None, shown.mark)
            part = EdgePart(piece, edge, from_mark=from_mark, to_mark=to_mark)
        out.append((shown, part))
    return out


class Manner(Worded):
    """How a step works along an edge, which decides how the edge is drawn."""

    MACHINE = "machine", "stitched by machine"
    HAND = "hand", "sewn by hand"
    THERE = "there", "something is done there that is no row"
    WHOLE = "whole", "it is done on the piece and along no edge of it"


NO_ROW = frozenset(
    {Act.BUTTON, Act.BUTTONHOLE, Act.FASTEN, Act.MARK, Act.PRESS, Act.TRIM, Act.CLIP, Act.LEVEL, Act.CUT, Act.FOLD}
)
"""Acts that leave no row of stitching, but where their step stitches first."""


def manner_of(op: Operation, lying: Lying) -> Manner:
    """How a step works along the edges of a piece."""
    named = {edge.edge for edge in op.edges if edge.piece == lying.piece.id}
    if op.act is not Act.NEATEN and named >= {edge.name for edge in lying.piece.edges}:
        return Manner.WHOLE
    if op.bench.is_machine and op.act not in (Act.BUTTONHOLE, Act.BUTTON, Act.FASTEN):
        return Manner.MACHINE
    return Manner.HAND if op.bench is Bench.HAND and op.act not in NO_ROW else Manner.THERE


def worked_edges(
    paper: Paper,
    op: Operation,
    lying: Lying,
    parts: Sequence[tuple[EdgeShown | None, EdgePart]],
    told: Mapping[EdgePart, Ends],
    *,
    shape: BaseGeometry,
    window: BaseGeometry | None,
) -> None:
    """The worked edges of a piece: folded where they lie so, the row along them with its beginning and its end."""
    for shown, part in parts:
        allowance = lying.piece.edge(part.edge).allowance
        if op.turned is None:
            _along(paper, op, lying, shown, part, told.get(part, NOWHERE))
            continue
        deep = op.turned.deep(allowance)
        if not lying.right_side_up:
            folded = turned.strip(lying, part, deep).intersection(shape)
            paper.cloth(folded, right_side=True, window=window)
        if op.turned.row is not None:
            line = turned.row(lying, part, min(op.turned.row, max(deep - paper.letter * LEAST, deep / 2)))
            line = without_gap(line, op.run, told.get(part, NOWHERE))
            _row(paper, line, Manner.MACHINE if op.bench.is_machine else Manner.HAND)
            _ends(paper, lying, line, told.get(part, NOWHERE))


def without_gap(line: list[Point], run: Run | None, ends: Ends) -> list[Point]:
    """A row less what is left open where it begins."""
    if run is None or not run.ring or BEGIN not in ends:
        return line
    whole, gap = LineString(line), sum(run.short)
    first, last = (gap, whole.length) if ends[0] == BEGIN else (0.0, whole.length - gap)
    return [(x, y) for x, y in substring(whole, first, last).coords] if last - first > gap else line


def _along(paper: Paper, op: Operation, lying: Lying, shown: EdgeShown | None, part: EdgePart, ends: Ends) -> None:
    """What is done along an edge that lies flat."""
    if op.act in ON_RAW:
        line = lying.raw(part)
        paper.line(line, paper.letter * 0.2)
        _ends(paper, lying, line, ends)
        return
    manner, line = manner_of(op, lying), lying.stitched((part,))
    if shown is not None:
        line = stretch(line, shown.share)
    rows = [line]
    if op.act in (Act.GATHER, Act.EASE) and manner is Manner.MACHINE:
        # One row on each side of the stitching line.
        rows = [aside(line, side * paper.letter * APART) for side in (1, -1)]
    for run in rows:
        _row(paper, run, manner)
    if shown is not None and shown.backwards is not None:
        arrow(paper, line[::-1] if shown.backwards else line)
    _ends(paper, lying, line, ends)


def _row(paper: Paper, line: Sequence[Point], manner: Manner) -> None:
    match manner:
        case Manner.MACHINE:
            paper.line(line, paper.letter * 0.2, f"{number(paper.letter * 0.5)} {number(paper.letter * 0.26)}")
        case Manner.HAND:
            paper.line(line, paper.letter * 0.16, f"{number(paper.letter * 0.9)} {number(paper.letter * 0.5)}")
        case Manner.THERE:
            paper.marker(line)
        case Manner.WHOLE:
            pass
        case _ as never:
            assert_never(never)


def _ends(paper: Paper, lying: Lying, line: Sequence[Point], words: Ends) -> None:
    """An arrow from where a row begins, or to where it ends, and the words there."""
    if not any(words):
        return
    arrow(paper, line[::-1] if words[1] == BEGIN or words[0] == END else line)
    inner = lying.seam()
    centre = (sum(x for x, _ in inner) / len(inner), sum(y for _, y in inner) / len(inner))
    for at, word in zip((line[0], line[-1]), words, strict=True):
        if word:
            paper.add("circle", cx=at[0], cy=at[1], r=paper.letter * 0.22, fill=PAPER, stroke=paper.thread)
            paper.outside(at, (at[0] - centre[0], at[1] - centre[1]), word)
