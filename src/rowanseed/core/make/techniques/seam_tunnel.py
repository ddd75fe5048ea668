"""Elastic or a cord in the allowances of a seam, which are stitched down as a tunnel for it."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Supply, Use
from rowanseed.core.make.steps import Steps, of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Detail, DetailKind, Join
from rowanseed.core.pattern.pieces import Panel

INSIDE = 3.0
"""The tunnel is so much narrower than the allowances, in mm: the row runs beside their neatened edge."""
GAP = 50.0
LAP = 13.0
CLEAR = 50.0
"""An opening for a cord lies so far from a front edge, clear of its facing or placket, in mm."""
BOW = 600.0
"""A cord is so much longer than the body, in mm: the craft's length for its bow."""


def _in_a_seam(bench: Workbench, kind: DetailKind) -> Iterator[tuple[Detail, Join]]:
    for detail in bench.details_of(kind):
        if not detail.on and len(detail.along) == 1 and detail.along[0] in bench.joins:
            yield detail, bench.joins[detail.along[0]]


def finds_elastic(bench: Workbench) -> Iterator[Duty]:
    for detail, _ in _in_a_seam(bench, DetailKind.ELASTIC):
        yield single(detail.id)


def finds_cord(bench: Workbench) -> Iterator[Duty]:
    """Where a front has its openings."""
    for detail, join in _in_a_seam(bench, DetailKind.DRAWSTRING):
        if _fronts(bench, join):
            yield single(detail.id)


def _fronts(bench: Workbench, join: Join) -> list[str]:
    """The fronts that the tunnel lies on: above the seam, as at a waist, or else below it."""
    return [p.piece for p in (*join.b, *join.a) if bench.panel(p.piece) is Panel.FRONT]


def _width(bench: Workbench, join: Join) -> float:
    """How far from its seam a tunnel is stitched, in mm."""
    return bench.edge_allowance(join.b[0]) - INSIDE


def _tunnel(bench: Workbench, step: Steps, join: Join, what: str, *, after: Mapping[Fact, str]) -> Operation:
    wide, run = _width(bench, join), bench.runs.over(join.b, each_hand=join.each_hand)
    # A cord goes in by its openings, elastic by a gap.
    gap = f"; leave {bench.margin(GAP)} open at a side seam, backstitching both sides of the gap" if not after else ""
    return step(
        "tunnel",
        Act.TOPSTITCH,
        f"Stitch the tunnel for the {what}: {lower_first(join.name)}",
        f"The allowances lie together, pressed up. Stitch them down to the bodice beside their neatened edge, "
        f"{bench.margin(wide)} from the seam, "
        + (f"all round{gap}." if run.ring else f"{run.words}; both ends of the tunnel stay open."),
        f"At every seam hold the allowances flat: the {what} has to pass.",
        took=minutes.seam(bench.around([join.id])),
        setting=settings.topstitch(bench.household, bench.margin(wide)),
        after=after,
        needs=(
            Need(facts.join(Fact.PRESSED, join.id), "the seam is pressed up first"),
            Need(facts.join(Fact.FINISHED, join.id), "its edges are neatened together first", where_given=True),
        ),
        gives=(Fact.PREPARED,),
        on=On(edges=shown(join.b)),
        rows=0,
        look="The tunnel has one width, and no fold of the garment is caught in it.",
    )


