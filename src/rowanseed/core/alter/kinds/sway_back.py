"""A sway back."""

from __future__ import annotations

from rowanseed.core.alter import across
from rowanseed.core.alter.kind import AlterationKind, OnTissue
from rowanseed.core.pattern.pieces import Panel


def _tissue(told: OnTissue) -> tuple[str, ...]:
    at_top = across.begins_at(told.pattern, told.size, Panel.BACK, "waist")
    darts = any(piece.darts for piece in told.pattern.pieces if piece.panel is Panel.BACK)
    return across.told("back", "waist", told.figure, more=not told.more, at_top=at_top, darts=darts)


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
