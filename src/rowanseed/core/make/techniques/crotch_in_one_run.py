"""Crotch seam in one run."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.crotches import ID, crotch_join, pressed_above
from rowanseed.core.make.neatening import finishes_edges, neaten_apart
from rowanseed.core.make.operation import Act, Need, On, Operation
from rowanseed.core.make.run import Secured
from rowanseed.core.make.shared import sew
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.trimming import is_trimmed, narrowest
from rowanseed.core.make.workbench import BLADES, NEEDLE, Workbench, on_joins, shown
from rowanseed.core.pattern.making import Join
from rowanseed.core.pattern.pieces import Panel


def finds_run(bench: Workbench) -> Iterator[Duty]:
    _, plain = crotch_join(bench)
    if plain:
        yield single(*(j.id for j in plain))


def _is_at_back(bench: Workbench, join: Join) -> bool:
    return Panel.BACK in bench.panels(join.a)


def run(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    zipped, _ = crotch_join(bench)
    names = " and ".join(lower_first(bench.joins[id].name) for id in duty.ids)
    if finishes_edges(bench, duty.ids):
        yield neaten_apart(bench, duty.ids, ID)
    other, flat = ("front", "backs") if zipped and _is_at_back(bench, zipped[0]) else ("back", "fronts")
    own = flat.removesuffix("s")
    where = (
        f"from the waist at the {other}, down over the crotch point and on to where the {own}'s seam begins, "
        f"overlapping it by {bench.margin(15)}"
        if zipped
        else "from the waist at the front, down over the crotch point and up to the waist at the back"
    )
    yield sew(
        bench,
        duty.ids,
        ID,
        title=f"Sew the crotch in one run: {names}",
        how=(
            "One leg right side out inside the other, wrong side out; crotch point on crotch point, the inner leg "
            "seams on each other, then the waist ends, then between.",
            f"{bench.seam_of(join)} {where}.",
            f"A second row {bench.margin(3)} inside the first, in the allowance, along the lower curve from notch to "
            "notch: it takes all the strain.",
        ),
        requires=(
            Need(facts.join(Fact.NEATENED, join.id), "its edges are neatened apart first", where_given=True),
            *(
                Need(
                    facts.join(Fact.PRESSED, j.id),
                    f"the {own}'s seam and its zip come first, while the {flat} are flat",
                )
                for j in zipped
            ),
            *(
                Need(facts.closure(Fact.CLOSED, c.id), f"the zip goes in while the {flat} are flat", where_given=True)
                for j in zipped
                if (c := bench.openings.zip_on(j))
            ),
        ),
        run=replace(bench.runs.begun_at(join, "waist"), said=where, secured=Secured.BEGINNING, goes_on=True),
        rows=1.4,
        look="The inner leg seams meet exactly, and nothing is caught of the other leg.",
    )
    at, setting = settings.neaten(bench.household)
    yield Operation(
        id=f"trim-{duty.id}",
        technique=ID,
        act=Act.TRIM,
        title="Trim the lower crotch",
        how=(
            f"Between the notches only, {_cut(bench, duty)}neaten them together there. Above the curve leave them "
            "whole.",
        ),
        bench=at,
        minutes=minutes.trim(400),
        on=_lower(bench, duty),
        requires=tuple(Need(facts.join(Fact.JOINED, id), "it is sewn twice first") for id in duty.ids),
        gives=facts.joins(Fact.GRADED, duty.ids),
        setting=setting,
        rows=0,
        caution=f"{BLADES} {NEEDLE}",
        look="Between the notches the allowances are narrow and neatened as one; above, they are as wide as before.",
    )
    yield pressed_above(bench, duty.ids, ID)


def _cut(bench: Workbench, duty: Duty) -> str:
    is_wide = is_trimmed(narrowest(bench, (p for id in duty.ids for p in bench.parts(id))), 8.0)
    return f"trim both allowances to {bench.margin(8)} and " if is_wide else ""


def _lower(bench: Workbench, duty: Duty) -> On:
    """Where the seam curves down to the inner legs: not on a yoke above them."""
    curved = [p for id in duty.ids for p in bench.parts(id) if "inseam" in bench.neighbours(p)]
    return On(joins=duty.ids, edges=shown(curved)) if curved else on_joins(bench, *duty.ids)


TECHNIQUE = Technique(
    id="crotch-in-one-run",
    name="Crotch seam in one run",
    chapter="seams",
    finds=finds_run,
    sews=run,
    rank=31,
    words={"crotch point": "where the four inner seams of trousers meet"},
    draw="crotch",
)
