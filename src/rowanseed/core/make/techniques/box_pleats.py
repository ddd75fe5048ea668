"""Box pleats."""

from __future__ import annotations

from rowanseed.core.make.families.pleats_of_a_kind import finds_pleats, pleated
from rowanseed.core.make.technique import Technique
from rowanseed.core.pattern.making import DetailKind

TECHNIQUE = Technique(
    id="box-pleats",
    name="Box pleats",
    chapter="shape",
    finds=finds_pleats(DetailKind.BOX_PLEATS),
    sews=pleated(DetailKind.BOX_PLEATS, "box pleats"),
    rank=9,
    words={"box pleat": "two pleats folded away from each other"},
    draw="pleat",
)
