"""A seam round a corner: the inward corner reinforced and clipped, then base and sides, or pivoted in one pass."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, EdgeShown, Need, On, Operation
from rowanseed.core.make.shared import finishes_edges, neaten_together, press, sew
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques import plain_seam
from rowanseed.core.make.which import corners, seams
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import DifferenceKind, Join, Press
from rowanseed.core.pattern.pieces import Panel

SHORT = 25.0
"""The stitch is short for so much on either side of a corner, in mm."""
MORE = 6.0
"""A gathered base is drawn up so much more, in mm, so that its ends stay flat."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for join in seams(bench):
        inward = [c for c in corners(bench, join) if c[2]]
        parts = (*join.a, *join.b)
        is_of_facings = pieces_of(parts) <= bench.facings
        if inward and bench.openings.zip_on(join) is None and (is_of_facings or Panel.BAND not in bench.panels(parts)):
            yield single(join.id)


def _clipped(bench: Workbench, join: Join) -> tuple[str, On]:
    """The piece that is clipped, in words, and its edges at the corners."""
    inward = [c for c in corners(bench, join) if c[2]]
    edges = tuple(EdgeShown(p.piece, p.edge) for one, other, _ in inward for p in (one, other))
    return bench.names(one.piece for one, _, _ in inward), On(edges=tuple(dict.fromkeys(edges)))


def _reinforced(bench: Workbench, duty: Duty, technique: str) -> Operation:
    join = bench.joins[duty.id]
    name, on = _clipped(bench, join)
    step = of_joins(bench, technique, duty.id)
    return step(
        "reinforce",
        Act.CLIP,
        f"Reinforce and clip the corner: {step.name}",
        f"On the {name}, one layer: stitch exactly on the stitching line, {bench.margin(SHORT)} to both sides of each "
        "corner, needle down and turned at the very point.",
        f"In loosely woven cloth lay a square of thin fusible, {bench.margin(25)} wide, on the wrong side of the "
        "corner first.",
        "Clip from the raw edge straight into the corner, up to the stitching and not through it.",
        took=minutes.each(4, 2),
        setting=settings.staystitch(bench.household),
        needs=tuple(bench.flat_first(duty.ids)),
        gives=(Fact.PREPARED,),
        on=on,
        rows=0,
        look="Spread open, the clip reaches the corner, and no thread of the stitching is cut.",
    )


def _fullness(bench: Workbench, join: Join) -> tuple[str, ...]:
    if join.difference.kind is not DifferenceKind.GATHERS:
        return plain_seam.fullness(bench, join)
    return (
        *plain_seam.fullness(bench, join),
        f"Draw the gathers up {bench.margin(MORE)} more than the base is long and leave {bench.margin(10)} flat at "
        "both ends, so that the corners lie smooth.",
    )


def _after(bench: Workbench, duty: Duty, technique: str) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    if not finishes_edges(bench, duty.ids):
        yield press(bench, duty.ids, technique, way="side", words="away from the corner")
        return
    yield neaten_together(bench, duty.ids, technique)
    yield press(
        bench,
        duty.ids,
        technique,
        way="side",
        words=join.press.words if join.press is not Press.OPEN else "away from the corner",
        requires=(Need(facts.join(Fact.FINISHED, join.id), "both edges are neatened together first"),),
    )


def base_then_sides(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    name, _ = _clipped(bench, join)
    yield _reinforced(bench, duty, "inset corner")
    yield sew(
        bench,
        duty.ids,
        "inset corner",
        how=(
            f"Right sides together, the clipped {name} on top. Pin the base first, corner point on corner point, and "
            f"sew it from point to point, {bench.allowance(join)} from the edge; backstitch exactly at both points.",
            "Then swing the clip open so that the sides lie on each other, and sew each side from its corner outwards, "
            "the needle set down into the last stitch of the base.",
            *_fullness(bench, join),
        ),
        requires=(
            Need(facts.join(Fact.PREPARED, join.id), "the corner is reinforced and clipped first"),
            *plain_seam.order_needs(bench, join),
        ),
        look="From the right side the corner is a sharp point without a pucker or a hole.",
    )
    yield from _after(bench, duty, "inset corner")


def pivoted(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    name, _ = _clipped(bench, join)
    yield _reinforced(bench, duty, "pivoted corner")
    yield sew(
        bench,
        duty.ids,
        "pivoted corner",
        how=(
            f"Right sides together, the clipped {name} on top; corner points first, then ends and notches.",
            f"{bench.seam_of(join)} in one pass: up to the corner, needle down in the point, foot up; turn the upper "
            "piece so that its clip opens and the next edges lie even, foot down, and on. Stitch length 1.5 for "
            f"{bench.margin(SHORT)} before and after each corner.",
            *_fullness(bench, join),
        ),
        requires=(
            Need(facts.join(Fact.PREPARED, join.id), "the corner is reinforced and clipped first"),
            *plain_seam.order_needs(bench, join),
        ),
        look="No fold of the lower piece is caught at the corner.",
    )
    yield from _after(bench, duty, "pivoted corner")


TECHNIQUES = (
    Technique(
        id="inset-corner",
        name="Inset corner, base then sides",
        chapter="seams",
        finds=finds,
        sews=base_then_sides,
        rank=50,
        words={
            "inset corner": "an outward corner of one piece sewn into an inward corner of another, which is clipped"
        },
        draw="inset corner",
    ),
    Technique(
        id="pivoted-corner",
        name="Inset corner, pivoted in one pass",
        chapter="seams",
        finds=finds,
        sews=pivoted,
        rank=51,
        usual=False,
        draw="inset corner",
    ),
)
