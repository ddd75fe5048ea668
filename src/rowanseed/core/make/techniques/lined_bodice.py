"""A bodice lined edge to edge at neck and armholes: turned through its shoulders, felled at waist and zip."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.derive.lined_part import ALONG
from rowanseed.core.make import corners, facts, minutes
from rowanseed.core.make.crossing import runs_over
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bagged import ROLLS_IN, enclosing
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for_both
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.run import OVER_THE_SHOULDER
from rowanseed.core.make.shared import grade, press, sew, understitch
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import HOT, Workbench, shown
from rowanseed.core.pattern.making import FinishKind, Join
from rowanseed.core.pattern.pieces import Panel

ID = "lined bodice"
SHORT = 25.0
"""The neck's seam begins and ends so far beside the opening, in mm: so much is closed once the zip is in."""


IN_ONE_RUN = "in one run from the shell's waist over the armhole's seam down to the lining's lower edge"


def _sides(bench: Workbench) -> tuple[Join, ...]:
    """The sides of the bodice, then those of its lining; a skirt's sides are its own."""
    lined = {layer.of for layer in bench.pattern.making.layers if layer.piece in bench.enclosed}
    closing = [j for j in bench.joins.values() if bench.closes_side(j)]
    outer = [j for j in closing if pieces_of((*j.a, *j.b)) <= lined]
    return (*outer, *(j for j in closing if pieces_of((*j.a, *j.b)) <= bench.enclosed))


def _felled(bench: Workbench) -> tuple[str, ...]:
    """The edges of the lining that are turned in and felled: at the waist, along the zip."""
    return tuple(
        f.id for f in bench.finishes.values() if f.kind is FinishKind.TURNED and pieces_of(f.parts) <= bench.enclosed
    )


def finds(bench: Workbench) -> Iterator[Duty]:
    if bench.is_lined_bodice:
        edges = tuple(j.id for j in enclosing(bench))
        yield single(*edges, *(j.id for j in _sides(bench)), *_felled(bench))


def _shoulders(bench: Workbench) -> Iterator[Need]:
    """Shell and lining are each whole at shoulders and panels, the sides and the centre still open."""
    edges = {j.id for j in enclosing(bench)}
    pieces = {id for join in enclosing(bench) for id in pieces_of((*join.a, *join.b))}
    sides = {j.id for j in _sides(bench)}
    for join in bench.joins.values():
        if (
            join.id not in edges | sides
            and (pieces_of((*join.a, *join.b)) <= pieces or any(runs_over(bench, side, join.id) for side in sides))
            and bench.openings.zip_on(join) is None
        ):
            yield Need(facts.join(Fact.PRESSED, join.id), "shell and lining are each joined at the shoulders first")
    for piece in sorted(pieces):
        yield Need(facts.piece(Fact.SHAPED, piece), "darts are sewn while the piece is flat", where_given=True)
        yield Need(facts.piece(Fact.STAYED, piece), "the edge is held before it is handled", where_given=True)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    edges = enclosing(bench)
    for join in edges:
        yield from _edge(bench, join)
    yield _turned_out(bench, edges)
    yield from _rings(bench)
    yield _fell(bench, edges)


def _edge(bench: Workbench, join: Join) -> Iterator[Operation]:
    at_neck = any(p.edge == "neck" for p in join.a)
    ids = (join.id,)
    run = OVER_THE_SHOULDER
    if at_neck:
        run = bench.runs.over(join.a, each_hand=join.each_hand)
        beside = f"from {bench.margin(SHORT)} beside one centre edge round to {bench.margin(SHORT)} beside the other"
        run = replace(run, ring=False, said=beside, short=(SHORT, SHORT))
    left = (
        ", and backstitch: what is left is closed once the zip is in."
        if at_neck
        else ", each armhole by itself; backstitch both ends."
    )
    yield sew(
        bench,
        ids,
        ID,
        # No facing that has to meet a zip: beside the opening the neck stays open until that is in.
        act=Act.JOIN,
        how=(
            f"First trim {bench.fine(ROLLS_IN)} off the lining along this edge, so that it rolls inside. Then right "
            "sides together, shell and lining, raw edges even; shoulder seams first, then between. Sides and the "
            "centre with the zip are still open.",
            f"{bench.seam_of(join)} {run.words}{left}",
            *corners.pivoted(bench, join.a),
        ),
        requires=tuple(_shoulders(bench)),
        meant=frozenset({Meant.ENCLOSES}),
        run=run,
        look="Both layers lie flat to the edge, left and right alike.",
        flat=True,
    )
    yield grade(bench, ids, ID, inner="lining's", outer="shell's")
    yield press(
        bench,
        ids,
        ID,
        way="lining",
        words="towards the lining",
        how=("As sewn first, then allowances and lining away from the shell as far as the iron goes in.",),
        requires=(Need(facts.join(Fact.GRADED, join.id), "thin allowances press flat"),),
    )


