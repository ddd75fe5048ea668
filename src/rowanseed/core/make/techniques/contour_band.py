"""Contour band put on the waist."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.contour_bands import ID, bands
from rowanseed.core.make.operation import Act, Need, Operation
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.trimming import graded, narrowest
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join


def finds_band(bench: Workbench) -> Iterator[Duty]:
    for join, *_ in bands(bench):
        yield single(join.id)


def band(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join, made_up, outer, inner, _ = next(found for found in bands(bench) if found[0].id == duty.id)
    other = join.b if any(p.piece == outer for p in join.a) else join.a
    run = bench.runs.over(other, each_hand=join.each_hand)
    yield sew(
        bench,
        duty.ids,
        ID,
        act=Act.BAND,
        how=(
            f"Right side of the {bench.name(outer)} to the right side of the garment, the {bench.name(inner)} held "
            "up out of the way; match the side seams and the centres"
            f"{', then the notches' if bench.notched(join) else ''}, then ease in what is between.",
            f"{bench.seam_of(join)} {bench.sewn_along(run)}"
            + ("." if run.ring else ", each exactly at the band's finished end."),
        ),
        requires=(
            Need(facts.join(Fact.PRESSED, made_up.id), "the band is made up before it is put on"),
            *(
                Need(facts.closure(Fact.CLOSED, closure.id), "the band goes on after the zip")
                for closure in bench.openings.zips_at(join)
            ),
            Need(facts.layer(Fact.BASTED, "lining"), "the lining is caught in the seam", where_given=True),
            Need(facts.gate(Fact.SETTLED, "shell"), "the waist can still be taken in", where_given=True),
        ),
        run=run,
        look="The band lies flat round the figure, and stands off nowhere.",
    )
    yield press(
        bench,
        duty.ids,
        ID,
        way="band",
        words="into the band",
        how=(_pressed(bench, join),),
    )


def _pressed(bench: Workbench, join: Join) -> str:
    first = graded(bench, narrowest(bench, (*join.a, *join.b)), 10.0, 6.0)
    return f"{f'{first}, clip' if first else 'Clip'} where it pulls; press over a ham into the band."


TECHNIQUE = Technique(
    id="contour-band",
    name="Contour band put on the waist",
    chapter="waists, collars and cuffs",
    finds=finds_band,
    sews=band,
    rank=12,
    also=("shaped waistband", "curved waistband"),
    draw="collar sandwich",
)
