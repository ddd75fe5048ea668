"""Tucks, released."""

from __future__ import annotations

from rowanseed.core.make.families.pleats_of_a_kind import finds_pleats, pleated
from rowanseed.core.make.technique import Technique
from rowanseed.core.pattern.making import DetailKind

TECHNIQUE = Technique(
    id="tucks",
    name="Tucks, released",
    chapter="shape",
    finds=finds_pleats(DetailKind.TUCKS),
    sews=pleated(DetailKind.TUCKS, "tucks, released"),
    rank=9,
    words={"tuck": "a fold stitched along its length and let go at its end"},
    draw="pleat",
)
