"""The armhole lowered or raised."""

from __future__ import annotations

from rowanseed.core.alter import armhole
from rowanseed.core.alter.kind import AlterationKind, OnTissue
from rowanseed.core.alter.sleeve import SHALLOW, cap_height
from rowanseed.core.pattern.pieces import Panel


def _tissue(told: OnTissue) -> tuple[str, ...]:
    way = "down" if told.more else "up"
    steps = (
        f"On front and back move the underarm point {told.figure} {way} the side seam.",
        "Draw the armhole to it, into the old line below its middle.",
    )
    if not any(piece.panel is Panel.SLEEVE for piece in told.pattern.pieces):
        return steps
    sleeve = next(piece.id for piece in told.pattern.pieces if piece.panel is Panel.SLEEVE)
    if not told.more and 0 < cap_height(told.pattern, told.size, sleeve) < SHALLOW:
        return (*steps, "Make the sleeve narrower at both underarm edges until its upper edge fits the new armhole.")
    return (
        *steps,
        f"On the sleeve move both underarm points {told.figure} {way} too and draw the cap to them; its top stays.",
    )


KIND = AlterationKind(
    id="armhole-depth",
    name="Armhole",
    order=98,
    sense="lowered",
    opposite="raised",
    most=50,
    why="its underarm point moves",
    offered=lambda pattern, size: armhole.has_armhole(pattern, size, Panel.FRONT, Panel.BACK),
    carry_out=lambda pattern, size, a: armhole.change_depth(pattern, size, a.by),
    tissue=_tissue,
    on_sleeve=lambda _: True,
)
