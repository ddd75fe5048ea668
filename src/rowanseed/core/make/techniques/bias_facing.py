"""Edges finished with a bias strip: turned wholly inside, as a double binding, or a knit band stretched on."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation, Supply, Use
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.steps import Steps, of_finish
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques.free_edges import across, whole
from rowanseed.core.make.which import edges_of
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import FinishKind

FACING = 10.0
"""Finished width of a bias facing, in mm (common practice, no source)."""
DOUBLE = 8.0
"""Finished width of a double binding, in mm; its strip is six times as wide and a little more (the craft's rule)."""
BAND = 25.0
SHORTER = 0.87
"""A knit band is so long for the edge it is stretched on to (common practice: 80 to 90 %)."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for finish in edges_of(bench, FinishKind.BINDING):
        yield single(finish.id)


def finds_knit(bench: Workbench) -> Iterator[Duty]:
    """Edges of a knit that run all round."""
    if bench.household.is_knit:
        for finish in edges_of(bench, FinishKind.BINDING):
            if bench.runs.over(finish.parts).ring:
                yield single(finish.id)


def _whole(step: Steps) -> str:
    return whole(step.bench, step.bench.finishes[step.id], "the strip's ends joined on the bias where they meet")


def _stretched(step: Steps) -> str:
    bench = step.bench
    inward = any(bench.bends.is_curved(part) for part in bench.finishes[step.id].parts)
    if not inward:
        return ""
    return (
        "Round an inward curve stretch the strip a little as you pin it, so that its inner edge lies "
        "flat; round an outward one ease it on."
    )


def facing(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, "bias facing", duty.id)
    yield step(
        "face",
        Act.TRIM,
        f"Sew the bias facing on: {step.name}",
        f"Bias strip {bench.margin(FACING * 2 + 6)} wide, {bench.length(step.mm + 60)} long, one long edge pressed in "
        f"by {bench.margin(6)}. Right sides together, its other edge {bench.margin(6)} from the stitching line, in the "
        "allowance.",
        *filter(None, [_stretched(step)]),
        f"Stitch on the stitching line {_whole(step)}.",
        f"Trim both allowances to {bench.margin(6)}, and clip where it curves inwards, every {bench.margin(15)}.",
        took=minutes.seam(1.5 * step.mm),
        needs=(*bench.flat_first([finish.id]), *across(bench, finish)),
        gives=(Fact.JOINED,),
        uses=(Use(Supply.BINDING, step.mm),),
        rows=1,
        look="The edge has kept its length, and seam stands on seam.",
    )
    yield step(
        "understitch",
        Act.UNDERSTITCH,
        f"Understitch the bias facing: {step.name}",
        "Strip and allowances away from the garment; strip up, close to the seam, all the way.",
        setting=settings.understitch(bench.household, bench.margin(2)),
        after={Fact.JOINED: "it is sewn first"},
        gives=(Fact.UNDERSTITCHED,),
    )
    yield step(
        "turn-in",
        Act.TURN,
        f"Turn it in and stitch down: {step.name}",
        f"The whole strip to the wrong side, the seam rolled {bench.margin(1)} inside; press. {iron_for(bench)}",
        "Pin the pressed-in edge flat, let it spread where it curves, and edgestitch it from inside; or fell it by "
        "hand so that nothing shows outside.",
        setting=settings.topstitch(bench.household, bench.margin(2)),
        after={Fact.UNDERSTITCHED: "then it stays inside"},
        gives=(Fact.FINISHED,),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        booklet=True,
        look="The row outside runs at one distance from the edge.",
    )


def double(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, "double binding", duty.id)
    allowance = bench.edge_allowance(finish.parts[0])
    wide = 6 * DOUBLE + 6
    yield step(
        "bind",
        Act.TRIM,
        f"Sew the double binding on: {step.name}",
        f"Bias strip {bench.margin(wide)} wide, six times the finished {bench.margin(DOUBLE)} and {bench.margin(6)}, "
        "folded lengthwise, wrong sides together, and pressed.",
        f"Trim the garment's allowance to {bench.margin(DOUBLE)}: the binding's edge then lies on the stitching line "
        f"that was {bench.margin(allowance)} from the raw edge less that."
        if allowance > DOUBLE
        else "Raw edges of strip and garment even, right sides together.",
        f"Stitch {bench.margin(DOUBLE)} from the raw edges {_whole(step)}. At the beginning fold the strip's end in by "
        f"{bench.margin(10)} and lap the other over it.",
        *filter(None, [_stretched(step)]),
        took=minutes.seam(1.5 * step.mm),
        needs=(*bench.flat_first([finish.id]), *across(bench, finish)),
        gives=(Fact.PREPARED,),
        uses=(Use(Supply.BINDING, step.mm),),
        rows=1,
    )
    yield step(
        "turn",
        Act.BIND,
        f"Fell the binding's fold: {step.name}",
        "Wrap it over the edge; its fold just covers the row inside. Fell it to that row by hand, or stitch in the "
        "ditch from the right side.",
        at=Bench.HAND,
        after={Fact.PREPARED: "it is sewn on first"},
        gives=(Fact.FINISHED,),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        booklet=True,
        look="It has one width, and no stitch shows outside.",
    )


def stretched_band(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    step = of_finish(bench, "knit band", duty.id)
    allowance = bench.edge_allowance(finish.parts[0])
    long = step.mm * SHORTER + 2 * 6
    overlocker = bench.household.equipment.overlocker
    yield step(
        "ring",
        Act.TRIM,
        f"Close the band to a ring: {step.name}",
        f"A strip across the knit, where it stretches most: {bench.fine(long)} long, about {SHORTER:.0%} of the edge "
        f"and two seams of {bench.margin(6)}, and {bench.margin(2 * BAND + 2 * min(allowance, 10.0))} wide. A firm "
        "knit takes nine tenths, a ribbing eight: hold it to the edge and stretch before you cut.",
        f"Short ends right sides together, {bench.margin(6)} seam, pressed open with the finger. Fold lengthwise, "
        "wrong sides together, and press.",
        took=minutes.each(6),
        gives=(Fact.PREPARED,),
        rows=0,
        caution="Cut away from yourself.",
    )
    yield step(
        "sew",
        Act.BIND,
        f"Stretch the band on: {step.name}",
        f"Trim the garment's allowance to {bench.margin(min(allowance, 10.0))}. Quarter band and edge; the band's seam "
        "at the centre back or a shoulder. Right sides together, the three raw edges even, band up.",
        "Sew all round, stretching only the band, from pin to pin, to the length of the edge.",
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


def _knit(bench: Workbench) -> str:
    return "a knit is not bound with a bias strip, it stretches by itself" if bench.household.is_knit else ""


TECHNIQUES = (
    Technique(
        id="bias-facing",
        name="Bias strip turned inside",
        chapter="edges",
        finds=finds,
        sews=facing,
        rank=31,
        usual=False,
        asks=_knit,
        also=("bias facing",),
        draw="facing",
    ),
    Technique(
        id="double-binding",
        name="Double binding, felled by hand",
        chapter="edges",
        finds=finds,
        sews=double,
        rank=32,
        usual=False,
        asks=_knit,
        also=("French binding",),
        draw="binding",
    ),
    Technique(
        id="knit-band",
        name="Knit band stretched on",
        chapter="edges",
        finds=finds_knit,
        sews=stretched_band,
        rank=29,
        also=("neck ribbing",),
        words={"ribbing": "a knit of ribs that stretches much and springs back"},
        draw="band closed",
    ),
)
