"""A full abdomen, or a flat one."""

from __future__ import annotations

from rowanseed.core.alter import across
from rowanseed.core.alter.kind import AlterationKind, OnTissue
from rowanseed.core.pattern.pieces import Panel


def _tissue(told: OnTissue) -> tuple[str, ...]:
    return across.told(told, Panel.FRONT, "waist", more=told.more)


KIND = AlterationKind(
    id="full-abdomen",
    name="Full abdomen",
    order=84,
    sense="length given at the centre front",
    opposite="taken out at the centre front",
    most=across.MOST_WEDGE,
    why="the wedge runs across it",
    offered=lambda pattern, size: across.has_wedge(pattern, size, Panel.FRONT, "waist"),
    carry_out=lambda pattern, size, a: across.wedge(pattern, size, Panel.FRONT, "waist", a.by),
    tissue=_tissue,
)
