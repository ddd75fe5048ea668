"""Pockets with bags: in a seam, behind a slanted mouth, through a welt; and flaps."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact, State
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation, Supply, Use
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.steps import Steps, of_detail
from rowanseed.core.make.technique import Duty, Finds, Technique, single
from rowanseed.core.make.techniques.pockets import turned_all_round
from rowanseed.core.make.workbench import BLADES, NEEDLE, Workbench, shown
from rowanseed.core.pattern.making import POCKET_DOTS, Detail, DetailKind, EdgePart, FinishKind
from rowanseed.core.pattern.seamline import mark_distance

STAY = 10.0
"""A strip that keeps a pocket mouth from stretching is so wide, in mm (common practice, no source)."""
MOUTH = 140.0


def _finds(kind: DetailKind) -> Finds:
    """Pockets that bring their own pieces; every seam and edge of these is made with them."""

    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.pieces and detail.on:
                mouths = (id for id in detail.along if id in bench.joins and bench.joins[id].press.value == "facing")
                yield single(detail.id, *dict.fromkeys((*bench.parts_of(detail), *mouths)))

    return finds


def _ready(bench: Workbench, detail: Detail) -> tuple[Need, ...]:
    return tuple(_seams_below(bench, detail)) + tuple(
        Need(facts.piece(fact, id), why, where_given=True)
        for id in (*detail.pieces, *detail.on)
        for fact, why in (
            (Fact.STIFFENED, "interfacing goes on first"),
            (Fact.SHAPED, "darts come before what lies over them"),
            (Fact.BACKED, "piece and underlining are one first"),
            (Fact.MARKED, "its place is marked again first"),
        )
    )


def _seams_below(bench: Workbench, detail: Detail) -> Iterator[Need]:
    """The seams that a pocket lies across."""
    for join in bench.joins.values():
        pieces = pieces_of((*join.a, *join.b))
        if pieces <= set(detail.on) and bench.carry_one_pocket(pieces):
            yield Need(facts.join(Fact.PRESSED, join.id), "it lies across that seam", where_given=True)


def _edges(bench: Workbench, detail: Detail) -> On:
    parts = [EdgePart(id, edge.name) for id in detail.pieces for edge in bench.piece(id).edges]
    return On(pieces=(*detail.pieces, *detail.on), edges=shown(parts))


def _finished(bench: Workbench, duty: Duty, kinds: tuple[FinishKind, ...] | None = None) -> tuple[str, ...]:
    return tuple(id for id in duty.ids if id in bench.finishes and (kinds is None or bench.finishes[id].kind in kinds))


def _own_joins(bench: Workbench, duty: Duty) -> tuple[str, ...]:
    return tuple(id for id in duty.ids if id in bench.joins)


def _given(bench: Workbench, duty: Duty) -> tuple[Fact | State, ...]:
    """What a finished pocket gives: its seams and edges, and the piece it is made on."""
    detail = bench.details[duty.id]
    return (
        Fact.FINISHED,
        *(facts.finish(Fact.FINISHED, id) for id in _finished(bench, duty)),
        *(facts.piece(Fact.ATTACHED, id) for id in detail.on),
    )


def _number(bench: Workbench, detail: Detail) -> int:
    """How many are made: a flap or a welt, one or two as it is cut; else one on each piece that it is on."""
    if detail.kind in (DetailKind.FLAP, DetailKind.WELT_POCKET) and detail.pieces:
        return min(2, bench.number_cut(detail.pieces[0]))
    return max((bench.number_cut(id) for id in detail.on), default=1)


def _level(number: int) -> tuple[str, ...]:
    return ("Both sides alike: lay left and right on each other and compare.",) if number > 1 else ()


def _bag(
    step: Steps, duty: Duty, *, after: dict[Fact, str], how: tuple[str, ...], needs: tuple[Need, ...] = ()
) -> Iterator[Operation]:
    """The bag sewn round, its edges neatened as one, and pressed: every own seam of the pocket."""
    bench = step.bench
    detail = bench.details[duty.id]
    joins = tuple(i for i in _own_joins(bench, duty) if i not in detail.along)
    number = _number(bench, detail)
    yield step(
        "bag",
        Act.JOIN if joins else Act.ATTACH,
        f"Sew the pocket bag: {step.name}",
        *how,
        f"Both layers together: neaten the edges as one. In a pocket that carries much a second row {bench.margin(3)} "
        "outside the first.",
        took=minutes.each(7, number),
        after=after,
        needs=needs,
        gives=(
            Fact.CLOSED,
            *(facts.join(fact, id) for id in joins for fact in (Fact.JOINED, Fact.FINISHED)),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(pieces=(*detail.pieces, *detail.on), joins=joins, edges=_edges(bench, detail).edges),
        rows=0,
        look="The bag hangs towards the front and holds a hand.",
    )
    if joins:
        yield step(
            "press-bag",
            Act.PRESS,
            f"Press the pocket bag flat: {step.name}",
            f"Its allowances to one side, the garment folded out of the way so that no ridge shows. {iron_for(bench)}",
            at=Bench.IRON,
            took=minutes.each(2, number),
            after={Fact.CLOSED: "the bag is sewn first"},
            gives=facts.joins(Fact.PRESSED, joins),
            on=On(joins=joins, edges=_edges(bench, detail).edges),
            look="From the right side the bag cannot be seen.",
        )


def _pinned(step: Steps, duty: Duty, how: str, look: str) -> Operation:
    """The last of a pocket: it lies in its place and is held there until the seams catch it."""
    bench = step.bench
    return step(
        "hold",
        Act.ATTACH,
        f"Hold the pocket in its place: {step.name}",
        how,
        at=Bench.HAND,
        took=minutes.each(3, _number(bench, bench.details[duty.id])),
        after={Fact.CLOSED: "the bag is sewn first"},
        gives=_given(bench, duty),
        on=On(
            pieces=_edges(bench, bench.details[duty.id]).pieces,
            finishes=_finished(bench, duty),
            edges=_edges(bench, bench.details[duty.id]).edges,
        ),
        booklet=True,
        look=look,
    )


def mouth_of(bench: Workbench, detail: Detail) -> tuple[float, bool]:
    """How long the mouth of an in-seam pocket is, in mm, and whether the tissue marks it."""
    for piece in (bench.piece(id) for id in detail.on):
        dots = [mark for mark in piece.marks if mark.id in POCKET_DOTS]
        if len(dots) == len(POCKET_DOTS):
            a, b = (mark_distance(piece, bench.size, mark) for mark in dots)
            return abs(b - a), True
    return MOUTH, False


def in_seam(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step, number = of_detail(bench, "in-seam pocket", duty.id), _number(bench, detail)
    if detail.along:
        number = detail.count
    mouth, marked = mouth_of(bench, detail)
    yield step(
        "mouth",
        Act.STAY,
        f"Hold the mouth, and sew the bags on: {step.name}",
        f"On the wrong side of the front's edge a strip of fusible or a tape, {bench.margin(STAY)} wide and "
        f"{bench.margin(40)} longer than the mouth, along the stitching line.",
        "One bag on each edge of the seam, right sides together, between the pocket "
        f"{'dots' if marked else 'marks'} ({'' if marked else 'about '}{bench.length(mouth)}): sew {bench.margin(3)} "
        "outside the seam's stitching line, in the allowance, so that the bag's seam rolls inside. Press the bags out, "
        "away from the garment, and neaten the allowances with the seam's edges.",
        f"Understitch the front bag {bench.margin(2)} from the seam.",
        *_level(number),
        took=minutes.each(9, number),
        needs=_ready(bench, detail),
        gives=(Fact.PREPARED,),
        uses=(Use(Supply.FUSIBLE_TAPE, number * (mouth + 40.0)),),
        on=_edges(bench, detail),
        rows=0,
        look="The bags' upper ends stand at the same height on both edges.",
    )
    yield from _bag(
        step,
        duty,
        after={Fact.PREPARED: "the bags are on both edges first"},
        how=(
            "Lay front and back right sides together as for the seam, the bags on each other: sew round the bags from "
            f"one pocket mark to the other, {bench.margin(10)} from their edge.",
            "The seam of the garment is sewn later down to the upper mark and on from the lower one, with a "
            "backstitch at each; between them lies the mouth.",
        ),
    )
    yield _pinned(
        step,
        duty,
        "Fold the bag to the front and baste its top into the waist's or the next seam's allowance, where it stays; "
        "without one, tack it to the front's allowance. A few stitches on the spot at both ends of the mouth take the "
        "strain.",
        "Closed, the mouth cannot be told from the seam.",
    )


def slant(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step, number = of_detail(bench, "slant pocket", duty.id), _number(bench, detail)
    mouths = tuple(id for id in detail.along if id in duty.ids)
    parts = tuple(part for id in mouths for part in bench.parts(id))
    yield step(
        "mouth",
        Act.FACE if mouths else Act.STAY,
        f"Face the slanted mouth: {step.name}",
        f"The mouth runs off the grain and stretches: first a tape or a strip of fusible, {bench.margin(STAY)} wide, "
        "cut to the length of the tissue's line, along its stitching line on the wrong side.",
        "Pocket facing on the front, right sides together, notches matched; sew along the mouth, from end to end.",
        *_level(number),
        took=minutes.each(7, number),
        needs=_ready(bench, detail),
        gives=(Fact.PREPARED, *facts.joins(Fact.JOINED, mouths)),
        uses=(Use(Supply.FUSIBLE_TAPE, number * (MOUTH + 40.0)),),
        on=On(pieces=_edges(bench, detail).pieces, joins=mouths, edges=shown(parts) or _edges(bench, detail).edges),
        rows=0,
        look="Laid on its tissue, the mouth has kept its length.",
    )
    yield step(
        "grade",
        Act.TRIM,
        f"Grade, turn and press the mouth: {step.name}",
        f"Trim the facing's allowance to {bench.margin(6)} and the front's to {bench.margin(10)}; clip where it "
        f"curves. Turn the facing in, roll the seam {bench.margin(1)} inside, and press. {iron_for(bench)}",
        at=Bench.IRON,
        took=minutes.each(4, number),
        after={Fact.PREPARED: "the mouth is faced first"},
        gives=(Fact.GRADED, *facts.joins(Fact.PRESSED, mouths)),
        on=On(joins=mouths, edges=shown(parts)),
        caution=BLADES,
    )
    yield step(
        "understitch",
        Act.TOPSTITCH,
        f"Stitch along the mouth: {step.name}",
        f"Understitch the facing, or topstitch the mouth {bench.margin(6)} from its edge, from the right side.",
        took=minutes.each(4, number),
        setting=settings.topstitch(bench.household, bench.margin(6)),
        after={Fact.GRADED: "it is turned and pressed first"},
        gives=(Fact.TOPSTITCHED, *facts.joins(Fact.UNDERSTITCHED, mouths)),
        on=On(joins=mouths, edges=shown(parts)),
        rows=0,
    )
    yield from _bag(
        step,
        duty,
        after={Fact.TOPSTITCHED: "the mouth is finished first"},
        how=(
            "Lay the mouth on the side piece of the pocket at its placement line, both flat; pin. Lift the front away "
            f"and sew bag and side piece together round their curve, {bench.margin(12)} from the edge.",
        ),
    )
    yield _pinned(
        step,
        duty,
        "Pin front and side piece along the mouth, a finger's room in it, not tight over the hip; baste across the "
        "waist and down the side in the allowance, where it stays. They are one piece from now on.",
        "Standing, the mouth lies closed and does not gape.",
    )


def welt(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step, number = of_detail(bench, "welt pocket", duty.id), _number(bench, detail)
    yield step(
        "made-up",
        Act.TURN,
        f"Make up the welt: {step.name}",
        "Interface it, fold it right sides together along its fold line, sew across both ends, trim to "
        f"{bench.margin(5)} and the corners across; turn, press, and baste the raw edges together.",
        "A strip of fusible behind the marked line on the garment, wrong side, wide enough to hold both rows.",
        *_level(number),
        took=minutes.each(7, number),
        needs=_ready(bench, detail),
        gives=(Fact.PREPARED,),
        on=_edges(bench, detail),
        rows=0,
        look="Welts of a pair are equal: lay them on each other.",
    )
    yield step(
        "rows",
        Act.STAY,
        f"Sew welt and bag to the garment: {step.name}",
        "Right side up: the welt below the line, its raw edges on it and its fold pointing down, its seam exactly on "
        "the lower row; a bag piece above the line, right side down, its edge on the line.",
        f"Sew the lower row along the welt from end to end, then the upper row {bench.margin(10)} above it and "
        f"{bench.margin(4)} shorter at both ends; backstitch all four ends exactly at their marks.",
        took=minutes.each(9, number),
        after={Fact.PREPARED: "the welt is made up first"},
        gives=(Fact.JOINED,),
        on=_edges(bench, detail),
        rows=0,
        look="From the wrong side both rows are parallel and end where they were marked.",
    )
    yield step(
        "slash",
        Act.CUT,
        f"Cut the mouth: {step.name}",
        f"Between the rows, garment only, to {bench.margin(12)} from both ends; from there slanting into the four ends "
        "of stitching, up to the last stitch and not through it. Allowances of welt and bag are not cut.",
        at=Bench.TABLE,
        took=minutes.each(3, number),
        after={Fact.JOINED: "both rows are sewn and checked first"},
        gives=(Fact.OPENED,),
        on=_edges(bench, detail),
        look="Four little cuts end exactly at the rows.",
    )
    yield from _bag(
        step,
        duty,
        after={Fact.OPENED: "the mouth is cut first"},
        how=(
            "Draw the bag through to the wrong side and the welt up over the mouth. Sew the second bag piece to the "
            "welt's allowances inside; press both rows away from the mouth.",
            "Lift the garment at the ends and sew the little triangles down to the bags, in line with the ends of the "
            "welt.",
            f"Sew round the two bag pieces, {bench.margin(10)} from their edge, beginning and ending over the "
            "triangles.",
        ),
    )
    yield _pinned(
        step,
        duty,
        "Slip stitch both ends of the welt to the garment, or edgestitch them, with a few stitches on the spot at "
        "their upper corners. Press it closed, face down on a towel.",
        "The welt covers its mouth and stands square.",
    )


def flap(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step, number = of_detail(bench, "pocket flap", duty.id), _number(bench, detail)
    joins = _own_joins(bench, duty)
    yield step(
        "made-up",
        Act.JOIN if joins else Act.TURN,
        f"Make up the flap: {step.name}",
        "Flap and its lining right sides together, the lining stretched to fit, a little smaller so that it rolls "
        f"under; sew the sides and the lower edge, stitch length 1.5 round the corners. Trim to {bench.margin(5)}, "
        f"notch curves, turn, press with the seam rolled {bench.margin(1)} under.",
        f"Topstitch {bench.margin(6)} from the edge if the garment is topstitched. Both of a pair together.",
        took=minutes.each(9, number),
        needs=_ready(bench, detail),
        gives=(
            Fact.PREPARED,
            *(facts.join(fact, id) for id in joins for fact in (Fact.JOINED, Fact.PRESSED)),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(pieces=detail.pieces, joins=joins, edges=_edges(bench, detail).edges),
        rows=0,
        look="Flaps of a pair are equal, and their corners have one curve.",
    )
    yield step(
        "sew-on",
        Act.ATTACH,
        f"Sew the flap on: {step.name}",
        f"Right side down, pointing up, its raw edge on the placement line, {bench.margin(12)} above the pocket's "
        f"mouth; it is {bench.margin(3)} wider than the pocket at both sides. Stitch on its stitching line and "
        "backstitch.",
        f"Trim to {bench.margin(4)}, fold the flap down over it, press, and topstitch {bench.margin(6)} below the "
        "fold, so that the raw edge is enclosed.",
        *_level(number),
        took=minutes.each(6, number),
        setting=settings.topstitch(bench.household, bench.margin(6)),
        after={Fact.PREPARED: "it is made up first"},
        needs=tuple(
            Need(facts.finish(Fact.ATTACHED, f.id), "the pocket below is on first", where_given=True)
            for f in turned_all_round(bench)
        ),
        gives=_given(bench, duty),
        on=On(
            pieces=_edges(bench, detail).pieces,
            finishes=_finished(bench, duty),
            edges=_edges(bench, detail).edges,
        ),
        rows=0,
        caution=NEEDLE,
        booklet=True,
        look="It hangs level and covers the mouth.",
    )


def _technique(
    kind: DetailKind, name: str, sews: Callable[..., Iterator[Operation]], draw: str, **more: object
) -> Technique:
    return Technique(
        id=kind.value,
        name=name,
        chapter="pockets and small parts",
        finds=_finds(kind),
        sews=sews,
        rank=11,
        draw=draw,
        **more,  # type: ignore[arg-type]
    )


TECHNIQUES = (
    _technique(
        DetailKind.IN_SEAM_POCKET,
        "In-seam pocket",
        in_seam,
        "pocket bag",
        words={"pocket bag": "the two layers inside that hold what is put into a pocket"},
    ),
    _technique(DetailKind.SLANT_POCKET, "Slant pocket", slant, "pocket bag", also=("hip pocket",)),
    _technique(
        DetailKind.WELT_POCKET,
        "Welt pocket with bags",
        welt,
        "welt",
        words={"welt": "the folded strip that stands over a cut pocket mouth"},
    ),
    _technique(DetailKind.FLAP, "Pocket flap", flap, "flap"),
)
