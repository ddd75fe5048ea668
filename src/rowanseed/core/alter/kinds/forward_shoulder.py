"""A forward shoulder."""

from __future__ import annotations

from rowanseed.core.alter import shoulder
from rowanseed.core.alter.kind import AlterationKind, OnTissue


def _tissue(told: OnTissue) -> tuple[str, ...]:
    front, back = ("down", "up") if told.more else ("up", "down")
    way = "forward" if told.more else "back"
    return (
        f"On the front move the shoulder tip {told.figure} {front}; draw the shoulder from the neck, which stays.",
        f"On the back (and its yoke) move the shoulder tip {told.figure} {back} in the same way.",
        "Draw both armholes smooth again from there to half their depth.",
        f"Move the sleeve's shoulder point {told.figure} {way} along the cap.",
    )


KIND = AlterationKind(
    id="forward-shoulder",
    name="Forward shoulder",
    order=65,
    sense="shoulder seam forward",
    opposite="shoulder seam back",
    most=30,
    why="its shoulder tip moves",
    offered=shoulder.has_shoulders,
    carry_out=lambda pattern, size, a: shoulder.move_forward(pattern, size, a.by),
    tissue=_tissue,
)
