"""Shirred panel."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.shirred import ID, needs_bobbin, shirred_rows
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart


def finds_panel(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.SHIRRED_PANEL):
        if detail.on:
            yield single(detail.id)


def panel(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, ID, duty.id)
    parts = [EdgePart(piece, edge.name) for piece in detail.on for edge in bench.piece(piece).edges]
    needs = tuple(
        Need(facts.piece(fact, piece), "the piece is ready before it is drawn up", where_given=True)
        for piece in detail.on
        for fact in (Fact.STAYED, Fact.SHAPED)
    )
    yield shirred_rows(
        step,
        On(pieces=detail.on, edges=shown(parts)),
        curved=any(bench.bends.is_curved(p) for p in parts),
        needs=needs,
        given=(Fact.SEWN, *(facts.piece(Fact.ATTACHED, piece) for piece in detail.on)),
    )
    yield step(
        "steam",
        Act.PRESS,
        f"Steam the shirring, if it is too wide: {step.name}",
        "Only where the try-on showed that it should be tighter: hold the iron above it, steam without touching, and "
        "pat it together; the elastic draws in a little more.",
        f"Let it dry before it is moved. {iron_for(bench)}",
        at=Bench.IRON,
        took=minutes.each(4),
        after={Fact.SEWN: "it is shirred first"},
        needs=(
            Need(facts.gate(Fact.SETTLED, "shell"), "the try-on tells whether it is tight enough", where_given=True),
        ),
        gives=(Fact.PRESSED,),
        on=On(edges=shown(parts)),
        look="Worn, it lies close without cutting in.",
    )


TECHNIQUE = Technique(
    id="shirred-panel",
    name="Shirred panel",
    chapter="fullness",
    finds=finds_panel,
    sews=panel,
    rank=15,
    asks=needs_bobbin,
    words={"shirring": "rows of stitching with elastic thread below, which draw the cloth together and let it stretch"},
    draw="shirring",
)
