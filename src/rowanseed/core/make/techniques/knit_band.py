"""A band of knit, cut shorter than its edge and stretched on."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import corners, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bound_edges import bound_ids
from rowanseed.core.make.families.free_edges import across
from rowanseed.core.make.families.stretched_bands import mitred
from rowanseed.core.make.families.suited import finds_of, why_not_of
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation
from rowanseed.core.make.steps import of_finish
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench, shown

BAND = 25.0
SHORTER = 0.87
"""A knit band is so long for the edge it is stretched on to (common practice: 80 to 90 %)."""


def _why_not(bench: Workbench, id: str) -> str:
    if not bench.household.is_knit:
        return "it is for knits, which stretch; woven cloth is bound or faced"
    return "" if bench.runs.over(bench.finishes[id].parts).ring else "the edge does not run all round"


def stretched_band(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, "knit band", duty.id)
    allowance = bench.edge_allowance(finish.parts[0])
    long = step.mm * SHORTER + 2 * 6
    overlocker = bench.household.equipment.overlocker
    turns = corners.inward(bench, finish.parts)
    yield step(
        "ring",
        Act.TRIM,
        f"Close the band to a ring: {step.name}",
        f"A strip across the knit, where it stretches most: {bench.fine(long)} long, about {SHORTER:.0%} of the edge "
        f"and two seams of {bench.margin(6)}, and {bench.margin(2 * BAND + 2 * min(allowance, 10.0))} wide. A firm "
        "knit takes nine tenths, a ribbing eight: hold it to the edge and stretch before you cut.",
        f"Short ends right sides together, {bench.margin(6)} seam, pressed open with the finger. Fold lengthwise, "
        "wrong sides together, and press.",
        *mitred(turns),
        took=minutes.each(6),
        gives=(Fact.PREPARED,),
        rows=0,
        caution="Cut away from yourself.",
        look="The ring is not twisted, and stretched to the edge it goes round without a ripple.",
    )
    yield step(
        "sew",
        Act.BIND,
        f"Stretch the band on: {step.name}",
        f"Trim the garment's allowance to {bench.margin(min(allowance, 10.0))}. Quarter band and edge; the band's seam "
        "at the centre back or a shoulder. Right sides together, the three raw edges even, band up.",
        "Sew all round, stretching only the band, from pin to pin, to the length of the edge.",
        *((f"{turns.pivoted(bench)} Clip to it before: the edge opens there as you turn.",) if turns else ()),
        *(() if overlocker else ("Neaten the three edges together with a zigzag and trim.",)),
        at=Bench.OVERLOCKER if overlocker else Bench.MACHINE,
        needs=across_and_flat(bench, duty),
        after={Fact.PREPARED: "the band is a ring first"},
        gives=(Fact.JOINED,),
        meant=frozenset({Meant.ENCLOSES}),
        on=On(edges=shown(finish.parts)),
        look="The band stands up or lies flat all round, and does not gape.",
    )
    yield step(
        "press",
        Act.BIND,
        f"Press the band, and stitch below it: {step.name}",
        f"Allowances away from the band, steamed over a ham. Topstitch on the garment {bench.margin(2)} from the seam, "
        "with a twin needle or a stretch stitch, so that they stay down.",
        after={Fact.JOINED: "it is sewn on first"},
        gives=(Fact.FINISHED,),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        booklet=True,
        look="Pulled over the head, no thread breaks.",
    )


def across_and_flat(bench: Workbench, duty: Duty) -> tuple[Need, ...]:
    finish = bench.finishes[duty.id]
    return (*bench.flat_first([finish.id]), *across(bench, finish))


TECHNIQUE = Technique(
    id="knit-band",
    name="Knit band stretched on",
    chapter="edges",
    finds=finds_of(bound_ids, _why_not),
    why_not=why_not_of(bound_ids, _why_not),
    sews=stretched_band,
    rank=29,
    also=("neck ribbing",),
    words={"ribbing": "a knit of ribs that stretches much and springs back"},
    draw="band closed",
)
