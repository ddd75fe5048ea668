"""French seam."""

from __future__ import annotations

from rowanseed.core.make.families.french_seams import FRENCH, french
from rowanseed.core.make.families.stitched_down import ripples
from rowanseed.core.make.families.suited import finds_by, why_not_by
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.which import too_narrow, why_not_straight
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import Join


def _why_not(bench: Workbench, join: Join) -> str:
    return why_not_straight(bench, join) or too_narrow(bench, join, sum(FRENCH) - 3)


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
    finds=finds_by(_why_not),
    why_not=why_not_by(_why_not),
    sews=french,
    rank=40,
    usual=False,
    asks=ripples,
    allowances=_both_rows,
    words=_WORDS,
    iso="1.06",
    draw="french",
)
