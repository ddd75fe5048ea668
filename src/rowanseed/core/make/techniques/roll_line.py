"""The roll line of a lapel, stitched and taped."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, On, Operation, Setting
from rowanseed.core.make.settings import ORDINARY, needle
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart


def finds_roll_line(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.ROLL_LINE):
        if detail.on:
            yield single(detail.id)


def roll_line(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "roll line", duty.id)
    yield step(
        "roll",
        Act.STAY,
        f"Stitch the roll line: {step.name}",
        f"On the {bench.names(detail.on)}, under side only, along the drawn line at stitch length 1, pulling gently "
        "from both sides while it is sewn: the short stitches draw the line in, and the piece folds along it.",
        iron_for(bench),
        took=minutes.each(4, max(1, len(detail.on))),
        setting=Setting("straight", 1.0, ORDINARY, needle(bench.household)),
        gives=(Fact.FINISHED, *(facts.piece(Fact.STAYED, id) for id in detail.on)),
        on=On(pieces=detail.on, edges=shown(EdgePart(id, e.name) for id in detail.on for e in bench.piece(id).edges)),
        rows=0,
        look="Laid down, it rolls over by itself at the line.",
    )


TECHNIQUE = Technique(
    id="roll-line",
    name="Roll line at a short stitch",
    chapter="stay",
    finds=finds_roll_line,
    sews=roll_line,
    rank=10,
    words={"roll line": "the line along which a collar or lapel turns over"},
    draw="rows",
)
