"""Plain seam."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.crotches import below_zip
from rowanseed.core.make.families.plain_seams import sews
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import seams
from rowanseed.core.make.workbench import Workbench


def finds(bench: Workbench) -> Iterator[Duty]:
    in_one_run = {join.id for join in below_zip(bench)}
    for join in seams(bench):
        if join.id not in in_one_run:
            yield single(join.id)


TECHNIQUE = Technique(
    id="plain",
    name="Plain seam",
    chapter="seams",
    finds=finds,
    sews=sews,
    rank=90,
    words={
        "allowance": "the cloth between the stitching line and the raw edge",
        "neaten": "finish a raw edge so that it does not fray",
        "feed dogs": "the teeth under the foot that move the cloth: they take up a little of the lower layer",
    },
    iso="1.01",
    draw="seam open",
)
