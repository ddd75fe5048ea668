"""A drawstring: two openings for the cord, a tunnel, the cord drawn in and secured."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.casing import turned_under, width
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.cords import CAUTION, as_long, beyond_the_body
from rowanseed.core.make.families.free_edges import across
from rowanseed.core.make.families.tunnels import row_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_finish
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.turned import BESIDE, Turned, stitched
from rowanseed.core.make.which import drawn_through, edges_of, is_drawn_by_ties
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Finish, FinishKind
from rowanseed.core.pattern.pieces import Panel

HOLE = 12.0
"""An opening for the cord is so long, in mm."""


def below_the_fold(allowance: float) -> float:
    """How far below the folded edge the middle of the tunnel lies, in mm."""
    return (allowance - turned_under(allowance)) / 2


def finds(bench: Workbench) -> Iterator[Duty]:
    for finish in edges_of(bench, FinishKind.CASING):
        if is_drawn_by_ties(bench, finish):
            yield single(finish.id, *(c.id for c in drawn_through(bench, finish)))


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, "drawstring", duty.id)
    allowance = bench.edge_allowance(finish.parts[0])
    under = turned_under(allowance)
    wide, run = allowance - under, row_of(bench, finish)
    yield step(
        "openings",
        Act.BUTTONHOLE,
        f"Work two openings for the cord: {step.name}",
        f"On the right side at the centre front, {bench.margin(20)} to both sides of the centre, where the tunnel will "
        f"be: the middle of each {bench.margin(below_the_fold(allowance))} below the line that the edge is folded on.",
        f"A square of fusible, {bench.margin(25)} wide, on the wrong side behind each; then an upright buttonhole "
        f"{bench.margin(HOLE)} long, or an eyelet. Cut it open now: later there is a layer behind it.",
        took=minutes.each(6, 2),
        setting=settings.buttonhole(bench.household),
        needs=(*bench.flat_first([finish.id]), *across(bench, finish)),
        gives=(Fact.OPENED,),
        on=_at_the_centre(bench, finish),
        rows=0,
        uses=(Use(Supply.FUSIBLE),),
        caution="A blade slips: a pin across the end of the hole stops it.",
        look="The cord's end goes through without force.",
    )
    yield step(
        "fold",
        Act.PRESS,
        f"Press the tunnel: {step.name}",
        f"{bench.margin(under)} to the wrong side, then {bench.margin(wide)}: the tunnel inside is "
        f"{bench.margin(width(allowance))} wide. {iron_for(bench)}",
        at=Bench.IRON,
        after={Fact.OPENED: "the openings go through one layer only"},
        gives=(Fact.PREPARED,),
        turned=Turned((under, wide)),
        look="Both folds are even, and the cord laid in the tunnel runs without catching.",
    )
    yield step(
        "sew",
        Act.HEM,
        f"Stitch the tunnel: {step.name}",
        f"{bench.margin(BESIDE)} from the inner fold, {run.words}; "
        f"{'sew over the beginning' if run.ring else 'backstitch both ends'}. At every seam hold the allowances flat: "
        "the cord has to pass.",
        after={Fact.PREPARED: "it is pressed first"},
        gives=(Fact.HEMMED,),
        run=run,
        turned=stitched(under, wide),
        look=f"The row holds the inner fold all {'round' if run.ring else 'along'}, and a bodkin passes every seam.",
    )
    yield step(
        "thread",
        Act.FASTEN,
        f"Draw the cord in: {step.name}",
        f"{as_long(bench)}. A safety pin in its end, in at one opening, "
        "round, and out at the other, not twisted; knot both ends.",
        "Sew it down at the centre back through all layers, so that it cannot be drawn out.",
        at=Bench.HAND,
        took=minutes.each(8),
        after={Fact.HEMMED: "its tunnel is sewn first"},
        gives=(Fact.FINISHED, *(facts.closure(Fact.CLOSED, id) for id in duty.ids[1:])),
        on=On(finishes=(finish.id,), closures=duty.ids[1:], edges=shown(finish.parts)),
        turned=Turned((under, wide)),
        uses=(Use(Supply.CORD, bench.round_the_body([duty.id]) + beyond_the_body(bench)),),
        caution=CAUTION,
        booklet=True,
        look="Drawn up and let go, the fullness spreads evenly.",
    )


def _at_the_centre(bench: Workbench, finish: Finish) -> On:
    """The edges that the openings are worked beside: the fronts', where the garment has a front."""
    fronts = tuple(part for part in finish.parts if bench.panel(part.piece) is Panel.FRONT)
    return On(finishes=(finish.id,), edges=shown(fronts or finish.parts))


TECHNIQUE = Technique(
    id="drawstring",
    name="Drawstring in a tunnel",
    chapter="fullness",
    finds=finds,
    sews=sews,
    rank=29,
    words={"bodkin": "a blunt needle or clip that pulls a cord through a tunnel"},
    draw="casing",
)
