"""Bands put on an edge and folded over it: which they are, what they wait for, how they are sewn on."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace

from rowanseed.core.make import facts, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import laps
from rowanseed.core.make.families.band_insides import ID, fold_in, is_over, is_stretched, neatened
from rowanseed.core.make.families.bands import (
    band_of,
    called,
    closed_by,
    ends_at,
    inside_of,
    is_band,
    is_folded,
    is_tied_collar,
    runs_on,
    runs_over,
)
from rowanseed.core.make.families.slashed import BESIDE
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.met_first import met_first
from rowanseed.core.make.operation import Act, Need, Operation
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.trimming import graded, narrowest
from rowanseed.core.make.which import is_of_opening
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import (
    DetailKind,
    EdgePart,
    Finish,
    FinishKind,
    Join,
)
from rowanseed.core.pattern.pieces import MarkKind, Panel

STRETCHED = " Band up, and stretched from pin to pin to the length of the edge; the garment lies."


def finds(bench: Workbench) -> Iterator[Duty]:
    for join in bench.joins.values():
        piece = band_of(bench, join) if join.id not in bench.in_half_placket else None
        if piece is not None and is_folded(bench, piece) and inside_of(bench, piece):
            yield single(join.id)


def made_up(bench: Workbench, piece: str) -> Iterator[Need]:
    """Seams among bands that make a band up before it is put on."""
    for join in bench.joins.values():
        pieces = pieces_of((*join.a, *join.b))
        if piece in pieces and all(is_band(bench, id) for id in pieces):
            yield Need(facts.join(Fact.PRESSED, join.id), "a collar or band is made up before it is put on")


def folded_first(bench: Workbench, parts: Iterable[EdgePart]) -> Iterator[Need]:
    """What is sewn on over the end of a band waits until it is folded there."""
    pieces = {p.piece for p in parts if p.from_mark or p.to_mark}
    for finish in bench.finishes.values():
        if laps.is_lap_end(bench, finish) or finish.kind is not FinishKind.TURNED:
            continue
        if pieces & {p.piece for p in runs_over(bench, finish)}:
            yield Need(facts.finish(Fact.BASTED, finish.id), "the bands are folded first, both layers lie in the seam")


def turned_first(bench: Workbench, parts: Iterable[EdgePart]) -> Iterator[Need]:
    """Edges that open, folded on themselves, and sides that are turned in: they are stitched down before what goes on
    over their ends."""
    parts = tuple(parts)
    pieces = pieces_of(parts)
    for finish in bench.finishes.values():
        if is_of_opening(finish) and pieces_of(finish.parts) & pieces:
            yield Need(facts.finish(Fact.FINISHED, finish.id), "the edges are folded first, and lie in the seam")
    yield from sides_first(bench, parts)


def sides_first(bench: Workbench, parts: Iterable[EdgePart]) -> Iterator[Need]:
    """Sides that meet nothing and run out on these edges are turned in first."""
    along = {(p.piece, p.edge) for p in parts}
    for finish in bench.finishes.values():
        if _is_side(finish) and any((p.piece, e) in along for p in finish.parts for e in bench.neighbours(p)):
            yield Need(facts.finish(Fact.FINISHED, finish.id), "the sides are turned in first, and lie in the seam")


def _is_side(finish: Finish) -> bool:
    """Whether sides that meet nothing are turned in, as an apron's."""
    return finish.kind is FinishKind.TURNED and all(p.edge == "side" for p in finish.parts)


