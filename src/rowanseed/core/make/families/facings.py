"""Shaped facings: what they wait for, how they are sewn on, understitched, turned in and tacked."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.cloth.cloth import Fibre
from rowanseed.core.make import corners, facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.band_insides import kept
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.met_first import met_first
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Supply, Use
from rowanseed.core.make.run import Run
from rowanseed.core.make.runs import edge_name
from rowanseed.core.make.shared import grade, press, sew, understitch
from rowanseed.core.make.technique import Duty, single
from rowanseed.core.make.which import is_of_opening, other_hand
from rowanseed.core.make.workbench import HOT, Workbench, on_joins, shown
from rowanseed.core.pattern.draped import is_draped
from rowanseed.core.pattern.making import Detail, DetailKind, Finish, FinishKind, Join
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.core.pattern.walk import join_over_garment

ID = "shaped facing"


GIVES = (Fibre.VISCOSE, Fibre.SILK, Fibre.ACETATE)
"""Cloths whose edges grow under their own weight."""


FREE_OF_COIL = 5.0


def faced_at(bench: Workbench, edge: str) -> list[Join]:
    return [j for j in bench.joins.values() if bench.is_faced(j) and all(p.edge == edge for p in j.a)]


def all_in_one(bench: Workbench) -> list[Join]:
    """The armholes that are faced by the pieces that face the neck too, where facing and garment have side seams."""
    at_neck = {id for join in faced_at(bench, "neck") for id in pieces_of((*join.a, *join.b)) & bench.facings}
    found = [j for j in faced_at(bench, "armhole") if pieces_of((*j.a, *j.b)) & bench.facings <= at_neck]
    return found if sides_of(bench, found) and any(bench.closes_side(j) for j in bench.joins.values()) else []


def sides_of_all_in_one(bench: Workbench) -> list[Join]:
    """The side seams of such a facing: they are sewn with the garment's, in one run, once the armholes are faced."""
    return sides_of(bench, all_in_one(bench))


def sides_of(bench: Workbench, armholes: list[Join]) -> list[Join]:
    facing = {id for join in armholes for id in pieces_of((*join.a, *join.b)) & bench.facings}
    found = [(j, pieces_of((*j.a, *j.b))) for j in bench.joins.values()]
    return [j for j, pieces in found if pieces <= facing and len(pieces) == 2 and not is_at_shoulder(j)]


def is_at_shoulder(join: Join) -> bool:
    return any(part.edge == "shoulder" for part in (*join.a, *join.b))


def finds(bench: Workbench) -> Iterator[Duty]:
    in_one = {join.id for join in all_in_one(bench)}
    for join in bench.joins.values():
        if join.id in in_one:
            continue
        if bench.is_faced(join) and not bench.encloses(join) and not pieces_of((*join.a, *join.b)) & bench.linings:
            yield single(join.id)


def edge_faced(bench: Workbench, join: Join) -> str:
    """What the faced edge is called; where a seam goes on from one to the next, the edge by itself."""
    edges = {part.edge for part in join.a if part.piece not in bench.folded_in(join)}
    return "edge" if len(edges) > 1 else edge_name(bench, next(iter(edges)))


CORNERS = (
    "At the corner where the {half} edge meets the {neck} shorten the stitch to 1.5, pivot with the needle down, and "
    "take one stitch across it."
)


ROUND_THE_BREAK = (
    "Below the break, where the front turns back, with the facing up and all allowances under it; above it from the "
    "garment's side, since there the facing shows. Both rows end {short} short of the break."
)


ABOVE_THE_BREAK = ", above the break to the under side"


SEEN_BELOW = "Below the break the facing cannot be seen from outside; on the turned lapel the seam cannot."


OTHER_WAY = "Above the break, where the front turns back, the other way round: there the facing is what shows."


OVER_THE_BAND = (
    "At the lower edge the facing lies on first; then fold the {band} up on its fold line, right sides together, over "
    "the facing's lower end, {kept}: the seam closes the band's end from the fold on."
)


