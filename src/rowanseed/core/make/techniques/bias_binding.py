"""Bias binding."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import corners, facts, minutes, settings
from rowanseed.core.make.binding import BINDING
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bound_edges import finds_bound, why_not_bound
from rowanseed.core.make.families.free_edges import across, on_edge, whole, whole_run
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Supply, Use
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import NEEDLE, Workbench, shown


def _laid(bench: Workbench, allowance: float) -> str:
    """How the strip's raw edge lies, so that its crease is on the stitching line."""
    if allowance == BINDING:
        return "raw edges even"
    aside = bench.margin(abs(allowance - BINDING))
    where = f"{aside} inside the garment's" if allowance > BINDING else f"standing out {aside}"
    return f"its crease on the stitching line, its raw edge {where}"


def bound(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    mm = bench.around([finish.id])
    allowance = bench.edge_allowance(finish.parts[0])
    strip = "A strip across the knit, where it stretches most," if bench.household.is_knit else "Bias strip"
    trimmed = (f"Trim the garment's allowance to the binding's, {bench.margin(BINDING)}.",)
    name, turns = lower_first(finish.name), corners.inward(bench, finish.parts)
    yield Operation(
        id=f"bind-{finish.id}",
        technique="bias binding",
        act=Act.TRIM,
        title=f"Sew the binding on: {name}",
        how=(
            *((turns.opened(bench),) if turns else ()),
            f"{strip} {bench.margin(4 * BINDING)} wide, {bench.length(mm + 60)} long, both long edges pressed in; "
            f"open one fold, right sides together, {_laid(bench, allowance)}.",
            f"Stitch in the crease {whole(bench, finish)}: lay it in without pulling on an outward curve; on an "
            "inward one open the edge towards straight as you sew.",
            *(trimmed if allowance > BINDING else ()),
            f"Wrapped, the edge ends {bench.margin(BINDING)} beyond the row.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(mm),
        on=On(edges=shown(finish.parts)),
        requires=(*bench.flat_first([finish.id]), *across(bench, finish)),
        gives=(facts.finish(Fact.PREPARED, finish.id),),
        uses=() if bench.household.is_knit else (Use(Supply.BINDING, mm),),
        run=whole_run(bench, finish),
        setting=settings.seam(bench.household),
        rows=0,
        caution=NEEDLE,
        look="The edge has kept its length.",
    )
    yield Operation(
        id=f"turn-{finish.id}",
        technique="bias binding",
        act=Act.BIND,
        title=f"Wrap and stitch the binding: {name}",
        how=(
            *((turns.mitred,) if turns else ()),
            f"Press it away, wrap it over the edge so that the far fold passes the stitching by {bench.margin(2)}; "
            "pin from the right side.",
            "Stitch in the ditch from the right side, or edgestitch the fold.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(mm),
        on=on_edge(finish),
        requires=(Need(facts.finish(Fact.PREPARED, finish.id), "it is sewn on first"),),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        rows=2,
        booklet=bench.booklet(finish.id),
        look="Inside, the fold is caught all along, and it has one width.",
    )


TECHNIQUE = Technique(
    id="bias-binding",
    name="Bias binding",
    chapter="edges",
    finds=finds_bound,
    why_not=why_not_bound,
    sews=bound,
    rank=30,
    words={"bias": "the slanting direction of a cloth, in which it stretches"},
    draw="binding",
)
