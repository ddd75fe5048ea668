"""Drawstring in a seam's allowances."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.cords import CAUTION, as_long, beyond_the_body
from rowanseed.core.make.families.seam_tunnels import in_a_seam, tunnel_in, tunnel_width
from rowanseed.core.make.operation import Act, Bench, On, Operation, Supply, Use
from rowanseed.core.make.steps import Steps, of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, Join
from rowanseed.core.pattern.pieces import Panel

BESIDE, SHORTER = 20.0, 4.0
"""Openings for a cord lie so far beside the centre, and are so much shorter than the tunnel is wide, in mm."""
CLEAR = 50.0
"""An opening for a cord lies so far from a front edge, clear of its facing or placket, in mm."""


def finds_cord(bench: Workbench) -> Iterator[Duty]:
    """Where a front has its openings."""
    for detail, join in in_a_seam(bench, DetailKind.DRAWSTRING):
        if _fronts(bench, join):
            yield single(detail.id)


def _fronts(bench: Workbench, join: Join) -> list[str]:
    """The fronts that the tunnel lies on: above the seam, as at a waist, or else below it."""
    return [p.piece for p in (*join.b, *join.a) if bench.panel(p.piece) is Panel.FRONT]


def cord(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    join = bench.joins[detail.along[0]]
    step = of_detail(bench, "drawstring in a seam", duty.id)
    name, on = lower_first(join.name), On(edges=shown(join.b))
    fronts = _fronts(bench, join)
    is_open = any(bench.piece(id).has_edge("opening") for id in fronts)
    run = bench.runs.over(join.b, each_hand=join.each_hand)
    yield _openings(bench, step, join, fronts, is_open=is_open)
    yield tunnel_in(bench, step, join, "cord", after={Fact.OPENED: "the openings lie in the tunnel"})
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
        f"{as_long(bench)}. A safety pin in its end. {drawn}",
        *held,
        at=Bench.HAND,
        took=minutes.each(8),
        after={Fact.PREPARED: "its tunnel is sewn first"},
        gives=(Fact.FINISHED,),
        uses=(Use(Supply.CORD, bench.round_the_body([join.id]) + beyond_the_body(bench)),),
        on=on,
        caution=CAUTION,
        booklet=True,
        look="Drawn up and let go, the fullness spreads evenly.",
    )


def _openings(bench: Workbench, step: Steps, join: Join, fronts: Sequence[str], *, is_open: bool) -> Operation:
    """Beside the centre front; of a front that opens far enough from its edge to lie clear of what finishes that."""
    centre = fronts[0]
    beside = (
        f"of both fronts, {bench.margin(CLEAR)} from the finished edge"
        if is_open
        else f"of the {bench.name(centre)}, {bench.margin(BESIDE)} to both sides of the centre front"
    )
    above = f"{bench.margin(tunnel_width(bench, join) / 2)} above the stitching line of the seam"
    return step(
        "openings",
        Act.BUTTONHOLE,
        f"Work two openings for the cord: {lower_first(join.name)}",
        f"On the right side {beside}, {above}: through the garment alone, not through the allowances.",
        f"A square of fusible, {bench.margin(25)} wide, on the wrong side behind each; then an eyelet, or an upright "
        f"buttonhole {bench.margin(tunnel_width(bench, join) - SHORTER)} long. Cut it open now: later a layer is "
        "behind it.",
        took=minutes.each(6, 2),
        setting=settings.buttonhole(bench.household),
        needs=tuple(bench.flat_first([join.id])),
        gives=(Fact.OPENED,),
        rows=0,
        uses=(Use(Supply.FUSIBLE),),
        on=On(pieces=(centre,)),
        caution="A blade slips: a pin across the end of the hole stops it.",
        look="The cord's end goes through without force.",
    )


TECHNIQUE = Technique(
    id="drawstring-in-a-seam",
    name="Drawstring in a seam's allowances",
    chapter="fullness",
    finds=finds_cord,
    sews=cord,
    rank=14,
    draw="elastic",
)
