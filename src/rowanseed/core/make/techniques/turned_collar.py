"""Collar turned round its points."""

from __future__ import annotations

from rowanseed.core.make.families.collars import finds_turned, turned
from rowanseed.core.make.technique import Technique

TECHNIQUE = Technique(
    id="turned-collar",
    name="Collar turned round its points",
    chapter="waists, collars and cuffs",
    finds=finds_turned,
    sews=turned,
    rank=20,
    words={"under collar": "the layer of a collar that lies on the garment, cut smaller so that the seam rolls under"},
    draw="collar",
)
