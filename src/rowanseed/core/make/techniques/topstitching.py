"""Topstitching along seams and edges."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from rowanseed.core.make import corners, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.trims import finds_along, trim_technique, whole_and_pressed
from rowanseed.core.make.operation import Act, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart


def topstitching(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "topstitching", duty.id)
    away = detail.width or 6.0
    rows = max(1, detail.count)
    yield step(
        "topstitch",
        Act.TOPSTITCH,
        f"Topstitch: {step.name}",
        f"From the side that will be seen, {bench.margin(away)} from the seam or edge, through the allowances below; a "
        "guide or a strip of tape keeps the distance. Thicker thread above needs a larger needle.",
        *((f"{rows} rows, all sewn in the same direction, {bench.margin(6)} apart.",) if rows > 1 else ()),
        *_turned_at(bench, [part for id in detail.along for part in bench.parts(id)]),
        "No backstitch: draw the ends to the wrong side and knot them.",
        took=minutes.seam(rows * step.mm),
        setting=settings.topstitch(bench.household, bench.margin(away)),
        needs=tuple(whole_and_pressed(bench, detail.along)),
        gives=(Fact.FINISHED,),
        on=On(
            joins=tuple(id for id in detail.along if id in bench.joins),
            edges=shown(part for id in detail.along for part in bench.parts(id)),
        ),
        rows=rows,
        look="Left and right are mirror images.",
    )


def _turned_at(bench: Workbench, parts: Sequence[EdgePart]) -> tuple[str, ...]:
    """How the rows turn where the edge does."""
    found = corners.inward(bench, parts)
    return (f"At {found.words} needle down, foot up, and turn: mark before where the row turns.",) if found else ()


TECHNIQUE = trim_technique(
    DetailKind.TOPSTITCHING, "Topstitching", finds_along(DetailKind.TOPSTITCHING), topstitching, draw="rows"
)
