"""Length at the hem."""

from __future__ import annotations

from rowanseed.core.alter import hem as lower_edge
from rowanseed.core.alter.kind import AlterationKind, OnTissue


def _tissue(told: OnTissue) -> tuple[str, ...]:
    if told.more:
        return (
            f"Tape paper below the hem. Draw the sides on in their own direction, {told.figure} long.",
            "Draw the hem across, as curved as it was.",
        )
    return (
        f"Measure {told.figure} up the sides from the hem and draw the hem again, as curved as it was.",
        "Fold the tissue back along it rather than cutting it off, so that the length is not lost.",
    )


KIND = AlterationKind(
    id="hem",
    name="Length at the hem",
    order=20,
    sense="longer",
    opposite="shorter",
    most=5000,
    why="its lower edge is part of the hem",
    offered=lambda pattern, size: bool(lower_edge.hem_edges(pattern)),
    carry_out=lambda pattern, size, a: lower_edge.change_length_at_hem(pattern, size, a.by),
    tissue=_tissue,
)
