"""Shoulders broader or narrower."""

from __future__ import annotations

from rowanseed.core.alter import shoulder
from rowanseed.core.alter.kind import AlterationKind, OnTissue


def _tissue(told: OnTissue) -> tuple[str, ...]:
    side = "beyond" if told.more else "inside"
    return (
        f"Mark the new shoulder tip {told.figure} {side} the old one, on the shoulder line carried on.",
        "Draw the armhole from there smoothly into the old line at the underarm, on front and back alike.",
    )


KIND = AlterationKind(
    id="shoulder-width",
    name="Shoulder width, each",
    order=50,
    sense="broader",
    opposite="narrower",
    most=60,
    why="its shoulder and armhole move",
    offered=shoulder.has_shoulders,
    carry_out=lambda pattern, size, a: shoulder.change_width(pattern, size, a.by),
    tissue=_tissue,
)
