"""Shaped facing."""

from __future__ import annotations

from rowanseed.core.make.families.facings import finds, sews
from rowanseed.core.make.technique import Technique
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import FinishKind


def _why_not(bench: Workbench, id: str) -> str | None:
    is_bound = id in bench.finishes and bench.finishes[id].kind is FinishKind.BINDING
    return "no facing is drawn: ask for one at the Cloth station, under lining and layers" if is_bound else None


TECHNIQUE = Technique(
    id="shaped-facing",
    name="Shaped facing",
    chapter="edges",
    finds=finds,
    why_not=_why_not,
    sews=sews,
    rank=20,
    words={
        "facing": "a piece shaped like an edge that is sewn to it and turned inside",
        "grade": "trim the allowances of a seam to different widths, so that they make no ridge",
        "understitch": "stitch the facing to the allowances, close to the seam, so that it rolls inside",
    },
    draw="facing",
)
