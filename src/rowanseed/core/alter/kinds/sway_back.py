"""A sway back."""

from __future__ import annotations

from rowanseed.core.alter import across
from rowanseed.core.alter.kind import AlterationKind, OnTissue
from rowanseed.core.pattern.pieces import Panel


def _tissue(told: OnTissue) -> tuple[str, ...]:
    return across.told(told, Panel.BACK, "waist", more=not told.more)


KIND = AlterationKind(
    id="sway-back",
    name="Sway back",
    order=80,
    sense="taken out at the centre",
    opposite="given at the centre",
    most=across.MOST_WEDGE,
    why="the wedge runs across it",
    offered=lambda pattern, size: across.has_wedge(pattern, size, Panel.BACK, "waist"),
    carry_out=lambda pattern, size, a: across.wedge(pattern, size, Panel.BACK, "waist", -a.by),
    tissue=_tissue,
)
