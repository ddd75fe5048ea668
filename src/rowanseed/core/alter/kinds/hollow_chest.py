"""A hollow chest, or a full one."""

from __future__ import annotations

from rowanseed.core.alter import back
from rowanseed.core.alter.kind import AlterationKind, OnTissue
from rowanseed.core.pattern.pieces import Panel


def _tissue(told: OnTissue) -> tuple[str, ...]:
    return (
        "Draw a line across the front between neck and bust, from the centre to the armhole.",
        f"{'Fold out' if told.more else 'Slash and spread'} {told.figure} along it at the centre, nothing at the "
        "armhole.",
        "Draw the centre front straight again and the neck smooth; facing and collar follow.",
    )


KIND = AlterationKind(
    id="hollow-chest",
    name="Hollow chest",
    order=94,
    sense="taken out over the upper chest",
    opposite="given there, for a full chest",
    most=40,
    why="it lies over the upper chest",
    offered=lambda pattern, size: back.has_upper(pattern, size, Panel.FRONT),
    carry_out=lambda pattern, size, a: back.give_length_above(pattern, size, Panel.FRONT, -a.by),
    tissue=_tissue,
)
