"""French seam."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make.families.french_seams import FRENCH, french
from rowanseed.core.make.families.stitched_down import ripples
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.which import straight_seams
from rowanseed.core.make.workbench import Workbench


def finds_french(bench: Workbench) -> Iterator[Duty]:
    for join in straight_seams(bench):
        if bench.edge_allowance(join.a[0]) >= sum(FRENCH) - 3:
            yield single(join.id)


def _both_rows(bench: Workbench, duty: Duty) -> dict[tuple[str, str], float]:
    """Both rows make up the allowance."""
    return {(p.piece, p.edge): sum(FRENCH) for p in bench.parts(duty.id)}


_WORDS = {
    "French seam": "a seam sewn twice, first wrong then right sides together, with its raw edges inside",
    "fell": "to fold one allowance over the other and stitch it down flat",
}

TECHNIQUE = Technique(
    id="french",
    name="French seam",
    chapter="seams",
    finds=finds_french,
    sews=french,
    rank=40,
    usual=False,
    asks=ripples,
    allowances=_both_rows,
    words=_WORDS,
    iso="1.06",
    draw="french",
)
