"""A slit whose edges are faced."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, looks, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.slashed import (
    BESIDE,
    POINT,
    given,
    number_of,
    of_a_pair,
    on_edges,
    on_placket,
    placket_technique,
    ready,
)
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Need, On, Operation
from rowanseed.core.make.runs import slashed_edge
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import BLADES, Workbench, shown
from rowanseed.core.pattern.making import Detail, DetailKind, FinishKind, Join

KEYHOLE = 30.0
"""A keyhole is so wide, in mm (common practice, no source)."""


def _neck_faced_with(bench: Workbench, detail: Detail) -> Join | None:
    """The seam of a facing that faces the slit and the edge above it in one."""
    own = set(detail.pieces)
    return next((j for j in bench.joins.values() if own and bench.is_faced(j) and own & pieces_of(j.b)), None)


def _cut_and_sewn(bench: Workbench, detail: Detail, *, at_edge: str) -> tuple[str, ...]:
    drawn = (
        f" The tissue draws only the keyhole's middle line: chalk a drop round it, {bench.margin(KEYHOLE)} wide at its "
        "widest and coming to a point at the edge, and sew round that."
        if "keyhole" in detail.name.lower()
        else ""
    )
    return (
        f"Right sides together, slit line on slit line. Down one side {bench.margin(BESIDE)} beside the line "
        f"{at_edge}, running to its end; one or two short stitches straight across, and up the other side; stitch "
        f"length 1.5 for {bench.margin(POINT)} round the end.{drawn}",
        "Cut along the line to the stitches at its end, up to them and not through; trim the corners at the edge.",
    )


def faced_with_neck(bench: Workbench, duty: Duty, neck: Join) -> Iterator[Operation]:
    """The slit is sewn when the neck is, to the same facing, and both are turned at once."""
    detail = bench.details[duty.id]
    step = of_detail(bench, "faced slit", duty.id)
    on = On(pieces=(*detail.pieces, *detail.on), finishes=tuple(id for id in duty.ids if id in bench.finishes))
    yield step(
        "face",
        Act.TRIM,
        f"Sew round the slit, then cut it: {step.name}",
        "The facing lies as it was sewn to the neck.",
        *_cut_and_sewn(bench, detail, at_edge="from the neck's seam"),
        took=minutes.each(8),
        setting=settings.staystitch(bench.household),
        needs=(Need(facts.join(Fact.JOINED, neck.id), "the neck is sewn first, and the slit begins at its seam"),),
        gives=(Fact.JOINED,),
        on=on,
        rows=0,
        caution=BLADES,
        look="Cut open, the end of the slit spreads without a pucker.",
    )
    yield step(
        "turn",
        Act.ATTACH,
        f"Edgestitch round the slit: {step.name}",
        f"Facing turned in with the neck's, the seam rolled {bench.margin(1)} inwards and pressed: {bench.margin(2)} "
        "from the edge, down one side, across below the end and up the other. Where it is not to be seen, understitch "
        "as far as the foot goes instead.",
        took=minutes.each(5),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.JOINED: "it is sewn and cut first"},
        needs=(Need(facts.join(Fact.TURNED, neck.id), "the facing is turned in first"),),
        gives=(Fact.FINISHED, *(facts.finish(Fact.FINISHED, id) for id in duty.ids if id in bench.finishes)),
        on=on,
        rows=0,
        booklet=True,
        look="From outside no facing shows, and the slit lies closed.",
    )


def _held(bench: Workbench, detail: Detail) -> str:
    """What holds the facing inside."""
    if slashed_edge(bench, detail) == "wrist":
        return "Baste its lower end to the raw edge: the cuff catches it there."
    return "Tack the facing to the allowances it meets."


def faced(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    neck = _neck_faced_with(bench, detail)
    if neck is not None:
        yield from faced_with_neck(bench, duty, neck)
        return
    step, number = of_detail(bench, "faced slit", duty.id), number_of(bench, duty)
    name = bench.names(detail.pieces) if detail.pieces else "facing"
    own = [id for id in duty.ids if id in bench.finishes]
    free = [p for id in own if bench.finishes[id].kind is FinishKind.NEATENED for p in bench.finishes[id].parts]
    yield step(
        "edge",
        Act.NEATEN,
        f"Neaten the {name}: {step.name}",
        "All edges but the one that the slit begins at, in one run.",
        took=minutes.each(3, number),
        setting=settings.neaten(bench.household)[1],
        at=settings.neaten(bench.household)[0],
        needs=ready(bench, duty),
        gives=(Fact.NEATENED,),
        on=On(pieces=detail.pieces, finishes=tuple(own), edges=shown(free) or on_placket(bench, duty).edges),
        rows=0,
        look=looks.NEATENED,
    )
    yield step(
        "face",
        Act.TRIM,
        f"Sew round the slit, then cut it: {step.name}",
        *_cut_and_sewn(bench, detail, at_edge="at the edge"),
        *of_a_pair(bench, duty),
        took=minutes.each(8, number),
        setting=settings.staystitch(bench.household),
        after={Fact.NEATENED: "its free edge is easier to finish before it is on"},
        gives=(Fact.JOINED,),
        on=on_edges(bench, duty),
        rows=0,
        caution=BLADES,
        look="Cut open, the end of the slit spreads without a pucker.",
    )
    yield step(
        "turn",
        Act.ATTACH,
        f"Turn the facing in: {step.name}",
        f"Facing to the wrong side, the seam rolled {bench.margin(1)} inwards, and press. Understitch as far as the "
        f"foot goes, or edgestitch round the slit {bench.margin(2)} from its edge. {_held(bench, detail)}",
        iron_for(bench),
        took=minutes.each(6, number),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.JOINED: "it is sewn and cut first"},
        gives=given(bench, duty),
        on=on_edges(bench, duty),
        rows=0,
        booklet=True,
        look="From outside no facing shows, and the slit lies closed.",
    )


TECHNIQUE = placket_technique(DetailKind.FACED_SLIT, "Faced slit or keyhole", faced, draw="facing")
