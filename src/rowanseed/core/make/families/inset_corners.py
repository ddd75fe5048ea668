"""An inward corner: reinforced and clipped, what waits for it."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import plain_seams
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.neatening import finishes_edges, neaten_together
from rowanseed.core.make.operation import Act, EdgeShown, Need, On, Operation
from rowanseed.core.make.shared import press
from rowanseed.core.make.steps import of_joins
from rowanseed.core.make.technique import Duty, single
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


def clipped_to_corner(bench: Workbench, join: Join) -> tuple[str, On]:
    """The piece that is clipped, in words, and its edges at the corners."""
    inward = [c for c in corners(bench, join) if c[2]]
    edges = tuple(EdgeShown(p.piece, p.edge) for one, other, _ in inward for p in (one, other))
    return bench.names(one.piece for one, _, _ in inward), On(edges=tuple(dict.fromkeys(edges)))


def reinforced_at_corner(bench: Workbench, duty: Duty, technique: str) -> Operation:
    join = bench.joins[duty.id]
    name, on = clipped_to_corner(bench, join)
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


def fullness_at(bench: Workbench, join: Join) -> tuple[str, ...]:
    if join.difference.kind is not DifferenceKind.GATHERS:
        return plain_seams.fullness(bench, join)
    return (
        *plain_seams.fullness(bench, join),
        f"Draw the gathers up {bench.margin(MORE)} more than the base is long and leave {bench.margin(10)} flat at "
        "both ends, so that the corners lie smooth.",
    )


def after_first(bench: Workbench, duty: Duty, technique: str) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    if not finishes_edges(bench, duty.ids):
        yield press(
            bench,
            duty.ids,
            technique,
            way="side",
            words="away from the corner",
            look="The corner is square from outside, without a hole or a pleat.",
        )
        return
    yield neaten_together(bench, duty.ids, technique)
    yield press(
        bench,
        duty.ids,
        technique,
        way="side",
        words=join.press.words if join.press is not Press.OPEN else "away from the corner",
        requires=(Need(facts.join(Fact.FINISHED, join.id), "both edges are neatened together first"),),
        look="The corner is square from outside, without a hole or a pleat.",
    )
