"""Edges that are in no join: neatened, bound, turned and stitched, with a casing."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.casing import ROOM, turned_under, width
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.patches import turned_all_round
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Supply, Use
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.steps import of_finish
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques import lap_ends
from rowanseed.core.make.techniques.bands import folded_first, turned_first
from rowanseed.core.make.which import drawn_through, is_drawn_by_ties, is_of_opening, is_vent, other_hand
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import DetailKind, Finish, FinishKind
from rowanseed.core.pattern.pieces import Panel

BINDING = 10.0
"""The finished width of a binding where nothing else is said, in mm (common practice, no source)."""


def _of(bench: Workbench, kind: FinishKind) -> Iterator[Finish]:
    return (f for f in bench.finishes.values() if f.kind is kind)


def finds_neatened(bench: Workbench) -> Iterator[Duty]:
    for finish in _of(bench, FinishKind.NEATENED):
        if not is_vent(bench, finish):
            yield single(finish.id)


def finds_bound(bench: Workbench) -> Iterator[Duty]:
    for finish in _of(bench, FinishKind.BINDING):
        yield single(finish.id)


def finds_casing(bench: Workbench) -> Iterator[Duty]:
    """Tunnels for elastic, or for what the pattern does not say."""
    for finish in _of(bench, FinishKind.CASING):
        if not is_drawn_by_ties(bench, finish):
            yield single(finish.id, *(c.id for c in drawn_through(bench, finish)))


def finds_turned(bench: Workbench) -> Iterator[Duty]:
    """Edges of the garment itself that are turned in twice and stitched: an opening, an armhole, a ruffle."""
    loose = {f.id for f in turned_all_round(bench)}
    loose |= {id for detail in bench.details.values() for id in bench.parts_of(detail)}
    for finish in _of(bench, FinishKind.TURNED):
        bands = all(bench.panel(p.piece) is Panel.BAND for p in finish.parts)
        if lap_ends.is_lap_end(bench, finish):
            continue
        if finish.id not in loose and not bands and not pieces_of(finish.parts) <= bench.linings:
            yield single(finish.id)


def _on(finish: Finish) -> On:
    return On(finishes=(finish.id,), edges=shown(finish.parts))


def across(bench: Workbench, finish: Finish) -> Iterator[Need]:
    """Seams that end on an edge are pressed before it is finished across them, and bands that lap there are folded."""
    yield from folded_first(bench, finish.parts)
    if finish.kind is FinishKind.BINDING:
        yield from turned_first(bench, finish.parts)
    crossing = {join.id for join in bench.crossing([finish.id])}
    for detail in bench.details_of(DetailKind.SLIT):
        if bench.openings.opens_above(detail) and detail.along[0] in crossing and finish.kind is FinishKind.BINDING:
            yield Need(facts.detail(Fact.FINISHED, detail.id), "the edge is bound once the opening is stitched round")
    for join in bench.crossing([finish.id]):
        if (not bench.is_faced(join) and Panel.BAND not in bench.panels((*join.a, *join.b))) or pieces_of(
            (*join.a, *join.b)
        ) <= bench.facings:
            yield Need(facts.join(Fact.PRESSED, join.id), "a seam is pressed before its edge is finished across it")
        elif bench.is_faced(join) and not pieces_of(finish.parts) & bench.inner and not _reaches_hem(finish):
            yield Need(facts.join(Fact.TURNED, join.id), "the facing that ends there is turned in", where_given=True)


def _reaches_hem(finish: Finish) -> bool:
    """Whether it is a lower edge, which a facing's end is closed at in its own way."""
    return all(p.edge in ("hem", "wrist") for p in finish.parts)


def whole(bench: Workbench, finish: Finish, joined: str = "begun at a seam") -> str:
    """From where to where an edge is finished; where a zip opens one of two rings, each hand by itself."""
    hand = bench.openings.hand_opened(finish.parts)
    if hand:
        return f"on the {hand} from one edge of the zip to the other, on the {other_hand(hand)} all round, {joined}"
    return f"all round, {joined}" if bench.runs.over(finish.parts).ring else "from end to end"


