"""Raglan seam."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams, set_in_sleeves
from rowanseed.core.make.families.raglans import finds_raglan
from rowanseed.core.make.neatening import finishes_edges, neaten_together
from rowanseed.core.make.operation import Meant, Need, Operation
from rowanseed.core.make.shared import clip, matching, press, sew
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import Panel


def raglan(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    run = replace(bench.runs.begun_at(join, "neck edge"), said="from the neck to the underarm")
    yield sew(
        bench,
        duty.ids,
        "raglan seam",
        how=(
            matching(bench, join),
            f"{bench.seam_of(join)} {run.words}, the more bias edge below on the feed dogs; "
            "backstitch both ends. Single notch belongs to the front, double to the back: look before you sew.",
            *plain_seams.fullness(bench, join),
        ),
        meant=frozenset({Meant.FLAT}),
        run=run,
        look="The bias edge has not grown: both ends are level.",
        flat=True,
    )
    clipped = clip(bench, duty.ids, "raglan seam")
    before = []
    if clipped:
        yield clipped
        before.append(Need(facts.join(Fact.GRADED, join.id), "a curved allowance lies flat only where it is clipped"))
    if finishes_edges(bench, duty.ids):
        yield neaten_together(bench, duty.ids, "raglan seam")
        before.append(Need(facts.join(Fact.FINISHED, join.id), set_in_sleeves.TOGETHER))
    pressed = press(
        bench,
        duty.ids,
        "raglan seam",
        way="side",
        words="towards the sleeve",
        towards=(p.piece for p in (*join.a, *join.b) if bench.panel(p.piece) is Panel.SLEEVE),
        requires=tuple(before),
        look="From neck to underarm the seam runs in one smooth line, its allowances towards the sleeve.",
    )
    yield replace(pressed, gives=(*pressed.gives, facts.join(Fact.ATTACHED, join.id)))


TECHNIQUE = Technique(
    id="raglan",
    name="Raglan seam",
    chapter="sleeves",
    finds=finds_raglan,
    sews=raglan,
    rank=22,
    words={"raglan": "a sleeve that runs up to the neck"},
    draw="seam to one side",
)
