"""Elastic on a line of a piece."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.elastics import needs_zigzag, zigzag_setting
from rowanseed.core.make.operation import Act, Need, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Detail, DetailKind
from rowanseed.core.pattern.pieces import LineKind


def finds_line(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.ELASTIC):
        if detail.on:
            yield single(detail.id)


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
        setting=zigzag_setting(bench),
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


TECHNIQUE = Technique(
    id="elastic-on-a-line",
    name="Elastic on a line of a piece",
    chapter="fullness",
    finds=finds_line,
    sews=line,
    rank=15,
    asks=needs_zigzag,
    draw="elastic",
)
