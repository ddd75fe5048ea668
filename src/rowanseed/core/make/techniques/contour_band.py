"""A waistband cut in a curve, of two layers: sewn together above, put on the waist, its inside stitched down."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation, Supply, Use
from rowanseed.core.make.shared import grade, press, sew, understitch
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques.bands import PASSES, inside_of, is_folded
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, on_joins, shown
from rowanseed.core.pattern.making import Finish, Join
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.walk import join_over_garment

ID = "contour band"


def _on_waist(bench: Workbench, join: Join) -> str | None:
    """The outer layer of a shaped band that a join puts on a waist."""
    for side, other in ((join.a, join.b), (join.b, join.a)):
        pieces = pieces_of(side)
        if len(pieces) == 1 and bench.panels(side) == {Panel.BAND} and not pieces & bench.facings:
            piece = next(iter(pieces))
            if not is_folded(bench, piece) and any(part.edge == "waist" for part in other):
                return piece
    return None


def _made_up(bench: Workbench, outer: str) -> Join | None:
    """The seam of the two layers of a band."""
    for join in bench.joins.values():
        pieces = pieces_of((*join.a, *join.b))
        if outer in pieces and len(pieces) == 2 and bench.panels((*join.a, *join.b)) == {Panel.BAND}:
            return join
    return None


def _bands(bench: Workbench) -> Iterator[tuple[Join, Join, str, str, Finish]]:
    """Every contour band: what puts it on, what sews its layers together, outer and inner layer, its inside."""
    for join in bench.joins.values():
        outer = _on_waist(bench, join)
        made_up = _made_up(bench, outer) if outer is not None else None
        if outer is None or made_up is None:
            continue
        (inner,) = pieces_of((*made_up.a, *made_up.b)) - {outer}
        inside = inside_of(bench, inner)
        if inside is not None:
            yield join, made_up, outer, inner, inside


def finds_layers(bench: Workbench) -> Iterator[Duty]:
    for _, made_up, *_ in _bands(bench):
        yield single(made_up.id)


def finds_band(bench: Workbench) -> Iterator[Duty]:
    for join, *_ in _bands(bench):
        yield single(join.id)


def finds_inside(bench: Workbench) -> Iterator[Duty]:
    for *_, inside in _bands(bench):
        yield single(inside.id)


def layers(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    _, made_up, _, inner, inside = next(found for found in _bands(bench) if found[1].id == duty.id)
    allowance = bench.edge_allowance(inside.parts[0])
    yield _tape(bench, made_up, inner)
    yield Operation(
        id=f"press-in-{inner}",
        technique=ID,
        act=Act.TURN,
        title=f"Press in the lower edge: {bench.name(inner)}",
        how=(
            f"{bench.margin(allowance - PASSES)} to the wrong side, {bench.margin(PASSES)} less than the allowance: "
            "later it passes the seam by that. It curves: press a little at a time, and clip the allowance where it "
            "will not lie.",
        ),
        bench=Bench.IRON,
        minutes=minutes.each(5),
        on=On(pieces=(inner,), edges=shown(inside.parts)),
        requires=(Need(facts.piece(Fact.STIFFENED, inner), "interfacing goes on while it is flat", where_given=True),),
        gives=(facts.piece(Fact.PREPARED, inner),),
        caution=HOT,
        look="The fold runs in the curve of the band, without corners.",
    )
    yield sew(
        bench,
        duty.ids,
        ID,
        how=(
            f"Right sides together, the {bench.name(inner)} on top; match the centres and the notches, then the ends.",
            f"{bench.seam_of(made_up)} from end to end; the tape is caught in it. Pivot at the corners with stitch "
            f"length 1.5, and keep the lower edge of the {bench.name(inner)} turned up at the ends.",
        ),
        requires=(
            Need(facts.piece(Fact.PREPARED, inner), "its lower edge is pressed in while it is flat"),
            Need(facts.join(Fact.PREPARED, made_up.id), "the tape is on before it is caught in the seam"),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        look="The upper edge is as long as its tape, and not a thread longer.",
    )
    yield grade(bench, duty.ids, ID, inner="inner layer's", outer="outer layer's")
    yield press(
        bench,
        duty.ids,
        ID,
        way="facing",
        words="towards the inner layer",
        title=f"Turn and press the upper edge: {lower_first(made_up.name)}",
        how=("Corners pushed out with something blunt; the seam rolled a little to the inside.",),
        requires=(Need(facts.join(Fact.GRADED, made_up.id), "thin allowances turn sharply"),),
    )
    yield understitch(
        bench,
        duty.ids,
        ID,
        what=lower_first(made_up.name),
        how="Inner layer up, all allowances under it, as near to the ends as the machine will go.",
    )


def _tape(bench: Workbench, made_up: Join, inner: str) -> Operation:
    length = join_over_garment(bench.pattern, bench.size, made_up)
    return Operation(
        id=f"tape-{made_up.id}",
        technique=ID,
        act=Act.STAY,
        title="Stay the upper edge of the band",
        how=(
            "A curved band is cut partly on the bias and grows in wear: its upper edge is held by a tape.",
            f"Cut narrow firm tape or selvedge to the length of the stitching line, {bench.fine(length)} in all; "
            f"baste it on the wrong side of the {bench.name(inner)}, its middle on the upper stitching line.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(length),
        on=on_joins(bench, made_up.id),
        requires=(Need(facts.piece(Fact.STIFFENED, inner), "interfacing goes on first", where_given=True),),
        gives=(facts.join(Fact.PREPARED, made_up.id),),
        uses=(Use(Supply.TAPE, length),),
        look="The tape has no slack, and the edge does not pucker on it.",
    )


def band(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join, made_up, outer, inner, _ = next(found for found in _bands(bench) if found[0].id == duty.id)
    other = join.b if any(p.piece == outer for p in join.a) else join.a
    run = bench.runs.over(other, each_hand=join.each_hand)
    yield sew(
        bench,
        duty.ids,
        ID,
        act=Act.BAND,
        how=(
            f"Right side of the {bench.name(outer)} to the right side of the garment, the {bench.name(inner)} held "
            "up out of the way; match the side seams, centres and notches, then ease in what is between.",
            f"{bench.seam_of(join)} all round, seam on seam; begin and end overlapping by {bench.margin(15)}."
            if run.ring
            else f"{bench.seam_of(join)} {run.words}; backstitch both ends, each exactly at the band's finished end.",
        ),
        requires=(
            Need(facts.join(Fact.PRESSED, made_up.id), "the band is made up before it is put on"),
            *(
                Need(facts.closure(Fact.CLOSED, closure.id), "the band goes on after the zip")
                for closure in bench.openings.zips_at(join)
            ),
            Need(facts.layer(Fact.BASTED, "lining"), "the lining is caught in the seam", where_given=True),
            Need(facts.gate(Fact.SETTLED, "shell"), "the waist can still be taken in", where_given=True),
        ),
        look="The band lies flat round the figure, and stands off nowhere.",
    )
    yield press(
        bench,
        duty.ids,
        ID,
        way="band",
        words="into the band",
        how=(f"Grade to {bench.fine(10)} and {bench.fine(6)}, clip where it pulls; press over a ham into the band.",),
    )


def inside(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join, _, _, inner, finish = next(found for found in _bands(bench) if found[4].id == duty.id)
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique=ID,
        act=Act.TURN,
        title=f"Stitch down the inside of the band: {lower_first(finish.name)}",
        how=(
            f"The pressed-in edge of the {bench.name(inner)} just passes the row of stitching, by "
            f"{bench.margin(PASSES)}; pin from the right side, or baste, the curve eased round a ham.",
            "Right side up, stitch in the ditch of the seam, catching the fold below; or fell it by hand.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(bench.around([finish.id])),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        requires=(Need(facts.join(Fact.PRESSED, join.id), "it is sewn on and pressed into the band"),),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        caution=NEEDLE,
        booklet=bench.booklet(finish.id),
        look="Inside, the fold is caught all along; outside, nothing shows but the seam.",
    )


TECHNIQUES = (
    Technique(
        id="contour-band-layers",
        name="Contour band: its two layers",
        chapter="waists, collars and cuffs",
        finds=finds_layers,
        sews=layers,
        rank=12,
        words={"contour band": "a waistband cut in the curve of the figure, in two layers instead of a fold"},
        draw="facing",
    ),
    Technique(
        id="contour-band",
        name="Contour band put on the waist",
        chapter="waists, collars and cuffs",
        finds=finds_band,
        sews=band,
        rank=12,
        also=("shaped waistband", "curved waistband"),
        draw="collar sandwich",
    ),
    Technique(
        id="contour-band-inside",
        name="Inside of a contour band",
        chapter="waists, collars and cuffs",
        finds=finds_inside,
        sews=inside,
        rank=12,
        draw="band closed",
    ),
)