OVER_THE_END = (
    "At the edges that lap turn the edge back to the right side where it was folded, its raw edge staying folded in, "
    "over the facing's end: the seam catches all of it, and turned out the edge is finished above."
)


AT_OPENING = (
    "Where it meets the opening, turn {turned} of the facing's end to its wrong side so that the fold lies {short} "
    "from the fold of the opening, and fold the garment's own allowance back over it, right sides together."
)


def folded_over(bench: Workbench, join: Join) -> tuple[Finish, ...]:
    """The edges that lap and are folded on themselves, where this edge runs out on them."""
    pieces = pieces_of(join.a)
    return tuple(
        f
        for f in bench.finishes.values()
        if is_of_opening(f) and pieces_of(f.parts) & pieces and not any(p.edge == "opening" for p in join.a)
    )


def turns_back(bench: Workbench, join: Join) -> bool:
    """Whether the edge is that of a lapel, or of a collar in one with the front."""
    return any(line.kind is LineKind.ROLL for p in join.a for line in bench.piece(p.piece).lines)


ALL_ROUND = "all round, facing up, begun at a seam and sewn on over the beginning"


def has_corner(join: Join) -> bool:
    """Whether it runs from an edge that opens round the corner on to the neck."""
    return {"opening", "neck"} <= {part.edge for part in join.a}


def made_up(bench: Workbench, join: Join) -> Iterator[Need]:
    """The facing's own seams and its inner edge come before it goes on."""
    facing = pieces_of((*join.a, *join.b)) & bench.facings
    later = {side.id for side in sides_of_all_in_one(bench)}
    for other in bench.joins.values():
        if other.id not in (join.id, *later) and pieces_of((*other.a, *other.b)) <= facing:
            yield Need(facts.join(Fact.PRESSED, other.id), "the facing is joined in one piece first")
    for finish in bench.finishes.values():
        if not later and finish.kind is FinishKind.NEATENED and pieces_of(finish.parts) & facing:
            yield Need(facts.finish(Fact.FINISHED, finish.id), "its free edge is easier to finish before it is on")
    for other in bench.joins.values():
        if pieces_of(other.a) <= bench.hung and pieces_of(other.b) <= bench.facings:
            yield Need(facts.join(Fact.PRESSED, other.id), "the lining hangs from the facing")


