"""Side seams over an all-in-one facing."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.all_in_one import ID, side_joins
from rowanseed.core.make.families.facings import all_in_one
from rowanseed.core.make.operation import Need, Operation
from rowanseed.core.make.shared import press, sew
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench


def finds_sides(bench: Workbench) -> Iterator[Duty]:
    shell, within = side_joins(bench)
    if shell and within:
        yield single(*(join.id for join in (*shell, *within)))


def sides(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    shell, _ = side_joins(bench)
    name = lower_first(shell[0].name)
    yield sew(
        bench,
        duty.ids,
        ID,
        title=f"Sew garment and facing in one run: {name}",
        how=(
            "Open the facing out upwards at the underarm: front to back, right sides together, garment on garment and "
            "facing on facing.",
            "Match the armhole seams first, allowances towards the facing, then the notches and the ends.",
            f"{bench.seam_of(shell[0])} in one run from the facing's free edge over the armhole seam to the garment's "
            "lower end; backstitch both ends.",
        ),
        requires=tuple(
            Need(facts.join(Fact.UNDERSTITCHED, j.id), "the armholes are faced while the sides are open")
            for j in all_in_one(bench)
        ),
        look="The armhole seam runs on across the side without a step.",
    )
    yield press(
        bench,
        duty.ids,
        ID,
        way="open",
        words="open",
        title=f"Press open, turn the facing in and catch it: {name}",
        how=(
            "Allowances open over garment and facing; then turn the facing in at the underarm.",
            "Catch its free edge to the side seam's allowance with a few hand stitches that hold nothing else.",
        ),
        look="From outside one seam runs through to the edge, and the facing lies inside without pulling.",
    )


TECHNIQUE = Technique(
    id="sides-over-the-facing",
    name="Side seams over an all-in-one facing",
    chapter="edges",
    finds=finds_sides,
    sews=sides,
    rank=5,
    draw="seam open",
)
