"""A pleated band on a flat one: folded lengthwise, basted, and mounted on the band that sets its length."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import pleats
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart
from rowanseed.core.pattern.pieces import LineKind

ID = "pleated-band"


def finds(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.PLEATED_BAND):
        if detail.pieces and detail.on:
            own = set(detail.pieces)
            caught = (f.id for f in bench.finishes.values() if pieces_of(f.parts) <= own)
            lined = (f"{pleats.KEY}{id}" for id in detail.pieces if pleats.lines(bench.piece(id)))
            yield single(detail.id, *dict.fromkeys((*bench.parts_of(detail), *caught, *lined)))


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "pleated band", duty.id)
    pieces = (*detail.pieces, *detail.on)
    edges = shown(EdgePart(id, edge.name) for id in detail.pieces for edge in bench.piece(id).edges)
    finishes = tuple(id for id in duty.ids if id in bench.finishes)
    number = f"{detail.count} pleats along the strip" if detail.count > 1 else "The pleats run along the strip"
    folded = any(line.kind is LineKind.FOLD for id in detail.on for line in bench.piece(id).lines)
    half = ", on the half that shows" if folded else ""
    deep = f", each showing {bench.fine(detail.width)}" if detail.width else ""
    yield step(
        "pleats",
        Act.FOLD,
        f"Fold and press the pleats: {step.name}",
        f"{number}{deep}, all pointing down. Fold line on line from one end to the other, over a strip of card as wide "
        "as the pleat so that they stay parallel; baste down every fold with silk or fine thread.",
        f"Press as folded, face down. {iron_for(bench)}",
        "They have to meet at the side seams: mark those on the folded strip before it is cut to length.",
        at=Bench.IRON,
        took=minutes.each(12),
        needs=tuple(
            Need(facts.piece(Fact.STIFFENED, id), "the flat band is stiffened first", where_given=True)
            for id in detail.on
        ),
        gives=(Fact.PREPARED,),
        on=On(pieces=detail.pieces, edges=edges),
        leaves=(f"basting down the {step.name}",),
        look="The folded strip is as wide as the flat band from end to end.",
    )
    yield step(
        "mount",
        Act.ATTACH,
        f"Mount it on the flat band: {step.name}",
        f"Wrong side of the pleated strip on the right side of the flat band{half}; the flat one sets the length: "
        "smooth the pleats over it without stretching, centre and side marks on each other.",
        f"Baste both together all round, {bench.margin(5)} from the raw edges, in the allowance, where it stays; from "
        "here on they are one.",
        took=minutes.each(8),
        setting=settings.longest(bench.household),
        after={Fact.PREPARED: "it is folded and pressed first"},
        gives=(
            Fact.FINISHED,
            *(facts.finish(fact, id) for id in finishes for fact in (Fact.FINISHED, Fact.ATTACHED)),
            *(facts.piece(Fact.ATTACHED, id) for id in detail.on),
        ),
        on=On(pieces=pieces, finishes=finishes, edges=edges),
        rows=0,
        booklet=True,
        look="The pleats run level, and meet at the side seams.",
    )


TECHNIQUE = Technique(
    id=ID,
    name="Pleated band on a flat one",
    chapter="waists, collars and cuffs",
    finds=finds,
    sews=sews,
    rank=9,
    draw="pleat",
)
