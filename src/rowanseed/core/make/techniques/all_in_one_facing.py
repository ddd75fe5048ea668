"""Neck and armholes faced in one."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.all_in_one import ID, side_joins
from rowanseed.core.make.families.facings import all_in_one, faced_at, is_at_shoulder, made_up
from rowanseed.core.make.operation import Act, Meant, Need, Operation
from rowanseed.core.make.run import OVER_THE_SHOULDER
from rowanseed.core.make.shared import grade, press, sew, understitch
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, both_sides


def finds_armholes(bench: Workbench) -> Iterator[Duty]:
    if not all(side_joins(bench)):
        return
    for join in all_in_one(bench):
        yield single(join.id)


def armholes(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    shoulders = [j for j in bench.joins.values() if is_at_shoulder(j)]
    yield sew(
        bench,
        duty.ids,
        ID,
        act=Act.FACE,
        title=f"Face the armholes, one after the other{both_sides(join)}",
        how=(
            "Lay it flat, right side up, the neck faced and pressed, the facing under it; the sides are still open.",
            "Roll it up from the far armhole to the near one, until that lies free. Bring the near armhole of the "
            "garment over the roll and that of the facing under it, so that they meet right sides together round it.",
            "Pin the shoulder seams first, then the ends at the sides, then between; the roll stays clear inside.",
            f"{bench.seam_of(join)} {OVER_THE_SHOULDER.words}; backstitch both ends.",
            "Feel that nothing of the roll is caught.",
            "Grade and clip before it is drawn out; then draw the roll out through the open side, and do the other "
            "armhole.",
        ),
        requires=(
            *(
                Need(facts.join(Fact.UNDERSTITCHED, j.id), "the neck is turned first: afterwards it cannot be reached")
                for j in faced_at(bench, "neck")
            ),
            *(Need(facts.join(Fact.PRESSED, j.id), "the armhole runs over the shoulder seams") for j in shoulders),
            *made_up(bench, join),
            Need(facts.gate(Fact.SETTLED, "shell"), "the fit can still be changed", where_given=True),
        ),
        meant=frozenset({Meant.ENCLOSES}),
        run=OVER_THE_SHOULDER,
        flat=True,
        look="Drawn out, both armholes lie flat, and the shoulders are not twisted.",
    )
    yield grade(bench, duty.ids, ID, inner="facing's", outer="garment's")
    yield press(
        bench,
        duty.ids,
        ID,
        way="facing",
        words="towards the facing",
        title="Press the armholes, the facing a little inside",
        how=("Roll the seam between the fingers until it lies just inside; press from the facing's side.",),
        requires=(Need(facts.join(Fact.GRADED, join.id), "thin allowances turn sharply"),),
        look="From outside the facing cannot be seen, and the armholes lie flat on the body.",
    )
    yield understitch(
        bench,
        duty.ids,
        ID,
        what="armholes",
        how="From each side towards the shoulder, as far as the machine goes in; the narrow shoulder is left.",
    )


TECHNIQUE = Technique(
    id="all-in-one-facing",
    name="Neck and armholes faced in one",
    chapter="edges",
    finds=finds_armholes,
    sews=armholes,
    rank=5,
    also=("combined facing", "neck and armhole facing cut in one"),
    words={"all-in-one facing": "one facing for neck and armholes, as wide as the shoulder between them"},
    draw="facing",
)
