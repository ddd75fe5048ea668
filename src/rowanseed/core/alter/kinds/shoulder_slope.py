"""Shoulders more sloping or squarer."""

from __future__ import annotations

from rowanseed.core.alter import shoulder
from rowanseed.core.alter.kind import AlterationKind, OnTissue


def _tissue(told: OnTissue) -> tuple[str, ...]:
    way = "down" if told.more else "up"
    return (
        f"Move the shoulder tip {told.figure} {way}; turn the shoulder about the neck point, as long as it was.",
        f"Move the whole armhole {way} by the same, so that it keeps its length; true the side seam to the waist.",
    )


KIND = AlterationKind(
    id="shoulder-slope",
    name="Shoulder slope",
    order=60,
    sense="more sloping",
    opposite="squarer",
    most=40,
    why="its shoulder and armhole move",
    offered=shoulder.has_shoulders,
    carry_out=lambda pattern, size, a: shoulder.change_slope(pattern, size, a.by),
    tissue=_tissue,
)
