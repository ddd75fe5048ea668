"""Sleeve set in the round."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.plain_seams import fullness
from rowanseed.core.make.families.set_in_sleeves import (
    TOGETHER,
    cap_of,
    finds,
    marked,
    notches_of,
    rest_of,
    sleeve_of,
    tubes,
    under_the_arm,
    why_not,
)
from rowanseed.core.make.neatening import finishes_edges, neaten_together
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.run import Run
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.trimming import is_trimmed, narrowest
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join

SECOND_ROW = 3.0


def _trimmed_there(bench: Workbench, join: Join) -> str:
    is_wide = is_trimmed(narrowest(bench, (*join.a, *join.b)), 8.0)
    return f"; trim there to {bench.margin(8)}" if is_wide else ""


def in_the_round(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join = bench.joins[duty.id]
    sleeve, body = tubes(bench, join)
    yield sew(
        bench,
        duty.ids,
        "set-in sleeve",
        how=(
            f"Sleeve right side out inside the armhole, right sides together: {under_the_arm(bench, join)}, "
            f"{marked(bench, join)}{notches_of(bench, join)}; then {rest_of(join)}.",
            f"{bench.seam_of(join)} all round, sleeve up, begun at the underarm and sewn {bench.margin(15)} over the "
            "beginning.",
            *fullness(bench, join),
            f"{'From notch to notch' if bench.notched(join) else 'Along the lower third of the armhole,'} through the "
            f"underarm a second row {bench.margin(SECOND_ROW)} inside the allowance"
            f"{_trimmed_there(bench, join)}.",
        ),
        requires=(
            *(Need(facts.join(Fact.PRESSED, j.id), "the sleeve is a tube first") for j in sleeve),
            *(Need(facts.join(Fact.PRESSED, j.id), "set in the round: the sides are closed first") for j in body),
            Need(
                facts.gate(Fact.SETTLED, "shell"),
                "the sides are easiest taken in before the sleeves are set",
                where_given=True,
            ),
        ),
        run=Run("", "", ring=True),
        rows=1.4,
        look=f"{cap_of(join)} over the shoulder, and the sleeve hangs a little to the front, both alike.",
    )
    neatened = finishes_edges(bench, duty.ids)
    if neatened:
        yield neaten_together(bench, duty.ids, "set-in sleeve")
    yield press(
        bench,
        duty.ids,
        "set-in sleeve",
        way="side",
        words="into the sleeve",
        towards=sleeve_of(bench, join),
        how=(
            "From the sleeve's inside only the allowance, over the end of a ham, so that it falls into the sleeve; "
            "the cap is never pressed flat.",
        ),
        requires=(Need(facts.join(Fact.FINISHED, join.id), TOGETHER),) if neatened else (),
        look="The cap stands round without a crease, and the allowance falls into the sleeve by itself.",
    )


TECHNIQUE = Technique(
    id="sleeve-in-the-round",
    name="Sleeve set in the round",
    chapter="sleeves",
    finds=finds,
    why_not=why_not,
    sews=in_the_round,
    rank=25,
    also=("set-in sleeve",),
    words={"cap": "the curved top of a sleeve that goes into the armhole"},
    draw="sleeve",
)
