"""Lining of a part, felled over the seam it ends at."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.lined_part import ALONG
from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.hung_linings import ID, KEY, ends_at_seam
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import FinishKind


def finds_at_seam(bench: Workbench) -> Iterator[Duty]:
    for finish in bench.finishes.values():
        turned = finish.kind is FinishKind.TURNED and ends_at_seam(finish)
        if turned and pieces_of(finish.parts) <= bench.hung:
            yield single(finish.id)


def at_seam(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    finish = bench.finishes[duty.id]
    seam = bench.joins.get(finish.id.removeprefix(ALONG))
    zipped = seam is not None and bench.openings.zip_on(seam) is not None
    where = "zip's tape, clear of the coil" if zipped else "allowances of that seam, never to the outside"
    pressed = () if seam is None else (Need(facts.join(Fact.PRESSED, seam.id), "the seam that it covers is pressed"),)
    yield Operation(
        id=f"fell-{finish.id}",
        technique=ID,
        act=Act.TACK,
        title=f"Fell the {lower_first(finish.name)}",
        how=(
            "Turn in its allowance along the stitching line, clipped where it curves; lay the fold on the garment's "
            "stitching line, seams and notches on each other, a little ease in it, and pin.",
            f"Fell it to the {where}.",
        ),
        bench=Bench.HAND,
        minutes=minutes.hand(bench.around([finish.id])),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        requires=(Need(facts.layer(Fact.ATTACHED, KEY), "it hangs in the shell"), *pressed),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        look="Worn, the lining's edge neither pulls nor shows.",
    )


TECHNIQUE = Technique(
    id="lining-felled-to-seam",
    name="Lining of a part, felled over the seam it ends at",
    chapter="layers",
    finds=finds_at_seam,
    sews=at_seam,
    rank=20,
    draw="lining hung",
)
