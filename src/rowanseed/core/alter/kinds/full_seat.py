"""A full seat, or a flat one: length over it at the centre back."""

from __future__ import annotations

from rowanseed.core.alter import across
from rowanseed.core.alter.kind import AlterationKind, OnTissue
from rowanseed.core.pattern.pieces import Panel


def _tissue(told: OnTissue) -> tuple[str, ...]:
    return across.told(told, Panel.BACK, "hip", more=told.more)


KIND = AlterationKind(
    id="full-seat",
    name="Full seat",
    order=86,
    sense="length given at the centre back",
    opposite="taken out at the centre back, for a flat seat",
    most=across.MOST_WEDGE,
    why="it lies over the seat",
    offered=lambda pattern, size: across.has_wedge(pattern, size, Panel.BACK, "hip"),
    carry_out=lambda pattern, size, a: across.wedge(pattern, size, Panel.BACK, "hip", a.by),
    tissue=_tissue,
)
