"""Staystitching: curved and bias edges that will be handled are held as soon as they are cut."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import corners, facts, minutes, settings
from rowanseed.core.make.equipment import StaySchool
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation
from rowanseed.core.make.runs import edge_name
from rowanseed.core.make.technique import Companion
from rowanseed.core.make.workbench import NEEDLE, Workbench
from rowanseed.core.pattern.making import ClosureKind, EdgePart, FinishKind
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.walk import copies, part_length

BODY = (Panel.FRONT, Panel.BACK)
INSIDE = 3.0
"""Just inside: so far from the stitching line towards the raw edge, in mm."""
NEAR_EDGE = 5.0
OPENING = 6.0
"""Along an opening: so far from the raw edge, in mm."""


def _edges(bench: Workbench) -> Iterator[tuple[str, tuple[EdgePart, ...]]]:
    """(id, edges of the shell along one line that something will be sewn to)."""
    lined = bench.is_enclosed
    for join in bench.joins.values():
        if bench.joins_shell(join):
            continue
        for side, other in ((join.a, join.b), (join.b, join.a)):
            own = tuple(
                part for part in side if bench.panel(part.piece) in BODY and part.edge not in ("hem", "opening")
            )
            inner = all(part.piece in bench.linings for part in other)
            if own and not {p.piece for p in own} & bench.inner and (lined or not inner):
                yield join.id, own
    for finish in bench.finishes.values():
        if finish.kind in (FinishKind.BINDING, FinishKind.CASING):
            yield finish.id, tuple(p for p in finish.parts if bench.panel(p.piece) in BODY)


def adds(bench: Workbench, operations: tuple[Operation, ...]) -> Iterator[Operation]:
    if bench.household.is_knit:
        return
    stiffened = set(bench.interfaced())
    held: set[tuple[str, str]] = set()
    for id, every in _edges(bench):
        parts = tuple(p for p in dict.fromkeys(every) if p.piece not in stiffened and (p.piece, p.edge) not in held)
        bent = any(bench.bends.is_curved(p) or bench.bends.is_off_grain(p) for p in parts)
        if not parts or not bent:
            continue
        held |= {(p.piece, p.edge) for p in parts}
        yield _stay(bench, id, parts)
    yield from _pieced(bench, stiffened, held)
    yield from _openings(bench, held)


def _pieced(bench: Workbench, stiffened: set[str], held: set[tuple[str, str]]) -> Iterator[Operation]:
    """A curved lower edge that a facing or binding takes up, of several pieces: held once they are joined."""
    for join in bench.joins.values():
        for side, other in ((join.a, join.b), (join.b, join.a)):
            own = tuple(
                p for p in side if bench.panel(p.piece) in BODY and p.edge == "hem" and p.piece not in stiffened
            )
            faced = all(p.piece in bench.facings for p in other)
            free = not {(p.piece, p.edge) for p in own} & held
            if len(own) < 2 or not faced or not free or not any(bench.bends.is_curved(p) for p in own):
                continue
            crossed = [j.id for j in bench.crossing([join.id]) if bench.joins_shell(j)]
            base = _stay(bench, join.id, own)
            yield replace(
                base,
                title=f"Staystitch the lower edge of the {bench.names(p.piece for p in own)}",
                how=(base.how[0].replace("as soon as the pieces are off the table", "once the pieces are joined"),),
                requires=tuple(
                    Need(facts.join(Fact.PRESSED, id), "it is held in one run over its seams", where_given=True)
                    for id in crossed
                ),
                gives=(facts.join(Fact.STAYED, join.id),),
            )


def _openings(bench: Workbench, held: set[tuple[str, str]]) -> Iterator[Operation]:
    """The edges of a zip's opening that run off the grain: 6 mm in, so that they do not grow before the zip is in."""
    for closure in bench.openings.zips:
        join = bench.joins.get(closure.join)
        if join is None:
            continue
        parts = tuple(
            p
            for p in dict.fromkeys((*join.a, *join.b))
            if (bench.bends.is_off_grain(p) or bench.bends.is_curved(p)) and (p.piece, p.edge) not in held
        )
        if not parts:
            continue
        base = _stay(bench, closure.id, parts)
        what = "fly" if closure.kind is ClosureKind.BUTTON_FLY else "zip"
        yield replace(
            base,
            title=f"Staystitch the opening of the {what}: {lower_first(join.name)}",
            how=(
                f"{bench.margin(OPENING)} from the raw edge, from the upper to the lower end of the opening, "
                "both edges the same way; one layer, before anything stretches it.",
                base.how[-1],
            ),
        )


