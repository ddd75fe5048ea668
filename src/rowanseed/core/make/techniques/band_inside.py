"""Inside of a stand stitched down."""

from __future__ import annotations

from rowanseed.core.make.families.collars import closing, finds_closing
from rowanseed.core.make.technique import Technique

TECHNIQUE = Technique(
    id="band-inside",
    name="Inside of a stand stitched down",
    chapter="waists, collars and cuffs",
    finds=finds_closing,
    sews=closing,
    rank=31,
    draw="band closed",
)
