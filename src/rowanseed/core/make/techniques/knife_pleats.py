"""Knife pleats."""

from __future__ import annotations

from rowanseed.core.make.families.pleats_of_a_kind import finds_pleats, pleated
from rowanseed.core.make.technique import Technique
from rowanseed.core.pattern.making import DetailKind

TECHNIQUE = Technique(
    id="knife-pleats",
    name="Knife pleats",
    chapter="shape",
    finds=finds_pleats(DetailKind.KNIFE_PLEATS),
    sews=pleated(DetailKind.KNIFE_PLEATS, "knife pleats"),
    rank=9,
    words={"knife pleat": "a pleat folded to one side"},
    draw="pleat",
)
