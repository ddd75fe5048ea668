"""Collars and stands: which they are, the neck seam, and the band stitched down inside."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import laps
from rowanseed.core.make.families.bands import PASSES, band_of, inside_of, is_folded
from rowanseed.core.make.families.waistbands import ends_of_facings_caught, folded_first, turned_first
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.run import RAW_EDGE, Run
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.trimming import graded, is_trimmed, narrowest
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.workbench import BLADES, HOT, NEEDLE, Workbench, on_joins, shown
from rowanseed.core.pattern.making import DifferenceKind, FinishKind, Join
from rowanseed.core.pattern.pieces import Panel


def among_bands(bench: Workbench, join: Join) -> bool:
    return bench.panels((*join.a, *join.b)) == {Panel.BAND} and not pieces_of((*join.a, *join.b)) & bench.facings


def is_turned(bench: Workbench, join: Join) -> bool:
    """Whether two layers are sewn together round corners: collar and under collar, cuff and its facing."""
    return among_bands(bench, join) and len(join.a) > 1 and len(pieces_of(join.a)) == len(pieces_of(join.b)) == 1


def finds_turned(bench: Workbench) -> Iterator[Duty]:
    for join in bench.joins.values():
        if is_turned(bench, join):
            yield single(join.id)


def turned(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    upper, under = (next(iter(pieces_of(side))) for side in (join.a, join.b))
    name = lower_first(join.name)
    yield sew(
        bench,
        duty.ids,
        "turned collar",
        how=(
            f"Right sides together, the {bench.name(upper)} on top; match the centres and the ends first.",
            *(
                (
                    f"The {bench.name(under)} is smaller on purpose, so that the seam rolls under: stretch its edge "
                    "to fit.",
                )
                if join.why
                else ()
            ),
            f"{bench.seam_of(join)} from raw edge to raw edge, the side that goes on the garment left open. Stitch "
            f"length 1.5 for {bench.margin(25)} before and after a point, and two stitches across it.",
        ),
        meant=frozenset({Meant.ENCLOSES}),
        run=Run(RAW_EDGE, RAW_EDGE),
        look="Folded at its centre, both points are alike.",
    )
    yield Operation(
        id=f"trim-{join.id}",
        technique="turned collar",
        act=Act.TRIM,
        title=f"Trim the seam and the points: {name}",
        how=(
            f"{_narrowed(bench, join, upper, under)} across the points to {bench.margin(2)}, and taper beside "
            "them. Clip where it curves.",
        ),
        bench=Bench.HAND,
        minutes=minutes.trim(2 * bench.around([join.id])),
        on=on_joins(bench, join.id),
        requires=(Need(facts.join(Fact.JOINED, join.id), "it is sewn first"),),
        gives=(facts.join(Fact.GRADED, join.id),),
        caution=BLADES,
        look="The points are cut closest, no stitch is nicked, and the widest allowance lies next to what shows.",
    )
    yield press(
        bench,
        duty.ids,
        "turned collar",
        way="rolled",
        words="rolled under",
        title=f"Turn and press, the seam rolled under: {name}",
        how=(
            "Press the seam open over a point, then turn; push the points out with something blunt, not with the "
            "scissors.",
            f"Press with the {bench.name(upper)} {bench.margin(1)} over the edge, so that the seam cannot be seen.",
        ),
        requires=(Need(facts.join(Fact.GRADED, join.id), "thin allowances turn sharply"),),
        look="Both points are alike, sharp without a lump, and from above the seam cannot be seen.",
    )


def _narrowed(bench: Workbench, join: Join, upper: str, under: str) -> str:
    """What the two allowances of a collar's edge are trimmed to, as far as they are wider."""
    allowance = narrowest(bench, (*join.a, *join.b))
    narrower = [(piece, to) for piece, to in ((upper, 6.0), (under, 4.0)) if is_trimmed(allowance, to)]
    said = ", ".join(f"the {bench.name(piece)}'s allowance to {bench.fine(to)}" for piece, to in narrower)
    return f"Trim {said};" if said else "Trim"


def _of_four(bench: Workbench, duty: Duty) -> str:
    """How four allowances are graded: the outermost is left where it is no wider."""
    allowance = narrowest(bench, (p for id in duty.ids for p in bench.parts(id)))
    widest = f"to {bench.fine(8)}, the outermost widest" if is_trimmed(allowance, 8.0) else "up, the outermost whole"
    return f"from {bench.fine(4)} {widest}"


def _pressed(bench: Workbench, duty: Duty) -> str:
    first = graded(bench, narrowest(bench, (p for id in duty.ids for p in bench.parts(id))), 8.0, 6.0)
    return f"{f'{first}, clip' if first else 'Clip'} where it pulls; press into the stand."


