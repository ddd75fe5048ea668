"""Band folded over an edge."""

from __future__ import annotations

from rowanseed.core.make.families.waistbands import finds, sews
from rowanseed.core.make.technique import Technique

TECHNIQUE = Technique(
    id="band",
    name="Band folded over an edge",
    chapter="waists, collars and cuffs",
    finds=finds,
    sews=sews,
    rank=30,
    also=("waistband", "cuff", "front band"),
    words={"stitch in the ditch": "stitch in the groove of a seam from the right side, where it does not show"},
    draw="band closed",
)
