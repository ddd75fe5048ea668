"""What belongs to a step besides its words: figures of this garment, allowances, points to match, what lies in it."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.operation import Act, Operation, Setting, Supply
from rowanseed.core.make.registry import every
from rowanseed.core.make.seams_met import met_at
from rowanseed.core.make.which import is_sleeve
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.notions.added import Wanted, WantedKind, notion_of
from rowanseed.core.pattern.fastenings import spacing
from rowanseed.core.pattern.making import Closure, DifferenceKind, Finish, Join
from rowanseed.core.pattern.pieces import MarkKind, PointKind
from rowanseed.core.pattern.walk import copies, walk_join

NOTCHES = {
    MarkKind.NOTCH: "single notch on single notch",
    MarkKind.DOUBLE_NOTCH: "double notch on double notch",
    MarkKind.DOT: "dot on dot",
    MarkKind.QUARTER: "quarter mark on quarter mark",
    MarkKind.ZIP_END: "the end of the opening on the end of the opening",
    MarkKind.GATHER_START: "where the gathers begin",
    MarkKind.GATHER_END: "where the gathers end",
}


@dataclass(frozen=True)
class StepFigure:
    """A length at a step, in mm, and what it is of."""

    what: str
    mm: float


def figures(bench: Workbench, op: Operation) -> tuple[StepFigure, ...]:
    """Lengths of this garment that the step is about: both sides of a seam, the zip, the hem's turnings."""
    out: list[StepFigure] = []
    for id in op.on.joins[:2]:
        join = bench.joins.get(id)
        if join is None or not join.a or not join.b:
            continue
        walked, times = walk_join(bench.pattern, bench.size, join), _times(bench, join)
        name = f"{lower_first(join.name)}{', altogether' if times > 1 else ''}"
        if abs(walked.a - walked.b) < 1.0:
            out.append(StepFigure(name if times > 1 else f"{name}, each", times * walked.a))
        else:
            out.append(StepFigure(f"{name}, {_side(bench, join, 0)}", times * walked.a))
            out.append(StepFigure(f"{name}, {_side(bench, join, 1)}", times * walked.b))
            if join.difference.kind is DifferenceKind.EASE:
                out.append(StepFigure("to be eased in", times * (walked.a - walked.b)))
    for id in op.on.closures:
        closure = bench.closures.get(id)
        length = bench.openings.zip_length(closure) if closure is not None else None
        if closure is not None and length:
            between = "from mark to mark" if closure.from_mark else "from the raw edge to its mark"
            out.append(StepFigure(f"opening, {between}", length))
        if closure is not None:
            out += _apart(bench, op, closure)
    for id in op.on.finishes:
        finish = bench.finishes.get(id)
        if finish is None:
            continue
        pair = is_sleeve(bench, finish) or _ends_legs(bench, finish)
        long = bench.around([id]) / (2 if pair else 1)
        out.append(StepFigure(f"{lower_first(finish.name)}, {'each' if pair else 'all round'}", long))
        out += [StepFigure(f"turning {k}", mm) for k, mm in enumerate(finish.folds, start=1) if mm]
    out += _elastic(bench, op)
    return tuple(out)


def _ends_legs(bench: Workbench, finish: Finish) -> bool:
    return all(p.edge == "hem" and bench.piece(p.piece).has_edge("inseam") for p in finish.parts)


FASTENED = {
    Act.BUTTONHOLE: (PointKind.BUTTONHOLE,),
    Act.BUTTON: (PointKind.BUTTONHOLE,),
    Act.FASTEN: (PointKind.BUTTON, PointKind.HOOK, PointKind.TIE),
}
"""What is made at a step that fastens, by its marks."""
EVEN = 1.5
"""Distances that differ by less, in mm, are one."""


def _apart(bench: Workbench, op: Operation, closure: Closure) -> Iterator[StepFigure]:
    """How far apart buttons, holes, hooks stand, where that is everywhere the same, or from the least to the most."""
    found = spacing(bench.pattern, bench.size, FASTENED.get(op.act, ()), closure)
    if not found:
        return
    least, most = min(found), max(found)
    if most - least < EVEN:
        yield StepFigure("from one to the next", sum(found) / len(found))
    else:
        yield StepFigure("from one to the next, the least", least)
        yield StepFigure("from one to the next, the most", most)


