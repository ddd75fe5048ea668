"""Collar or band put on an edge."""

from __future__ import annotations

from rowanseed.core.make.families.collars import finds_neck, neck
from rowanseed.core.make.technique import Technique

TECHNIQUE = Technique(
    id="band-on-edge",
    name="Collar or band put on an edge",
    chapter="waists, collars and cuffs",
    finds=finds_neck,
    sews=neck,
    rank=31,
    draw="collar sandwich",
)
