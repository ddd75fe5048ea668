"""The allowances of a seam as a tunnel for elastic or a cord."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Need, On, Operation
from rowanseed.core.make.steps import Steps
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import Detail, DetailKind, Join

LEAST = 6.0
"""A narrower tunnel, in mm, takes neither elastic nor a cord: its seam is sewn by the booklet."""
INSIDE = 3.0
"""The tunnel is so much narrower than the allowances, in mm: the row runs beside their neatened edge."""


GAP = 50.0


def in_a_seam(bench: Workbench, kind: DetailKind) -> Iterator[tuple[Detail, Join]]:
    for detail in bench.details_of(kind):
        if detail.on or len(detail.along) != 1 or detail.along[0] not in bench.joins:
            continue
        join = bench.joins[detail.along[0]]
        if tunnel_width(bench, join) >= LEAST:
            yield detail, join


def tunnel_width(bench: Workbench, join: Join) -> float:
    """How far from its seam a tunnel is stitched, in mm."""
    return bench.edge_allowance(join.b[0]) - INSIDE


def tunnel_in(bench: Workbench, step: Steps, join: Join, what: str, *, after: Mapping[Fact, str]) -> Operation:
    wide, run = tunnel_width(bench, join), bench.runs.over(join.b, each_hand=join.each_hand)
    # A cord goes in by its openings, elastic by a gap.
    gap = f"; leave {bench.margin(GAP)} open at a side seam, backstitching both sides of the gap" if not after else ""
    return step(
        "tunnel",
        Act.TOPSTITCH,
        f"Stitch the tunnel for the {what}: {lower_first(join.name)}",
        f"The allowances lie together, pressed up. Stitch them down to the bodice beside their neatened edge, "
        f"{bench.margin(wide)} from the seam, "
        + (f"all round{gap}." if run.ring else f"{run.words}; both ends of the tunnel stay open."),
        f"At every seam hold the allowances flat: the {what} has to pass.",
        took=minutes.seam(bench.around([join.id])),
        setting=settings.topstitch(bench.household, bench.margin(wide)),
        after=after,
        needs=(
            Need(facts.join(Fact.PRESSED, join.id), "the seam is pressed up first"),
            Need(facts.join(Fact.FINISHED, join.id), "its edges are neatened together first", where_given=True),
        ),
        gives=(Fact.PREPARED,),
        on=On(edges=shown(join.b)),
        rows=0,
        look="The tunnel has one width, and no fold of the garment is caught in it.",
    )
