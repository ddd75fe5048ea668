"""Elastic sewn on without a tunnel: to an edge that is then folded over, or along a line of a piece."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Need, On, Operation, Setting, Supply, Use
from rowanseed.core.make.settings import ORDINARY, needle
from rowanseed.core.make.steps import of_detail, of_finish
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques.free_edges import across
from rowanseed.core.make.which import drawn_through, edges_of
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import ClosureKind, Detail, DetailKind, FinishKind
from rowanseed.core.pattern.pieces import LineKind

LAP = 13.0


def finds_edge(bench: Workbench) -> Iterator[Duty]:
    for finish in edges_of(bench, FinishKind.CASING):
        drawn = drawn_through(bench, finish)
        if drawn and all(c.kind is ClosureKind.ELASTIC for c in drawn):
            yield single(finish.id, *(c.id for c in drawn))


def finds_line(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.ELASTIC):
        if detail.on:
            yield single(detail.id)


def _zigzag(bench: Workbench) -> str:
    return "" if bench.household.equipment.zigzag else "it needs a zigzag stitch"


def _setting(bench: Workbench) -> Setting:
    return Setting(
        "zigzag, width 3", 2.5, ORDINARY, needle(bench.household), "three-step zigzag if there is one", "304"
    )


def edge(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, "elastic zigzagged on", duty.id)
    allowance = bench.edge_allowance(finish.parts[0])
    yield step(
        "elastic",
        Act.ATTACH,
        f"Zigzag the elastic to the edge: {step.name}",
        f"Elastic no wider than {bench.margin(allowance)}. Put it round the body where it will sit, comfortable, or "
        f"take nine tenths of the body; add {bench.margin(LAP)}, lap the ends by that and sew a square with a cross.",
        "Quarter the ring and the edge. Elastic on the wrong side, its edge level with the raw edge; quarter on "
        "quarter, its join at a seam.",
        "Zigzag along that edge, holding before and behind the foot and stretching the elastic just to the cloth.",
        setting=_setting(bench),
        needs=(*bench.flat_first([finish.id]), *across(bench, finish)),
        gives=(Fact.PREPARED,),
        uses=(Use(Supply.ELASTIC, bench.round_the_body([duty.id]), wide=allowance),),
        look="Let go, the fullness is even all round.",
    )
    yield step(
        "sew",
        Act.FASTEN,
        f"Fold over and stitch: {step.name}",
        "Fold elastic and cloth to the wrong side once, so that the elastic is covered; zigzag again along its other "
        "edge, stretched as before. Right side up it is easier to keep straight.",
        setting=_setting(bench),
        after={Fact.PREPARED: "the elastic is on the edge"},
        gives=(Fact.FINISHED, *(facts.closure(Fact.CLOSED, id) for id in duty.ids[1:])),
        on=On(finishes=(finish.id,), closures=duty.ids[1:], edges=shown(finish.parts)),
        booklet=True,
        look="Stretched to the hips no thread breaks.",
    )


def _where(bench: Workbench, detail: Detail) -> str:
    """Where the pattern says that it runs: at a level that all its pieces have by its name, or as they mark it."""
    at = next((level for level in ("waist", "hip", "bust") if level in detail.id or level in detail.name.lower()), "")
    has = at and all(bench.piece(id).line(LineKind.LEVEL, at) is not None for id in detail.on)
    return f" along its {at} line" if has else ", where the tissue marks it"


def line(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "elastic on a line", duty.id)
    several = detail.count > 1
    yield step(
        "elastic",
        Act.ATTACH,
        f"Sew the elastic on: {step.name}",
        f"Chalk {'the lines' if several else 'the line'} on the wrong side of the {bench.names(detail.on)}"
        f"{_where(bench, detail)}. Cut the "
        "elastic as long as this part of the body less a tenth, try it round the body, and halve and quarter both.",
        f"Fasten one end {bench.margin(6)} inside the stitching line; hold the elastic stretched from quarter to "
        "quarter along the chalk and zigzag down its middle; fasten the other end.",
        *(("Each line by itself, all stretched alike.",) if several else ()),
        took=minutes.each(7, detail.count),
        setting=_setting(bench),
        needs=tuple(
            Need(facts.piece(fact, piece), "the piece is ready first", where_given=True)
            for piece in detail.on
            for fact in (Fact.STAYED, Fact.SHAPED)
        ),
        gives=(Fact.FINISHED, *(facts.piece(Fact.ATTACHED, piece) for piece in detail.on)),
        uses=(Use(Supply.ELASTIC, step.mm, wide=detail.width),),
        rows=0,
        look="The ends are caught when the seams beside it are sewn.",
    )


TECHNIQUES = (
    Technique(
        id="elastic-sewn-on",
        name="Elastic zigzagged on and folded over",
        chapter="fullness",
        finds=finds_edge,
        sews=edge,
        rank=31,
        usual=False,
        asks=_zigzag,
        draw="elastic",
    ),
    Technique(
        id="elastic-on-a-line",
        name="Elastic on a line of a piece",
        chapter="fullness",
        finds=finds_line,
        sews=line,
        rank=15,
        asks=_zigzag,
        draw="elastic",
    ),
)
