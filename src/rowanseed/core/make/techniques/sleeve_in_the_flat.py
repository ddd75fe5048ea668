"""Sleeve sewn in the flat."""

from __future__ import annotations

from rowanseed.core.make.families.set_in_sleeves import armhole_ids, finds_flat, in_the_flat, why_not_flat
from rowanseed.core.make.families.suited import why_not_of
from rowanseed.core.make.technique import Technique

TECHNIQUE = Technique(
    id="sleeve-in-the-flat",
    name="Sleeve sewn in the flat",
    chapter="sleeves",
    finds=finds_flat,
    why_not=why_not_of(armhole_ids, why_not_flat),
    sews=in_the_flat,
    rank=26,
    usual=False,
    draw="sleeve",
)
