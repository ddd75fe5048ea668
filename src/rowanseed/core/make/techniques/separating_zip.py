"""A separating zip: each half lies between an edge that is open all the way and its facing."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bands import inside_of
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import closures_of, ends_of_facings
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.fastenings import open_edges
from rowanseed.core.pattern.making import ClosureKind

BASTING = "basting of the separating zip"
BESIDE = 6.0
"""The row that holds the tape flat runs so far from the edge, in mm (common practice, no source)."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for closure in closures_of(bench, ClosureKind.SEPARATING_ZIP):
        if closure.join in bench.joins and bench.is_faced(bench.joins[closure.join]):
            yield single(closure.id)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    closure = bench.closures[duty.id]
    join = bench.joins[closure.join]
    step = of_closure(bench, "separating zip", duty.id)
    on = On(closures=(closure.id,), edges=shown(open_edges(join)))
    half = bench.open_half
    bands = sorted(bench.folded_in(join))
    lower = f"fold line of the {bench.name(bands[0])}" if bands else "hem line"
    below = bench.name(bands[0]) if bands else "hem"
    foot = settings.zip_foot(bench.household, invisible=False)
    yield step(
        "baste",
        Act.BASTE,
        f"Baste both halves of the zip to the {half} edges",
        f"Hold the zip against the edge first: if it is longer than the edge from the upper stitching line to the "
        f"{lower}, shorten it at its top, with new stops; below, where it parts, it cannot be shortened.",
        f"Part the zip. The {half} right side up: one half face down on its edge, the middle of the teeth on the "
        f"stitching line {bench.allowance(join)} from the raw edge, the tape towards the raw edge, the lower stop on "
        f"the {lower}. At the top fold the tape's end away from the {half}, out over the raw edge, just below the "
        "upper stitching line.",
        f"Baste down the middle of the tape. Zip it up, mark on the other tape where {below}, seams and pockets come, "
        "part it again, and baste the other half to these marks.",
        at=Bench.HAND,
        took=minutes.each(12),
        needs=(
            *bench.flat_first([join.id]),
            *(
                Need(
                    facts.join(Fact.PRESSED, other.id), "seams that cross the edge are pressed first", where_given=True
                )
                for other in bench.crossing([join.id])
                if (bench.joins_shell(other) and not other.each_hand) or pieces_of(bench.parts(other.id)) & {*bands}
            ),
        ),
        gives=(Fact.BASTED, facts.join(Fact.BASTED, join.id)),
        leaves=(BASTING,),
        on=on,
        look=f"Zipped up, {below}, seams and pockets stand level on both sides, and neither side is drawn in.",
    )
    yield step(
        "zip",
        Act.INSERT_CLOSURE,
        "Topstitch beside the zip",
        f"The facing turned in, right side up: {bench.margin(BESIDE)} from the edge, through {half}, tape and facing, "
        f"from the {below} up on both sides, so that both are drawn the same way. Needle down, lift the foot and "
        "move the slider past where it is in the way.",
        "Take the basting out.",
        took=minutes.each(10),
        setting=foot,
        after={Fact.BASTED: "the halves are basted first"},
        needs=(
            Need(facts.join(Fact.PRESSED, join.id), "the facing is on first"),
            Need(facts.join(Fact.TURNED, join.id), "the facing lies in its place", where_given=True),
            *(
                Need(facts.join(Fact.PRESSED, other.id), "the seams that end there are pressed", where_given=True)
                for other in bench.crossing([join.id])
                if not bench.is_faced(other) and not bench.encloses(other)
            ),
            *(
                Need(facts.finish(Fact.FINISHED, f.id), "its lower end is closed first", where_given=True)
                for f in ends_of_facings(bench)
            ),
            *(
                Need(facts.finish(Fact.FINISHED, f.id), "the band's inside is closed first", where_given=True)
                for f in (inside_of(bench, band) for band in bands)
                if f is not None
            ),
        ),
        gives=(Fact.CLOSED,),
        removes=(BASTING,),
        on=on,
        booklet=True,
        look="It runs without a wave, and the slider passes everywhere.",
    )


TECHNIQUE = Technique(
    id="separating-zip",
    name="Separating zip",
    chapter="closures",
    finds=finds,
    sews=sews,
    rank=20,
    also=("open-ended zip",),
    words={"separating zip": "a zip whose halves come apart at the lower end, as in a jacket"},
    draw="separating zip",
)
