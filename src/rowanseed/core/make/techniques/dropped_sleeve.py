"""Sleeve with a shallow cap, in the flat."""

from __future__ import annotations

from rowanseed.core.make.families import set_in_sleeves
from rowanseed.core.make.families.dropped_sleeves import finds_dropped, why_not_dropped
from rowanseed.core.make.families.set_in_sleeves import armhole_ids
from rowanseed.core.make.families.suited import why_not_of
from rowanseed.core.make.technique import Technique

TECHNIQUE = Technique(
    id="dropped-sleeve",
    name="Sleeve with a shallow cap, in the flat",
    chapter="sleeves",
    finds=finds_dropped,
    why_not=why_not_of(armhole_ids, why_not_dropped),
    sews=set_in_sleeves.in_the_flat,
    rank=24,
    also=("dropped shoulder",),
    draw="sleeve",
)