def waits(bench: Workbench, join: Join) -> Iterator[Need]:
    yield from made_up(bench, join)
    for closure in bench.openings.zips_at(join):
        yield Need(facts.closure(Fact.CLOSED, closure.id), "the facing goes on after the zip")
    ended = {other.id for other in bench.crossing([join.id])}
    for detail in bench.details_of(DetailKind.BONING):
        if ended & set(detail.along):
            yield Need(facts.detail(Fact.FINISHED, detail.id), "the bones are in before their channels are closed")
    yield Need(
        facts.gate(Fact.SETTLED, "shell"),
        f"the fit can still be changed while the {edge_faced(bench, join)} is open",
        where_given=True,
    )
    yield Need(facts.layer(Fact.BASTED, "lining"), "the lining is caught in the seam", where_given=True)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join, edge = bench.joins[duty.id], edge_faced(bench, bench.joins[duty.id])
    at_waist, at_neck = join.a[0].edge == "waist", is_soft_neck(bench, join)
    if at_waist or at_neck:
        yield stay_tape(bench, join, "waist" if at_waist else "neck")
    ends = (
        f"Where it meets the zip, turn {bench.margin(20)} of the facing's end to its wrong side so that the fold lies "
        f"{bench.margin(FREE_OF_COIL)} from the coil, and fold the garment's own allowance back over it at the zip."
    )
    # A slit that the same facing faces is cut once the neck is sewn.
    closed = bench.runs.over(join.a, each_hand=join.each_hand).ring or bool(slits(bench, join))
    ring = closed and not bench.openings.opened_on(join)
    folded, neck = folded_over(bench, join), "neck" if bench.has_shoulders else "upper edge"
    open_ = bool(bench.openings.open_at(join)) and not bench.openings.zips_at(join)
    yield sew(
        bench,
        duty.ids,
        ID,
        act=Act.FACE,
        how=(
            f"Right sides together; match {met_first(bench, join.a)} first, "
            f"{'then the notches, ' if bench.notched(join) else ''}then between.",
            *((ends,) if bench.openings.zips_at(join) and not ring else ()),
            *(
                OVER_THE_BAND.format(band=bench.name(id), kept=kept(bench, [id]))
                for id in sorted(bench.folded_in(join))
            ),
            *((OVER_THE_END,) if folded else ()),
            *((AT_OPENING.format(turned=bench.margin(20), short=bench.margin(FREE_OF_COIL)),) if open_ else ()),
            f"{bench.seam_of(join)} {from_where(bench, join, ring=ring)}."
            + (" The tape is caught in it." if at_waist or at_neck else ""),
            *((CORNERS.format(half=bench.open_half, neck=neck),) if has_corner(join) else ()),
            *corners.pivoted(bench, join.a),
        ),
        requires=(
            *waits(bench, join),
            *(
                Need(facts.finish(Fact.PREPARED, f.id), "its folds are pressed before it is folded back")
                for f in folded
            ),
            Need(
                facts.join(Fact.PREPARED, join.id), "the tape is on before it is caught in the seam", where_given=True
            ),
        ),
        run=_run(bench, join, ring=ring),
        look="Seam stands on seam, and the edge has kept its length.",
    )
    graded = grade(bench, duty.ids, ID, inner="facing's", outer="garment's")
    yield replace(graded, how=(*graded.how, OTHER_WAY)) if turns_back(bench, join) else graded
    yield press(
        bench,
        duty.ids,
        ID,
        way="facing",
        words="towards the facing",
        title=f"Press the {edge} seam towards the facing",
        how=("As sewn first, then facing and allowances away from the garment.",),
        requires=(Need(facts.join(Fact.GRADED, join.id), "thin allowances press flat"),),
        look="Facing and allowances lie one way all along, without a pleat in the seam.",
    )
    yield understitch(
        bench,
        duty.ids,
        ID,
        what=edge,
        how=ROUND_THE_BREAK.format(short=bench.margin(25))
        if turns_back(bench, join)
        else "Facing up, all allowances under it; as near to the ends and corners as the machine will go. It keeps the "
        "facing inside.",
    )
    yield turn(bench, join, edge)
    yield tack(bench, join)


def slits(bench: Workbench, join: Join) -> tuple[Detail, ...]:
    """The slits that are faced in one with this edge."""
    facing = pieces_of(join.b)
    return tuple(d for d in bench.details_of(DetailKind.FACED_SLIT) if set(d.pieces) & facing)


def _run(bench: Workbench, join: Join, *, ring: bool) -> Run | None:
    """How its stitching runs; None where one hand is sewn all round and the other is not."""
    run = bench.runs.over(join.a, each_hand=join.each_hand)
    if ring:
        return replace(run, ring=True, said="")
    if join.each_hand and bench.openings.hand_opened(join.a):
        return None
    return replace(run, ring=False, said="from end to end")


def from_where(bench: Workbench, join: Join, *, ring: bool) -> str:
    if ring:
        return ALL_ROUND
    ends = "from end to end, facing up; backstitch both ends"
    hand = bench.openings.hand_opened(join.a) if join.each_hand else ""
    return f"on the {hand} {ends}; on the {other_hand(hand)} {ALL_ROUND}" if hand else ends


def is_soft_neck(bench: Workbench, join: Join) -> bool:
    """Whether a neck is of a cloth that gives: what hangs from it draws it out of shape."""
    at_neck = any(part.edge == "neck" for part in (*join.a, *join.b))
    return at_neck and bench.household.fibre in GIVES and not bench.household.is_knit


