"""Shaped facing."""

from __future__ import annotations

from rowanseed.core.make.families.facings import finds, sews
from rowanseed.core.make.technique import Technique

TECHNIQUE = Technique(
    id="shaped-facing",
    name="Shaped facing",
    chapter="edges",
    finds=finds,
    sews=sews,
    rank=20,
    words={
        "facing": "a piece shaped like an edge that is sewn to it and turned inside",
        "grade": "trim the allowances of a seam to different widths, so that they make no ridge",
        "understitch": "stitch the facing to the allowances, close to the seam, so that it rolls inside",
    },
    draw="facing",
)
