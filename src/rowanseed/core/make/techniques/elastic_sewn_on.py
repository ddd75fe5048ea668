"""Elastic zigzagged on and folded over."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.casing import ROOM, width
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.elastics import needs_zigzag, zigzag_setting
from rowanseed.core.make.families.free_edges import across
from rowanseed.core.make.operation import Act, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_finish
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.turned import stitched
from rowanseed.core.make.which import drawn_through, edges_of
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import ClosureKind, FinishKind

LAP = 13.0


def finds_edge(bench: Workbench) -> Iterator[Duty]:
    for finish in edges_of(bench, FinishKind.CASING):
        drawn = drawn_through(bench, finish)
        if drawn and all(c.kind is ClosureKind.ELASTIC for c in drawn):
            yield single(finish.id, *(c.id for c in drawn))


def _why_not(bench: Workbench, id: str) -> str | None:
    finish = bench.finishes.get(id)
    if finish is None or finish.kind is not FinishKind.CASING:
        return None
    drawn = drawn_through(bench, finish)
    if not drawn:
        return "the pattern does not say that elastic draws it in"
    return "" if all(c.kind is ClosureKind.ELASTIC for c in drawn) else "ties run in it, and need a tunnel"


def edge(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, "elastic zigzagged on", duty.id)
    allowance = bench.edge_allowance(finish.parts[0])
    wide = width(allowance) - ROOM
    cut_down = (
        f"Cut the edge down to {bench.margin(wide)} beyond its stitching line first: here it is folded once over the "
        "elastic, and not twice.",
    )
    yield step(
        "elastic",
        Act.ATTACH,
        f"Zigzag the elastic to the edge: {step.name}",
        *cut_down,
        f"Elastic {bench.margin(wide)} wide. Put it round the body where it will sit, comfortable, or "
        f"take nine tenths of the body; add {bench.margin(LAP)}, lap the ends by that and sew a square with a cross.",
        "Quarter the ring and the edge. Elastic on the wrong side, its edge level with the raw edge; quarter on "
        "quarter, its join at a seam.",
        "Zigzag along that edge, holding before and behind the foot and stretching the elastic just to the cloth.",
        setting=zigzag_setting(bench),
        needs=(*bench.flat_first([finish.id]), *across(bench, finish)),
        gives=(Fact.PREPARED,),
        uses=(Use(Supply.ELASTIC, bench.round_the_body([duty.id]), wide=wide),),
        look="Let go, the fullness is even all round.",
    )
    yield step(
        "sew",
        Act.FASTEN,
        f"Fold over and stitch: {step.name}",
        "Fold elastic and cloth to the wrong side once, so that the elastic is covered; zigzag again along its other "
        "edge, stretched as before. Right side up it is easier to keep straight.",
        setting=zigzag_setting(bench),
        after={Fact.PREPARED: "the elastic is on the edge"},
        gives=(Fact.FINISHED, *(facts.closure(Fact.CLOSED, id) for id in duty.ids[1:])),
        on=On(finishes=(finish.id,), closures=duty.ids[1:], edges=shown(finish.parts)),
        turned=stitched(wide),
        booklet=True,
        look="Stretched as far as the edge is wide, no thread breaks.",
    )


TECHNIQUE = Technique(
    id="elastic-sewn-on",
    name="Elastic zigzagged on and folded over",
    chapter="fullness",
    finds=finds_edge,
    why_not=_why_not,
    sews=edge,
    rank=31,
    usual=False,
    asks=needs_zigzag,
    draw="elastic",
)
