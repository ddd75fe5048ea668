"""Straps, belt loops, tabs and tie belts: made up from strips, tried on the body, then caught or sewn on."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact, State
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.steps import Steps, of_detail
from rowanseed.core.make.technique import Duty, Finds, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Detail, DetailKind, EdgePart


def _finds(kind: DetailKind) -> Finds:
    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.pieces:
                own = set(detail.pieces)
                caught = (f.id for f in bench.finishes.values() if pieces_of(f.parts) <= own)
                yield single(detail.id, *dict.fromkeys((*bench.parts_of(detail), *caught)))

    return finds


def _wide(bench: Workbench, detail: Detail) -> str:
    return bench.margin(detail.width) if detail.width else "their finished width"


def _on(bench: Workbench, duty: Duty, *, finishes: bool) -> On:
    detail = bench.details[duty.id]
    edges = shown(EdgePart(id, edge.name) for id in detail.pieces for edge in bench.piece(id).edges)
    done = tuple(id for id in duty.ids if id in bench.finishes) if finishes else ()
    return On(pieces=detail.pieces, finishes=done, edges=edges)


def _folded(step: Steps, duty: Duty, what: str, *more: str) -> Operation:
    """A strip folded to the middle and again, and stitched along both edges."""
    bench = step.bench
    detail = bench.details[duty.id]
    joins = tuple(id for id in duty.ids if id in bench.joins)
    return step(
        "fold",
        Act.JOIN if joins else Act.TURN,
        f"Fold and stitch the {what}: {step.name}",
        "Press the strip in half lengthwise, open it, bring both long edges to that line, and fold again: four "
        f"layers, {_wide(bench, detail)} wide. Edgestitch both long sides {bench.margin(2)} from the edge, in the same "
        "direction.",
        *more,
        took=minutes.each(5, max(1, min(detail.count, 4))),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        needs=tuple(
            Need(facts.piece(Fact.STIFFENED, id), "interfacing goes on first", where_given=True) for id in detail.pieces
        ),
        gives=(
            Fact.PREPARED,
            *(facts.join(fact, id) for id in joins for fact in (Fact.JOINED, Fact.PRESSED)),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(pieces=detail.pieces, joins=joins, edges=_on(bench, duty, finishes=False).edges),
        rows=0,
        look="It has one width from end to end and is not twisted.",
    )


def _caught(bench: Workbench, duty: Duty) -> tuple[Fact | State, ...]:
    detail = bench.details[duty.id]
    return (
        Fact.FINISHED,
        *(facts.finish(fact, id) for id in duty.ids if id in bench.finishes for fact in (Fact.FINISHED, Fact.ATTACHED)),
        *facts.joins(Fact.BASTED, (id for id in detail.along if id in bench.joins)),
    )


def _pressed_to(bench: Workbench, detail: Detail) -> tuple[Need, ...]:
    return tuple(
        Need(facts.join(Fact.PRESSED, join.id), "the edge it goes to is whole first", where_given=True)
        for id in detail.along
        if id in bench.joins
        for join in bench.crossing([id])
        if bench.joins_shell(join) and not pieces_of((*join.a, *join.b)) & bench.inner
    )


def strap(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "strap", duty.id)
    yield _folded(step, duty, "straps", f"{detail.count} of them, all alike.")
    yield step(
        "try",
        Act.TRY_ON,
        f"Try the straps' length on the body: {step.name}",
        "Front ends pinned at their marks, garment on: bring each over the shoulder without a twist, pin where it "
        "neither cuts in nor slips, and look from the side. Mark on the strap where it leaves the edge; left and "
        "right may differ.",
        at=Bench.MIRROR,
        after={Fact.PREPARED: "they are made up first"},
        needs=_pressed_to(bench, detail),
        gives=(Fact.TRIED,),
        on=On(gates=(f"length of the {step.name}",), edges=_on(bench, duty, finishes=False).edges),
    )
    yield step(
        "baste",
        Act.ATTACH,
        f"Baste the straps on: {step.name}",
        "Right side of the strap to the right side of the garment, its raw end level with the raw edge, the strap "
        f"lying down over the garment; baste {bench.margin(3)} outside the stitching line, in the allowance, where it "
        "stays. Both ends of one strap before the next: follow it with your hand, it must not be twisted.",
        "What is sewn over it catches the ends.",
        took=minutes.each(4, detail.count),
        setting=settings.longest(bench.household),
        after={Fact.TRIED: "their length is known from the body"},
        gives=_caught(bench, duty),
        on=_on(bench, duty, finishes=True),
        rows=0,
        booklet=True,
        look="Hanging from the straps, the garment sits level.",
    )


def loops(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "belt loops", duty.id)
    yield _folded(
        step,
        duty,
        "strip for the loops",
        f"One long strip, then cut in {detail.count}: each as long as the belt is wide, {bench.margin(12)} of room, "
        f"and two turnings of {bench.margin(12)}.",
    )
    band = [
        j.id for j in bench.joins.values() if j.press.value == "band" and any(p.edge == "waist" for p in (*j.a, *j.b))
    ]
    yield step(
        "sew-on",
        Act.ATTACH,
        f"Sew the belt loops on: {step.name}",
        f"{detail.count} of them: one at each side seam, the others evenly between, none at the centre front over a "
        f"zip. Lower end right sides together on the garment just below the band, {bench.margin(6)} from the loop's "
        f"raw end, stitched back and forth; fold it up over that, leave {bench.margin(6)} slack, turn the upper end "
        "under, and bar it at the band's upper edge.",
        took=minutes.each(4, detail.count),
        after={Fact.PREPARED: "the strip is made up first"},
        needs=(
            *(Need(facts.join(Fact.PRESSED, id), "the band is on first") for id in band),
            *(
                Need(facts.finish(Fact.FINISHED, f.id), "the band is whole first", where_given=True)
                for f in bench.finishes.values()
                if f.id not in duty.ids and f.kind.value == "turned"
            ),
        ),
        gives=_caught(bench, duty),
        on=_on(bench, duty, finishes=True),
        rows=0,
        booklet=True,
        look="The belt slides through, and every loop stands upright.",
    )


def tab(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "tab", duty.id)
    joins = tuple(id for id in duty.ids if id in bench.joins)
    yield step(
        "made-up",
        Act.JOIN if joins else Act.TURN,
        f"Make up the tabs: {step.name}",
        "Two and two right sides together, one interfaced: sew round all but the end that is caught, "
        f"{bench.margin(6)} to finish; stitch length 1.5 and two stitches across at the point. Trim the corners, turn, "
        "press.",
        f"Edgestitch {bench.margin(2)} from the edge. If it is buttoned, work its buttonhole now, while it is loose.",
        took=minutes.each(7, detail.count),
        needs=tuple(
            Need(facts.piece(Fact.STIFFENED, id), "interfacing goes on first", where_given=True) for id in detail.pieces
        ),
        gives=(
            Fact.PREPARED,
            *(facts.join(fact, id) for id in joins for fact in (Fact.JOINED, Fact.PRESSED)),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(pieces=detail.pieces, joins=joins, edges=_on(bench, duty, finishes=False).edges),
        rows=0,
        look="All points are alike.",
    )
    yield step(
        "baste",
        Act.ATTACH,
        f"Baste the tabs on: {step.name}",
        "Raw end level with the raw edge at its mark, right side to right side, pointing into the garment; baste in "
        "the allowance, where it stays. The seam catches it.",
        at=Bench.HAND,
        took=minutes.each(2, detail.count),
        after={Fact.PREPARED: "they are made up first"},
        gives=_caught(bench, duty),
        on=_on(bench, duty, finishes=True),
        booklet=True,
        look="Left and right stand at the same height.",
    )


def tie_belt(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "tie belt", duty.id)
    joins = tuple(id for id in duty.ids if id in bench.joins)
    if joins:
        yield step(
            "join",
            Act.JOIN,
            f"Join the belt's lengths: {step.name}",
            "Right sides together at the centre back, the grain running the same way; press open.",
            took=minutes.each(3),
            gives=tuple(facts.join(fact, id) for id in joins for fact in (Fact.JOINED, Fact.PRESSED)),
            meant=frozenset({Meant.ENCLOSES}),
            on=On(joins=joins, edges=shown(part for id in joins for part in bench.parts(id))),
            rows=0,
        )
    yield step(
        "made-up",
        Act.TURN,
        f"Sew the belt, and leave a gap: {step.name}",
        "Fold it lengthwise, right sides together. Sew from one end to the middle and from the other end to the "
        f"middle, ends across or slanting, leaving {bench.margin(100)} open at the centre back, backstitched on both "
        "sides: sewn from both ends it does not twist.",
        "Trim the corners across, turn with a blunt stick, roll the seam to the edge and press.",
        took=minutes.each(12),
        needs=(
            *(Need(facts.join(Fact.PRESSED, id), "its lengths are joined first") for id in joins),
            *(
                Need(facts.piece(Fact.STIFFENED, id), "interfacing goes on first", where_given=True)
                for id in detail.pieces
            ),
        ),
        gives=(Fact.PREPARED,),
        on=_on(bench, duty, finishes=False),
        rows=0,
        look="Held up by its ends it hangs straight.",
    )
    yield step(
        "close",
        Act.TACK,
        f"Close the belt's gap: {step.name}",
        "Ladder stitch, fold on fold. Edgestitch all round if the garment is topstitched.",
        "Carriers: a loop of thread at each side seam at the waist, long enough for the belt and a finger.",
        at=Bench.HAND,
        took=minutes.each(8),
        after={Fact.PREPARED: "it is turned first"},
        gives=_caught(bench, duty),
        on=_on(bench, duty, finishes=True),
        booklet=True,
        look="The gap cannot be told from the seam.",
    )


def _technique(kind: DetailKind, name: str, sews: Callable[..., Iterator[Operation]], **more: object) -> Technique:
    return Technique(
        id=kind.value,
        name=name,
        chapter="pockets and small parts",
        finds=_finds(kind),
        sews=sews,
        rank=12,
        draw="belt",
        **more,  # type: ignore[arg-type]
    )


TECHNIQUES = (
    _technique(DetailKind.STRAP, "Strap", strap),
    _technique(
        DetailKind.BELT_LOOPS, "Belt loops", loops, words={"bar": "a few stitches over each other that hold an end"}
    ),
    _technique(DetailKind.TAB, "Tab", tab),
    _technique(
        DetailKind.TIE_BELT,
        "Tie belt",
        tie_belt,
        words={"ladder stitch": "a hand stitch from fold to fold that draws a gap shut"},
    ),
)