def neatened(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    at, setting = settings.neaten(bench.household)
    mm = bench.around([finish.id])
    yield Operation(
        id=f"neaten-{finish.id}",
        technique="neatened edge",
        act=Act.NEATEN,
        title=f"Neaten the {lower_first(finish.name)}",
        how=(f"In one run {whole(bench, finish)}, after its seams are pressed, right side up.",),
        bench=at,
        minutes=minutes.neaten(mm),
        on=_on(finish),
        requires=(
            *across(bench, finish),
            *(
                Need(facts.piece(Fact.STIFFENED, id), "interfacing goes on first", where_given=True)
                for id in sorted(pieces_of(finish.parts))
            ),
        ),
        gives=(facts.finish(Fact.FINISHED, finish.id), facts.finish(Fact.NEATENED, finish.id)),
        setting=setting,
        booklet=bench.booklet(finish.id),
    )


def bound(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    mm = bench.around([finish.id])
    allowance = bench.edge_allowance(finish.parts[0])
    inwards = any(bench.bends.is_curved(part) for part in finish.parts)
    name = lower_first(finish.name)
    yield Operation(
        id=f"bind-{finish.id}",
        technique="bias binding",
        act=Act.TRIM,
        title=f"Sew the binding on: {name}",
        how=(
            f"Bias strip {bench.margin(4 * BINDING)} wide, {bench.length(mm + 60)} long, both long edges pressed in; "
            "open one fold, right sides together, raw edges even.",
            f"Stitch in the crease {whole(bench, finish)}: lay it in without pulling on an outward curve; on an "
            "inward one open the edge towards straight as you sew.",
            f"Trim the garment's allowance to the binding's, {bench.margin(min(allowance, BINDING))}."
            if inwards or allowance > BINDING
            else "Press the binding away from the garment.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(mm),
        on=On(edges=shown(finish.parts)),
        requires=(*bench.flat_first([finish.id]), *across(bench, finish)),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        uses=(Use(Supply.BINDING, mm),),
        setting=settings.seam(bench.household),
        rows=0,
        caution=NEEDLE,
        look="The edge has kept its length.",
    )
    yield Operation(
        id=f"turn-{finish.id}",
        technique="bias binding",
        act=Act.BIND,
        title=f"Wrap and stitch the binding: {name}",
        how=(
            f"Press it away, wrap it over the edge so that the far fold passes the stitching by {bench.margin(2)}; "
            "pin from the right side.",
            "Stitch in the ditch from the right side, or edgestitch the fold.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(mm),
        on=_on(finish),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "it is sewn on first"),),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        rows=2,
        booklet=bench.booklet(finish.id),
        look="Inside, the fold is caught all along, and it has one width.",
    )


def casing(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, "casing", duty.id)
    allowance = bench.edge_allowance(finish.parts[0])
    under = turned_under(allowance)
    what = "elastic" if duty.ids[1:] else "elastic or cord"
    yield step(
        "fold",
        Act.PRESS,
        f"Press the casing: {step.name}",
        f"{bench.margin(under)} to the wrong side, then {bench.margin(allowance - under)}: the tunnel inside is "
        f"{bench.margin(width(allowance))} wide, the elastic's width and {bench.margin(ROOM)}. {iron_for(bench)}",
        at=Bench.IRON,
        needs=(*bench.flat_first([finish.id]), *across(bench, finish)),
        gives=(Fact.PREPARED,),
    )
    yield step(
        "sew",
        Act.HEM,
        f"Stitch the casing: {step.name}",
        f"{bench.margin(2)} from the inner fold, all round; leave {bench.margin(50)} open at a seam, backstitching "
        "both sides of the gap.",
        after={Fact.PREPARED: "it is pressed first"},
        gives=(Fact.HEMMED,),
    )
    yield step(
        "thread",
        Act.FASTEN,
        f"Draw the {what} in: {step.name}",
        *(() if duty.ids[1:] else ("The pattern does not say which; the envelope's notions do.",)),
        "A safety pin or bodkin in its end, the other end pinned down; not twisted.",
        f"Try it on and mark where it is comfortable; lap the ends {bench.margin(13)}, sew a square with a cross, then "
        "close the gap and stretch the casing so that the fullness spreads.",
        at=Bench.HAND,
        took=minutes.each(10),
        uses=(Use(Supply.ELASTIC, bench.round_the_body([duty.id]), wide=width(allowance) - ROOM),),
        after={Fact.HEMMED: "its tunnel is sewn first"},
        gives=(Fact.FINISHED, *(facts.closure(Fact.CLOSED, id) for id in duty.ids[1:])),
        on=On(finishes=(finish.id,), closures=duty.ids[1:], edges=shown(finish.parts)),
        booklet=True,
        look="It runs flat inside, and the fullness is even.",
    )


def turned(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    mm = bench.around([finish.id])
    allowance = bench.edge_allowance(finish.parts[0])
    name = lower_first(finish.name)
    before = list(across(bench, finish))
    # An edge that laps is folded back over the end of a facing while that is sewn on, and stitched down afterwards.
    later = [need for need in before if need.state.fact is Fact.TURNED and is_of_opening(finish)]
    yield Operation(
        id=f"fold-{finish.id}",
        technique="turned edge",
        act=Act.PRESS,
        title=f"Turn in and press: {name}",
        how=(
            f"{bench.margin(allowance / 2)} to the wrong side and as much again: the raw edge lies in the fold. "
            f"{iron_for(bench)}",
            *(
                ("On a curve stretch or ease the fold with the iron, a little at a time.",)
                if any(bench.bends.is_curved(p) for p in finish.parts)
                else ()
            ),
        ),
        bench=Bench.IRON,
        minutes=minutes.press(2 * mm),
        on=On(edges=shown(finish.parts)),
        requires=(*bench.flat_first([finish.id]), *(need for need in before if need not in later)),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        caution=HOT,
    )
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique="turned edge",
        act=Act.TURN,
        title=f"Stitch it down: {name}",
        how=(f"{bench.margin(2)} from the inner fold, {whole(bench, finish)}.",),
        bench=Bench.MACHINE,
        minutes=minutes.seam(mm),
        on=_on(finish),
        requires=(
            Need(facts.finish(Fact.PREPARED, finish.id), "it is pressed first"),
            *later,
            *lap_ends.on_edge(bench, finish),
        ),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        caution=NEEDLE,
        booklet=bench.booklet(finish.id),
    )


TECHNIQUES = (
    Technique(
        id="neatened-edge",
        name="Neatened edge",
        chapter="edges",
        finds=finds_neatened,
        sews=neatened,
        rank=30,
        draw="neatened",
    ),
    Technique(
        id="bias-binding",
        name="Bias binding",
        chapter="edges",
        finds=finds_bound,
        sews=bound,
        rank=30,
        words={"bias": "the slanting direction of a cloth, in which it stretches"},
        draw="binding",
    ),
    Technique(
        id="casing",
        name="Casing with elastic",
        chapter="fullness",
        finds=finds_casing,
        sews=casing,
        rank=30,
        words={"casing": "a tunnel for elastic or a cord"},
        draw="casing",
    ),
    Technique(
        id="turned-edge",
        name="Edge turned twice and stitched",
        chapter="edges",
        finds=finds_turned,
        sews=turned,
        rank=60,
        draw="double hem",
    ),
)