def elastic(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    join = bench.joins[detail.along[0]]
    step = of_detail(bench, "elastic in a seam", duty.id)
    wide, run = _width(bench, join), bench.runs.over(join.b, each_hand=join.each_hand)
    name, on = lower_first(join.name), On(edges=shown(join.b))
    yield _tunnel(bench, step, join, "elastic", after={})
    yield step(
        "elastic",
        Act.FASTEN,
        f"Draw the elastic in: {name}",
        f"Elastic {bench.margin(wide - INSIDE)} wide, round the body where it will sit, comfortable, and "
        f"{bench.margin(LAP)} more. A safety pin in its end, the other end pinned down; not twisted.",
        f"Lap its ends by {bench.margin(LAP)}, sew a square with a cross, and close the gap with the elastic stretched."
        if run.ring
        else "Sew both its ends down across the tunnel, inside the stitching line of the opening, whose own edge then "
        "catches them.",
        "Stretch the waist a few times, so that the fullness spreads evenly.",
        at=Bench.HAND,
        took=minutes.each(10),
        after={Fact.PREPARED: "its tunnel is sewn first"},
        gives=(Fact.FINISHED,),
        uses=(Use(Supply.ELASTIC, bench.round_the_body([join.id]), wide=wide - INSIDE),),
        on=on,
        booklet=True,
        look="It runs flat inside, and the garment goes over the widest place without a thread breaking.",
    )


def cord(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    join = bench.joins[detail.along[0]]
    step = of_detail(bench, "drawstring in a seam", duty.id)
    name, on = lower_first(join.name), On(edges=shown(join.b))
    fronts = _fronts(bench, join)
    is_open = any(bench.piece(id).has_edge("opening") for id in fronts)
    run = bench.runs.over(join.b, each_hand=join.each_hand)
    yield _openings(bench, step, join, fronts, is_open=is_open)
    yield _tunnel(bench, step, join, "cord", after={Fact.OPENED: "the openings lie in the tunnel"})
    if is_open or run.ring:
        drawn = "In at one opening, round, and out at the other, not twisted; knot both ends."
    else:
        drawn = (
            "Cut it in two: each half in at its own opening and along to the end of the tunnel, where it is sewn down "
            "inside the stitching line of the opening. Knot the free ends."
        )
    held = (
        ("Sew it down at the centre back through all layers, so that it cannot be drawn out.",)
        if is_open or run.ring
        else ()
    )
    yield step(
        "cord",
        Act.FASTEN,
        f"Draw the cord in: {name}",
        f"As long as the body there and {bench.length(BOW)} for the bow. A safety pin in its end. {drawn}",
        *held,
        at=Bench.HAND,
        took=minutes.each(8),
        after={Fact.PREPARED: "its tunnel is sewn first"},
        gives=(Fact.FINISHED,),
        uses=(Use(Supply.CORD, bench.round_the_body([join.id]) + BOW),),
        on=on,
        caution="A cord can catch and strangle: none at the neck or hood of a child's garment, elsewhere short ends; "
        "local rules may forbid more.",
        booklet=True,
        look="Drawn up and let go, the fullness spreads evenly.",
    )


def _openings(bench: Workbench, step: Steps, join: Join, fronts: Sequence[str], *, is_open: bool) -> Operation:
    """Beside the centre front; of a front that opens far enough from its edge to lie clear of what finishes that."""
    centre = fronts[0]
    beside = (
        f"of both fronts, {bench.margin(CLEAR)} from the finished edge"
        if is_open
        else f"of the {bench.name(centre)}, {bench.margin(20)} to both sides of the centre front"
    )
    above = f"{bench.margin(_width(bench, join) / 2)} above the stitching line of the seam"
    return step(
        "openings",
        Act.BUTTONHOLE,
        f"Work two openings for the cord: {lower_first(join.name)}",
        f"On the right side {beside}, {above}: through the garment alone, not through the allowances.",
        f"A square of fusible, {bench.margin(25)} wide, on the wrong side behind each; then an eyelet, or an upright "
        f"buttonhole {bench.margin(_width(bench, join) - 4)} long. Cut it open now: later there is a layer behind it.",
        took=minutes.each(6, 2),
        setting=settings.buttonhole(bench.household),
        needs=tuple(bench.flat_first([join.id])),
        gives=(Fact.OPENED,),
        rows=0,
        on=On(pieces=(centre,)),
        caution="A blade slips: a pin across the end of the hole stops it.",
        look="The cord's end goes through without force.",
    )


TECHNIQUES = (
    Technique(
        id="elastic-in-a-seam",
        name="Elastic in a seam's allowances",
        chapter="fullness",
        finds=finds_elastic,
        sews=elastic,
        rank=14,
        also=("elasticated waist seam",),
        draw="elastic",
    ),
    Technique(
        id="drawstring-in-a-seam",
        name="Drawstring in a seam's allowances",
        chapter="fullness",
        finds=finds_cord,
        sews=cord,
        rank=14,
        draw="elastic",
    ),
)
