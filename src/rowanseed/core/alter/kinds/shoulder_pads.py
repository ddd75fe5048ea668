"""Room for shoulder pads."""

from __future__ import annotations

from rowanseed.core.alter import shoulder
from rowanseed.core.alter.kind import AlterationKind, OnTissue


def _tissue(told: OnTissue) -> tuple[str, ...]:
    return (
        f"Raise the shoulder tip of front and back by {told.figure}, to nothing at the neck; the line stays as long.",
        "Raise the sleeve's cap until it fits the armhole again; it is worked out under “goes along”.",
    )


KIND = AlterationKind(
    id="shoulder-pads",
    name="Room for shoulder pads",
    order=70,
    sense="pad thickness",
    opposite="",
    most=30,
    why="its shoulder is raised",
    offered=shoulder.has_shoulders,
    carry_out=lambda pattern, size, a: shoulder.allow_for_pads(pattern, size, a.by),
    tissue=_tissue,
)
