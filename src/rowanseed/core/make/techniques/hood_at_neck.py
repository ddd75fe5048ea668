"""A hood sewn to the neck: made up first, its edge round the face finished, so that its ends lie in the seam."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import laps
from rowanseed.core.make.families.bands import ends_at
from rowanseed.core.make.families.plain_seams import run_of, stitching
from rowanseed.core.make.families.waistbands import ends_of_facings_caught
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.neatening import finishes_edges, neaten_together
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import puts_on_hood
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import Panel

ID = "hood at the neck"


def finds(bench: Workbench) -> Iterator[Duty]:
    for join in bench.joins.values():
        if puts_on_hood(bench, join):
            yield single(join.id)


def _waits(bench: Workbench, join: Join, hood: frozenset[str]) -> Iterator[Need]:
    for finish in bench.finishes.values():
        if pieces_of(finish.parts) <= hood:
            yield Need(facts.finish(Fact.FINISHED, finish.id), "the ends of its edge are caught in the neck seam")
    for other in bench.joins.values():
        if pieces_of((*other.a, *other.b)) <= hood:
            yield Need(facts.join(Fact.PRESSED, other.id), "a hood is made up before it is put on")
    for faced in bench.crossing([join.id]):
        if bench.is_faced(faced) and ends_at(bench, faced, join):
            yield Need(facts.join(Fact.TURNED, faced.id), "the facing's end is caught in the hood's seam")
    yield from laps.first(bench, join)
    yield Need(facts.gate(Fact.SETTLED, "shell"), "shoulders and sides can still be moved", where_given=True)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    side = join.a if bench.panels(join.a) == {Panel.HEAD} else join.b
    hood = frozenset(pieces_of(side))
    is_closed = bench.runs.over(join.b if side is join.a else join.a).ring
    yield sew(
        bench,
        duty.ids,
        ID,
        how=(
            "Hood and garment right sides together: the hood's seam on the centre back, "
            + (
                "its two finished edges against each other at the centre front, neither over the other"
                if is_closed
                else f"its finished edges {laps.where_it_ends(bench, join)}"
            )
            + f"; pin these, {'then the notches, ' if bench.notched(join) else ''}then between.",
            *ends_of_facings_caught(bench, join.b if side is join.a else join.a),
            *(
                (
                    f"{bench.seam_of(join)} all round, begun at the centre back and sewn {bench.margin(15)} over the "
                    "beginning; at the centre front a few stitches back and forth: it takes the strain there.",
                )
                if is_closed
                else stitching(bench, join, None)
            ),
        ),
        requires=tuple(_waits(bench, join, hood)),
        run=bench.runs.over(join.a) if is_closed else run_of(bench, join),
        look="Both edges of the hood leave the seam at one height, and neither side is drawn in.",
    )
    before = []
    if finishes_edges(bench, duty.ids):
        yield neaten_together(bench, duty.ids, ID)
        before.append(Need(facts.join(Fact.FINISHED, join.id), "both edges are neatened together first"))
    yield press(
        bench,
        duty.ids,
        ID,
        way="side",
        words=join.press.words,
        requires=tuple(before),
        look="The neck lies flat all round, and the hood falls back without pulling at it.",
    )


TECHNIQUE = Technique(
    id="hood-at-neck",
    name="Hood sewn to the neck",
    chapter="waists, collars and cuffs",
    finds=finds,
    sews=sews,
    rank=20,
    draw="seam to one side",
)
