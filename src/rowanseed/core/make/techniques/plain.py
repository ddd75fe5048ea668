"""Plain seam."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families import inset_corners
from rowanseed.core.make.families.collars import finds_turned
from rowanseed.core.make.families.crotches import below_zip, inner_legs_of, sewn_flat
from rowanseed.core.make.families.plain_seams import sews
from rowanseed.core.make.families.set_in_sleeves import armhole_ids
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import seams
from rowanseed.core.make.workbench import Workbench


def finds(bench: Workbench) -> Iterator[Duty]:
    """Every seam but those that ask for more: a crotch in one run, a cap in its armhole, a collar's corners, one that
    goes round an inward corner."""
    more = {join.id for join in (*below_zip(bench), *sewn_flat(bench))} | set(armhole_ids(bench))
    more |= {join.id for join in (inner_legs_of(bench),) if join is not None}
    more |= {id for found in (finds_turned(bench), inset_corners.finds(bench)) for duty in found for id in duty.ids}
    for join in seams(bench):
        if join.id not in more:
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
