"""A broad or a narrow back."""

from __future__ import annotations

from rowanseed.core.alter import armhole
from rowanseed.core.alter.kind import AlterationKind, OnTissue
from rowanseed.core.pattern.pieces import Panel


def _tissue(told: OnTissue) -> tuple[str, ...]:
    half, side = told.show(told.alteration.by / 2), "outside" if told.more else "inside"
    return (
        f"Half-way down the back armhole mark a point {half} {side} it.",
        "Draw the armhole through it, to nothing at the shoulder tip and at the underarm.",
        "The back armhole has changed a little: the sleeve's cap is worked out under “goes along”.",
    )


KIND = AlterationKind(
    id="back-width",
    name="Back, across the shoulder blades",
    order=92,
    sense="broader",
    opposite="narrower",
    most=60,
    why="its armhole moves",
    offered=lambda pattern, size: armhole.has_armhole(pattern, size, Panel.BACK),
    carry_out=lambda pattern, size, a: armhole.change_back_width(pattern, size, a.by),
    tissue=_tissue,
)