def waits(bench: Workbench, join: Join, piece: str) -> Iterator[Need]:
    yield from made_up(bench, piece)
    yield from folded_first(bench, join.b if any(p.piece == piece for p in join.a) else join.a)
    yield from turned_first(bench, (*join.a, *join.b))
    for faced in bench.crossing([join.id]):
        caught = bench.is_faced(faced) and piece not in bench.folded_in(faced)
        if caught and not pieces_of(faced.a) & bench.linings and ends_at(bench, faced, join):
            yield Need(facts.join(Fact.TURNED, faced.id), "the facing's end is caught in the band's seam")
    yield from laps.first(bench, join)
    yield Need(facts.piece(Fact.PREPARED, piece), "its inner edge is pressed in while it is flat")
    yield Need(facts.layer(Fact.BASTED, "lining"), "the lining is caught in the seam", where_given=True)
    other = join.b if any(p.piece == piece for p in join.a) else join.a
    if any(part.edge == "waist" for part in other):
        for closure in bench.openings.zips_at(join):
            yield Need(facts.closure(Fact.CLOSED, closure.id), "the band goes on after the zip")
        for detail in bench.openings.open_at(join):
            yield Need(facts.detail(Fact.FINISHED, detail.id), "the band goes on once the opening is stitched round")
        yield Need(facts.gate(Fact.SETTLED, "shell"), "the waist can still be taken in", where_given=True)
    if any(part.edge == "hem" for part in other):
        yield Need(facts.gate(Fact.SETTLED, "shell"), "the seams that it closes can still be let out", where_given=True)
    if Panel.SLEEVE in bench.panels(other):
        # A raglan's sleeves have a part of the neck: what is sewn to it holds them where they are.
        yield Need(facts.gate(Fact.SETTLED, "shell"), "shoulders and sleeves can still be moved", where_given=True)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    piece = band_of(bench, join) or ""
    other = join.b if any(p.piece == piece for p in join.a) else join.a
    inside = inside_of(bench, piece)
    stretched = is_stretched(join)
    yield neatened(bench, piece, join, inside) if stretched and inside else fold_in(bench, piece, inside)
    run = bench.runs.over(other, each_hand=join.each_hand)
    fitted, name = ends(bench, join, piece), called(bench, [piece])
    sewn = sew(
        bench,
        duty.ids,
        ID,
        act=Act.BAND,
        how=(
            f"Right side of the {name} to the right side of the garment; {_met(bench, join, other)}, then "
            f"{'pin between' if stretched else 'ease in what is between'}.",
            *(() if closed_by(bench, piece) else ends_of_facings_caught(bench, other)),
            f"{bench.seam_of(join)} {bench.sewn_along(run)}.{'' if run.ring else fitted}"
            f"{STRETCHED if stretched else ''}",
        ),
        requires=tuple(waits(bench, join, piece)),
        run=run,
        look=f"The {name} lies as long as the edge, without a pucker in either."
        if not stretched
        else f"The {name} draws the edge in evenly; let go, no pleat has been caught in the seam.",
    )
    yield replace(sewn, setting=settings.seam(bench.household.as_a_knit)) if stretched else sewn
    yield press(
        bench,
        duty.ids,
        ID,
        way="band",
        words=f"into the {name}",
        towards=(piece,),
        how=(_pressed(bench, join, name),),
    )


def _pressed(bench: Workbench, join: Join, name: str) -> str:
    first = graded(bench, narrowest(bench, (*join.a, *join.b)), 10.0, 6.0)
    return f"{first}; press as sewn, then into the {name}." if first else f"Press as sewn, then into the {name}."


def ends_of_facings_caught(bench: Workbench, along: Iterable[EdgePart]) -> tuple[str, ...]:
    """What is said of the facings turned in at an edge, whose own ends lie along it and are in no other seam."""
    edges = {(p.piece, p.edge) for p in along}
    free = (p for f in bench.finishes.values() if f.kind is FinishKind.RAW for p in f.parts)
    if not any(p.piece in bench.facings and (bench.base_of(p.piece), p.edge) in edges for p in free):
        return ()
    return ("The facing lies turned in, its end with the raw edge there: the seam catches it too.",)


def ends(bench: Workbench, join: Join, piece: str) -> str:
    if is_tied_collar(bench, piece):
        return f" Its dots meet {_where_ties_begin(bench, join)}; beyond them it runs on by itself, as ties."
    if runs_on(bench, piece):
        return " The dots of the band lie at the sides, which are turned in; beyond them it runs on by itself."
    marked = [p for p in (*join.a, *join.b) if p.piece == piece and (p.from_mark or p.to_mark)]
    if not marked:
        return ""
    if is_over(bench, join, DetailKind.TOWER_PLACKET) and any(p.from_mark and p.to_mark for p in marked):
        return (
            f" Beyond its notches the {bench.name(piece)} goes on over both halves of the placket: at either end it "
            "reaches one allowance past the placket's fold."
        )
    if is_over(bench, join, DetailKind.FACED_SLIT):
        return (
            f" The facing of the placket has taken {bench.margin(BESIDE)} of either side. At the side that laps "
            f"over, the {bench.name(piece)} ends one allowance past the edge; at the other the edge lies "
            f"{bench.margin(2 * BESIDE)} before the mark, and there the underlap begins."
        )
    return (
        f" Beyond the mark the {bench.name(piece)} reaches past the edge: at the side that laps over it ends one "
        "allowance past the edge, at the other the underlap runs on."
    )


def _where_ties_begin(bench: Workbench, join: Join) -> str:
    """Where on the neck a collar begins that is tied."""
    dotted = any(p.from_mark or p.to_mark for p in (*join.a, *join.b))
    return "those beside the centre line" if dotted else "the edges of the slit"


def _met(bench: Workbench, join: Join, other: Sequence[EdgePart]) -> str:
    """What is matched first: the notches of a band with the seams that they stand for."""
    first = met_first(bench, other)
    own = [p for p in (*join.a, *join.b) if p not in other]
    marked = any(m.edge == p.edge and m.kind is MarkKind.NOTCH for p in own for m in bench.piece(p.piece).marks)
    if bench.notched(join):
        return f"match {first} and the notches"
    return f"match its notches with {first}" if marked and first != "the ends" else f"match {first}"
