"""A fly: the zip lies under a lap that is topstitched in a curve, with or without a shield behind it.

Fronts have extensions cut on for it, or the pattern has a facing and a shield.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact, State
from rowanseed.core.make.families.zips import after_seam, beside
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.steps import Steps, of_closure
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import closures_of
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import (
    Closure,
    ClosureKind,
    Detail,
    DetailKind,
    EdgePart,
    FinishKind,
    Join,
)

LAP = 35.0
"""The topstitching of a fly runs so far from its edge, in mm (common practice: 30 to 40)."""
BEFORE = 6.0
"""The underlap's fold lies so far outside the centre line, in mm."""
OPENING = "basting of the fly zip's opening"
MET = "Both folds end exactly at the mark of the opening."


def finds(bench: Workbench) -> Iterator[Duty]:
    for closure in closures_of(bench, ClosureKind.FLY_ZIP):
        fly = _pieces(bench, closure)
        yield single(closure.id, *(() if fly is None else (fly.id, *_own(bench, fly))))


def _pieces(bench: Workbench, closure: Closure) -> Detail | None:
    """The facing and the shield, in this order, where the pattern has them."""
    return next((d for d in bench.details_of(DetailKind.FLY) if closure.join in d.along and len(d.pieces) == 2), None)


def _own(bench: Workbench, fly: Detail) -> tuple[str, ...]:
    """The seams and edges of the fly's own pieces that are made with it: a neatened edge is made like any other."""
    return tuple(
        id for id in bench.parts_of(fly) if id in bench.joins or bench.finishes[id].kind is not FinishKind.NEATENED
    )


def _sides(bench: Workbench) -> tuple[str, str, str]:
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


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure = bench.closures[duty.id]
    join = bench.joins[closure.join]
    step = of_closure(bench, "fly zip", duty.id)
    on = On(closures=(closure.id,), edges=beside(bench, join, closure))
    lap, under, _ = _sides(bench)
    foot = settings.zip_foot(bench.household, invisible=False)
    basting = "basting of the fly's lap"
    fly = _pieces(bench, closure)
    inside = "extension" if fly is None else "facing"
    if fly is None:
        yield _extensions(bench, duty, step, on, join)
    else:
        yield from _faced(bench, duty, step, on, fly)
    held = () if fly is None else _caught(bench, duty, fly.pieces[1])
    yield step(
        "underlap",
        Act.BASTE if fly is None else Act.ATTACH,
        f"Sew the zip to the underlap: {step.name}",
        f"Zip closed, face up, under the {under} front's fold, the fold close beside the teeth, its stop "
        f"{bench.margin(6)} above the end of the opening. "
        + (
            "A shield, its edges finished, lies below, its raw edge level with the tape's."
            if fly is None
            else "The shield lies below, its open edges level with the tape's, its fold towards the other front."
        ),
        f"Edgestitch {bench.margin(2)} from the fold, through zip and shield, from the lower end to the waist.",
        took=minutes.each(8),
        setting=foot,
        after={Fact.PREPARED: "the folds are pressed first"},
        gives=(Fact.ATTACHED, *(() if fly is None else (facts.detail(Fact.FINISHED, fly.id), *_whole(held)))),
        on=replace(on, finishes=held),
        look="The fold runs beside the teeth and does not cover them.",
    )
    yield step(
        "baste",
        Act.BASTE,
        f"Sew the free tape to the lap's {inside}: {step.name}",
        f"Lay the {lap} front's fold over the closed zip, so that it covers the underlap's row by "
        f"{bench.margin(BEFORE)}, centre on centre; baste it there by hand.",
        f"Turn to the wrong side: pin the free tape to the {inside} only, fold the front out of the way, and stitch "
        f"the tape down in two rows, {bench.margin(2)} and {bench.margin(6)} from the teeth. Nothing of this shows "
        "outside.",
        took=minutes.each(9),
        setting=foot,
        after={Fact.ATTACHED: "the underlap is sewn first"},
        gives=(Fact.BASTED,),
        leaves=(basting,),
        on=on,
        look="Opened, no pleat of the front is caught.",
    )
    yield step(
        "zip",
        Act.INSERT_CLOSURE,
        f"Topstitch the fly: {step.name}",
        f"Chalk the line on the {lap} front: {bench.margin(LAP)} from the fold, straight down and curving into the "
        "seam just below the stop. The shield pinned out of the way.",
        f"From the curve's end up to the waist, through front and {inside}; not over the metal stop. Then lay the "
        "shield back and bar the end of the curve through it with a few stitches on the spot.",
        "Take the basting out. The waist's end of the zip: slide open, let the band's seam cross the tape, put a stop "
        "above, and only then cut the tape level.",
        took=minutes.each(10),
        setting=settings.topstitch(bench.household, bench.margin(LAP)),
        after={Fact.BASTED: "the lap is basted and the tape is on"},
        gives=(Fact.CLOSED,),
        removes=(basting,),
        on=on,
        booklet=True,
        look="Closed, the fly lies flat, the zip cannot be seen, and it opens to the bar without strain.",
    )


