"""Casing with elastic."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.casing import ROOM, turned_under, width
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.free_edges import across
from rowanseed.core.make.families.tunnels import GAP, row_of
from rowanseed.core.make.operation import Act, Bench, On, Operation, Supply, Use
from rowanseed.core.make.run import Run
from rowanseed.core.make.steps import of_finish
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.turned import BESIDE, Turned, stitched
from rowanseed.core.make.which import drawn_through, edges_of, is_drawn_by_ties
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import FinishKind


def finds_casing(bench: Workbench) -> Iterator[Duty]:
    """Tunnels for elastic, or for what the pattern does not say."""
    for finish in edges_of(bench, FinishKind.CASING):
        if not is_drawn_by_ties(bench, finish):
            yield single(finish.id, *(c.id for c in drawn_through(bench, finish)))


def _sewn(bench: Workbench, run: Run) -> tuple[str, ...]:
    beside = f"{bench.margin(BESIDE)} from the inner fold, {run.words}"
    if not run.ring:
        return (f"{beside}; backstitch both ends. The tunnel stays open at its ends.",)
    return (f"{beside}; the gap {bench.margin(GAP)} long, backstitched at both its sides.",)


def _held(bench: Workbench, run: Run) -> tuple[str, ...]:
    """How what is drawn in is held."""
    if not run.ring:
        return (
            "Try it on and mark where it is comfortable; sew it down across both ends of the tunnel, and spread the "
            "fullness.",
        )
    return (
        f"Try it on and mark where it is comfortable; lap the ends {bench.margin(13)}, sew a square with a cross, then "
        "close the gap and stretch the casing so that the fullness spreads.",
    )


def casing(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, "casing", duty.id)
    allowance = bench.edge_allowance(finish.parts[0])
    under = turned_under(allowance)
    run = row_of(bench, finish, gap=GAP)
    what = "elastic" if duty.ids[1:] else "elastic or cord"
    yield step(
        "fold",
        Act.PRESS,
        f"Press the casing: {step.name}",
        f"{bench.margin(under)} to the wrong side, then {bench.margin(allowance - under)}: the tunnel inside is "
        f"{bench.margin(width(allowance))} wide, the elastic's width and {bench.margin(ROOM)}. {step.iron}",
        at=Bench.IRON,
        needs=(*bench.flat_first([finish.id]), *across(bench, finish)),
        gives=(Fact.PREPARED,),
        turned=Turned((under, allowance - under)),
        look="Both folds are even, and elastic laid in the tunnel turns without catching.",
    )
    yield step(
        "sew",
        Act.HEM,
        f"Stitch the casing: {step.name}",
        *_sewn(bench, run),
        after={Fact.PREPARED: "it is pressed first"},
        gives=(Fact.HEMMED,),
        run=run,
        turned=stitched(under, allowance - under),
        look=f"The row holds the fold all {'round but for the gap' if run.ring else 'along'}, and nowhere is the "
        "tunnel narrower than its elastic.",
    )
    yield step(
        "thread",
        Act.FASTEN,
        f"Draw the {what} in: {step.name}",
        *(() if duty.ids[1:] else ("The pattern does not say which; the envelope's notions do.",)),
        "A safety pin or bodkin in its end, the other end pinned down; not twisted.",
        *_held(bench, run),
        at=Bench.HAND,
        took=minutes.each(10),
        uses=(Use(Supply.ELASTIC, bench.round_the_body([duty.id]), wide=width(allowance) - ROOM),),
        after={Fact.HEMMED: "its tunnel is sewn first"},
        gives=(Fact.FINISHED, *(facts.closure(Fact.CLOSED, id) for id in duty.ids[1:])),
        on=On(finishes=(finish.id,), closures=duty.ids[1:], edges=shown(finish.parts)),
        turned=Turned((under, allowance - under)),
        booklet=True,
        look="It runs flat inside, and the fullness is even.",
    )


TECHNIQUE = Technique(
    id="casing",
    name="Casing with elastic",
    chapter="fullness",
    finds=finds_casing,
    sews=casing,
    rank=30,
    words={"casing": "a tunnel for elastic or a cord"},
    draw="casing",
)
