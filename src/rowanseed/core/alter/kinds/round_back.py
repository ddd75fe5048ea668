"""A round back."""

from __future__ import annotations

from rowanseed.core.alter import back
from rowanseed.core.alter.kind import AlterationKind, OnTissue
from rowanseed.core.pattern.pieces import Panel


def _tissue(told: OnTissue) -> tuple[str, ...]:
    return (
        "Slash across the back at the shoulder blades, from the centre to the armhole; leave a hinge there.",
        f"{'Spread' if told.more else 'Lap'} it by {told.figure} at the centre; keep the centre back in one line.",
        "The back shoulder has changed a little: ease it, or take a small dart.",
    )


KIND = AlterationKind(
    id="round-back",
    name="Round back",
    order=90,
    sense="given over the shoulder blades",
    opposite="taken out there",
    most=40,
    why="it lies over the shoulder blades",
    offered=lambda pattern, size: back.has_upper(pattern, size, Panel.BACK),
    carry_out=lambda pattern, size, a: back.give_length_above(pattern, size, Panel.BACK, a.by),
    tissue=_tissue,
)
