"""Neatened edge."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, looks, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.free_edges import across, on_edge, whole, whole_run
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Need, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import edges_of, is_vent
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import FinishKind


def finds_neatened(bench: Workbench) -> Iterator[Duty]:
    for finish in edges_of(bench, FinishKind.NEATENED):
        if not is_vent(bench, finish):
            yield single(finish.id)


def neatened(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    at, setting = settings.neaten(bench.household)
    mm = bench.around([finish.id])
    pressed = ", after its seams are pressed" if bench.crossing([finish.id]) else ""
    yield Operation(
        id=f"neaten-{finish.id}",
        technique="neatened edge",
        act=Act.NEATEN,
        title=f"Neaten the {lower_first(finish.name)}",
        how=(f"In one run {whole(bench, finish)}{pressed}, right side up.",),
        bench=at,
        minutes=minutes.neaten(mm),
        on=on_edge(finish),
        requires=(
            *across(bench, finish),
            *(
                Need(facts.piece(Fact.STIFFENED, id), "interfacing goes on first", where_given=True)
                for id in sorted(pieces_of(finish.parts))
            ),
        ),
        gives=(facts.finish(Fact.FINISHED, finish.id), facts.finish(Fact.NEATENED, finish.id)),
        run=whole_run(bench, finish),
        setting=setting,
        booklet=bench.booklet(finish.id),
        look=looks.NEATENED,
    )


TECHNIQUE = Technique(
    id="neatened-edge",
    name="Neatened edge",
    chapter="edges",
    finds=finds_neatened,
    sews=neatened,
    rank=30,
    draw="neatened",
)
