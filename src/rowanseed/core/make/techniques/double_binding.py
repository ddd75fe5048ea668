"""A binding folded double before it goes on."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import corners, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bound_edges import (
    all_along,
    finds_bound,
    not_of_a_knit,
    run_along,
    stretched,
    why_not_bound,
)
from rowanseed.core.make.families.free_edges import across
from rowanseed.core.make.operation import Act, Bench, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_finish
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench, shown

DOUBLE = 8.0
"""Finished width of a double binding, in mm; its strip is six times as wide and a little more (the craft's rule)."""


def double(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, "double binding", duty.id)
    turns = corners.inward(bench, finish.parts)
    allowance = bench.edge_allowance(finish.parts[0])
    wide = 6 * DOUBLE + 6
    yield step(
        "bind",
        Act.TRIM,
        f"Sew the double binding on: {step.name}",
        *((turns.opened(bench),) if turns else ()),
        f"Bias strip {bench.margin(wide)} wide, six times the finished {bench.margin(DOUBLE)} and {bench.margin(6)}, "
        "folded lengthwise, wrong sides together, and pressed.",
        *(
            (
                f"Trim the garment's allowance from {bench.margin(allowance)} to {bench.margin(DOUBLE)}, so that the "
                "row below runs on the stitching line.",
            )
            if allowance > DOUBLE
            else ()
        ),
        "Strip and garment right sides together, the three raw edges even.",
        f"Stitch {bench.margin(DOUBLE)} from the raw edges {all_along(step)}. At the beginning fold the strip's end in "
        f"by {bench.margin(10)} and lap the other over it.",
        *filter(None, [stretched(step)]),
        run=run_along(step),
        took=minutes.seam(1.5 * step.mm),
        needs=(*bench.flat_first([finish.id]), *across(bench, finish)),
        gives=(Fact.PREPARED,),
        uses=(Use(Supply.BINDING, step.mm),),
        rows=1,
        look="The raw edges are even, and the strip is neither stretched nor gathered but where it curves.",
    )
    yield step(
        "turn",
        Act.BIND,
        f"Fell the binding's fold: {step.name}",
        *((turns.mitred,) if turns else ()),
        "Wrap it over the edge; its fold just covers the row inside. Fell it to that row by hand, or stitch in the "
        "ditch from the right side.",
        at=Bench.HAND,
        after={Fact.PREPARED: "it is sewn on first"},
        gives=(Fact.FINISHED,),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        booklet=True,
        look="It has one width, and no stitch shows outside.",
    )


TECHNIQUE = Technique(
    id="double-binding",
    name="Double binding, felled by hand",
    chapter="edges",
    finds=finds_bound,
    why_not=why_not_bound,
    sews=double,
    rank=32,
    usual=False,
    asks=not_of_a_knit,
    also=("French binding",),
    draw="binding",
)
