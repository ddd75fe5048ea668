"""A pocket through a cut mouth that a welt stands over."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.pocket_bags import (
    bag,
    edges_of,
    held_in_place,
    level,
    number_of,
    pocket_technique,
    ready,
)
from rowanseed.core.make.operation import Act, Bench, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DetailKind

ROWS_APART, SHORTER, ROUND_THE_BAG = 10.0, 4.0, 10.0
"""The upper row runs so far above the lower one, and is so much shorter at both ends; the bags are sewn together so far
from their edge, in mm (common practice, no source)."""


def welt(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step, number = of_detail(bench, "welt pocket", duty.id), number_of(bench, detail)
    yield step(
        "made-up",
        Act.TURN,
        f"Make up the welt: {step.name}",
        "Interface it, fold it right sides together along its fold line, sew across both ends, trim to "
        f"{bench.margin(5)} and the corners across; turn, press, and baste the raw edges together.",
        "A strip of fusible behind the marked line on the garment, wrong side, wide enough to hold both rows.",
        *level(number),
        took=minutes.each(7, number),
        uses=(Use(Supply.FUSIBLE),),
        needs=ready(bench, detail),
        gives=(Fact.PREPARED,),
        on=edges_of(bench, detail),
        rows=0,
        look="Welts of a pair are equal: lay them on each other.",
    )
    yield step(
        "rows",
        Act.STAY,
        f"Sew welt and bag to the garment: {step.name}",
        f"Trim the raw edges of welt and bag to {bench.margin(ROWS_APART / 2)}, and chalk a second line "
        f"{bench.margin(ROWS_APART)} above the marked one: the edges meet halfway between, where the mouth is cut.",
        "Right side up: the welt below the marked line, its fold pointing down, its stitching line exactly on it; a "
        "bag piece above, right side down, its stitching line on the second line.",
        "Sew the lower row along the welt from end to end, then the upper row, "
        f"{bench.margin(SHORTER)} shorter at both ends; backstitch all four ends exactly at their marks.",
        took=minutes.each(9, number),
        after={Fact.PREPARED: "the welt is made up first"},
        gives=(Fact.JOINED,),
        on=edges_of(bench, detail),
        rows=0,
        look="From the wrong side both rows are parallel and end where they were marked.",
    )
    yield step(
        "slash",
        Act.CUT,
        f"Cut the mouth: {step.name}",
        f"Between the rows, garment only, to {bench.margin(12)} from both ends; from there slanting into the four ends "
        "of stitching, up to the last stitch and not through it. Allowances of welt and bag are not cut.",
        at=Bench.TABLE,
        took=minutes.each(3, number),
        after={Fact.JOINED: "both rows are sewn and checked first"},
        gives=(Fact.OPENED,),
        on=edges_of(bench, detail),
        look="Four little cuts end exactly at the rows.",
    )
    yield from bag(
        step,
        duty,
        after={Fact.OPENED: "the mouth is cut first"},
        how=(
            "Draw the bag through to the wrong side and the welt up over the mouth. Sew the second bag piece to the "
            "welt's allowances inside; press both rows away from the mouth.",
            "Lift the garment at the ends and sew the little triangles down to the bags, in line with the ends of the "
            "welt.",
            f"Sew round the two bag pieces, {bench.margin(ROUND_THE_BAG)} from their edge, beginning and ending over "
            "the triangles.",
        ),
    )
    yield held_in_place(
        step,
        duty,
        "Slip stitch both ends of the welt to the garment, or edgestitch them, with a few stitches on the spot at "
        "their upper corners. Press it closed, face down on a towel.",
        "The welt covers its mouth and stands square.",
    )


TECHNIQUE = pocket_technique(
    kind=DetailKind.WELT_POCKET,
    name="Welt pocket with bags",
    sews=welt,
    draw="welt",
    words={"welt": "the folded strip that stands over a cut pocket mouth"},
)
