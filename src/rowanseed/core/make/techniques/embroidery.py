"""Embroidery, worked while the piece is flat."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.trims import trim_technique
from rowanseed.core.make.operation import Act, Bench, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Finds, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart


def _on_pieces(kind: DetailKind) -> Finds:
    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.on:
                yield single(detail.id)

    return finds


def embroidery(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "embroidery", duty.id)
    yield step(
        "embroider",
        Act.ATTACH,
        f"Embroider: {step.name}",
        f"On the {bench.names(detail.on)} while it is flat, before anything hides its back. Cut the piece larger all "
        "round if it goes into a hoop, and to the tissue afterwards: embroidery draws cloth in.",
        "Transfer the drawing with a pen that washes out, tried on a scrap; a film or thin stabiliser behind soft "
        "cloth.",
        at=Bench.HAND,
        took=minutes.each(40),
        gives=(
            Fact.FINISHED,
            *(facts.piece(fact, piece) for piece in detail.on for fact in (Fact.ATTACHED, Fact.EMBROIDERED)),
        ),
        on=On(
            pieces=detail.on,
            edges=shown(EdgePart(id, edge.name) for id in detail.on for edge in bench.piece(id).edges),
        ),
        look="Laid on the tissue, the piece has kept its size.",
    )


TECHNIQUE = trim_technique(
    DetailKind.EMBROIDERY, "Embroidery", _on_pieces(DetailKind.EMBROIDERY), embroidery, draw="trim"
)