def _turned_out(bench: Workbench, edges: list[Join]) -> Operation:
    return Operation(
        id="turn-out",
        technique=ID,
        act=Act.TURN,
        title="Turn it right side out through the shoulders",
        how=(
            f"Reach in between shell and lining of the {_closed(bench)}, up into one shoulder, take hold of the half "
            "that is open at its centre, and draw it through; then the other half through the other shoulder. A blunt "
            "needle or a loop helps where the shoulder is narrow.",
            f"Roll every edge between the fingers, the lining a little inside, and press. {iron_for_both(bench)}",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(10),
        on=On(joins=tuple(j.id for j in edges)),
        requires=tuple(
            Need(facts.join(Fact.PRESSED, j.id), "neck and armholes are both sewn before it is turned") for j in edges
        ),
        gives=(facts.layer(Fact.TURNED, "lining"),),
        caution=HOT,
        look="Nothing is twisted at the shoulders, and from outside no lining shows.",
    )


def _closed(bench: Workbench) -> str:
    """The half without the zip: through it the other one is drawn."""
    opened = {bench.panel(p.piece) for zip_ in bench.openings.zips for p in bench.parts(zip_.join)}
    return "back" if Panel.FRONT in opened else "front"


def _rings(bench: Workbench) -> Iterator[Operation]:
    turned = Need(facts.layer(Fact.TURNED, "lining"), "it is turned out before the sides close it")
    for join in enclosing(bench):
        yield _understitched(bench, join, turned)
    sides = _sides(bench)
    ids = tuple(j.id for j in sides)
    yield sew(
        bench,
        ids,
        ID,
        title="Sew the sides, shell and lining in one run",
        how=(
            "Lift the lining away from the shell: shell front to shell back, lining front to lining back, right sides "
            "together, the armhole's seam on itself, its allowances towards the lining. Pin there first, then the "
            "ends.",
            f"{bench.seam_of(sides[0])} {IN_ONE_RUN}; backstitch both ends. Left and right alike.",
        ),
        requires=(turned,),
        run=replace(bench.runs.begun_at(sides[0], "waist"), said=IN_ONE_RUN, goes_on=True),
        meant=frozenset({Meant.ENCLOSES}),
        look="The armhole's seam runs on across the side without a step.",
        flat=True,
    )
    yield press(
        bench,
        ids,
        ID,
        way="open",
        words="open",
        title="Press the sides open, shell and lining",
        look="Shell and lining lie flat, and seam stands over seam where they meet.",
    )


def _understitched(bench: Workbench, join: Join, turned: Need) -> Operation:
    made = understitch(
        bench,
        (join.id,),
        ID,
        what=f"lining: {'neck' if any(p.edge == 'neck' for p in join.a) else 'armholes'}",
        how="Lining up, the allowances under it, as far as the foot goes from either side: the shoulders are left.",
    )
    return replace(made, requires=(*made.requires, turned))


def _fell(bench: Workbench, edges: list[Join]) -> Operation:
    felled = _felled(bench)
    seams = [j for j in bench.joins.values() if _is_waist(bench, j)]
    hung = [f for f in bench.finishes.values() if f.id.startswith(ALONG) and pieces_of(f.parts) <= bench.hung]
    over = " and over the edge of the skirt's lining" if any(f.kind is FinishKind.TURNED for f in hung) else ""
    return Operation(
        id="fell-lining",
        technique=ID,
        act=Act.TURN,
        title="Fell the lining to the waist seam and along the zip",
        how=(
            f"Close the {bench.margin(SHORT)} of the neck at the opening: turn shell and lining in, fold on fold, and "
            "slip stitch them.",
            f"Along the zip turn the lining in {bench.fine(5)} clear of the coil and fell it to the tape, from the "
            "neck down.",
            f"Turn its lower edge in and fell it to the allowances of the waist seam{over}, side on side, dart on "
            "dart, never to the outside, with a hair of ease so that it does not pull.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(bench.around(felled)),
        on=On(finishes=felled, edges=shown(p for id in felled for p in bench.finishes[id].parts)),
        requires=(
            *(
                Need(facts.closure(Fact.CLOSED, c.id), "the zip is in, its tape is felled to")
                for c in bench.openings.zips
            ),
            *(Need(facts.join(Fact.PRESSED, j.id), "the waist seam is pressed, its allowances lie up") for j in seams),
            *(Need(facts.join(Fact.PRESSED, j.id), "the sides are pressed open") for j in _sides(bench)),
            *(Need(facts.join(Fact.UNDERSTITCHED, j.id), "the edges are understitched first") for j in edges),
            *(Need(facts.finish(Fact.FINISHED, f.id), "the bodice's lining covers the skirt's") for f in hung),
            Need(facts.gate(Fact.SETTLED, "shell"), "the fit can still be changed", where_given=True),
        ),
        gives=(
            *(facts.finish(Fact.FINISHED, id) for id in felled),
            facts.layer(Fact.CLOSED, "lining"),
            *(() if hung else (facts.layer(Fact.ATTACHED, "lining"),)),
        ),
        look="Inside no raw edge is left, and the lining neither pulls nor bags.",
    )


def _is_waist(bench: Workbench, join: Join) -> bool:
    return any(p.edge == "waist" for p in join.a) and not pieces_of((*join.a, *join.b)) & bench.linings


TECHNIQUE = Technique(
    id="lined-bodice",
    name="Bodice lined edge to edge",
    chapter="layers",
    finds=finds,
    sews=sews,
    rank=8,
    draw="bagged side",
)
