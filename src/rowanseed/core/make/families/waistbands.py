"""Bands put on an edge and folded over it: which they are, what they wait for, how their inside is closed."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import laps
from rowanseed.core.make.families.bands import (
    INNER,
    PASSES,
    band_of,
    called,
    ends_at,
    inside_of,
    is_band,
    is_folded,
    runs_on,
    runs_over,
)
from rowanseed.core.make.families.slashed import BESIDE
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.met_first import met_first
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.trimming import graded, is_trimmed, narrowest
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.which import is_of_opening
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import (
    NECK_CENTRE,
    DetailKind,
    EdgePart,
    Finish,
    FinishKind,
    Join,
)
from rowanseed.core.pattern.pieces import MarkKind, Panel

ID = "band"


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
        if bench.is_faced(faced) and not pieces_of(faced.a) & bench.linings and ends_at(bench, faced, join):
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
    if Panel.SLEEVE in bench.panels(other):
        # A raglan's sleeves have a part of the neck: what is sewn to it holds them where they are.
        yield Need(facts.gate(Fact.SETTLED, "shell"), "shoulders and sleeves can still be moved", where_given=True)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    piece = band_of(bench, join) or ""
    other = join.b if any(p.piece == piece for p in join.a) else join.a
    inside = inside_of(bench, piece)
    yield fold_in(bench, piece, inside)
    run = bench.runs.over(other, each_hand=join.each_hand)
    fitted, name = ends(bench, join, piece), called(bench, [piece])
    yield sew(
        bench,
        duty.ids,
        ID,
        act=Act.BAND,
        how=(
            f"Right side of the {name} to the right side of the garment; {_met(bench, join, other)}, then ease in what "
            "is between.",
            *ends_of_facings_caught(bench, other),
            f"{bench.seam_of(join)} {bench.sewn_along(run)}.{'' if run.ring else fitted}",
        ),
        requires=tuple(waits(bench, join, piece)),
        run=run,
        look=f"The {name} lies as long as the edge, without a pucker in either.",
    )
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
    if runs_on(bench, piece):
        return " The dots of the band lie at the sides, which are turned in; beyond them it runs on by itself."
    marked = [p for p in (*join.a, *join.b) if p.piece == piece and (p.from_mark or p.to_mark)]
    if not marked:
        return ""
    if _is_over(bench, join, DetailKind.TOWER_PLACKET) and any(p.from_mark and p.to_mark for p in marked):
        return (
            f" Beyond its notches the {bench.name(piece)} goes on over both halves of the placket: at either end it "
            "reaches one allowance past the placket's fold."
        )
    if _is_over(bench, join, DetailKind.FACED_SLIT):
        return (
            f" The facing of the placket has taken {bench.margin(BESIDE)} of either side. At the side that laps "
            f"over, the {bench.name(piece)} ends one allowance past the edge; at the other the edge lies "
            f"{bench.margin(2 * BESIDE)} before the mark, and there the underlap begins."
        )
    return (
        f" Beyond the mark the {bench.name(piece)} reaches past the edge: at the side that laps over it ends one "
        "allowance past the edge, at the other the underlap runs on."
    )


def _is_over(bench: Workbench, join: Join, kind: DetailKind) -> bool:
    """Whether a band is sewn over an opening of a kind that is slashed into what it is sewn to."""
    pieces = pieces_of((*join.a, *join.b))
    return any(pieces & set(detail.on) for detail in bench.details_of(kind))


def _met(bench: Workbench, join: Join, other: Sequence[EdgePart]) -> str:
    """What is matched first: the notches of a band with the seams that they stand for."""
    first = met_first(bench, other)
    own = [p for p in (*join.a, *join.b) if p not in other]
    marked = any(m.edge == p.edge and m.kind is MarkKind.NOTCH for p in own for m in bench.piece(p.piece).marks)
    if bench.notched(join):
        return f"match {first} and the notches"
    return f"match its notches with {first}" if marked and first != "the ends" else f"match {first}"


def fold_in(bench: Workbench, piece: str, inside: Finish | None) -> Operation:
    """The inner edge of a band pressed to its wrong side, while it is flat."""
    parts = tuple(p for p in (inside.parts if inside else ()) if p.edge in INNER) or (inside.parts if inside else ())
    allowance = bench.edge_allowance(parts[0]) if parts else 15.0
    return Operation(
        id=f"press-in-{piece}",
        technique=ID,
        act=Act.TURN,
        title=f"Press in the inner edge: {bench.name(piece)}",
        how=(
            f"Press the {called(bench, [piece])} along its fold line, wrong sides together; open it and press "
            f"{bench.margin(allowance - PASSES)} of its inner edge to the wrong side, {bench.margin(PASSES)} less "
            "than the allowance: later it passes the seam by that.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(3, bench.number_cut(piece)),
        on=On(pieces=(piece,), edges=shown(parts)),
        requires=(Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on while it is flat", where_given=True),),
        gives=(facts.piece(Fact.PREPARED, piece),),
        turned=Turned((allowance - PASSES,)),
        caution=HOT,
        look="The fold is straight and parallel to the fold line.",
    )


def closes(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    pieces = pieces_of(finish.parts)
    name = called(bench, pieces)
    over = runs_over(bench, finish)
    joined = [j for j in bench.joins.values() if pieces_of((*j.a, *j.b)) & pieces and not {*j.a, *j.b} & {*over}]
    after = tuple(Need(facts.join(Fact.PRESSED, j.id), "it is sewn on and pressed into the band") for j in joined)
    before = list(after)
    if over:
        yield fold_over(bench, finish, over, after)
        before.append(Need(facts.finish(Fact.BASTED, finish.id), "its upper end is folded first"))
    if any(p.edge not in INNER for p in finish.parts):
        yield close_ends(bench, finish, after)
        before.append(Need(facts.finish(Fact.PREPARED, finish.id), "its ends are closed first"))
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique=ID,
        act=Act.TURN,
        title=f"Turn in and stitch down: {lower_first(finish.name)}",
        how=(
            f"Fold the {name} on its fold line over the allowances; the pressed fold passes the seam by "
            f"{bench.margin(PASSES)} on the inside. Pin from the right side, or baste.",
            f"Right side up, stitch in the ditch of the seam, catching the fold below; or edgestitch the {name} "
            f"{bench.margin(2)} from the seam.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(bench.around([finish.id])),
        on=On(finishes=(finish.id,), edges=shown(p for p in finish.parts if p.edge in INNER) or shown(finish.parts)),
        requires=tuple(before),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        caution=NEEDLE,
        booklet=bench.booklet(finish.id),
        look="Inside, the fold is caught all along.",
    )


def fold_over(bench: Workbench, finish: Finish, over: tuple[EdgePart, ...], after: tuple[Need, ...]) -> Operation:
    """A band folded where a collar or a binding runs on over its end, both layers held as one."""
    name = bench.names(p.piece for p in over)
    lapped = laps.beyond(bench, over)
    return Operation(
        id=f"fold-over-{finish.id}",
        technique=ID,
        act=Act.BASTE,
        title=f"Fold the bands and baste across their upper ends: {name}",
        how=(
            f"The {name} folded on its fold line, wrong sides together, over the allowances of its seam, the "
            "pressed-in edge inside: raw edges even above.",
            f"Baste {bench.margin(5)} from the raw edge, in the allowance, "
            + ("from the dot at the centre to the band's seam" if lapped else "from the fold to the band's seam")
            + "; it stays in. From now on both layers are one there.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(2, bench.number_cut(over[0].piece)),
        on=On(edges=shown(over)),
        requires=(*after, *laps.needs(bench, lapped)),
        gives=(facts.finish(Fact.BASTED, finish.id),),
        look="Both bands end in line with the edge beside them, their folds straight.",
    )


def _at_the_corner(bench: Workbench, finish: Finish) -> str:
    allowance = narrowest(bench, (p for p in finish.parts if p.edge not in INNER))
    return f"Trim to {bench.fine(6)}, the corner across" if is_trimmed(allowance, 6.0) else "Cut the corner across"


def close_ends(bench: Workbench, finish: Finish, after: tuple[Need, ...]) -> Operation:
    pieces = pieces_of(finish.parts)
    levelled = tuple(
        Need(
            facts.finish(Fact.HEMMED, f.id),
            "the length is settled before the band's end is closed at it",
            where_given=True,
        )
        for f in bench.finishes.values()
        if f.kind is FinishKind.HEM and meets(bench, f, pieces)
    )
    tied = tuple(
        Need(facts.detail(Fact.FINISHED, detail.id), "its ties lie in its ends before they are closed")
        for detail in bench.details_of(DetailKind.TIES)
        if finish.id in detail.along
    )
    own = [j for j in bench.joins.values() if band_of(bench, j) in pieces]
    to_centre = any(NECK_CENTRE in (p.from_mark, p.to_mark) for j in own for p in (*j.a, *j.b))
    ends_at = "which meets the centre line's dot" if to_centre else "in line with the garment's edge"
    underlap = any(
        p.piece in pieces and (p.from_mark or p.to_mark)
        for j in own
        for p in (*j.a, *j.b)
        if not (p.from_mark and p.to_mark and _is_over(bench, j, DetailKind.TOWER_PLACKET))
    )
    return Operation(
        id=f"ends-{finish.id}",
        technique=ID,
        act=Act.TURN,
        title=f"Close the ends: {lower_first(finish.name)}",
        how=(
            *(
                (
                    f"Fold the {called(bench, pieces)} back on its fold line, right sides together; beyond the dots "
                    "its inner edge lies opened out again. From each end sew across it and along the raw edges to the "
                    "dot, at the turned-in side, pivoting at the corner; backstitch, and clip to the stitching there.",
                )
                if any(runs_on(bench, piece) for piece in pieces)
                else (
                    f"Fold the {called(bench, pieces)} back on its fold line, right sides together, the pressed inner "
                    f"edge staying turned up; sew across the end on the stitching line, {ends_at}, and backstitch.",
                )
            ),
            *(
                (
                    "The underlap's lower edge is sewn in the same run, up to the garment's edge: pivot at the "
                    "corner, and clip there to the stitching.",
                )
                if underlap
                else ()
            ),
            f"{_at_the_corner(bench, finish)}; turn, push it out with something blunt, and press. {iron_for(bench)}",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.each(5, 2),
        on=On(pieces=tuple(sorted(pieces)), edges=shown(p for p in finish.parts if p.edge not in INNER)),
        requires=(*after, *levelled, *tied),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        setting=settings.seam(bench.household),
        rows=0,
        caution=NEEDLE,
        look="Both ends are as long and as square as each other.",
    )


def meets(bench: Workbench, hem: Finish, bands: frozenset[str]) -> bool:
    """Whether a band is sewn to a piece whose hem this is."""
    pieces = pieces_of(hem.parts)
    return any(
        pieces_of((*j.a, *j.b)) & bands
        and pieces_of((*j.a, *j.b)) & pieces
        and any(p.edge == "opening" for p in (*j.a, *j.b))
        for j in bench.joins.values()
    )
