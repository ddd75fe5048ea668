"""Inverted pleats."""

from __future__ import annotations

from rowanseed.core.make.families.pleats_of_a_kind import finds_pleats, pleated
from rowanseed.core.make.technique import Technique
from rowanseed.core.pattern.making import DetailKind

TECHNIQUE = Technique(
    id="inverted-pleats",
    name="Inverted pleats",
    chapter="shape",
    finds=finds_pleats(DetailKind.INVERTED_PLEATS),
    sews=pleated(DetailKind.INVERTED_PLEATS, "inverted pleats"),
    rank=9,
    words={"inverted pleat": "two pleats folded towards each other"},
    draw="pleat",
)
