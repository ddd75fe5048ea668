"""Inner legs in one run, over crotch seams that were sewn flat."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make.families.crotches import inner_legs_of
from rowanseed.core.make.families.plain_seams import sewn_seam
from rowanseed.core.make.operation import Act, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench

ID = "inner legs"
WHERE = "from the hem of one leg up over the crotch seams and down to the hem of the other"


def finds(bench: Workbench) -> Iterator[Duty]:
    join = inner_legs_of(bench)
    if join is not None:
        yield single(join.id)


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    """Both inner legs as one seam."""
    join = bench.joins[duty.id]
    for op in sewn_seam(bench, duty, is_open=True):
        if op.act is not Act.JOIN:
            yield replace(op, technique=ID)
            continue
        yield replace(
            op,
            technique=ID,
            title="Sew both inner leg seams in one run",
            how=(
                "Right sides together: crotch seam on crotch seam first, their allowances turned to opposite sides, "
                "then the hems, the notches, and between.",
                f"{bench.seam_of(join)} {WHERE}; backstitch both ends. Where the crotch seams cross, slow down and let "
                "the needle go straight through all the layers.",
            ),
            run=replace(bench.runs.begun_at(join, "hem"), said=WHERE, goes_on=True),
            look="The crotch seams meet in one cross, and both legs end level at their hems.",
        )


TECHNIQUE = Technique(
    id="inner-legs",
    name="Inner legs in one run",
    chapter="seams",
    finds=finds,
    sews=sews,
    rank=29,
    draw="seam open",
)