def _stay(bench: Workbench, id: str, parts: tuple[EdgePart, ...]) -> Operation:
    kinds = ", ".join(dict.fromkeys(edge_name(bench, p.edge) for p in parts))
    allowance = bench.edge_allowance(parts[0])
    match bench.household.habits.stay:
        case StaySchool.ON_LINE:
            where = f"Exactly on the stitching line, {bench.margin(allowance)} from the edge"
        case StaySchool.EDGE:
            where = f"{bench.margin(NEAR_EDGE)} from the raw edge"
        case _:
            where = (
                f"{bench.margin(max(allowance - INSIDE, INSIDE))} from the raw edge, just inside the allowance from "
                "the stitching line"
            )
    runs, turns = _directions(bench, parts), corners.inward(bench, parts)
    mm = sum(part_length(bench.pattern, bench.size, p) * copies(bench.pattern, p) for p in parts)
    return Operation(
        id=f"staystitch-{id}",
        technique="staystitching",
        act=Act.STAY,
        title=f"Staystitch: {lower_first(kinds)} of the {bench.names(p.piece for p in parts)}",
        how=(
            f"{where}, one layer, as soon as the pieces are off the table and before anything stretches them.",
            *runs,
            *((turns.reinforced(bench),) if turns else ()),
            "Lay each piece on its tissue afterwards: the edge is as long as the line printed there.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.neaten(mm),
        on=On(edges=tuple(dict.fromkeys(_directed(bench, part) for part in parts))),
        gives=tuple(facts.piece(Fact.STAYED, piece) for piece in dict.fromkeys(p.piece for p in parts)),
        setting=settings.staystitch(bench.household),
        caution=NEEDLE,
        look="The edge has kept its length and does not ripple.",
    )


FIRST = {"neck": ("shoulder", "side"), "armhole": ("shoulder",), "waist": ("side", "outseam")}
"""What an edge is staystitched from, by its name: the edges beside it there."""
LAST = {"neck": ("centre", "opening"), "armhole": ("side",), "waist": ("centre", "crotch", "opening")}
"""What it is staystitched towards, where the edge is pieced and does not reach its beginning."""


def _directed(bench: Workbench, part: EdgePart) -> EdgeShown:
    """An edge with the way it is staystitched, as `_directions` tells it."""
    before, after = bench.neighbours(part)
    first, folds = FIRST.get(part.edge, ()), bench.folds(part.piece)
    last = (*LAST[part.edge], *folds) if part.edge in LAST else ()
    forwards, backwards = before in first or after in last, after in first or before in last
    return EdgeShown(part.piece, part.edge, backwards=backwards if forwards is not backwards else None)


def _directions(bench: Workbench, parts: tuple[EdgePart, ...]) -> Iterator[str]:
    kinds = {p.edge for p in parts}
    if "neck" in kinds and bench.has_shoulders:
        yield "At the neck from the shoulder to the centre, each side by itself."
    elif "neck" in kinds:
        yield "Along the upper edge from the side to the centre, each side by itself."
    if "armhole" in kinds:
        yield "At the armhole from the shoulder to the underarm."
    if "waist" in kinds:
        yield "At the waist every piece the same way, from the side towards the centre."
    if any(bench.folds(p.piece) & set(bench.neighbours(p)) for p in parts):
        yield "A piece cut on the fold in two runs that meet at its centre; no backstitch."


TECHNIQUE = Companion(
    id="staystitching",
    name="Staystitching",
    chapter="stay",
    adds=adds,
    also=("stay stitching",),
    words={"staystitch": "a line of stitching through one layer that keeps a cut edge from stretching"},
    draw="staystitch",
)
