"""A pocket whose mouth is left open in a seam."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.pocket_bags import (
    MOUTH,
    STAY,
    bag,
    edges_of,
    held_in_place,
    level,
    number_of,
    pocket_technique,
    ready,
)
from rowanseed.core.make.operation import Act, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import POCKET_DOTS, Detail, DetailKind
from rowanseed.core.pattern.seamline import mark_distance


def mouth_of(bench: Workbench, detail: Detail) -> tuple[float, bool]:
    """How long the mouth of an in-seam pocket is, in mm, and whether the tissue marks it."""
    for piece in (bench.piece(id) for id in detail.on):
        dots = [mark for mark in piece.marks if mark.id in POCKET_DOTS]
        if len(dots) == len(POCKET_DOTS):
            a, b = (mark_distance(piece, bench.size, mark) for mark in dots)
            return abs(b - a), True
    return MOUTH, False


def in_seam(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step, number = of_detail(bench, "in-seam pocket", duty.id), number_of(bench, detail)
    if detail.along:
        number = detail.count
    mouth, marked = mouth_of(bench, detail)
    yield step(
        "mouth",
        Act.STAY,
        f"Hold the mouth, and sew the bags on: {step.name}",
        f"On the wrong side of the front's edge a strip of fusible or a tape, {bench.margin(STAY)} wide and "
        f"{bench.margin(40)} longer than the mouth, along the stitching line.",
        "One bag on each edge of the seam, right sides together, between the pocket "
        f"{'dots' if marked else 'marks'} ({'' if marked else 'about '}{bench.length(mouth)}): sew {bench.margin(3)} "
        "outside the seam's stitching line, in the allowance, so that the bag's seam rolls inside. Press the bags out, "
        "away from the garment, and neaten the allowances with the seam's edges.",
        f"Understitch the front bag {bench.margin(2)} from the seam.",
        *level(number),
        took=minutes.each(9, number),
        needs=ready(bench, detail),
        gives=(Fact.PREPARED,),
        uses=(Use(Supply.FUSIBLE_TAPE, number * (mouth + 40.0)),),
        on=edges_of(bench, detail),
        rows=0,
        look="The bags' upper ends stand at the same height on both edges.",
    )
    yield from bag(
        step,
        duty,
        after={Fact.PREPARED: "the bags are on both edges first"},
        how=(
            "Lay front and back right sides together as for the seam, the bags on each other: sew round the bags from "
            f"one pocket mark to the other, {bench.margin(10)} from their edge.",
            "The seam of the garment is sewn later down to the upper mark and on from the lower one, with a "
            "backstitch at each; between them lies the mouth.",
        ),
    )
    yield held_in_place(
        step,
        duty,
        "Fold the bag to the front and baste its top into the waist's or the next seam's allowance, where it stays; "
        "without one, tack it to the front's allowance. A few stitches on the spot at both ends of the mouth take the "
        "strain.",
        "Closed, the mouth cannot be told from the seam.",
    )


TECHNIQUE = pocket_technique(
    kind=DetailKind.IN_SEAM_POCKET,
    name="In-seam pocket",
    sews=in_seam,
    draw="pocket bag",
    words={"pocket bag": "the two layers inside that hold what is put into a pocket"},
)
