"""A slit bound by one strip that runs round it."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import minutes, settings
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
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.make.steps import Steps, of_detail
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import BLADES, NEEDLE, Workbench
from rowanseed.core.pattern.making import DetailKind

STRIP, SEAM, STANDS_OUT = 32.0, 6.0, 5.0
"""How wide the strip is, how far from its edge it is sewn, and how far it stands out at the middle of the slash, in mm
(common practice, no source)."""


def continuous(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    step, number = of_detail(bench, "continuous placket", duty.id), number_of(bench, duty)
    yield _reinforced(step, duty, number, cut=True)
    yield step(
        "strip",
        Act.TRIM,
        f"Sew the strip to the slash: {step.name}",
        *_strip(bench, duty),
        "Spread the slash until it is one straight line and lay it on the strip, right sides together, garment up: the "
        f"raw edges even at both ends, at the middle of the slash the strip stands out by {bench.margin(STANDS_OUT)}.",
        f"Stitch {bench.margin(SEAM)} from the strip's edge, just below the reinforcing; at the middle needle down, "
        "foot up, and push the fold of the garment behind it. Press into the strip.",
        took=minutes.each(8, number),
        setting=settings.staystitch(bench.household),
        after={Fact.CLOSED: "the slash is reinforced and cut first"},
        gives=(Fact.JOINED,),
        on=on_edges(bench, duty),
        rows=0,
        caution=NEEDLE,
        look="No pleat is caught at the end of the slash.",
    )
    yield step(
        "turn-in",
        Act.ATTACH,
        f"Stitch the strip down: {step.name}",
        "Fold the strip over the allowances, its pressed-in edge just past the row, and edgestitch it from the right "
        "side.",
        "Fold the placket right sides together, so that its edges lie on each other, and sew a short slanting row "
        "across the strip's upper end, in the strip only: it then stays inside.",
        "The front side is folded under, the back side stands out as the underlap; press and baste across the lower "
        "edge.",
        took=minutes.each(7, number),
        setting=settings.topstitch(bench.household, bench.margin(1)),
        after={Fact.JOINED: "it is sewn on first"},
        gives=given(bench, duty),
        on=on_placket(bench, duty),
        rows=0,
        booklet=True,
        look="Closed, the strip cannot be seen from outside.",
    )


def _strip(bench: Workbench, duty: Duty) -> tuple[str, ...]:
    """The strip to begin with: a piece of the garment, or cut by its measure."""
    if pieces := bench.details[duty.id].pieces:
        return (f"Press one long edge of the {bench.names(pieces)} in by {bench.margin(SEAM)}.",)
    return (
        f"A strip on the straight grain, {bench.margin(STRIP)} wide and twice as long as the slash, one long edge "
        f"pressed in by {bench.margin(SEAM)}.",
    )


def _reinforced(step: Steps, duty: Duty, number: int, *, cut: bool) -> Operation:
    bench = step.bench
    return step(
        "slash",
        Act.STAY,
        f"Reinforce {'and cut ' if cut else ''}the slash: {step.name}",
        f"Along both sides of the marked slash, {bench.margin(BESIDE)} beside it at the edge and running to its end; "
        f"stitch length 1.5 for {bench.margin(POINT)} before and after the point, one stitch across it.",
        *(("Cut from the edge to the point, up to the stitching and not through it.",) if cut else ()),
        *of_a_pair(bench, duty),
        took=minutes.each(4, number),
        setting=settings.staystitch(bench.household),
        needs=ready(bench, duty),
        gives=(Fact.CLOSED,),
        on=on_edges(bench, duty),
        rows=0,
        caution=BLADES if cut else NEEDLE,
        look="Spread straight, the rows meet in one stitch at the point, and the cut ends a thread before it.",
    )


TECHNIQUE = placket_technique(
    DetailKind.CONTINUOUS_PLACKET,
    "Continuous placket",
    continuous,
    also=("continuous lap",),
    words={"placket": "a finished opening in a piece, such as the one above a cuff"},
    draw="placket",
)
