"""Inside of a contour band."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.bands import PASSES
from rowanseed.core.make.families.contour_bands import ID, bands
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import NEEDLE, Workbench, shown


def finds_inside(bench: Workbench) -> Iterator[Duty]:
    for *_, inside in bands(bench):
        yield single(inside.id)


def inside(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    join, _, _, inner, finish = next(found for found in bands(bench) if found[4].id == duty.id)
    yield Operation(
        id=f"turn-in-{finish.id}",
        technique=ID,
        act=Act.TURN,
        title=f"Stitch down the inside of the band: {lower_first(finish.name)}",
        how=(
            f"The pressed-in edge of the {bench.name(inner)} just passes the row of stitching, by "
            f"{bench.margin(PASSES)}; pin from the right side, or baste, the curve eased round a ham.",
            "Right side up, stitch in the ditch of the seam, catching the fold below; or fell it by hand.",
        ),
        bench=Bench.MACHINE,
        minutes=minutes.seam(bench.around([finish.id])),
        on=On(finishes=(finish.id,), edges=shown(finish.parts)),
        requires=(Need(facts.join(Fact.PRESSED, join.id), "it is sewn on and pressed into the band"),),
        gives=(facts.finish(Fact.FINISHED, finish.id),),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        caution=NEEDLE,
        booklet=bench.booklet(finish.id),
        look="Inside, the fold is caught all along; outside, nothing shows but the seam.",
    )


TECHNIQUE = Technique(
    id="contour-band-inside",
    name="Inside of a contour band",
    chapter="waists, collars and cuffs",
    finds=finds_inside,
    sews=inside,
    rank=12,
    draw="band closed",
)