def stand_of(bench: Workbench) -> tuple[tuple[str, ...], str, str] | None:
    """(joins that close a stand over a turned collar, outer stand, inner stand)."""
    for collar in (j for j in bench.joins.values() if is_turned(bench, j)):
        upper, under = (next(iter(pieces_of(side))) for side in (collar.a, collar.b))
        found: dict[str, tuple[str, str]] = {}
        for join in bench.joins.values():
            pieces = pieces_of((*join.a, *join.b))
            for layer in (upper, under):
                if among_bands(bench, join) and layer in pieces and join.id != collar.id and len(pieces) == 2:
                    found[layer] = (join.id, next(iter(pieces - {layer})))
        if len(found) == 2 and found[upper][1] != found[under][1]:
            outer, inner = found[upper][1], found[under][1]
            ends = tuple(j.id for j in bench.joins.values() if pieces_of((*j.a, *j.b)) == {outer, inner})
            return (found[upper][0], found[under][0], *ends), outer, inner
    return None


def finds_stand(bench: Workbench) -> Iterator[Duty]:
    found = stand_of(bench)
    if found:
        yield Duty(found[0], whole=True)


def stand(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    found = stand_of(bench)
    if found is None:
        return
    _, outer, inner = found
    collar = next(j for j in bench.joins.values() if is_turned(bench, j))
    inside = inside_of(bench, inner)
    allowance = bench.edge_allowance(inside.parts[0]) if inside else 10.0
    yield Operation(
        id=f"press-in-{inner}",
        technique="collar with stand",
        act=Act.TURN,
        title=f"Press in the neck edge: {bench.name(inner)}",
        how=(
            f"{bench.margin(allowance - PASSES)} to the wrong side, {bench.margin(PASSES)} less than the allowance: "
            "later it covers the row of stitching.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(3),
        on=On(pieces=(inner,), edges=shown(inside.parts) if inside else ()),
        gives=(facts.piece(Fact.PREPARED, inner),),
        turned=Turned((allowance - PASSES,)),
        caution=HOT,
        look="The fold runs even from end to end, and laid on the neck's row it covers that by a hair.",
    )
    basting = "basting of the collar on the stand"
    yield Operation(
        id=f"baste-{duty.id}",
        technique="collar with stand",
        act=Act.BASTE,
        title=f"Baste the collar to the {bench.name(outer)}",
        how=(
            f"The turned collar on the right side of the {bench.name(outer)}, its under side up, raw edges even; "
            f"centre on centre, its ends exactly {_at_the_stand(bench, outer)}.",
            "Baste through all layers on the stitching line.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(bench.around([duty.id]) / 2),
        on=on_joins(bench, duty.id),
        requires=(
            Need(facts.join(Fact.PRESSED, collar.id), "a collar is turned and pressed before it is put on"),
            Need(facts.piece(Fact.STIFFENED, outer), "interfacing goes on while it is flat", where_given=True),
        ),
        gives=facts.joins(Fact.BASTED, duty.ids),
        leaves=(basting,),
        look="Left and right of the stand reach equally far beyond the collar.",
    )
    yield sew(
        bench,
        duty.ids,
        "collar with stand",
        title="Close the stand over the collar",
        how=(
            f"The {bench.name(inner)} on top, right side down, its pressed-in neck edge staying turned up.",
            f"{bench.seam_of(bench.joins[duty.id])} in one run: from the fold of the pressed-in edge round one end, "
            "along the collar, and round the other end; stitch length 1.5 round the ends. At both ends the "
            f"{bench.name(outer)}'s neck allowance stays free.",
            "Take out the basting.",
        ),
        requires=(
            Need(facts.piece(Fact.PREPARED, inner), "its neck edge is pressed in while it is flat"),
            Need(facts.join(Fact.PRESSED, collar.id), "the collar is finished first"),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        look="Both ends have the same curve: lay them on each other.",
    )
    yield Operation(
        id=f"trim-{duty.id}",
        technique="collar with stand",
        act=Act.TRIM,
        title="Grade the stand's seam and notch its ends",
        how=(f"Four layers: grade them {_of_four(bench, duty)}; small notches out of the round ends.",),
        bench=Bench.HAND,
        minutes=minutes.trim(600),
        on=on_joins(bench, *duty.ids),
        requires=tuple(Need(facts.join(Fact.JOINED, id), "it is sewn first") for id in duty.ids),
        gives=facts.joins(Fact.GRADED, duty.ids),
        removes=(basting,),
        caution=BLADES,
        look="Pinched, the edge is thin all along, and the round ends lie without a ridge.",
    )
    yield press(
        bench,
        duty.ids,
        "collar with stand",
        way="down",
        words="into the stand",
        title="Turn the stand down and press",
        how=("Turn both stands down away from the collar, the round ends pushed out, and press.",),
        requires=tuple(Need(facts.join(Fact.GRADED, id), "thin allowances turn sharply") for id in duty.ids),
        look="Both ends of the stand are alike, laid on each other, and the collar comes out of it without a pleat.",
    )


def _at_the_stand(bench: Workbench, outer: str) -> str:
    """Where the ends of a collar come on its stand."""
    on_neck = (j for j in bench.joins.values() if outer in pieces_of((*j.a, *j.b)))
    meets = any(laps.beyond(bench, (*join.a, *join.b)) for join in on_neck)
    return "where the stand's ends begin to round" if meets else "at the centre front marks"


def finds_neck(bench: Workbench) -> Iterator[Duty]:
    """A band that is not folded but has a layer within it, or a single one, put on an edge of the garment."""
    for join in bench.joins.values():
        piece = unfolded(bench, join)
        if piece is not None:
            yield single(join.id)


def unfolded(bench: Workbench, join: Join) -> str | None:
    for side, other in ((join.a, join.b), (join.b, join.a)):
        pieces = pieces_of(side)
        if (
            len(pieces) == 1
            and bench.panels(side) == {Panel.BAND}
            and not pieces & bench.facings
            and bench.panels(other) - {Panel.BAND}
            and not any(p.piece in bench.inner for p in other)
            and not (side is join.a and join.difference.kind is DifferenceKind.GATHERS)
        ):
            piece = next(iter(pieces))
            if not is_folded(bench, piece):
                return piece
    return None


def neck(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    outer = unfolded(bench, join) or ""
    others = pieces_of((*join.a, *join.b)) - {outer}
    made = [
        j.id
        for j in bench.joins.values()
        if j.id != join.id and outer in pieces_of((*j.a, *j.b)) and bench.panels((*j.a, *j.b)) == {Panel.BAND}
    ]
    bands = [
        Need(facts.join(Fact.PRESSED, j.id), "the front bands are on, since the stand ends level with them")
        for j in bench.joins.values()
        if j.id != join.id and (p := band_of(bench, j)) and p in others
    ]
    half = bench.open_half
    along = join.a if outer in pieces_of(join.b) else join.b
    run = bench.runs.over(along) if laps.beyond(bench, along) else Run(f"{half} edge", f"{half} edge")
    closed = "front" if half == "back" else "back"
    yield sew(
        bench,
        duty.ids,
        "collar with stand",
        act=Act.BAND,
        how=(
            f"Right side of the {bench.name(outer)} to the right side of the garment, the inner layer held out of "
            f"the way; the centre {closed} and the shoulders first, the finished ends "
            f"{laps.where_it_ends(bench, join)}, then between. Clip the neck's allowance where it will not lie.",
            *ends_of_facings_caught(bench, along),
            f"{bench.seam_of(join)} {run.words}; backstitch both ends.",
        ),
        requires=(
            *(Need(facts.join(Fact.PRESSED, id), "a collar or band is made up before it is put on") for id in made),
            *bands,
            *folded_first(bench, along),
            *turned_first(bench, (*join.a, *join.b)),
            *laps.first(bench, join),
            Need(facts.layer(Fact.BASTED, "lining"), "the lining is caught in the seam", where_given=True),
            Need(facts.gate(Fact.SETTLED, "shell"), "neck and shoulders are settled first", where_given=True),
        ),
        run=run,
        look="Buttoned, both ends of the stand meet at the same height.",
    )
    yield press(
        bench,
        duty.ids,
        "collar with stand",
        way="up",
        words="into the stand",
        towards=(outer,),
        how=(_pressed(bench, duty),),
        look="The stand stands up by itself, and the garment below it lies flat to the very ends.",
    )


def finds_closing(bench: Workbench) -> Iterator[Duty]:
    for finish in bench.finishes.values():
        pieces = pieces_of(finish.parts)
        bands = all(bench.panel(id) is Panel.BAND and id not in bench.facings for id in pieces)
        if (
            finish.kind is FinishKind.TURNED
            and bands
            and not laps.is_lap_end(bench, finish)
            and not any(is_folded(bench, id) for id in pieces)
        ):
            yield single(finish.id)


def closing(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    pieces = pieces_of(finish.parts)
    outer = {
        id
        for j in bench.joins.values()
        if (all_ := pieces_of((*j.a, *j.b))) & pieces
        for id in all_
        if id not in pieces
    }
    on_garment = [
        j.id
        for j in bench.joins.values()
        if unfolded(bench, j) in (outer | pieces) and bench.panels((*j.a, *j.b)) != {Panel.BAND}
    ]
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique="collar with stand",
        act=Act.TURN,
        title=f"Stitch down the inside: {lower_first(finish.name)}",
        how=(
            f"The pressed-in edge just covers the row of stitching, {bench.margin(PASSES)} past it; pin from inside, "
            "or baste.",
            f"Edgestitch from inside, {bench.margin(2)} from the fold, from end to end; you may go on all round the "
            "stand.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(bench.around([finish.id])),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        requires=tuple(Need(facts.join(Fact.PRESSED, id), "the outer layer is on first") for id in on_garment),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        run=replace(bench.runs.over(finish.parts), said="from end to end"),
        turned=Turned((bench.edge_allowance(finish.parts[0]) - PASSES,), row=2),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        caution=NEEDLE,
        booklet=bench.booklet(finish.id),
        look="No edge of the allowance looks out.",
    )
