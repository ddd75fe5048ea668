"""Sleeve with a shallow cap, in the flat."""

from __future__ import annotations

from rowanseed.core.make.families import set_in_sleeves
from rowanseed.core.make.families.dropped_sleeves import finds_dropped
from rowanseed.core.make.technique import Technique

TECHNIQUE = Technique(
    id="dropped-sleeve",
    name="Sleeve with a shallow cap, in the flat",
    chapter="sleeves",
    finds=finds_dropped,
    sews=set_in_sleeves.in_the_flat,
    rank=24,
    also=("dropped shoulder",),
    draw="sleeve",
)