def _elastic(bench: Workbench, op: Operation) -> Iterator[StepFigure]:
    """How long elastic for a waist is cut; elsewhere it is tried on, since no chart has what is round there."""
    waist = bench.pattern.envelope.body_chart.get("waist", {}).get(bench.size)
    for use in op.uses:
        if use.supply is Supply.ELASTIC and waist is not None and abs(use.mm - waist) < EVEN:
            cut = notion_of(Wanted(WantedKind.ELASTIC, use.mm)).working.value
            yield StepFigure("elastic, cut for the chart's waist", cut)


def _times(bench: Workbench, join: Join) -> int:
    """How often the length of a join's edges lies under the needle in one run: twice, where every piece is opened from
    its fold or has its other hand beside it."""
    halves = all(copies(bench.pattern, p) > 1 for p in (*join.a, *join.b))
    return 2 if halves and not join.each_hand else 1


def _side(bench: Workbench, join: Join, which: int) -> str:
    side = join.a if which == 0 else join.b
    return f"on the {bench.names(dict.fromkeys(p.piece for p in side))}"


def allowances(bench: Workbench, op: Operation) -> tuple[StepFigure, ...]:
    """The allowances of both sides of a seam, where they are not alike."""
    out: list[StepFigure] = []
    for id in op.on.joins:
        join = bench.joins.get(id)
        if join is not None:
            uneven = walk_join(bench.pattern, bench.size, join).allowances
            out += [StepFigure(f"allowance on the {lower_first(name)}", mm) for name, mm in uneven]
    return tuple(dict.fromkeys(out))


def to_match(bench: Workbench, op: Operation) -> tuple[str, ...]:
    """The points that are matched, by name."""
    out: list[str] = []
    for id in op.on.joins:
        join = bench.joins.get(id)
        if join is None or not op.act.sews_join:
            continue
        on = [
            {m.kind for p in side for m in bench.piece(p.piece).marks if m.edge == p.edge} for side in (join.a, join.b)
        ]
        out += [words for kind, words in NOTCHES.items() if all(kind in kinds for kinds in on)]
        for one, other in met_at(bench, op, join):
            there = "one side on the other" if one.id == other.id else f"on “{lower_first(other.name)}”"
            out.append(f"“{lower_first(one.name)}” {there}")
        ends = bench.runs.over(join.a, each_hand=join.each_hand)
        if not ends.ring and ends.start:
            out.append(
                f"the ends: {ends.start} on {ends.start}"
                + (f", {ends.end} on {ends.end}" if ends.end != ends.start else "")
            )
    return tuple(dict.fromkeys(out))


@dataclass(frozen=True)
class Lying:
    """Something temporary that is in the garment at a step: since which, and at which it comes out."""

    what: str
    since: str
    until: str


def lying(steps: Sequence[Operation], at: str) -> tuple[Lying, ...]:
    """The temporary stitches and things that are in the garment when a step is done, by the order of the steps."""
    inside: dict[str, str] = {}
    for step in steps:
        for thing in step.removes:
            if step.id != at:
                inside.pop(thing, None)
        for thing in step.leaves:
            inside[thing] = step.id
        if step.id == at:
            break
    out = {thing: step.id for step in steps for thing in step.removes}
    return tuple(Lying(thing, since, out.get(thing, "")) for thing, since in inside.items())


@dataclass(frozen=True)
class SetUp:
    """How the machine is set for a step: (what, how, whether that is new since the last step at it)."""

    lines: tuple[tuple[str, str, bool], ...]
    note: str = ""

    @property
    def changes(self) -> tuple[tuple[str, str], ...]:
        return tuple((what, how) for what, how, new in self.lines if new)


def set_up(steps: Sequence[Operation], op: Operation, stitch_length: str) -> SetUp | None:
    """The set-up of a step, and what has changed since the step before it at the same machine."""
    now = op.setting
    if now is None:
        return None
    before: Setting | None = None
    for step in steps:
        if step.id == op.id:
            break
        if step.bench is op.bench and step.setting is not None:
            before = step.setting
    lines = (
        ("Stitch", now.stitch, before is None or before.stitch != now.stitch),
        ("Length", stitch_length, before is None or before.length != now.length),
        ("Foot", now.foot, before is None or before.foot != now.foot),
        ("Needle", now.needle, before is None or before.needle != now.needle),
    )
    return SetUp(lines, now.note)


def glossary() -> dict[str, str]:
    """Words of the trade that the techniques explain, the longest first so that they are found whole."""
    words = {word: said for technique in every() for word, said in technique.words.items()}
    return dict(sorted(words.items(), key=lambda item: (-len(item[0]), item[0])))
