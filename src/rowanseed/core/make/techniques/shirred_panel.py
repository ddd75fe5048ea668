"""Shirred panel."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.shirred import ID, chalked, from_side_to_side, shirred_rows, steamed
from rowanseed.core.make.operation import Need, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart


def finds_panel(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.SHIRRED_PANEL):
        if detail.on and not detail.along:
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
    number = detail.count if detail.count > 1 else 0
    yield shirred_rows(
        step,
        On(pieces=detail.on, edges=shown(parts)),
        lines=(
            chalked(bench, number),
            from_side_to_side(bench, curved=any(bench.bends.is_curved(p) for p in parts)),
        ),
        needs=needs,
        given=(Fact.SEWN, *(facts.piece(Fact.ATTACHED, piece) for piece in detail.on)),
    )
    yield steamed(step, On(edges=shown(parts)))


TECHNIQUE = Technique(
    id="shirred-panel",
    name="Shirred panel",
    chapter="fullness",
    finds=finds_panel,
    sews=panel,
    rank=15,
    words={"shirring": "rows of stitching with elastic thread below, which draw the cloth together and let it stretch"},
    draw="shirring",
)
