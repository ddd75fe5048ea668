"""Stand closed over the collar."""

from __future__ import annotations

from rowanseed.core.make.families.collars import finds_stand, stand
from rowanseed.core.make.technique import Technique

TECHNIQUE = Technique(
    id="stand-over-collar",
    name="Stand closed over the collar",
    chapter="waists, collars and cuffs",
    finds=finds_stand,
    sews=stand,
    rank=19,
    words={"stand": "the band between neck and collar"},
    draw="collar sandwich",
)
