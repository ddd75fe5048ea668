"""Flies: the facing of the side that laps, the shield behind it, and both edges pressed, whatever closes them."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact, State
from rowanseed.core.make.families.zips import after_seam
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.steps import Steps
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import Closure, Detail, DetailKind, EdgePart, FinishKind

LAP = 35.0
"""The topstitching of a fly runs so far from its edge, in mm (common practice: 30 to 40)."""
BEFORE = 6.0
"""The underlap's fold lies so far outside the centre line, in mm."""
MET = "Both folds end exactly at the mark of the opening."


def basting_of(closure: Closure) -> str:
    """What holds the opening shut until the lap is made."""
    return f"basting of the {closure.kind.words}'s opening"


def fly_of(bench: Workbench, closure: Closure, pieces: int) -> Detail | None:
    """The facing and the shield of a fly, in this order, and what else it is made of, where the pattern has them."""
    found = (d for d in bench.details_of(DetailKind.FLY) if closure.join in d.along)
    return next((d for d in found if len(d.pieces) == pieces), None)


def own_parts(bench: Workbench, fly: Detail) -> tuple[str, ...]:
    """The seams and edges of the fly's own pieces that are made with it: a neatened edge is made like any other."""
    return tuple(
        id for id in bench.parts_of(fly) if id in bench.joins or bench.finishes[id].kind is not FinishKind.NEATENED
    )


def sides(bench: Workbench) -> tuple[str, str, str]:
    """(lap, underlap, what is said about it): by the wearer's left and right."""
    if bench.pattern.envelope.figure is Figure.MEN:
        return "left", "right", "Men's flies lap left over right, as the wearer sees it."
    if bench.pattern.envelope.figure is Figure.WOMEN:
        return "right", "left", "Women's flies lap right over left, as the wearer sees it; many sew them the men's way."
    return (
        "left",
        "right",
        "Left over right is usual for men, and for most trousers; choose before you cut into a seam.",
    )


def faced(bench: Workbench, duty: Duty, step: Steps, on: On, fly: Detail) -> Iterator[Operation]:
    """The shield made up, the facing sewn to the lap, both fronts folded."""
    lap, under, said = sides(bench)
    closure = bench.closures[duty.id]
    join = bench.joins[closure.join]
    facing, shield = fly.pieces[:2]
    sewn_over = caught(bench, duty, facing)
    made = facts.detail(Fact.PREPARED, fly.id)
    sewn = facts.detail(Fact.ATTACHED, fly.id)
    yield folded(
        bench,
        duty,
        step,
        shield,
        id="shield",
        title="Make up the fly's shield",
        gives=made,
        look="Its lower end is clean, its fold straight.",
    )
    yield step(
        "facing",
        Act.ATTACH,
        f"Sew the fly's facing to the {lap} front",
        said,
        f"Take the basting of the opening out. Lay the facing on the {lap} front, right sides together, its long raw "
        f"edge level with the front's. Stitch {bench.allowance(join)} from the edge from the waist down to the end of "
        "the opening, and secure there: the seam below stays clear.",
        "Trim both allowances, the facing's narrower. Press the facing and both allowances away from the front and "
        f"stitch {bench.margin(2)} beside the seam through facing and allowances.",
        took=minutes.each(8),
        needs=(*after_seam(bench, closure, join), *stiffened(facing), *neatened(bench, facing)),
        gives=(sewn, *whole(sewn_over)),
        on=On(closures=(closure.id,), pieces=(facing,), finishes=sewn_over, edges=on.edges),
        removes=(basting_of(closure),),
        look="The seam ends at the very stitch where the centre seam begins.",
    )
    yield step(
        "extensions",
        Act.PRESS,
        f"Press both edges of the fly: {step.name}",
        f"The {lap} front: turn the facing in and press, the seam rolled a hair to the inside; below the opening it "
        "lies flat over the seam. "
        f"The {under} front: fold its allowance {bench.margin(BEFORE)} outside its stitching line, towards the raw "
        f"edge, and press. {iron_for(bench)}",
        at=Bench.IRON,
        took=minutes.each(6),
        needs=(
            Need(sewn, "the lap is faced first"),
            Need(made, "the shield goes in next"),
        ),
        gives=(Fact.PREPARED,),
        on=On(closures=(closure.id,), pieces=(facing,), edges=on.edges),
        look=MET,
    )


def folded(
    bench: Workbench, duty: Duty, step: Steps, piece: str, *, id: str, title: str, gives: State, look: str
) -> Operation:
    """A piece of the fly that is folded along its length, its lower end sewn and turned."""
    join, seams = bench.joins[bench.closures[duty.id].join], seams_of(bench, duty, piece)
    return step(
        id,
        Act.JOIN,
        title,
        f"Fold it lengthwise, right sides together, and stitch across its lower end, {bench.allowance(join)} from the "
        "edge. Trim the corner, turn, press the fold. Its open long edges are neatened together.",
        took=minutes.each(6),
        needs=stiffened(piece),
        gives=(gives, *(facts.join(fact, id) for id in seams for fact in (Fact.JOINED, Fact.PRESSED))),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(pieces=(piece,), joins=seams, edges=shown(EdgePart(piece, e.name) for e in bench.piece(piece).edges)),
        rows=0,
        look=look,
    )


def seams_of(bench: Workbench, duty: Duty, piece: str) -> tuple[str, ...]:
    """The seams of one of the fly's pieces with itself."""
    return tuple(id for id in duty.ids if id in bench.joins and {p.piece for p in bench.parts(id)} == {piece})


def caught(bench: Workbench, duty: Duty, piece: str) -> tuple[str, ...]:
    """The edges of one of the fly's pieces that are sewn over."""
    return tuple(
        id for id in duty.ids if id in bench.finishes and {p.piece for p in bench.finishes[id].parts} == {piece}
    )


def whole(finishes: tuple[str, ...]) -> tuple[State, ...]:
    return tuple(facts.finish(fact, id) for id in finishes for fact in (Fact.FINISHED, Fact.ATTACHED))


def stiffened(piece: str) -> tuple[Need, ...]:
    return (Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on first", where_given=True),)


def neatened(bench: Workbench, piece: str) -> tuple[Need, ...]:
    """Its loose edge is neatened while it lies flat."""
    loose = (f.id for f in bench.finishes.values() if {p.piece for p in f.parts} == {piece})
    return tuple(
        Need(facts.finish(Fact.FINISHED, id), "its loose edge is neatened first", where_given=True)
        for id in loose
        if bench.finishes[id].kind is FinishKind.NEATENED
    )