def stay_tape(bench: Workbench, join: Join, edge: str) -> Operation:
    around = join_over_garment(bench.pattern, bench.size, join)
    return Operation(
        id=f"stay-tape-{join.id}",
        technique="stay tape",
        act=Act.STAY,
        title=f"Baste a stay tape to the {edge}",
        how=(
            f"Cotton tape {bench.margin(6)} wide, or a strip of selvedge, cut to the finished {edge}: "
            f"{bench.fine(around)} and {bench.margin(20)} for the ends.",
            "On the wrong side, its middle on the stitching line; pin at the centres and seams, ease the cloth to "
            "the tape, and baste. It carries the weight, since a facing alone stretches."
            + (" Clip it where the neck curves most." if edge == "neck" else ""),
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(around / 2),
        on=On(joins=(join.id,), edges=shown(join.a)),
        requires=(
            *(
                Need(facts.join(Fact.PRESSED, other.id), f"the {edge} is whole first", where_given=True)
                for other in bench.crossing([join.id])
                if bench.joins_shell(other)
            ),
            Need(facts.gate(Fact.SETTLED, "shell"), f"it is cut to the {edge} as fitted", where_given=True),
        ),
        gives=(facts.join(Fact.PREPARED, join.id),),
        uses=(Use(Supply.TAPE, around + 20.0),),
        look=f"Measured along the tape, the {edge} is its finished length.",
    )


_SOFT = (
    "Only behind, from shoulder seam to shoulder seam: in front the cowl's edge is rolled between the fingers and not "
    "pressed, so that it falls softly."
)


def _falls(bench: Workbench, join: Join) -> bool:
    """Whether the edge is that of a cowl in front."""
    parts = (p for p in (*join.a, *join.b) if p.edge == "neck")
    return any(is_draped(bench.pattern.piece(p.piece), bench.size) for p in parts)


def turn(bench: Workbench, join: Join, edge: str) -> Operation:
    turned = turns_back(bench, join)
    return Operation(
        id=f"turn-{join.id}",
        technique=ID,
        act=Act.TURN,
        title=f"Turn the facing in and press the {edge}",
        how=(
            *(
                f"Turn the {bench.name(id)} right side out with it, and push its corner square with something blunt."
                for id in sorted(bench.folded_in(join))
            ),
            f"Roll the seam {bench.margin(1)} to the inside{ABOVE_THE_BREAK if turned else ''}; press from the wrong "
            f"side. {iron_for(bench)}",
            *((_SOFT,) if _falls(bench, join) else ()),
        ),
        bench=Bench.IRON,
        minutes=minutes.press(bench.around([join.id])),
        on=on_joins(bench, join.id),
        requires=(
            Need(facts.join(Fact.UNDERSTITCHED, join.id), "then it stays inside"),
            *(
                Need(facts.detail(Fact.JOINED, slit.id), "the slit is sewn and cut before the facing is turned")
                for slit in slits(bench, join)
            ),
        ),
        gives=(facts.join(Fact.TURNED, join.id),),
        caution=HOT,
        look=SEEN_BELOW if turned else "From the right side the facing cannot be seen.",
    )


def tack(bench: Workbench, join: Join) -> Operation:
    zipped = "; fell its folded ends to the zip's tape, clear of the coil" if bench.openings.zips_at(join) else ""
    return Operation(
        id=f"tack-{join.id}",
        technique=ID,
        act=Act.TACK,
        title=f"Catch the facing down: {lower_first(join.name)}",
        how=(f"Three or four stitches to the allowances at every seam, loosely, never to the outside{zipped}.",),
        bench=Bench.HAND,
        minutes=minutes.each(8),
        on=on_joins(bench, join.id),
        requires=(Need(facts.join(Fact.TURNED, join.id), "it lies in its place"),),
        gives=(facts.join(Fact.ATTACHED, join.id),),
        look="From outside nothing shows, and lifted by its edge the facing gives a little.",
    )