def _extensions(bench: Workbench, duty: Duty, step: Steps, on: On, join: Join) -> Operation:
    lap, under, said = _sides(bench)
    return step(
        "extensions",
        Act.PRESS,
        f"Press the fly's extensions: {step.name}",
        said,
        f"Take the basting of the opening out. The {lap} front: fold its extension in on the centre line and press. "
        f"The {under} front: fold {bench.margin(BEFORE)} outside the centre line, towards the raw edge, and press.",
        "If the fronts have no extensions, sew a fly facing to each edge first, interfaced, right sides together, and "
        f"press it in the same way. {iron_for(bench)}",
        at=Bench.IRON,
        took=minutes.each(6),
        needs=after_seam(bench, bench.closures[duty.id], join),
        gives=(Fact.PREPARED,),
        on=on,
        removes=(OPENING,),
        look=MET,
    )


def _faced(bench: Workbench, duty: Duty, step: Steps, on: On, fly: Detail) -> Iterator[Operation]:
    """The shield made up, the facing sewn to the lap, both fronts folded."""
    lap, under, said = _sides(bench)
    closure = bench.closures[duty.id]
    join = bench.joins[closure.join]
    facing, shield = fly.pieces
    seams = tuple(id for id in duty.ids if id in bench.joins)
    caught = _caught(bench, duty, facing)
    made = facts.detail(Fact.PREPARED, fly.id)
    sewn = facts.detail(Fact.ATTACHED, fly.id)
    yield step(
        "shield",
        Act.JOIN,
        "Make up the fly's shield",
        f"Fold it lengthwise, right sides together, and stitch across its lower end, {bench.allowance(join)} from the "
        "edge. Trim the corner, turn, press the fold. Its open long edges are neatened together.",
        took=minutes.each(6),
        needs=_stiffened(shield),
        gives=(made, *(facts.join(fact, id) for id in seams for fact in (Fact.JOINED, Fact.PRESSED))),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(pieces=(shield,), joins=seams, edges=shown(EdgePart(shield, e.name) for e in bench.piece(shield).edges)),
        rows=0,
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
        needs=(*after_seam(bench, closure, join), *_stiffened(facing), *_neatened(bench, facing)),
        gives=(sewn, *_whole(caught)),
        on=On(closures=(closure.id,), pieces=(facing,), finishes=caught, edges=on.edges),
        removes=(OPENING,),
        look="The seam ends at the very stitch where the centre seam begins.",
    )
    yield step(
        "extensions",
        Act.PRESS,
        f"Press both edges of the fly: {step.name}",
        f"The {lap} front: turn the facing in and press, the seam rolled a hair to the inside; below the opening it "
        "lies flat over the seam. "
        f"The {under} front: fold its allowance {bench.margin(BEFORE)} outside the centre line, towards the raw edge, "
        f"and press. {iron_for(bench)}",
        at=Bench.IRON,
        took=minutes.each(6),
        needs=(
            Need(sewn, "the lap is faced first"),
            Need(made, "the shield goes in with the zip"),
        ),
        gives=(Fact.PREPARED,),
        on=On(closures=(closure.id,), pieces=(facing,), edges=on.edges),
        look=MET,
    )


def _caught(bench: Workbench, duty: Duty, piece: str) -> tuple[str, ...]:
    """The edges of one of the fly's pieces that are sewn over."""
    return tuple(
        id for id in duty.ids if id in bench.finishes and {p.piece for p in bench.finishes[id].parts} == {piece}
    )


def _whole(finishes: tuple[str, ...]) -> tuple[State, ...]:
    return tuple(facts.finish(fact, id) for id in finishes for fact in (Fact.FINISHED, Fact.ATTACHED))


def _stiffened(piece: str) -> tuple[Need, ...]:
    return (Need(facts.piece(Fact.STIFFENED, piece), "interfacing goes on first", where_given=True),)


def _neatened(bench: Workbench, piece: str) -> tuple[Need, ...]:
    """Its loose edge is neatened while it lies flat."""
    loose = (f.id for f in bench.finishes.values() if {p.piece for p in f.parts} == {piece})
    return tuple(
        Need(facts.finish(Fact.FINISHED, id), "its loose edge is neatened first", where_given=True)
        for id in loose
        if bench.finishes[id].kind is FinishKind.NEATENED
    )


TECHNIQUE = Technique(
    id="fly-zip",
    name="Fly zip",
    chapter="closures",
    finds=finds,
    sews=sews,
    rank=20,
    words={
        "fly": "a zip under a topstitched lap, as at the front of trousers",
        "shield": "a finished piece behind a fly, between zip and body",
    },
    draw="fly zip",
)
