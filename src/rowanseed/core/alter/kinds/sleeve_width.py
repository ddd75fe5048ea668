"""Width of the sleeve at the upper arm."""

from __future__ import annotations

from rowanseed.core.alter import sleeve
from rowanseed.core.alter.kind import AlterationKind, OnTissue


def _tissue(told: OnTissue) -> tuple[str, ...]:
    way = "Spread" if told.more else "Lap"
    return (
        "Slash the sleeve down its middle and across at the upper arm, leaving hinges at all four ends.",
        f"{way} the middle by {told.figure} at the upper arm, nothing at the cap's top and the wrist.",
        "Redraw the cap so that it keeps its length: it comes out a little lower when the sleeve is wider.",
    )


KIND = AlterationKind(
    id="sleeve-width",
    name="Sleeve at the upper arm",
    order=100,
    sense="wider",
    opposite="narrower",
    most=120,
    why="it covers the upper arm",
    offered=sleeve.has_sleeve,
    carry_out=lambda pattern, size, a: sleeve.change_width(pattern, size, a.by),
    tissue=_tissue,
    on_sleeve=lambda _: True,
)
